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
    """Ingredients that words mean, best first; ``nearest`` only where the words mean nothing known."""

    found: list[FoundIngredient]
    nearest: list[FoundIngredient]
