"""The forecast of one drink."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final

from oenomel.core.balance import PourShare, Profile, Served, poured
from oenomel.core.balance.levels_scalar import one_drink
from oenomel.core.balance.mixing import Temperatures, served_drink, temperatures
from oenomel.core.balance.profile import pour_shares, profile_of
from oenomel.core.balance.uncertainty import Interval, Uncertainty, doubt_of
from oenomel.core.checks import Finding
from oenomel.core.checks.all_checks import findings
from oenomel.core.checks.finding import Case
from oenomel.core.dilution import Conditions, dilution_model
from oenomel.core.families import (
    OUTSIDE_HOME_STEPS,
    Branch,
    TypicalRange,
    TypicalRanges,
    families,
    standard_typical_ranges,
    typical_range_for,
)
from oenomel.core.families.typical_range import is_without_alcohol, lean_words, position_words
from oenomel.core.glass import Appearance
from oenomel.core.glass.appearance import appearance_of
from oenomel.core.glass.glassware import ice_for
from oenomel.core.glass.rim import EdgeSip, edge_sip
from oenomel.core.glass.time_course import Course, course_of
from oenomel.core.spec import Drink
from oenomel.errors import EmptyDrink

STANDARD: Final = Conditions()
"""Default conditions."""


@dataclass(frozen=True, slots=True)
class Dilution:
    """Water from the ice: ml per ml of what is in the tin, ml in all, the school it was computed by, and the number of the bar's own
    readings in it.
    """

    ratio: float
    water_ml: float
    model: str
    measurements: int = 0


@dataclass(frozen=True, slots=True)
class FamilyPosition:
    """A drink's place in its family: its distance from the typical range in steps and in words, that range, and its lean from sweet to
    tart, in steps and in words.
    """

    distance_steps: float
    words: str
    branch: Branch
    lean_steps: float
    lean: str


@dataclass(frozen=True)
class Forecast:
    """The forecast of one drink: its figures in the tin and as served, and the contribution of each pour. Everything else is computed
    when it is first used, so that a search through many drinks doesn't pay for it.

    It can be tasted at four points: ``undiluted`` in the tin, ``strained`` after the ice, ``before_topping`` with what waited in
    the glass, and ``served`` at minute 0.
    """

    drink: Drink
    conditions: Conditions
    home: TypicalRange | None
    path: Served
    dilution: Dilution
    served: Profile
    doubt: Uncertainty
    pours: tuple[PourShare, ...]

    @property
    def interval80(self) -> Mapping[str, Interval]:
        """80 % intervals of the figures as served."""
        return self.doubt.intervals80

    @cached_property
    def undiluted(self) -> Profile:
        """The drink in the tin, before the ice."""
        return profile_of(self.path.tin)

    @property
    def strained(self) -> Profile:
        """The drink as it leaves the ice."""
        return profile_of(self.path.strained)

    @property
    def before_topping(self) -> Profile:
        """The drink in the glass, before it is topped."""
        return profile_of(self.path.before_topping)

    @cached_property
    def temperatures(self) -> Temperatures:
        """Temperature at each of the four points, [°C]."""
        return temperatures(self.path, self.drink.method, self.conditions)

    @cached_property
    def findings(self) -> tuple[Finding, ...]:
        """Findings about the drink, errors first."""
        family = families().get(self.drink.family)
        return findings(
            Case(self.drink, self.undiluted, self.served, self.pours, self.conditions, self.co2, self.temperatures.glass, family, self.home)
        )

    @cached_property
    def appearance(self) -> Appearance | None:
        """The drink's look in its glass; None where the glass isn't listed."""
        return appearance_of(self.drink, self.served.volume_ml)

    @property
    def edge(self) -> EdgeSip | None:
        """Sugar or salt that the rim adds to a sip; None without a rim."""
        return edge_sip(self.drink, self.served.sugar)

    @cached_property
    def position(self) -> FamilyPosition | None:
        """The drink's place in its family; None for an open form, which has no typical range."""
        if self.home is None:
            return None
        distance = self.home.distance(self.served)
        lean = self.home.lean(self.served)
        return FamilyPosition(distance, position_words(distance), self.home.branch, lean, lean_words(lean))

    @property
    def has_strength(self) -> bool:
        """True if the drink has a strength worth naming."""
        return not is_without_alcohol(self.served)

    @property
    def co2(self) -> float:
        """Carbon dioxide of the drink as served, by mixing, [g/l]; losses in pouring aren't counted."""
        return math.fsum(pour.liquid_ml * pour.ingredient.composition.co2 for pour in self.drink.pours) / self.served.volume_ml

    @property
    def cost(self) -> float | None:
        """Cost of the pours in the bar's currency; None where a price isn't known."""
        prices = [(pour.volume_ml, pour.ingredient.label("price_per_litre")) for pour in self.drink.pours if pour.volume_ml > 0]
        return None if any(price is None for _, price in prices) else math.fsum(ml * (price or 0.0) / 1000 for ml, price in prices)

    @cached_property
    def course(self) -> Course:
        """The drink over twenty minutes in its glass."""
        ice = ice_for(self.drink.serve.glass, self.drink.serve.ice, self.served.volume_ml)
        course = course_of(self.drink, self.path, self.temperatures.glass, ice, self.conditions)
        return replace(course, leaves_home=self._leaves_home(course))

    def _leaves_home(self, course: Course) -> int | None:
        if self.home is None or self.home.distance(self.served) > OUTSIDE_HOME_STEPS:
            return None
        for minute, (abv, sugar, acid) in enumerate(zip(course.abv, course.sugar, course.acid, strict=True)):
            if self.home.distance(replace(self.served, abv=abv, sugar=sugar, acid=acid)) > OUTSIDE_HOME_STEPS:
                return minute
        return None


def forecast_of(drink: Drink, conditions: Conditions = STANDARD, homes: TypicalRanges | None = None) -> Forecast:
    """Forecast one drink; ``homes`` are the typical ranges where the bar has added reference specs.

    Raises
    ------
    EmptyDrink
        No pour adds any liquid.
    """
    table = poured(drink)
    alone = one_drink(drink, table, conditions)
    path = served_drink(table, alone.water_ml)
    if path.glass.volume_ml == 0:
        raise EmptyDrink
    tin_ml, water = float(path.tin.volume_ml), float(path.water_ml)
    served = profile_of(path.glass)
    own = conditions.factors.get(drink.method.technique)
    return Forecast(
        drink,
        conditions,
        typical_range_for(drink, served, standard_typical_ranges() if homes is None else homes),
        path,
        dilution=Dilution(
            water / tin_ml if tin_ml else 0.0,
            water,
            dilution_model(drink.method, conditions),
            own.measurements if own and water else 0,
        ),
        served=served,
        doubt=doubt_of(drink, alone),
        pours=pour_shares(table),
    )
