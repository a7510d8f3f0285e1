"""The same drink served up, on cubes, on one large cube and on crushed ice (estimates, as everything in the glass)."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Final

from oenomel.core.dilution import Conditions
from oenomel.core.families import OUTSIDE_HOME_STEPS, TypicalRanges
from oenomel.core.forecast.forecast import Forecast, forecast_of
from oenomel.core.glass import Appearance
from oenomel.core.spec import Drink
from oenomel.core.spec.technique import ICES

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
class ServedOnIce:
    """The drink on one kind of ice: its look, three sips, the first minute outside its typical range (None: never, or never inside),
    and a sentence.
    """

    ice: str
    appearance: Appearance | None
    sips: tuple[Sip, ...]
    leaves_home: int | None
    words: str


def on_each_ice(drink: Drink, conditions: Conditions, homes: TypicalRanges) -> tuple[ServedOnIce, ...]:
    """Forecast the drink on each kind of serving ice, in its own glass; how it is shaken or stirred stays the same.

    Raises
    ------
    EmptyDrink
    """
    return tuple(_takes(ice, forecast_of(replace(drink, serve=replace(drink.serve, ice=ice)), conditions, homes)) for ice in ICES)


def _takes(ice: str, forecast: Forecast) -> ServedOnIce:
    course = forecast.course
    sips = tuple(
        Sip(m, *(float(figure[m]) for figure in (course.volume_ml, course.abv, course.sugar, course.acid, course.temperature_c)))
        for m in SIPS
    )
    leaves = course.leaves_home
    return ServedOnIce(ice, forecast.appearance, sips, leaves, _serving_words(forecast, leaves))


def _serving_words(forecast: Forecast, leaves: int | None) -> str:
    if forecast.home is None:
        return "no typical range for this family"
    if leaves is not None:
        return f"typical for {leaves} min"
    outside = forecast.home.distance(forecast.served) > OUTSIDE_HOME_STEPS
    return "not typical from the start" if outside else "typical to the last sip"
