"""Picks a diverse handful out of many good drinks: maximal marginal relevance (docs/model/originals.md)."""

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
"""λ: what the score counts for beside the distance from those that are picked already."""

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
    """In how many of a handful one ingredient may come."""
    return max(1, count // A_FIFTH)


def picked(bench: Bench, count: int, stands: Callable[[int], bool], ended: Callable[[], bool] = lambda: False) -> list[str]:
    """Offer one drink after the other, by its place, to ``stands``, which tells whether it holds; returns notes on what fell short.

    It stops early when ``ended`` is true. No ingredient but the exempt comes in more than a fifth of the handful. Ties go to the
    smaller place.
    """
    many = len(bench.score)
    if not many:
        return []
    open_, alike = np.ones(many, dtype=np.bool_), np.zeros(many)
    most = most_of(count)
    used = np.zeros(bench.exempt.shape[1], dtype=np.int64)
    there = bench.drawn != NONE
    counted = there & ~bench.exempt[np.arange(bench.drawn.shape[1]), np.maximum(bench.drawn, 0)]
    found = 0
    while found < count and open_.any() and not ended():
        worth = np.where(open_, bench.relevance * bench.score - (1 - bench.relevance) * alike, -np.inf).round(9)
        place = int(worth.argmax())
        open_[place] = False
        if not stands(place):
            continue
        found += 1
        row = np.array([place])
        alike = np.maximum(alike, 1 - feature_distance(bench.marks, bench.marks.take(row))[:, 0])
        used[bench.drawn[place][counted[place]]] += 1
        spent = used >= most
        open_ &= ~(spent[np.maximum(bench.drawn, 0)] & counted).any(axis=1)
    if found < count and not ended():
        return [f"{found} of {count}: more than these would repeat one thing in more than a fifth of them"] if found else []
    return []
