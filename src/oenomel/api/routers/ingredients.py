"""The larder."""

from __future__ import annotations

from typing import Annotated, Any

from fastapi import Query

from oenomel.api.errors import PROBLEMS
from oenomel.api.reading.house import Connection
from oenomel.api.room import room
from oenomel.core.families import NewPour, families, new_pour
from oenomel.core.larder import Ingredient, Kind, SlotName
from oenomel.core.spec import FamilyName
from oenomel.interchange.models import Plain, Report
from oenomel.store import ingredients

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
    """An ingredient as it stands in a list: % v/v, g of sugar and of acid per 100 ml."""

    slug: str
    name: str
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


@router.get("/ingredients", responses=PROBLEMS["bad"])
def list_ingredients(
    conn: Connection,
    q: Annotated[Plain, Query(max_length=100)] = "",
    kind: Kind | None = None,
    slot: SlotName | None = None,
    family: FamilyName | None = None,
    new_as: SlotName = "other",
) -> list[IngredientSummary]:
    """Ingredients by words, kind and slot, in the order of their names; each tells what a new pour of it is in a family's drink, as
    ``new_as``.
    """
    of = families()[family] if family else None
    return [_summary(each, new_pour(each, of, new_as)) for each in ingredients.search(conn, q, kind, slot)]


@router.get("/ingredients/{slug}", responses=PROBLEMS["missing"])
def get_ingredient(conn: Connection, slug: str) -> IngredientDetail:
    """One ingredient."""
    return ingredient_detail(ingredients.get(conn, slug))


def ingredient_detail(ingredient: Ingredient) -> IngredientDetail:
    """An ingredient with the source of each of its numbers."""
    values = [ValueReport.model_validate(value) for value in ingredient.values.values()]
    return IngredientDetail(**_told(ingredient, new_pour(ingredient, None)), values=values)


def _summary(ingredient: Ingredient, pour: NewPour) -> IngredientSummary:
    return IngredientSummary(**_told(ingredient, pour))


def _told(ingredient: Ingredient, pour: NewPour) -> dict[str, Any]:
    return {
        **{name: getattr(ingredient, name) for name in ("slug", "name", "kind", "impression", "origin", "varies")},
        **{name: list(getattr(ingredient, name)) for name in ("slots", "allergens", "cautions")},
        **{name: getattr(ingredient.composition, name) for name in ("abv", "sugar", "acid")},
        "sparkling": ingredient.is_sparkling,
        "aroma": dict(ingredient.aroma),
        "bitterness": ingredient.label("bitterness") or 0.0,
        "keeps_days": ingredient.label("keeps_days"),
        "new_pour": pour,
    }
