"""The larder."""

from __future__ import annotations

from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.larder import Kind, SlotName
from oenomel.core.spec import FamilyName
from oenomel.schemas.base import Plain
from oenomel.schemas.routes.ingredients_models import FoundReport, IngredientDetail, IngredientSummary
from oenomel.services import ingredients as cases

router = idempotent_router("larder")


@router.get("/ingredients", responses=PROBLEMS["bad"])
def list_ingredients(
    conn: Connection,
    q: Annotated[Plain, Query(max_length=100)] = "",
    kind: Kind | None = None,
    slot: SlotName | None = None,
    family: FamilyName | None = None,
    new_as: SlotName = "other",
) -> list[IngredientSummary]:
    """Ingredients that the words mean, best first (all, by name, without words), of a kind and a slot; each tells what a new pour of it
    is in a family's drink, as ``new_as``.
    """
    return cases.list_ingredients(conn, q, kind, slot, family, new_as)


@router.get("/find", responses=PROBLEMS["bad"])
def find_ingredients(conn: Connection, q: Annotated[Plain, Query(max_length=100)]) -> FoundReport:
    """Ingredients by any word of the trade for them, best first; where nothing is called so, the nearest."""
    return cases.find_ingredients(conn, q)


@router.get("/ingredients/{slug}", responses=PROBLEMS["missing"])
def get_ingredient(conn: Connection, slug: str) -> IngredientDetail:
    """Return one ingredient."""
    return cases.get_ingredient(conn, slug)
