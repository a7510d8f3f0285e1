"""How a drink differs from its parent, axis by axis and in one breath."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from oenomel.core.balance import (
    AXES,
    CROSSTALK,
    UNCHANGED_STEPS,
    Change,
    Difference,
    can_be_tasted,
    changes_between,
    degree,
    difference_of,
    in_words,
    stands_for,
    steps_between,
    sureness,
    tasted,
)
from oenomel.core.families import Home
from oenomel.core.findings import Finding, findings_between
from oenomel.core.forecast.forecast import STANDARD, Forecast, forecast_of
from oenomel.core.ice import Conditions
from oenomel.core.spec import Drink


@dataclass(frozen=True, slots=True)
class AxisDifference:
    """How one axis differs from the parent.

    ``value`` and ``parent`` in the axis's unit, ``direction`` "more", "less" or "same", ``headline`` and ``sentence`` in the trade's
    words; ``sureness`` how sure its direction is in a word, ``certainty`` the same with the direction; ``tasted`` whether a tongue could
    tell it. ``difference`` tells it in numbers; ``steps`` is for drawing and ranking, and too rough to be printed.
    """

    axis: str
    value: float
    parent: float
    steps: float
    direction: str
    headline: str
    sentence: str
    sureness: str
    certainty: str
    tasted: bool
    difference: Difference


@dataclass(frozen=True, slots=True)
class Headline:
    """A riff in one breath: what was changed, what that does to the drink, and whether a guest would notice."""

    change: str
    effect: str
    noticed: str


@dataclass(frozen=True, slots=True)
class Comparison:
    """A drink beside its parent: both forecasts, the three axes, which change did what, what only shows beside the parent, what the
    numbers can't see, the whole in one breath; for each pour the place of the parent's that it stands for, and what a trial of it is
    called when nobody names it.
    """

    present: Forecast
    parent: Forecast
    axes: tuple[AxisDifference, ...]
    changes: tuple[Change, ...]
    findings: tuple[Finding, ...]
    unseen: tuple[str, ...]
    headline: Headline
    stands_for: tuple[int | None, ...]
    suggested_name: str

    @property
    def volume_by_ml(self) -> float:
        """How much larger the drink is than its parent."""
        return self.present.served.volume_ml - self.parent.served.volume_ml

    @property
    def water_by_ml(self) -> float:
        """How much of that is water from the ice."""
        return self.present.dilution.water_ml - self.parent.dilution.water_ml


def compare(drink: Drink, parent: Drink, conditions: Conditions = STANDARD, homes: Mapping[str, Home] | None = None) -> Comparison:
    """A drink beside its parent, axis by axis as served; what the two share doesn't make their difference unsure.

    Raises
    ------
    NothingToDrink
    """
    present, before = forecast_of(drink, conditions, homes), forecast_of(parent, conditions, homes)
    steps = {name: float(steps_between(getattr(present.served, name), getattr(before.served, name), axis)) for name, axis in AXES.items()}
    apart = difference_of(present.doubt, before.doubt)
    differences = tuple(_difference(name, getattr(present.served, name), getattr(before.served, name), steps, apart[name]) for name in AXES)
    changes, unseen = changes_between(drink, parent, conditions), _unseen(drink, parent)
    beside = findings_between(drink, parent, present.served, before.served)
    headline, pairs = _headline(differences, changes, unseen), stands_for(drink.pours, parent.pours)
    return Comparison(present, before, differences, changes, beside, unseen, headline, pairs, _suggested_name(drink, parent, pairs))


def _difference(name: str, value: float, parent: float, steps: Mapping[str, float], apart: Difference) -> AxisDifference:
    axis, n = AXES[name], steps[name]
    masking = _masking(name, steps)
    if abs(n) < UNCHANGED_STEPS:
        direction, headline, sentence, sure, certainty = "same", "as the parent", "", "", ""
    else:
        direction, headline, sentence = "more" if n > 0 else "less", in_words(n, axis), degree(n).sentence
        # Where nobody tells the two apart, how sure the numbers are says nothing to the tongue.
        sure = sureness(apart.sign_probability) if can_be_tasted(n) else ""
        certainty = _certainty(axis.word(n), sure) if can_be_tasted(n) else ""
    whole = (sentence + masking).strip()
    return AxisDifference(name, value, parent, n, direction, _capital(headline), whole, sure, certainty, can_be_tasted(n), apart)


def _headline(axes: Sequence[AxisDifference], changes: Sequence[Change], unseen: Sequence[str]) -> Headline:
    if not changes:
        return Headline("", "As the parent", "")
    words = [change.words for change in changes]
    what = " and ".join(words) if len(words) < 3 else f"{words[0]} and {len(words) - 1} more changes"
    by_name = {axis.axis: axis for axis in axes}
    felt = [by_name[name] for name in tasted({name: axis.steps for name, axis in by_name.items()})]
    if felt:
        effect = ", ".join(axis.headline[0].lower() + axis.headline[1:] for axis in felt)
        return Headline(_capital(what), _capital(effect), degree(felt[0].steps).sentence)
    # A swap that moves no axis is never told as no change.
    noticed = "What the numbers can’t see may be tasted all the same." if unseen else degree(0.0).sentence
    return Headline(_capital(what), "As sweet, as sharp and as strong, to the tongue", noticed)


def _suggested_name(drink: Drink, parent: Drink, pairs: Sequence[int | None]) -> str:
    """The swap, or else the first pour that moved; sentence case, as a person would write it."""
    both = [(parent.pours[before], pour) for before, pour in zip(pairs, drink.pours, strict=True) if before is not None]
    for before, pour in both:
        if before.ingredient.name != pour.ingredient.name:
            return f"{pour.ingredient.name} for {before.ingredient.name.lower()}"
    for before, pour in both:
        name = pour.ingredient.name.lower()
        if before.unit != pour.unit:
            return f"Another measure of {name}"
        if before.volume_ml != pour.volume_ml:
            return f"{'More' if pour.volume_ml > before.volume_ml else 'Less'} {name}"
    return "As it stands"


def _certainty(word: str, sure: str) -> str:
    """How sure the direction of a difference is, in words."""
    return f"{sure} {word}" if sure else f"whether it is {word} can't be told"


def _masking(name: str, steps: Mapping[str, float]) -> str:
    """Sugar and acid mask each other: a hint where the other axis moves enough."""
    other = {"sugar": "acid", "acid": "sugar"}.get(name)
    if other is None or not can_be_tasted(CROSSTALK * steps[other]):
        return ""
    tastes, cause = AXES[name].word(-steps[other]), AXES[other].word(steps[other])
    return f" It may taste a little {tastes} than that, because the drink is {cause}."


def _unseen(drink: Drink, parent: Drink) -> tuple[str, ...]:
    """What composition can't see: an impression for each ingredient that came in, never "no change"."""
    before = {pour.ingredient.slug for pour in parent.pours}
    came = {pour.ingredient.slug: pour.ingredient for pour in drink.pours if pour.ingredient.slug not in before}
    return tuple(f"{i.name}: {i.impression}." if i.impression else f"{i.name}: taste it alone first." for i in came.values())


def _capital(text: str) -> str:
    return text[0].upper() + text[1:]
