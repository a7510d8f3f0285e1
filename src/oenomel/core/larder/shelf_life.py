"""Shelf life in the cold: one table for syrups, juices, spirits, acids and batches. Trust your nose over each figure."""

from __future__ import annotations

from typing import Final

from oenomel.core.larder.ingredient import Ingredient

__all__ = [
    "ACID_SOLUTION_DAYS", "BATCH_MOST_DAYS", "BATCH_WEAK_DAYS", "DAIRY_DAYS", "DAY_JUICE_DAYS", "FRESH_DAYS", "FRUIT_DAYS", "HALF_DAY_H",
    "JUICE_DAYS", "KEEPS_BY_STRENGTH_ABV", "SALINE_DAYS", "SPIRIT_DAYS", "SYRUP_DAYS", "THIN_BRIX", "days_at_least", "is_of_the_day",
    "is_past_shelf_life", "shelf_life_h",
]  # fmt: skip

THIN_BRIX, MIDDLE_BRIX, RICH_BRIX = 42.0, 55.0, 62.5
"""°Bx from which a syrup keeps like a 1:1 (also by the cup), a 1.5:1 and a 2:1."""

SYRUP_DAYS: Final = ((RICH_BRIX, 60), (MIDDLE_BRIX, 42), (THIN_BRIX, 21), (30.0, 14), (0.0, 7))
"""Shelf life in days of a syrup by its least °Bx. Common practice: 1:1 three weeks, 2:1 two months; between and below, estimates."""

FRUIT_DAYS: Final = 14
"""Shelf life in days of a syrup with fruit (common practice: two weeks)."""

SPIRIT_DAYS: Final = ((35.0, 180), (20.0, 60), (0.0, 5))
"""Shelf life in days of an infusion by its least strength in % v/v (estimates)."""

SALINE_DAYS: Final = ((10.0, 180), (0.0, 30))
"""Shelf life in days of a saline solution by its least salt in g/100 ml (estimates)."""

ACID_SOLUTION_DAYS: Final = ((4.0, 30), (0.0, 14))
"""Shelf life in days of an acid solution by its least acid in g/100 ml (estimates): a month at a juice's acidity."""

JUICE_DAYS: Final = 1
"""Shelf life in days of an adjusted juice (estimate)."""

DAIRY_DAYS: Final = 3
"""Shelf life in days of anything with milk, cream or egg (estimate)."""

FRESH_DAYS: Final = 4
"""Shelf life in days of an ingredient up to which a preparation with it spoils sooner (estimate)."""

DAY_JUICE_DAYS: Final = 2
"""Shelf life in days up to which a juice counts as juice of the day: it tastes flat tomorrow (common practice)."""

HALF_DAY_H: Final = 12.0
"""Hours that a juice of the day keeps (common practice)."""

KEEPS_BY_STRENGTH_ABV: Final = 20.0
"""Strength from which a batch or an infusion keeps by its alcohol, [% v/v] (house rule)."""

BATCH_WEAK_DAYS: Final = 7.0
"""Most days of a batch below that strength (house rule)."""

BATCH_MOST_DAYS: Final = 90.0
"""Most days of any batch (house rule)."""


def days_at_least(table: tuple[tuple[float, int], ...], value: float) -> int:
    """Return the days of the first row whose least value is reached.

    >>> days_at_least(SYRUP_DAYS, 50.0)
    21
    """
    return next(days for least, days in table if value >= least)


def is_of_the_day(ingredient: Ingredient) -> bool:
    """Check whether an ingredient is juice that must be pressed on the day."""
    keeps = ingredient.label("keeps_days")
    return ingredient.kind == "juice" and keeps is not None and keeps <= DAY_JUICE_DAYS


def shelf_life_h(ingredient: Ingredient) -> float | None:
    """Return the hours that an open bottle or a juice keeps; None where unknown.

    A juice of the day keeps twelve hours, everything else the days that its label or the catalogue gives.
    """
    keeps = ingredient.label("keeps_days")
    if keeps is None:
        return None
    return HALF_DAY_H if is_of_the_day(ingredient) else 24 * keeps


def is_past_shelf_life(ingredient: Ingredient, hours: float) -> bool:
    """Check whether an open bottle or a juice is older than its shelf life."""
    lasts = shelf_life_h(ingredient)
    return lasts is not None and hours > lasts
