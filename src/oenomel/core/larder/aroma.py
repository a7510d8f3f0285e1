"""What two ingredients have in common to the nose, by their tags (model.md §7 and §11). Weak evidence, and told as such."""

from __future__ import annotations

import math
import tomllib
from collections.abc import Iterable, Mapping
from functools import cache
from importlib import resources
from typing import Final

from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.larder.larder_files import aromas

SAME_GROUP: Final = 0.6
UNTOLD: Final = 0.4
REDUNDANT_ABOVE: Final = 0.6
"""Likeness above this is more of the same, and takes away from kinship (model.md §11)."""


def likeness(one: Ingredient, other: Ingredient) -> float:
    """Cosine of their aroma tags, 0 to 1; 1 for two that smell of nothing, 0 where one does and the other doesn't.

    >>> from oenomel.core.larder import catalogue
    >>> larder = catalogue()
    >>> round(likeness(larder["orange-liqueur-dry"], larder["orange-liqueur-sweet"]), 2)
    0.67
    """
    if not one.aroma or not other.aroma:
        return 1.0 if not one.aroma and not other.aroma else 0.0
    shared = sum(weight * other.aroma.get(tag, 0) for tag, weight in one.aroma.items())
    return shared / math.sqrt(_square(one.aroma) * _square(other.aroma))


def kinship(one: Ingredient, rest: Iterable[Ingredient]) -> float | None:
    """How well it stands beside the rest of a drink, 0 to 1: mean over the pairs of groups, less what is more of the same.

    None where nothing is told of its smell, or of the rest's.
    """
    others = [other for other in rest if other.aroma and other.slug != one.slug]
    if not one.aroma or not others:
        return None
    links = [_link(one.aroma, other.aroma) - max(0.0, likeness(one, other) - REDUNDANT_ABOVE) for other in others]
    return max(0.0, sum(links) / len(links))


def aromas_between(before: Ingredient, after: Ingredient) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Tags that come and tags that go when one takes the other's place, the loudest first, at most two of each."""
    came = sorted((t for t in after.aroma if t not in before.aroma), key=lambda t: (-after.aroma[t], t))
    went = sorted((t for t in before.aroma if t not in after.aroma), key=lambda t: (-before.aroma[t], t))
    return tuple(came[:2]), tuple(went[:2])


@cache
def group_kinship() -> dict[frozenset[str], float]:
    """The shown table of kinship, by pair of groups."""
    tables = tomllib.loads((resources.files("oenomel.core.larder") / "data" / "aroma_kinship.toml").read_text(encoding="utf-8"))
    return {frozenset((one, other)): float(value) for one, row in tables.items() for other, value in row.items()}


def _link(one: Mapping[str, int], other: Mapping[str, int]) -> float:
    groups, table = aromas(), group_kinship()
    total = 0.0
    for tag, weight in one.items():
        for beside, its in other.items():
            pair = frozenset((groups[tag].group, groups[beside].group))
            total += weight * its * (SAME_GROUP if len(pair) == 1 else table.get(pair, UNTOLD))
    return total / (sum(one.values()) * sum(other.values()))


def _square(weights: Mapping[str, int]) -> float:
    return float(sum(weight * weight for weight in weights.values()))
