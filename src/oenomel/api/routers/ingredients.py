"""Search the ingredients."""

from __future__ import annotations

from typing import Annotated

from fastapi import Query
from pydantic import Field

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.larder import Kind, SlotName
from oenomel.core.spec import FamilyName
from oenomel.schemas.base import Plain, RowId
from oenomel.schemas.routes.ingredients_models import FoundReport, IngredientDetail, IngredientSummary
from oenomel.services import ingredients as cases
from oenomel.services.drinks import get_drink

router = idempotent_router("larder")


@router.get("/ingredients", responses=PROBLEMS["bad"])
def list_ingredients(
    conn: Connection,
    q: Annotated[Plain, Query(max_length=100)] = "",
    kind: Kind | None = None,
    slot: SlotName | None = None,
    family: FamilyName | None = None,
    new_as: SlotName = "other",
    slug: Annotated[list[Annotated[str, Field(max_length=100)]] | None, Query(max_length=200)] = None,
) -> list[IngredientSummary]:
    """List the ingredients that match words, a kind and a slot, best first (without words all, by name), each with the amount of a new
    pour, ``new_as``; with ``slug`` those alone, the retired ones too.
    """
    if slug is not None:
        return cases.list_some_ingredients(conn, slug)
    return cases.list_ingredients(conn, q, kind, slot, family, new_as)


@router.get("/drinks/{drink_id}/ingredients", responses=PROBLEMS["missing"])
def list_drink_ingredients(conn: Connection, drink_id: RowId) -> list[IngredientSummary]:
    """List the ingredients of a drink's trials and of its draft, by name: what the bench needs of the larder to open."""
    return cases.list_drink_ingredients(conn, get_drink(conn, drink_id))


@router.get("/find", responses=PROBLEMS["bad"])
def find_ingredients(conn: Connection, q: Annotated[Plain, Query(max_length=100)]) -> FoundReport:
    """Find ingredients by any of their names, best first; where none matches, the nearest."""
    return cases.find_ingredients(conn, q)


@router.get("/ingredients/{slug}", responses=PROBLEMS["missing"])
def get_ingredient(conn: Connection, slug: str) -> IngredientDetail:
    """Return one ingredient."""
    return cases.get_ingredient(conn, slug)
