"""The forecast of one drink, and how it differs from its parent."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cache, cached_property
from typing import Final

from oenomel.core.attribution import Change, changes_between
from oenomel.core.conditions import Conditions
from oenomel.core.dilution import dilution_model
from oenomel.core.drink import Drink
from oenomel.core.families import OUTSIDE_HOME_STEPS, Home, families, home_of, place_words
from oenomel.core.findings import Case, Finding, findings, findings_between
from oenomel.core.in_the_glass import Course, course_of
from oenomel.core.levels import levels_and_slopes
from oenomel.core.mixing import Served, Temperatures, served_drink, temperatures
from oenomel.core.perception import AXES, CROSSTALK, degree, steps_between
from oenomel.core.poured import poured
from oenomel.core.profile import PourShare, Profile, pour_shares, profile_of
from oenomel.core.sight import Sight, sight_of
from oenomel.core.uncertainty import Difference, Doubt, Interval, difference_of, doubt_of
from oenomel.errors import NothingToDrink

__all__ = ["STANDARD", "AxisDifference", "Comparison", "Dilution", "Place", "Prediction", "Told", "compare", "predict", "standard_homes"]

STANDARD: Final = Conditions()
"""What is supposed where nothing is told."""


@dataclass(frozen=True, slots=True)
class Dilution:
    """Water from the ice: ml per ml of what is in the tin, ml in all, the school it was computed by, and by how many of the house's own
    measurements it was set right.
    """

    ratio: float
    water_ml: float
    model: str
    measurements: int = 0


@dataclass(frozen=True, slots=True)
class Place:
    """Where a drink stands: its distance from its family's home in steps, and the words for it."""

    distance_steps: float
    words: str


@dataclass(frozen=True)
class Prediction:
    """The forecast of one drink: its figures in the tin and as served, and what each pour brings. The rest is worked out when it is
    asked for, so that a search through many drinks doesn't pay for it.

    It can be tasted at four points: ``undiluted`` in the tin, ``strained`` after the ice, ``before_topping`` with what waited in
    the glass, and ``served`` at minute 0.
    """

    drink: Drink
    conditions: Conditions
    home: Home | None
    path: Served
    undiluted: Profile
    dilution: Dilution
    served: Profile
    doubt: Doubt
    pours: tuple[PourShare, ...]

    @property
    def interval80(self) -> Mapping[str, Interval]:
        """80 % intervals of the figures as served."""
        return self.doubt.intervals80

    @property
    def strained(self) -> Profile:
        """The drink as it leaves the ice."""
        return profile_of(self.path.strained)

    @property
    def before_topping(self) -> Profile:
        """The drink in the glass, before anything goes on top."""
        return profile_of(self.path.before_topping)

    @cached_property
    def temperatures(self) -> Temperatures:
        """How cold it is at each of the four points, [°C]."""
        return temperatures(self.path, self.drink.method, self.conditions)

    @cached_property
    def findings(self) -> tuple[Finding, ...]:
        """What goes wrong and what can hurt someone, errors first."""
        family = families().get(self.drink.family)
        return findings(Case(self.drink, self.undiluted, self.served, self.pours, self.conditions, family, self.home))

    @cached_property
    def sight(self) -> Sight | None:
        """How it looks in its glass; None where that isn't of the list."""
        return sight_of(self.drink, self.served.volume_ml)

    @property
    def place(self) -> Place | None:
        """Where it stands in its family; open forms have no home."""
        if self.home is None:
            return None
        distance = self.home.distance(self.served)
        return Place(distance, place_words(distance))

    @property
    def cost(self) -> float | None:
        """What its pours cost, in the house's own currency; None where a price isn't told."""
        prices = [(pour.volume_ml, pour.ingredient.label("price_per_litre")) for pour in self.drink.pours if pour.volume_ml > 0]
        return None if any(price is None for _, price in prices) else math.fsum(ml * (price or 0.0) / 1000 for ml, price in prices)

    @cached_property
    def course(self) -> Course:
        """Twenty minutes in its glass."""
        return course_of(self.drink, self.path, self.temperatures.glass, self.conditions)

    @property
    def leaves_home(self) -> int | None:
        """First minute in which it stands outside its family's home; None where it doesn't, or never stood inside."""
        if self.home is None or self.home.distance(self.served) > OUTSIDE_HOME_STEPS:
            return None
        course = self.course
        for minute, (abv, sugar, acid) in enumerate(zip(course.abv, course.sugar, course.acid, strict=True)):
            if self.home.distance(replace(self.served, abv=abv, sugar=sugar, acid=acid)) > OUTSIDE_HOME_STEPS:
                return minute
        return None


@dataclass(frozen=True, slots=True)
class AxisDifference:
    """How one axis differs from the parent.

    ``value`` and ``parent`` in the axis's unit, ``direction`` "more", "less" or "same", ``headline`` and ``sentence`` in the
    trade's words, ``certainty`` how sure its direction is, ``difference`` the same in numbers. ``steps`` is for drawing and
    ranking; it is too rough to be printed.
    """

    axis: str
    value: float
    parent: float
    steps: float
    direction: str
    headline: str
    sentence: str
    certainty: str
    difference: Difference


@dataclass(frozen=True, slots=True)
class Told:
    """A riff in one breath: what was changed, what that does to the drink, and whether a guest would notice."""

    change: str
    effect: str
    noticed: str


@dataclass(frozen=True, slots=True)
class Comparison:
    """A drink beside its parent: both forecasts, the three axes, which change did what, what only shows beside the parent, what the
    numbers can't see, and the whole in one breath.
    """

    present: Prediction
    parent: Prediction
    axes: tuple[AxisDifference, ...]
    changes: tuple[Change, ...]
    findings: tuple[Finding, ...]
    unseen: tuple[str, ...]
    told: Told


@cache
def standard_homes() -> Mapping[str, Home]:
    """The homes that the shipped schools make."""
    return {slug: home_of(slug) for slug, family in families().items() if family.has_home}


def predict(drink: Drink, conditions: Conditions = STANDARD, homes: Mapping[str, Home] | None = None) -> Prediction:
    """The forecast of one drink; ``homes`` are the families' own where a house has added to them.

    Raises
    ------
    NothingToDrink
        No pour adds any liquid.
    """
    table = poured(drink)
    at, grows = levels_and_slopes(table, drink.method, conditions)
    path = served_drink(table, at.water_ml[0])
    if path.glass.volume_ml == 0:
        raise NothingToDrink
    tin, water = profile_of(path.tin), float(path.water_ml)
    own = conditions.factors.get(drink.method.technique)
    return Prediction(
        drink,
        conditions,
        (standard_homes() if homes is None else homes).get(drink.family),
        path,
        undiluted=tin,
        dilution=Dilution(
            water / tin.volume_ml if tin.volume_ml else 0.0,
            water,
            dilution_model(drink.method, conditions),
            own.measurements if own and water else 0,
        ),
        served=profile_of(path.glass),
        doubt=doubt_of(drink, at, grows, table, conditions),
        pours=pour_shares(table),
    )


def compare(drink: Drink, parent: Drink, conditions: Conditions = STANDARD, homes: Mapping[str, Home] | None = None) -> Comparison:
    """A drink beside its parent, axis by axis as served; what the two share doesn't make their difference unsure.

    Raises
    ------
    NothingToDrink
    """
    present, before = predict(drink, conditions, homes), predict(parent, conditions, homes)
    steps = {name: float(steps_between(getattr(present.served, name), getattr(before.served, name), axis)) for name, axis in AXES.items()}
    apart = difference_of(present.doubt, before.doubt)
    differences = tuple(_difference(name, getattr(present.served, name), getattr(before.served, name), steps, apart[name]) for name in AXES)
    changes, unseen = changes_between(drink, parent, conditions), _unseen(drink, parent)
    beside = findings_between(drink, parent, present.served, before.served)
    return Comparison(present, before, differences, changes, beside, unseen, _told(differences, changes, unseen))


# Changes of a figure below this share are a matter of rounding on the screen, and are told as "unchanged".
UNCHANGED: Final = 0.0005
TASTED_STEPS: Final = 0.5


def _difference(name: str, value: float, parent: float, steps: Mapping[str, float], apart: Difference) -> AxisDifference:
    axis, n = AXES[name], steps[name]
    masking = _masking(name, steps)
    if abs(n) < UNCHANGED:
        direction, headline, sentence, certainty = "same", "as the parent", "", ""
    else:
        direction, word = ("more", axis.more) if n > 0 else ("less", axis.less)
        # Where nobody tells the two apart, how sure the numbers are says nothing to the tongue.
        certainty = _certainty(word, apart.sign_probability) if abs(n) >= TASTED_STEPS else ""
        headline, sentence = degree(n).headline.format(word=word, same=axis.same), degree(n).sentence
    return AxisDifference(name, value, parent, n, direction, _capital(headline), (sentence + masking).strip(), certainty, apart)


def _told(axes: Sequence[AxisDifference], changes: Sequence[Change], unseen: Sequence[str]) -> Told:
    if not changes:
        return Told("", "As the parent", "")
    words = [change.words for change in changes]
    what = " and ".join(words) if len(words) < 3 else f"{words[0]} and {len(words) - 1} more changes"
    felt = sorted((axis for axis in axes if abs(axis.steps) >= TASTED_STEPS), key=lambda axis: -abs(axis.steps))
    if felt:
        effect = ", ".join(axis.headline[0].lower() + axis.headline[1:] for axis in felt)
        return Told(_capital(what), _capital(effect), degree(felt[0].steps).sentence)
    # A swap that moves no axis is never told as no change.
    noticed = "What the numbers can’t see may be tasted all the same." if unseen else degree(0.0).sentence
    return Told(_capital(what), "As sweet, as sharp and as strong, to the tongue", noticed)


def _certainty(word: str, probability: float) -> str:
    """How sure the direction of a difference is, in words; the bounds are house rules."""
    for least, told in ((0.975, "surely {}"), (0.9, "very likely {}"), (0.75, "likely {}")):
        if probability >= least:
            return told.format(word)
    return f"whether it is {word} can't be told"


def _masking(name: str, steps: Mapping[str, float]) -> str:
    """Sugar and acid mask each other: a hint where the other axis moves enough (crosstalk c = 0.25)."""
    other = {"sugar": "acid", "acid": "sugar"}.get(name)
    if other is None or CROSSTALK * abs(steps[other]) < 0.5:
        return ""
    tastes = AXES[name].less if steps[other] > 0 else AXES[name].more
    cause = AXES[other].more if steps[other] > 0 else AXES[other].less
    return f" It may taste a little {tastes} than that, because the drink is {cause}."


def _unseen(drink: Drink, parent: Drink) -> tuple[str, ...]:
    """What composition can't see: an impression for each ingredient that came in, never "no change"."""
    before = {pour.ingredient.slug for pour in parent.pours}
    came = {pour.ingredient.slug: pour.ingredient for pour in drink.pours if pour.ingredient.slug not in before}
    return tuple(f"{i.name}: {i.impression}." if i.impression else f"{i.name}: taste it alone first." for i in came.values())


def _capital(text: str) -> str:
    return text[0].upper() + text[1:]
