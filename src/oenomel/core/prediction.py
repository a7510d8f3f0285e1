"""The forecast of one drink, and how it differs from its parent."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from oenomel.core.dilution import dilution_model
from oenomel.core.drink import Drink
from oenomel.core.families import families, home_of, place_words
from oenomel.core.findings import Finding, findings
from oenomel.core.perception import AXES, CROSSTALK, degree, steps_between
from oenomel.core.profile import PourShare, Profile, pour_shares, profile_of, served_drink
from oenomel.core.uncertainty import Interval, intervals80
from oenomel.errors import NothingToDrink

__all__ = ["AxisDifference", "Comparison", "Dilution", "Place", "Prediction", "compare", "predict"]


@dataclass(frozen=True, slots=True)
class Dilution:
    """Water from the ice: ml per ml of what is in the tin, ml in all, and the school it was computed by."""

    ratio: float
    water_ml: float
    model: str


@dataclass(frozen=True, slots=True)
class Place:
    """Where a drink stands: its distance from its family's home in steps, and the words for it."""

    distance_steps: float
    words: str


@dataclass(frozen=True, slots=True)
class Prediction:
    """The forecast of one drink; ``place`` is None for open forms, which have no home."""

    undiluted: Profile
    dilution: Dilution
    served: Profile
    interval80: Mapping[str, Interval]
    pours: tuple[PourShare, ...]
    findings: tuple[Finding, ...]
    place: Place | None


@dataclass(frozen=True, slots=True)
class AxisDifference:
    """How one axis differs from the parent.

    ``value`` and ``parent`` in the axis's unit, ``direction`` "more", "less" or "same", ``headline`` and ``sentence`` in the
    trade's words. ``steps`` is for drawing and ranking; it is too rough to be printed.
    """

    axis: str
    value: float
    parent: float
    steps: float
    direction: str
    headline: str
    sentence: str


@dataclass(frozen=True, slots=True)
class Comparison:
    """A drink beside its parent: both forecasts, the three axes, and what the numbers can't see."""

    present: Prediction
    parent: Prediction
    axes: tuple[AxisDifference, ...]
    unseen: tuple[str, ...]


def predict(drink: Drink) -> Prediction:
    """The forecast of one drink.

    Raises
    ------
    NothingToDrink
        No pour adds any liquid.
    """
    served = served_drink(drink)
    tin, glass = profile_of(served.tin), profile_of(served.glass)
    if glass.volume_ml == 0:
        raise NothingToDrink
    ratio = float(served.water_ratio)
    shares = pour_shares(drink)
    return Prediction(
        undiluted=tin,
        dilution=Dilution(ratio, ratio * tin.volume_ml, dilution_model(drink.method)),
        served=glass,
        interval80=intervals80(drink, tin, glass),
        pours=shares,
        findings=findings(drink, tin, glass, shares),
        place=_place(drink.family, glass),
    )


def compare(drink: Drink, parent: Drink) -> Comparison:
    """A drink beside its parent, axis by axis as served.

    Raises
    ------
    NothingToDrink
    """
    present, before = predict(drink), predict(parent)
    steps = {name: float(steps_between(getattr(present.served, name), getattr(before.served, name), axis)) for name, axis in AXES.items()}
    differences = tuple(_difference(name, getattr(present.served, name), getattr(before.served, name), steps) for name in AXES)
    return Comparison(present, before, differences, _unseen(drink, parent))


def _place(family: str, served: Profile) -> Place | None:
    if family not in families():
        return None
    distance = home_of(family).distance(served)
    return Place(distance, place_words(distance))


# Changes of a figure below this share are a matter of rounding on the screen, and are told as "unchanged".
UNCHANGED: Final = 0.0005


def _difference(name: str, value: float, parent: float, steps: Mapping[str, float]) -> AxisDifference:
    axis, n = AXES[name], steps[name]
    masking = _masking(name, steps)
    if abs(n) < UNCHANGED:
        direction, headline, sentence = "same", "as the parent", ""
    else:
        direction, word = ("more", axis.more) if n > 0 else ("less", axis.less)
        headline, sentence = degree(n).headline.format(word=word, same=axis.same), degree(n).sentence
    return AxisDifference(name, value, parent, n, direction, _capital(headline), (sentence + masking).strip())


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
