"""Read recipes from any text, and write them in open formats."""

from __future__ import annotations

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.formats.recipe_reader import ReadReport
from oenomel.schemas.routes.recipes_models import RecipeTextRequest, WriteRequest, WrittenReport
from oenomel.services import recipes as cases

router = idempotent_router("recipes")


@router.post("/read", responses=PROBLEMS["bad"])
def read_recipe_text(body: RecipeTextRequest, conn: Connection) -> ReadReport:
    """Read a recipe as a spec, with what each of its lines was read as."""
    return cases.read_recipe_text(conn, body)


@router.post("/write", responses=PROBLEMS["bad"])
def write_recipe(body: WriteRequest, conn: Connection, conditions: HouseConditions) -> WrittenReport:
    """Write a drink in an open format, or as its card."""
    return cases.write_recipe(conn, body, conditions)
