"""Search the ingredients."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterable
from typing import Any

from oenomel.core.families import families
from oenomel.core.families.family import NewPour, new_pour
from oenomel.core.larder import Ingredient, Kind, SlotName
from oenomel.core.larder.ingredient_search import IngredientMatch
from oenomel.core.spec import FamilyName
from oenomel.schemas.base import Plain
from oenomel.schemas.routes.drinks_models import DrinkDetail
from oenomel.schemas.routes.ingredients_models import FoundIngredient, FoundReport, IngredientDetail, IngredientSummary, ValueReport
from oenomel.schemas.spec_to_drink import slugs_of
from oenomel.store import ingredients
from oenomel.store.stock import in_stock


def list_ingredients(
    conn: sqlite3.Connection,
    q: Plain = "",
    kind: Kind | None = None,
    slot: SlotName | None = None,
    family: FamilyName | None = None,
    new_as: SlotName = "other",
) -> list[IngredientSummary]:
    """List the ingredients that match words, a kind and a slot, best first (without words all, by name), each with the amount of a new
    pour, ``new_as``.
    """
    of = families()[family] if family else None
    return [
        _summary(ingredient, new_pour(ingredient, of, new_as), by) for ingredient, by in ingredients.search(conn, q, kind, slot, new_as)
    ]


def list_drink_ingredients(conn: sqlite3.Connection, drink: DrinkDetail) -> list[IngredientSummary]:
    """List the ingredients of a drink's trials and of its draft, by name, with those that are retired."""
    drafts = [drink.draft.spec] if drink.draft else []
    return list_some_ingredients(conn, slugs_of(*(trial.spec for trial in drink.trials), *drafts))


def list_some_ingredients(conn: sqlite3.Connection, slugs: Iterable[str]) -> list[IngredientSummary]:
    """List the ingredients with these slugs, by name; unknown slugs are left out."""
    known = ingredients.some(conn, slugs).values()
    return [_summary(ingredient, new_pour(ingredient, None), "") for ingredient in sorted(known, key=lambda one: one.name.casefold())]


def find_ingredients(conn: sqlite3.Connection, q: Plain) -> FoundReport:
    """Find ingredients by any of their names, best first; where none matches, the nearest."""
    index = ingredients.names(conn)
    matches = index.find(q, in_stock(conn))
    return FoundReport(found=_match_report(matches), nearest=[] if matches else _match_report(index.nearest(q)))


def get_ingredient(conn: sqlite3.Connection, slug: str) -> IngredientDetail:
    """Return one ingredient."""
    return ingredient_detail(ingredients.get(conn, slug))


def _match_report(matches: list[IngredientMatch]) -> list[FoundIngredient]:
    return [FoundIngredient(slug=match.slug, name=match.name, by=match.by) for match in matches]


def ingredient_detail(ingredient: Ingredient) -> IngredientDetail:
    """Return an ingredient with the source of each value."""
    values = [ValueReport.model_validate(value) for value in ingredient.values.values()]
    return IngredientDetail(**_ingredient_fields(ingredient, new_pour(ingredient, None)), values=values)


def _summary(ingredient: Ingredient, pour: NewPour, by: str) -> IngredientSummary:
    return IngredientSummary(**_ingredient_fields(ingredient, pour, by))


def _ingredient_fields(ingredient: Ingredient, pour: NewPour, by: str = "") -> dict[str, Any]:
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
