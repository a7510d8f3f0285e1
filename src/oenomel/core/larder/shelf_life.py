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
"""°Bx from which a syrup keeps as a 1:1 (by the cup too), a 1.5:1 and a 2:1 does."""

SYRUP_DAYS: Final = ((RICH_BRIX, 60), (MIDDLE_BRIX, 42), (THIN_BRIX, 21), (30.0, 14), (0.0, 7))
"""Days of a syrup by its °Bx, at least. Common practice: 1:1 three weeks, 2:1 two months; between them and below, estimates."""

FRUIT_DAYS: Final = 14
"""Days of a syrup with fruit in it (common practice: two weeks)."""

SPIRIT_DAYS: Final = ((35.0, 180), (20.0, 60), (0.0, 5))
"""Days of an infusion by its strength in % v/v, at least (estimates)."""

SALINE_DAYS: Final = ((10.0, 180), (0.0, 30))
"""Days of a saline solution by its salt in g/100 ml, at least (estimates)."""

ACID_SOLUTION_DAYS: Final = ((4.0, 30), (0.0, 14))
"""Days of acids in water by their acid in g/100 ml, at least (estimates): a month where it is as sharp as a juice."""

JUICE_DAYS: Final = 1
"""Days of an adjusted juice (estimate)."""

DAIRY_DAYS: Final = 3
"""Days of anything with milk, cream or egg in it (estimate)."""

FRESH_DAYS: Final = 4
"""An ingredient that keeps no longer spoils what is made of it sooner, [days] (estimate)."""

DAY_JUICE_DAYS: Final = 2
"""A juice that keeps no longer is the day's: it tastes flat tomorrow, [days] (common practice)."""

HALF_DAY_H: Final = 12.0
"""Hours that a juice of the day is fit to pour (common practice)."""

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
