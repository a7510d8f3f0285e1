"""Estimate the shelf life of a batch in the cold from its ingredients (docs/model/batch.md)."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from oenomel.core.larder import Ingredient
from oenomel.core.larder.shelf_life import BATCH_MOST_DAYS, BATCH_WEAK_DAYS, HALF_DAY_H, KEEPS_BY_STRENGTH_ABV, is_of_the_day, shelf_life_h
from oenomel.core.wording import capital, listed


@dataclass(frozen=True, slots=True)
class Keeping:
    """Shelf life of a batch, [h], whether it is good for today only, and why."""

    hours: float
    today_only: bool
    words: str


def keeping_of(parts: Sequence[Ingredient], abv: float) -> Keeping:
    """Estimate the shelf life of a batch in the cold, from its ingredients and its strength in % v/v."""
    juices = [part for part in parts if is_of_the_day(part)]
    if juices:
        result = list(dict.fromkeys(juice.in_sentence for juice in juices))
        taste = "tastes" if len(result) == 1 else "taste"
        return Keeping(HALF_DAY_H, True, f"Today only. {capital(listed(result))} {taste} flat tomorrow.")
    lasting = [(shelf_life_h(ingredient) or 24 * BATCH_MOST_DAYS, ingredient) for ingredient in parts]
    hours, shortest = min(lasting, key=lambda each: each[0], default=(24 * BATCH_MOST_DAYS, None))
    if abv < KEEPS_BY_STRENGTH_ABV and hours > 24 * BATCH_WEAK_DAYS:
        return Keeping(
            24 * BATCH_WEAK_DAYS,
            False,
            f"About a week, cold. At {abv:.0f}% ABV alcohol alone doesn't preserve it. Trust your nose over the date.",
        )
    days = hours / 24
    if shortest is None or hours >= 24 * BATCH_MOST_DAYS:
        return Keeping(24 * BATCH_MOST_DAYS, False, "About three months, cold and closed. Trust your nose over the date.")
    return Keeping(hours, False, f"About {days:.0f} days, cold, like {shortest.in_sentence}. Trust your nose over the date.")
