"""The larder."""

from __future__ import annotations

from typing import Annotated, Any

from fastapi import Query

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.core.families import families
from oenomel.core.families.family import NewPour, new_pour
from oenomel.core.larder import Ingredient, Kind, SlotName
from oenomel.core.larder.ingredient_search import Found
from oenomel.core.spec import FamilyName
from oenomel.schemas.base import Plain, Report
from oenomel.store import ingredients
from oenomel.store.stock import in_stock

router = room("larder")


class ValueReport(Report):
    """One composition value with its spread (relative standard deviation), its source and the reasoning."""

    name: str
    value: float
    relative_sd: float
    source: str
    source_kind: str
    why: str


class IngredientSummary(Report):
    """An ingredient as it stands in a list: % v/v, g of sugar and of acid per 100 ml.

    ``also`` are the other words for it; ``found_by`` the one that the search went by, empty where it was its own name.
    """

    slug: str
    name: str
    also: list[str]
    found_by: str
    kind: str
    slots: list[SlotName]
    impression: str
    allergens: list[str]
    cautions: list[str]
    origin: str
    abv: float
    sugar: float
    acid: float
    sparkling: bool
    aroma: dict[str, int]
    bitterness: float
    keeps_days: float | None
    varies: bool
    new_pour: NewPour


class IngredientDetail(IngredientSummary):
    """An ingredient with the source of each of its numbers."""

    values: list[ValueReport]


class FoundIngredient(Report):
    """An ingredient that words mean, and the other name that they were taken for (empty: its own)."""

    slug: str
    name: str
    by: str


class FoundReport(Report):
    """What words mean, best first; ``nearest`` only where they mean nothing that is known."""

    found: list[FoundIngredient]
    nearest: list[FoundIngredient]


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
    of = families()[family] if family else None
    return [_summary(each, new_pour(each, of, new_as), by) for each, by in ingredients.search(conn, q, kind, slot, new_as)]


@router.get("/find", responses=PROBLEMS["bad"])
def find_ingredients(conn: Connection, q: Annotated[Plain, Query(max_length=100)]) -> FoundReport:
    """Ingredients by any word of the trade for them, best first; where nothing is called so, the nearest."""
    index = ingredients.names(conn)
    found = index.find(q, in_stock(conn))
    return FoundReport(found=_told_found(found), nearest=[] if found else _told_found(index.nearest(q)))


def _told_found(found: list[Found]) -> list[FoundIngredient]:
    return [FoundIngredient(slug=each.slug, name=each.name, by=each.by) for each in found]


@router.get("/ingredients/{slug}", responses=PROBLEMS["missing"])
def get_ingredient(conn: Connection, slug: str) -> IngredientDetail:
    """One ingredient."""
    return ingredient_detail(ingredients.get(conn, slug))


def ingredient_detail(ingredient: Ingredient) -> IngredientDetail:
    """An ingredient with the source of each of its numbers."""
    values = [ValueReport.model_validate(value) for value in ingredient.values.values()]
    return IngredientDetail(**_told(ingredient, new_pour(ingredient, None)), values=values)


def _summary(ingredient: Ingredient, pour: NewPour, by: str) -> IngredientSummary:
    return IngredientSummary(**_told(ingredient, pour, by))


def _told(ingredient: Ingredient, pour: NewPour, by: str = "") -> dict[str, Any]:
    return {
        "found_by": by,
        **{name: getattr(ingredient, name) for name in ("slug", "name", "kind", "impression", "origin", "varies")},
        **{name: list(getattr(ingredient, name)) for name in ("slots", "also", "allergens", "cautions")},
        **{name: getattr(ingredient.composition, name) for name in ("abv", "sugar", "acid")},
        "sparkling": ingredient.is_sparkling,
        "aroma": dict(ingredient.aroma),
        "bitterness": ingredient.label("bitterness") or 0.0,
        "keeps_days": ingredient.label("keeps_days"),
        "new_pour": pour,
    }
