"""Aromas that two ingredients share, by their tags (docs/model/swaps.md). Weak evidence, and presented as such."""

from __future__ import annotations

import math
import tomllib
from collections.abc import Iterable
from functools import cache, lru_cache
from importlib import resources
from typing import Final

from oenomel.core.larder.catalogue_loader import aromas
from oenomel.core.larder.ingredient import Ingredient

Smell = tuple[tuple[str, int], ...]

SAME_GROUP: Final = 0.6
UNTOLD: Final = 0.4
REDUNDANT_ABOVE: Final = 0.6
"""Values of a pair in the same group and of an unknown pair; and the likeness above which a pair is more of the same and loses value
(docs/model/swaps.md).
"""


def likeness(one: Ingredient, other: Ingredient) -> float:
    """Cosine of two ingredients' aroma tags, 0 to 1; 1 where neither has any, 0 where only one has.

    >>> from oenomel.core.larder import catalogue
    >>> larder = catalogue()
    >>> round(likeness(larder["orange-liqueur-dry"], larder["orange-liqueur-sweet"]), 2)
    0.67
    """
    if not one.aroma or not other.aroma:
        return 1.0 if not one.aroma and not other.aroma else 0.0
    return _cosine(tuple(one.aroma.items()), tuple(other.aroma.items()))


def kinship(one: Ingredient, rest: Iterable[Ingredient]) -> float | None:
    """Compute how well an ingredient pairs with the rest of a drink, 0 to 1: mean over the pairs of groups, less a penalty for more of
    the same.

    None where its aroma, or that of all the others, is unknown.
    """
    others = [other for other in rest if other.aroma and other.slug != one.slug]
    if not one.aroma or not others:
        return None
    own = tuple(one.aroma.items())
    links = [_link(own, tuple(other.aroma.items())) - max(0.0, likeness(one, other) - REDUNDANT_ABOVE) for other in others]
    return max(0.0, sum(links) / len(links))


def aromas_between(before: Ingredient, after: Ingredient) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Return the aroma tags gained and lost by a swap, the strongest first, at most two of each."""
    came = sorted((t for t in after.aroma if t not in before.aroma), key=lambda t: (-after.aroma[t], t))
    went = sorted((t for t in before.aroma if t not in after.aroma), key=lambda t: (-before.aroma[t], t))
    return tuple(came[:2]), tuple(went[:2])


@cache
def group_kinship() -> dict[frozenset[str], float]:
    """Return the table of aroma pairings, by pair of groups."""
    tables = tomllib.loads((resources.files("oenomel.core.larder") / "data" / "aroma_kinship.toml").read_text(encoding="utf-8"))
    return {frozenset((one, other)): float(value) for one, row in tables.items() for other, value in row.items()}


@lru_cache(maxsize=20_000)
def _link(one: Smell, other: Smell) -> float:
    groups, table = aromas(), group_kinship()
    total = 0.0
    for tag, weight in one:
        for beside, its in other:
            pair = frozenset((groups[tag].group, groups[beside].group))
            total += weight * its * (SAME_GROUP if len(pair) == 1 else table.get(pair, UNTOLD))
    return total / (sum(weight for _, weight in one) * sum(weight for _, weight in other))


@lru_cache(maxsize=20_000)
def _cosine(one: Smell, other: Smell) -> float:
    beside = dict(other)
    shared = sum(weight * beside.get(tag, 0) for tag, weight in one)
    return shared / math.sqrt(sum(weight * weight for _, weight in one) * sum(weight * weight for _, weight in other))
