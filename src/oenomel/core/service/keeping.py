"""How long a bottle keeps: by what is in it, cold, and as an estimate that a nose overrides (docs/model.md, "Batch and service")."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.larder import HALF_DAY_H, Ingredient, lasts_h, listed

KEEPS_ITSELF_ABV: Final = 20.0
"""Strength from which a bottle keeps for as long as the shortest-lived of its parts; below it a week at the most (house rules)."""

WEAK_DAYS: Final = 7.0
STRONG_DAYS: Final = 90.0


@dataclass(frozen=True, slots=True)
class Keeping:
    """How long it keeps, [h], whether that is only the day, and why, in a sentence."""

    hours: float
    today_only: bool
    words: str


def keeping_of(parts: Sequence[Ingredient], abv: float) -> Keeping:
    """How long a bottle of these keeps, cold, at such a strength in % v/v."""
    juices = [each for each in parts if each.kind == "juice" and (lasts_h(each) or 1e9) <= HALF_DAY_H]
    if juices:
        said = list(dict.fromkeys(each.said for each in juices))
        they = "is the day's, and tastes" if len(said) == 1 else "are the day's, and taste"
        return Keeping(HALF_DAY_H, True, f"For today: {listed(said)} {they} flat tomorrow.")
    lasting = [(lasts_h(each) or 24 * STRONG_DAYS, each) for each in parts]
    hours, shortest = min(lasting, key=lambda each: each[0], default=(24 * STRONG_DAYS, None))
    if abv < KEEPS_ITSELF_ABV and hours > 24 * WEAK_DAYS:
        return Keeping(24 * WEAK_DAYS, False, f"About a week, cold: at {abv:.0f} % it doesn't keep by its strength. A nose overrides it.")
    days = hours / 24
    if shortest is None or hours >= 24 * STRONG_DAYS:
        return Keeping(24 * STRONG_DAYS, False, "About three months, cold and closed: nothing in it turns soon. A nose overrides it.")
    return Keeping(hours, False, f"About {days:.0f} days, cold, as {shortest.said} does. A nose overrides it.")
