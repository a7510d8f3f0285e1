"""The glasses, how full a drink makes one, and how high it stands in it."""

from __future__ import annotations

import bisect
import itertools
import math
import tomllib
from dataclasses import dataclass, replace
from functools import cache
from importlib import resources
from typing import Final, Literal

from oenomel.core.glass.time_course import ServingIce, ice_in_glass

LINE: Final = 0.80
FILLS_WELL: Final = 0.78
HALF_EMPTY: Final = 1 / 3
"""Shares of a glass to the brim: its wash line, the fill that a drink is scaled to, and the one below which the glass looks half empty
(house rules).
"""


_LEAST_ICE_G: Final = {"none": 0.0, "cubes": 60.0, "large": 60.0, "crushed": 90.0}
"""Least ice in a glass with little room, [g]: three small cubes, a smaller block (house rule)."""

Group = Literal["up", "rocks", "tall", "wine", "flute"]


@dataclass(frozen=True, slots=True)
class Glass:
    """A glass with the inside of its bowl, in cm.

    Parameters
    ----------
    bowl : tuple of (height, radius)    from the bottom to the brim; straight between, so that it is a pile of frustums
    stem_cm, foot_cm : float            what stands below the bowl, and the radius of its foot
    group : str                         its use: a missing glass is replaced by another of its group
    """

    name: str
    group: Group
    brim_ml: float
    bowl: tuple[tuple[float, float], ...]
    stem_cm: float
    foot_cm: float

    @property
    def line_ml(self) -> float:
        """Volume up to the wash line, [ml]."""
        return LINE * self.brim_ml

    def height_cm(self, volume_ml: float) -> float:
        """Return the height of a volume in the bowl, [cm]; at most the brim."""
        below = _volumes(self.bowl)
        if volume_ml >= below[-1]:
            return self.bowl[-1][0]
        slice_ = max(0, bisect.bisect_right(below, volume_ml) - 1)
        (bottom, low), (top, high) = self.bowl[slice_], self.bowl[slice_ + 1]
        slope, rest = (high - low) / (top - bottom), max(0.0, volume_ml - below[slice_])
        # A frustum's volume grows with the cube of its radius, so its height needs no search.
        if abs(slope) < 1e-9:
            return bottom + rest / (math.pi * low**2)
        return bottom + (math.cbrt(low**3 + 3 * slope * rest / math.pi) - low) / slope

    def radius_cm(self, height_cm: float) -> float:
        """Return the inner radius at a height of the bowl, [cm]."""
        for (bottom, low), (top, high) in itertools.pairwise(self.bowl):
            if height_cm <= top:
                return low + (high - low) * (height_cm - bottom) / (top - bottom)
        return self.bowl[-1][1]


@cache
def glasses() -> dict[str, Glass]:
    """Return the glasses by name, smallest first."""
    text = (resources.files("oenomel.core.glass") / "data" / "glasses.toml").read_text(encoding="utf-8")
    tables = sorted(tomllib.loads(text).items(), key=lambda item: float(item[1]["brim_ml"]))
    return {name: _glass(name, **table) for name, table in tables}


def fill(glass: str, ice: str, volume_ml: float) -> float | None:
    """Return how full a drink makes a glass with its ice, 1 at the brim; None for a glass that isn't listed.

    Floating ice lifts the drink by the room of its own weight in water.

    >>> fill("coupe", "none", 110)
    0.5
    """
    chosen = glasses().get(glass)
    return None if chosen is None else (volume_ml + ice_for(glass, ice, volume_ml).grams) / chosen.brim_ml


def ice_for(glass: str, ice: str, volume_ml: float) -> ServingIce:
    """Return the ice for a glass with a drink of some ml: the usual amount, or what fills it to the line, but never next to none."""
    usual, chosen = ice_in_glass(ice), glasses().get(glass)
    if chosen is None or not usual.grams:
        return usual
    grams = min(usual.grams, max(_LEAST_ICE_G[ice], chosen.line_ml - volume_ml))
    return replace(usual, grams=grams, takes_w_per_k=usual.takes_w_per_k * (grams / usual.grams) ** (2 / 3))


def others_for(glass: str, ice: str, volume_ml: float, *, sparkling: bool) -> str | None:
    """Return another glass that the drink fills well, of the same group where possible; a flute only for sparkling drinks. None where
    there is none.
    """
    chosen = glasses().get(glass)
    fit = [
        other_glass
        for other_glass in glasses().values()
        if other_glass.name != glass
        and volume_ml + ice_in_glass(ice).grams <= other_glass.line_ml
        and volume_ml + ice_in_glass(ice).grams >= HALF_EMPTY * other_glass.brim_ml
        and (other_glass.group != "flute" or (sparkling and ice == "none"))
    ]
    return min(fit, key=lambda each: (chosen is None or each.group != chosen.group, each.brim_ml)).name if fit else None


def size_to(glass: str, ice: str, volume_ml: float) -> float | None:
    """Return the factor for every pour so that a drink of some ml fills its glass well; None where the ice leaves too little room."""
    chosen = glasses().get(glass)
    if chosen is None or volume_ml <= 0:
        return None
    times = (FILLS_WELL * chosen.brim_ml - ice_in_glass(ice).grams) / volume_ml
    return times if times > 0.2 else None


def _glass(name: str, brim_ml: float, bowl: list[list[float]], stem_cm: float, foot_cm: float, group: Group) -> Glass:
    drawn = tuple((float(height), float(radius)) for height, radius in bowl)
    scale = math.cbrt(brim_ml / _volumes(drawn)[-1])
    return Glass(name, group, float(brim_ml), tuple((h * scale, r * scale) for h, r in drawn), float(stem_cm), foot_cm * scale)


@cache
def _volumes(bowl: tuple[tuple[float, float], ...]) -> list[float]:
    """Return the volume of the bowl up to each of its heights, [ml]."""
    volumes = [0.0]
    for (bottom, low), (top, high) in itertools.pairwise(bowl):
        volumes.append(volumes[-1] + math.pi * (top - bottom) / 3 * (low * low + low * high + high * high))
    return volumes
