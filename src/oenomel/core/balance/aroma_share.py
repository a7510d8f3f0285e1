"""Aroma of one ingredient in a drink, beside the three axes (docs/model/rebalance.md)."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Final

from oenomel.core.larder import Ingredient
from oenomel.core.spec import Drink

SMELL_STEP: Final = 0.25
"""A noticeable step of aroma, as the logarithm of a share; an assumption (docs/model/rebalance.md)."""

GONE_BELOW: Final = 0.05
"""Share of its former loudness below which an aroma counts as gone."""

_PARTS: Final = (
    (1 / 10, "a tenth"), (1 / 8, "an eighth"), (1 / 6, "a sixth"), (1 / 5, "a fifth"), (1 / 4, "a quarter"), (1 / 3, "a third"),
    (2 / 5, "two fifths"), (1 / 2, "half"), (3 / 5, "three fifths"), (2 / 3, "two thirds"), (3 / 4, "three quarters"),
    (5 / 6, "five sixths"), (9 / 10, "nine tenths"),
)  # fmt: skip
_TIMES: Final = ((2.0, "twice"), (2.5, "two and a half times"), (3.0, "three times"), (4.0, "four times"), (5.0, "five times"))


@dataclass(frozen=True, slots=True)
class Loudness:
    """One aromatic ingredient's share of a drink and of its parent, 0 to 1 each, and the difference in noticeable steps of aroma."""

    slug: str
    name: str
    before: float
    after: float
    steps: float
    words: str

    @property
    def is_noticeable(self) -> bool:
        """True if the difference can be smelt."""
        return abs(self.steps) >= 1

    @property
    def sentence(self) -> str:
        """Phrase that names the ingredient and how much of its aroma there is: "a third less gin"."""
        return aroma_words(self.after / self.before, self.name)


def share_of_glass(drink: Drink, slug: str, served_ml: float) -> float:
    """Return the share of the glass that is one ingredient, 0 to 1."""
    return math.fsum(pour.liquid_ml for pour in drink.pours if pour.ingredient.slug == slug) / served_ml if served_ml > 0 else 0.0


def loudness_between(drink: Drink, parent: Drink, served_ml: float, parent_ml: float) -> tuple[Loudness, ...]:
    """Return the aromatic ingredients that both drinks pour, the largest change first; volumes are those served, [ml]."""
    poured_slugs = {pour.ingredient.slug for pour in parent.pours if pour.liquid_ml > 0}
    smelt = {
        p.ingredient.slug: p.ingredient for p in drink.pours if p.ingredient.aroma and p.liquid_ml > 0 and p.ingredient.slug in poured_slugs
    }
    loudnesses = [
        _loudness(ingredient, share_of_glass(parent, slug, parent_ml), share_of_glass(drink, slug, served_ml))
        for slug, ingredient in smelt.items()
    ]
    return tuple(sorted(loudnesses, key=lambda each: -abs(each.steps)))


def _loudness(ingredient: Ingredient, before: float, after: float) -> Loudness:
    ratio = after / before
    return Loudness(ingredient.slug, ingredient.in_sentence, before, after, math.log(ratio) / SMELL_STEP, aroma_words(ratio, "aroma"))


def aroma_words(ratio: float, name: str) -> str:
    """Describe how much of an ingredient's aroma is left or added, by the ratio of its shares.

    >>> aroma_words(0.66, "gin"), aroma_words(2.1, "gin"), aroma_words(1.02, "gin"), aroma_words(0.5, "gin")
    ('a third less gin', 'twice the gin', 'as much gin', 'half the gin')
    """
    if abs(ratio - 1) < 0.05:
        return f"as much {name}"
    if ratio < GONE_BELOW:
        return f"almost no {name}"
    if ratio < 1:
        return f"half the {name}" if abs(ratio - 0.5) < 0.05 else f"{part_words(1 - ratio)} less {name}"
    if ratio < 1.8:
        return f"half as much {name} again" if abs(ratio - 1.5) < 0.06 else f"{part_words(ratio - 1)} more {name}"
    return f"{min(_TIMES, key=lambda each: abs(each[0] - ratio))[1]} the {name}" if ratio < 6 else f"many times the {name}"


def part_words(part: float) -> str:
    """Return a fraction in words, rounded to one that the trade would say.

    >>> part_words(0.17), part_words(0.49), part_words(0.99)
    ('a sixth', 'half', 'nearly all')
    """
    if part > 0.95:
        return "nearly all"
    return min(_PARTS, key=lambda each: abs(each[0] - part))[1]
