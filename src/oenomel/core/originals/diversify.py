"""Picking a diverse handful out of many good drinks: maximal marginal relevance (docs/model/originals.md)."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.originals.similarity import Features, feature_distance
from oenomel.core.originals.space import NONE

Floats = NDArray[np.float64]

RELEVANCE: Final = 0.7
"""λ: weight of the score relative to the distance from the drinks already picked."""

A_FIFTH: Final = 5


@dataclass(frozen=True)
class Bench:
    """Drinks to pick from, best first.

    Parameters
    ----------
    drawn : ndarray, shape (n, parts)           places in the larder
    score : ndarray, shape (n,)
    marks : Marks                               of the same
    exempt : ndarray, shape (parts, ingredients)    who may come in more than a fifth of the handful
    relevance : float                           what the score counts for beside the distance from those that are picked already
    """

    drawn: NDArray[np.int64]
    score: Floats
    marks: Features
    exempt: NDArray[np.bool_]
    relevance: float = RELEVANCE


def most_of(count: int) -> int:
    """Return how many drinks of a handful may pour the same ingredient."""
    return max(1, count // A_FIFTH)


def picked(bench: Bench, count: int, accepts: Callable[[int], bool], ended: Callable[[], bool] = lambda: False) -> list[str]:
    """Pick drinks one by one and pass each index to ``accepts``, which accepts or rejects it; returns notes on what fell short.

    It stops early when ``ended`` is true. No ingredient, except the exempt ones, is in more than a fifth of the handful. Ties go to the
    smaller index.
    """
    many = len(bench.score)
    if not many:
        return []
    open_, alike = np.ones(many, dtype=np.bool_), np.zeros(many)
    most = most_of(count)
    used = np.zeros(bench.exempt.shape[1], dtype=np.int64)
    there = bench.drawn != NONE
    counted = there & ~bench.exempt[np.arange(bench.drawn.shape[1]), np.maximum(bench.drawn, 0)]
    picked_count = 0
    while picked_count < count and open_.any() and not ended():
        worth = np.where(open_, bench.relevance * bench.score - (1 - bench.relevance) * alike, -np.inf).round(9)
        index = int(worth.argmax())
        open_[index] = False
        if not accepts(index):
            continue
        picked_count += 1
        row = np.array([index])
        alike = np.maximum(alike, 1 - feature_distance(bench.marks, bench.marks.take(row))[:, 0])
        used[bench.drawn[index][counted[index]]] += 1
        spent = used >= most
        open_ &= ~(spent[np.maximum(bench.drawn, 0)] & counted).any(axis=1)
    if picked_count < count and not ended():
        return [f"{picked_count} of {count}: more would repeat one ingredient too often"] if picked_count else []
    return []
