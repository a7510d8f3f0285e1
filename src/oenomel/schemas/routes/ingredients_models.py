"""Bodies and queries of the ingredients router."""

from __future__ import annotations

from oenomel.core.families.family import NewPour
from oenomel.core.larder import SlotName
from oenomel.schemas.base import Report


class ValueReport(Report):
    """One composition value with its spread (relative standard deviation), its source and the reasoning."""

    name: str
    value: float
    relative_sd: float
    source: str
    source_kind: str
    why: str


class IngredientSummary(Report):
    """An ingredient in a list: % v/v, g of sugar and of acid per 100 ml.

    ``also`` are its other names; ``found_by`` the one that matched, empty for its own name.
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
    """An ingredient with the source of each value."""

    values: list[ValueReport]


class FoundIngredient(Report):
    """An ingredient that matches words, and the other name that matched (empty for its own)."""

    slug: str
    name: str
    by: str


class FoundReport(Report):
    """Ingredients that match words, best first; ``nearest`` only where none does."""

    found: list[FoundIngredient]
    nearest: list[FoundIngredient]
