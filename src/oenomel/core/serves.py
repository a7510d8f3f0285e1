"""The same drink served up, on cubes, on one large cube and on crushed ice (estimates, as all that happens in the glass)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Final

from oenomel.core.conditions import Conditions
from oenomel.core.drink import ICES, Drink
from oenomel.core.families import OUTSIDE_HOME_STEPS, Home
from oenomel.core.prediction import Prediction, predict
from oenomel.core.sight import Sight

__all__ = ["SIPS", "Sip", "Takes", "serves_of"]

SIPS: Final = (0, 10, 20)
"""Minutes of the first, the middle and the last sip."""


@dataclass(frozen=True, slots=True)
class Sip:
    """The drink at a minute: ml, % v/v, g per 100 ml, °C."""

    minute: int
    volume_ml: float
    abv: float
    sugar: float
    acid: float
    temperature_c: float


@dataclass(frozen=True, slots=True)
class Takes:
    """How the drink takes one ice: its look, three sips, the first minute outside its home (None: never, or never inside), in words."""

    ice: str
    sight: Sight | None
    sips: tuple[Sip, ...]
    leaves_home: int | None
    words: str


def serves_of(drink: Drink, conditions: Conditions, homes: Mapping[str, Home]) -> tuple[Takes, ...]:
    """The drink on each ice of a serve, in its own glass; how it was worked stays the same.

    Raises
    ------
    NothingToDrink
    """
    return tuple(_takes(ice, predict(replace(drink, serve=replace(drink.serve, ice=ice)), conditions, homes)) for ice in ICES)


def _takes(ice: str, forecast: Prediction) -> Takes:
    course = forecast.course
    sips = tuple(
        Sip(m, *(float(figure[m]) for figure in (course.volume_ml, course.abv, course.sugar, course.acid, course.temperature_c)))
        for m in SIPS
    )
    leaves = forecast.leaves_home
    return Takes(ice, forecast.sight, sips, leaves, _told(forecast, leaves))


def _told(forecast: Prediction, leaves: int | None) -> str:
    if forecast.home is None:
        return "an open form has no home to leave"
    if leaves is not None:
        return f"leaves home after {leaves} min"
    outside = forecast.home.distance(forecast.served) > OUTSIDE_HOME_STEPS
    return "not at home to begin with" if outside else "at home to the last sip"
