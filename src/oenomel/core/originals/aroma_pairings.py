"""Aroma pairings: a table that is shown, can be edited, and learns a little (docs/model/originals.md).

Weak evidence: it helps to explain a drink and to avoid monotony, and never says what will taste good.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cache, cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.larder import Ingredient, aromas
from oenomel.core.larder.aroma import REDUNDANT_ABOVE, SAME_GROUP, UNTOLD, group_kinship
from oenomel.errors import DomainError, OutOfRange

Floats = NDArray[np.float64]
PairOfGroups = frozenset[str]

SHRINK: Final = 3.0
"""Counts of the bar's mean added to each pair's own, so that one evening proves nothing (docs/model/originals.md)."""

LEARNT_WEIGHT: Final = 0.25
"""Weight of learnt pairings: doubling the share of liked drinks adds this times ln 2 (house rule)."""

LINK_FROM: Final = 0.55
"""Pairing value from which two ingredients are linked; every pour needs one link (house rule)."""


@cache
def groups() -> tuple[str, ...]:
    """Return the aroma groups in their order."""
    return tuple(dict.fromkeys(aroma.group for aroma in aromas().values()))


@cache
def tags() -> tuple[str, ...]:
    """Return the aroma tags in their order."""
    return tuple(aromas())


@dataclass(frozen=True, slots=True)
class Liking:
    """One tasted original: its aroma groups, and whether it was liked more than the taster's mean."""

    groups: frozenset[str]
    liked: bool


@dataclass(frozen=True)
class KinshipTable:
    """The table of pairings: shipped values, the bar's own, and what tastings of originals taught.

    Parameters
    ----------
    own : mapping of pair of groups to float, 0 to 1
    likings : sequence of Liking
    """

    own: Mapping[PairOfGroups, float] = field(default_factory=dict)
    likings: tuple[Liking, ...] = ()

    def __post_init__(self) -> None:
        for pair, value in self.own.items():
            if not pair <= set(groups()) or not 1 <= len(pair) <= 2:
                raise DomainError(f"{' and '.join(sorted(pair))} aren't two groups of aromas: use {', '.join(groups())}")
            if not 0 <= value <= 1:
                raise OutOfRange(f"the pairing of {' and '.join(sorted(pair))}", value, 0, 1)

    @cached_property
    def learnt(self) -> Mapping[PairOfGroups, float]:
        """For each tasted pair the logarithm of the ratio of liked to expected, shrunk by three counts."""
        return learnt_ratios(self.likings)

    def shipped(self, pair: PairOfGroups) -> float:
        """Return the shipped value of a pair."""
        return SAME_GROUP if len(pair) == 1 else group_kinship().get(pair, UNTOLD)

    def value(self, pair: PairOfGroups) -> float:
        """Return the value used for a pair, 0 to 1."""
        own_value = self.own.get(pair, self.shipped(pair))
        return min(1.0, max(0.0, own_value + LEARNT_WEIGHT * self.learnt.get(pair, 0.0)))

    @cached_property
    def matrix(self) -> Floats:
        """Values of all pairs, shape (groups, groups)."""
        names = groups()
        return np.array([[self.value(frozenset((one, other))) for other in names] for one in names])

    @cached_property
    def key(self) -> bytes:
        """Key that identifies the table's values, for caches."""
        return self.matrix.tobytes()


def learnt_ratios(likings: Sequence[Liking]) -> dict[PairOfGroups, float]:
    """Log-ratio of each pair: ln of (liked + 3 p) / ((tasted + 3) p), with p the share of tastings that were liked."""
    if not likings:
        return {}
    share = (sum(one_liking.liked for one_liking in likings) + SHRINK / 2) / (len(likings) + SHRINK)
    tasted: dict[PairOfGroups, list[int]] = {}
    for liking in likings:
        names = sorted(liking.groups)
        for i, one in enumerate(names):
            for other in names[i + 1 :]:
                count = tasted.setdefault(frozenset((one, other)), [0, 0])
                count[0] += 1
                count[1] += liking.liked
    return {pair: math.log((liked + SHRINK * share) / ((many + SHRINK) * share)) for pair, (many, liked) in tasted.items()}


def groups_of(ingredients: Iterable[Ingredient]) -> frozenset[str]:
    """Return the aroma groups of some ingredients: those of tags of weight two and more."""
    known = aromas()
    return frozenset(known[tag].group for ingredient in ingredients for tag, weight in ingredient.aroma.items() if weight > 1)


def smells(ingredients: Sequence[Ingredient]) -> tuple[Floats, Floats]:
    """Return each ingredient's share of the aroma groups, shape (n, groups), rows adding to one or zero; and its tags, rows of length
    one, shape (n, tags).
    """
    by_group, by_tag = np.zeros((len(ingredients), len(groups()))), np.zeros((len(ingredients), len(tags())))
    places, named = {name: i for i, name in enumerate(groups())}, {name: i for i, name in enumerate(tags())}
    for row, ingredient in enumerate(ingredients):
        for tag, weight in ingredient.aroma.items():
            by_group[row, places[aromas()[tag].group]] += weight
            by_tag[row, named[tag]] = weight
    total, length = by_group.sum(axis=1, keepdims=True), np.linalg.norm(by_tag, axis=1, keepdims=True)
    return by_group / np.maximum(total, 1e-12), by_tag / np.maximum(length, 1e-12)


def pairing_matrix(ingredients: Sequence[Ingredient], table: KinshipTable) -> tuple[Floats, NDArray[np.bool_]]:
    """Return the pairing value of each two ingredients, shape (n, n), less a penalty for more of the same; and which have an aroma,
    shape (n,).
    """
    by_group, by_tag = smells(ingredients)
    likeness = by_tag @ by_tag.T
    pairing: Floats = by_group @ table.matrix @ by_group.T - np.maximum(0.0, likeness - REDUNDANT_ABOVE)
    smelt: NDArray[np.bool_] = np.asarray(by_group.sum(axis=1) > 0)
    return pairing, smelt
