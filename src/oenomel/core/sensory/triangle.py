"""A triangle test: three glasses, two alike; which blends, in which order, and how to pour them (docs/model/sensory.md)."""

from __future__ import annotations

import math
import random
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.sensory.blends import Distance, Jugs
from oenomel.core.sensory.thresholds import Threshold, most_informative
from oenomel.errors import DomainError

GLASSES: Final = (1, 2, 3)

AS_TELLING: Final = 0.15
"""Distance from the best one at which a triangle teaches nearly as much, as the logarithm of their ratio."""


@dataclass(frozen=True, slots=True)
class RemainingVolumes:
    """Volumes left in the jugs, [ml]."""

    less_ml: float
    more_ml: float


@dataclass(frozen=True, slots=True)
class Triangle:
    """Three glasses, two of them alike.

    Parameters
    ----------
    steps : float             between the two liquids, on the bar's ruler
    less_parts, more_parts : int    parts of the jug with more in the one liquid and in the other
    odd : int                 which glass stands alone, 1 to 3
    odd_is_more : bool        whether it is the one with more
    """

    steps: float
    less_parts: int
    more_parts: int
    odd: int
    odd_is_more: bool

    @property
    def alike(self) -> tuple[int, ...]:
        """The two glasses with the same liquid."""
        return tuple(glass for glass in GLASSES if glass != self.odd)

    def parts_of(self, glass: int) -> int:
        """Return the parts of the stronger jug in a glass."""
        return self.more_parts if (glass == self.odd) == self.odd_is_more else self.less_parts


@dataclass(frozen=True, slots=True)
class GlassLine:
    """Amounts for one glass, or for the two that are alike: ml from each jug, and ml into each glass."""

    glasses: tuple[int, ...]
    less_ml: float
    more_ml: float
    each_ml: float


def next_triangle(jugs: Jugs, known: Threshold, blends: RemainingVolumes, draw: random.Random) -> Triangle:
    """Return the pourable triangle that teaches most; the odd glass and its liquid are drawn at random.

    Raises
    ------
    DomainError
        The jugs are empty.
    """
    pourable = [(pair, sides) for pair in jugs.distances() if (sides := _sides(jugs, pair, blends))]
    # One jug finished alone would end the session early, with half of the other left.
    even = [(pair, kept) for pair, sides in pourable if (kept := [side for side in sides if _leaves_both(jugs, pair, side, blends)])]
    pourable = even or pourable
    if not pourable:
        raise DomainError("the jugs are empty: mix them again, or stop here")
    best = pourable[most_informative(known, [pair.steps for pair, _ in pourable])][0].steps
    # Near the best distance others teach as much: the one that leaves the jugs most equal is poured.
    near = [entry for entry in pourable if abs(math.log(entry[0].steps / best)) <= AS_TELLING]
    distance, sides = max(near, key=lambda each: _least_remaining(jugs, each[0], blends))
    return Triangle(distance.steps, distance.less_parts, distance.more_parts, draw.choice(GLASSES), draw.choice(sides))


def poured(jugs: Jugs, triangle: Triangle) -> tuple[GlassLine, ...]:
    """Return the pourer's instructions in the order of the glasses; the two alike are mixed together and shared."""
    lines = []
    for glasses in (triangle.alike, (triangle.odd,)):
        more_ml = triangle.parts_of(glasses[0]) * jugs.part_ml * len(glasses)
        lines.append(GlassLine(glasses, jugs.glass_ml * len(glasses) - more_ml, more_ml, jugs.glass_ml))
    return tuple(sorted(lines, key=lambda line: line.glasses))


def remaining_after(jugs: Jugs, triangles: Sequence[Triangle]) -> RemainingVolumes:
    """Return the volumes left in the jugs after some triangles."""
    lines = [line for triangle in triangles for line in poured(jugs, triangle)]
    return RemainingVolumes(
        max(0.0, jugs.less.volume_ml - sum(line.less_ml for line in lines)),
        max(0.0, jugs.more.volume_ml - sum(line.more_ml for line in lines)),
    )


def can_pour(jugs: Jugs, blends: RemainingVolumes) -> bool:
    """Check whether enough is left for one more triangle."""
    return any(_sides(jugs, distance, blends) for distance in jugs.distances())


def alcohol_g(jugs: Jugs, triangle: Triangle) -> float:
    """Return the grams of alcohol in three glasses, if nothing is spat out."""
    return sum(jugs.alcohol_g(triangle.parts_of(glass)) for glass in GLASSES)


def _least_remaining(jugs: Jugs, distance: Distance, blends: RemainingVolumes) -> float:
    """Return what is left in the emptier jug after a triangle of this distance, whichever glass is odd, [ml]."""
    more_ml = 1.5 * (distance.less_parts + distance.more_parts) * jugs.part_ml
    return min(blends.less_ml - (3 * jugs.glass_ml - more_ml), blends.more_ml - more_ml)


def _sides(jugs: Jugs, distance: Distance, blends: RemainingVolumes) -> list[bool]:
    """Return whether the odd glass may be the stronger one, and the weaker one, from what is left."""
    return [side for side in (False, True) if min(_taken_from(jugs, distance, side, blends)) >= -1e-9]


def _leaves_both(jugs: Jugs, distance: Distance, odd_is_more: bool, blends: RemainingVolumes) -> bool:
    """Check whether a glass of each jug stays for every triangle that the rest is enough for, so that both kinds can always be poured."""
    rest = _taken_from(jugs, distance, odd_is_more, blends)
    triangles = math.floor(sum(rest) / (len(GLASSES) * jugs.glass_ml) + 1e-9)
    return min(rest) >= triangles * jugs.glass_ml - 1e-9


def _taken_from(jugs: Jugs, distance: Distance, odd_is_more: bool, blends: RemainingVolumes) -> tuple[float, float]:
    """Return what a triangle leaves of each jug, [ml]; negative where it can't be poured."""
    lines = poured(jugs, Triangle(distance.steps, distance.less_parts, distance.more_parts, 1, odd_is_more))
    return blends.less_ml - sum(line.less_ml for line in lines), blends.more_ml - sum(line.more_ml for line in lines)
