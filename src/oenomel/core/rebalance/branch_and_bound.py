"""Boxes of pourable amounts for branch and bound, many at once: a stack of boxes, their number of points, and planes over their pours."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]


@dataclass
class Plane:
    """A plane over the pours for each box: slope, shape (pours, boxes), and constant, shape (boxes,)."""

    slope: Floats
    at: Floats

    def add(self, times: Floats, slope: Floats, at: Floats) -> None:
        """Add a multiple of another plane."""
        self.slope = self.slope + times * slope
        self.at = self.at + times * at


def last_boxes(open_: list[tuple[Ints, Ints, Ints]], most: int) -> tuple[Ints, Ints, Ints]:
    """Take the last boxes off a stack: owners, and their lowest and highest rungs, shape (pours, boxes)."""
    taken: list[tuple[Ints, Ints, Ints]] = []
    room = most
    while open_ and room > 0:
        owner, low, high = open_.pop()
        if len(owner) > room:
            open_.append((owner[:-room], low[:, :-room], high[:, :-room]))
            owner, low, high = owner[-room:], low[:, -room:], high[:, -room:]
        taken.append((owner, low, high))
        room -= len(owner)
    owners, lows, highs = zip(*taken, strict=True)
    return np.concatenate(owners), np.concatenate(lows, axis=1), np.concatenate(highs, axis=1)


def points_of(low: Ints, high: Ints) -> Floats:
    """Count the points of each box as floats, since there can be more than an integer holds."""
    points: Floats = (high - low + 1).astype(np.float64).prod(axis=0)
    return points


def log_of(plane: Plane, sign: Floats, low: Floats, middle: Floats, high: Floats) -> tuple[Floats, Floats]:
    """Return a plane that bounds the logarithm of a plane between two values: from below where the sign is positive (its chord), else
    from above (its tangent).
    """
    apart = high - low
    chord = np.divide(np.log(high) - np.log(low), apart, out=1 / high, where=apart > 1e-9 * high)
    rising = sign >= 0
    slope = np.where(rising, chord, 1 / middle)
    at = np.where(rising, np.log(low) - chord * low, np.log(middle) - 1)
    return slope * plane.slope, at + slope * plane.at
