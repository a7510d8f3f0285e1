"""A lot: one bottle, pressing or preparation of an ingredient, and the composition its readings give (docs/model/lots.md)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Final, Literal, NamedTuple, get_args

from oenomel.core.larder import ACIDS, SUGARS, WATER_G_PER_ML, Composition, Ingredient, SourcedValue
from oenomel.core.larder.composition import density_of, estimated_density
from oenomel.core.larder.solutions import BRIX_PER_ABV, brix_of_density, sucrose_density
from oenomel.core.wording import counted, with_unit
from oenomel.errors import ImpossibleMeasurement

ReadingName = Literal["acid", "brix", "abv", "ph", "density"]
READINGS: Final[tuple[ReadingName, ...]] = get_args(ReadingName)


class Readable(NamedTuple):
    """A property that can be measured in a lot: name, unit, possible range, default error of the device (absolute, and as a share),
    and decimals shown.
    """

    said: str
    unit: str
    low: float
    high: float
    sd: float
    relative_sd: float
    decimals: int


READABLE: Final[Mapping[ReadingName, Readable]] = {
    "acid": Readable("titrated acid, as citric", "g/100 ml", 0.0, 60.0, 0.0, 0.02, 2),
    "brix": Readable("a refractometer’s reading", "°Bx", 0.0, 90.0, 0.2, 0.0, 1),
    "abv": Readable("strength", "% ABV", 0.0, 96.5, 0.3, 0.0, 1),
    "ph": Readable("pH", "", 1.0, 9.0, 0.05, 0.0, 2),
    "density": Readable("density", "g/ml", 0.78, 1.5, 0.001, 0.0, 3),
}

MOST_ACID_IN_JUICE: Final = 12.0
"""Most acid of a juice, [g/100 ml] (house rule; lime and sea buckthorn stay below 9)."""

JUICE_OTHER_SOLIDS: Final = 0.8
JUICE_OTHER_SOLIDS_SD: Final = 0.3
"""Dissolved matter of a juice besides sugar and acid, and its standard deviation, [g/100 ml] (docs/model/lots.md, for citrus; the spread
is an estimate).
"""

MISLEADS_FROM_ABV: Final = 1.0
ALCOHOL_MISLEADS_BY: Final = 0.15
"""Strength from which a refractometer is misled, and the relative standard deviation of alcohol's part in its reading (estimate)."""

DRY_G: Final = 0.5
"""Sugar below which a liquid counts as dry, [g/100 ml]: its strength alone then decides its density."""

DENSITY_AGREES_WITHIN: Final = 0.008
"""Allowed distance between a dry spirit's density and that of its strength, [g/ml]: about 6 % ABV for a spirit (house rule)."""

LEAST_SLOPE: Final = 250.0
"""Least sugar for each g/ml of density, [g/100 ml] (sucrose table)."""

_FINEST_SD: Final = 1e-6
"""Least standard deviation of a bar's device, in any unit (house rule)."""

LEAST_G: Final = 0.05
FAR_OFF_SDS: Final = 3.0
IMPOSSIBLE_SDS: Final = 4.0
"""Least positive value of a figure, and the standard deviations from the assumed value beyond which a reading should be repeated, and is
refused.
"""

WEIGHS_LESS_A_PERCENT: Final = 0.0013
"""Decrease of the weight of a millilitre for each % of alcohol, [g], around the strength of a liqueur (OIML R 22, from memory)."""

OWN_READING: Final = "measured here"


@dataclass(frozen=True, slots=True)
class LotReading:
    """One reading of a lot: property, value in the unit of `READABLE`, and standard deviation where the device states one."""

    what: ReadingName
    value: float
    sd: float | None = None


@dataclass(frozen=True, slots=True)
class Estimate:
    """Prior, measured and posterior value of ``abv``, ``sugar`` or ``acid``, each with its standard deviation in the value's unit; None
    where nothing was measured.
    """

    figure: str
    prior: float
    prior_sd: float
    measured: float | None
    measured_sd: float | None
    posterior: float
    posterior_sd: float


@dataclass(frozen=True, slots=True)
class Lot:
    """A lot with its readings applied: the ingredient as it is in this lot, each figure beside its assumed value, and remarks on the
    readings.
    """

    ingredient: Ingredient
    figures: tuple[Estimate, ...]
    notes: tuple[str, ...] = field(default=())


class _MeasuredFigure(NamedTuple):
    """A figure as measured, with its standard deviation."""

    value: float
    sd: float


def lot_of(ingredient: Ingredient, readings: Sequence[LotReading], name: str) -> Lot:
    """Combine an ingredient's assumed values with the readings of a lot, weighted by their uncertainty.

    Several readings of one kind are averaged; where they disagree by more than their devices' errors, the uncertainty grows.

    Raises
    ------
    ImpossibleMeasurement
        A reading is impossible, by itself or with the others.

    Notes
    -----
    Kinds of sugar and of acid keep their proportions. pH tells freshness and moves nothing.
    """
    for reading in readings:
        _check(reading, ingredient)
    read = {
        what: _average([one_reading for one_reading in readings if one_reading.what == what])
        for what in READINGS
        if any(r.what == what for r in readings)
    }
    supposed = ingredient.composition
    notes: list[str] = []
    strength = _strength(supposed, read)
    abv, abv_sd = _meet(supposed.abv, supposed.axes_sd[0], strength)
    acid_measured = _acid(supposed, read.get("acid"))
    acid, acid_sd = _meet(supposed.acid, supposed.axes_sd[2], acid_measured)
    sugar_measured = _sugar(ingredient, read, _MeasuredFigure(abv, abv_sd), _MeasuredFigure(acid, acid_sd), notes)
    sugar, sugar_sd = _meet(supposed.sugar, supposed.axes_sd[1], sugar_measured)
    _note_disagreement(readings, read, notes)
    figures = tuple(
        Estimate(
            figure, was, was_sd, None if estimate is None else estimate.value, None if estimate is None else estimate.sd, new_value, held_sd
        )
        for figure, was, was_sd, estimate, new_value, held_sd in (
            ("abv", supposed.abv, supposed.axes_sd[0], strength, abv, abv_sd),
            ("sugar", supposed.sugar, supposed.axes_sd[1], sugar_measured, sugar, sugar_sd),
            ("acid", supposed.acid, supposed.axes_sd[2], acid_measured, acid, acid_sd),
        )
    )
    notes += [_far_off(ingredient, estimate) for estimate in figures if _is_far_off(estimate)]
    held_now = _posterior(supposed, figures, read)
    return Lot(replace(ingredient, composition=held_now, lot=name, values=_values(ingredient, held_now, figures)), figures, tuple(notes))


def hours_words(hours: float) -> str:
    """Describe how long ago something was.

    >>> hours_words(0.4), hours_words(3.2), hours_words(50)
    ('just now', '3 hours ago', '2 days ago')
    """
    if hours < 0.75:
        return "just now"
    if hours < 36:
        whole = max(1, round(hours))
        return f"{counted(whole, 'hour')} ago"
    return f"{round(hours / 24)} days ago"


def old_lot_words(ingredient: Ingredient, hours: float) -> str:
    """Return a remark where a lot is past its shelf life."""
    if ingredient.kind == "juice":
        return f"{ingredient.name} from {hours_words(hours)} tastes flat: juice fresh, or taste it first."
    keeps = ingredient.label("keeps_days")
    return f"{ingredient.name} made {hours_words(hours)} keeps about {counted(round(keeps or 0), 'day')}: smell and taste it first."


def _check(reading: LotReading, ingredient: Ingredient) -> None:
    kind, value, name = READABLE[reading.what], reading.value, ingredient.in_sentence
    if reading.sd is not None and not (math.isfinite(reading.sd) and _FINEST_SD <= reading.sd <= max(1.0, abs(value))):
        raise ImpossibleMeasurement(f"{value:g} ± {reading.sd:g} is too uncertain: enter the error of the device")
    if reading.what == "acid" and ingredient.kind == "juice" and value > MOST_ACID_IN_JUICE:
        meant = " If a refractometer shows it, choose °Bx." if value <= READABLE["brix"].high else ""
        raise ImpossibleMeasurement(
            f"{value:g} g acid per 100 ml of {name} is too much: no juice has more than {MOST_ACID_IN_JUICE:g} g.{meant}"
        )
    if not (math.isfinite(value) and kind.low <= value <= kind.high):
        why = {"brix": ". Honey is about 82", "abv": ". No spirit is stronger"}.get(reading.what, "")
        raise ImpossibleMeasurement(
            f"{with_unit(f'{value:g}', kind.unit)} isn't possible for {name}: {kind.said} goes from {kind.low:g} to {kind.high:g}{why}"
        )
    if reading.what == "abv" and ingredient.composition.abv == 0 and value > 1.5 and ingredient.kind != "other":
        raise ImpossibleMeasurement(f"{name} has no alcohol: {value:g}% ABV must be another bottle")


def _average(readings: Sequence[LotReading]) -> _MeasuredFigure:
    """Combine readings of one kind, weighted by precision; the uncertainty grows where they disagree by more than their devices' errors."""
    kind = READABLE[readings[0].what]
    sds = [reading.sd or max(kind.sd, kind.relative_sd * reading.value, 1e-6) for reading in readings]
    weights = [1 / sd**2 for sd in sds]
    mean = sum(weight * one_reading.value for weight, one_reading in zip(weights, readings, strict=True)) / sum(weights)
    sd = 1 / math.sqrt(sum(weights))
    if len(readings) > 1:
        scatter = sum(weight * (one_reading.value - mean) ** 2 for weight, one_reading in zip(weights, readings, strict=True)) / (
            len(readings) - 1
        )
        sd *= math.sqrt(max(1.0, scatter))
    return _MeasuredFigure(mean, sd)


def _meet(supposed: float, supposed_sd: float, measured: _MeasuredFigure | None) -> _MeasuredFigure:
    """Combine a measured and an assumed value by precision, as logarithms; an assumed value without uncertainty is replaced."""
    if measured is None:
        return _MeasuredFigure(supposed, supposed_sd)
    if supposed <= 0 or supposed_sd <= 0:
        return _MeasuredFigure(max(measured.value, 0.0), measured.sd)
    if measured.value < 2 * measured.sd:
        # A logarithm is useless this close to zero: the plain weighted mean.
        ours, theirs = 1 / measured.sd**2, 1 / supposed_sd**2
        return _MeasuredFigure(max((ours * measured.value + theirs * supposed) / (ours + theirs), LEAST_G), 1 / math.sqrt(ours + theirs))
    ours, theirs = (measured.value / measured.sd) ** 2, (supposed / supposed_sd) ** 2
    log_mean = math.exp((ours * math.log(measured.value) + theirs * math.log(supposed)) / (ours + theirs))
    return _MeasuredFigure(log_mean, log_mean / math.sqrt(ours + theirs))


def _strength(supposed: Composition, read: Mapping[ReadingName, _MeasuredFigure]) -> _MeasuredFigure | None:
    """Return the measured strength: by its own reading, else by the density of a dry spirit; raises where the two disagree."""
    estimate, weighed = read.get("abv"), read.get("density")
    if weighed is None or supposed.sugar >= DRY_G or supposed.abv < MISLEADS_FROM_ABV:
        return estimate
    if estimate is not None:
        should = estimated_density(replace(supposed, abv=estimate.value, density=None))
        if abs(should - weighed.value) > DENSITY_AGREES_WITHIN:
            raise ImpossibleMeasurement(
                f"a spirit of {estimate.value:g}% ABV without sugar weighs {should:.3f} g/ml, not {weighed.value:.3f}: "
                "take one of the two readings again"
            )
        return estimate
    if weighed.value > 1.0:
        raise ImpossibleMeasurement(
            f"{weighed.value:.3f} g/ml isn't possible: without sugar it would have no alcohol. Take the density again."
        )
    by_density = _abv_weighing(weighed.value, supposed)
    slope = max(abs(_abv_weighing(weighed.value - 0.001, supposed) - by_density), 0.1) / 0.001
    return _MeasuredFigure(by_density, slope * weighed.sd)


def _abv_weighing(density: float, supposed: Composition) -> float:
    """Return the strength of a dry liquid with a given density, by bisection."""
    low, high = 0.0, 96.5
    for _ in range(40):
        middle = (low + high) / 2
        heavier = estimated_density(replace(supposed, abv=middle, density=None)) > density
        low, high = (middle, high) if heavier else (low, middle)
    return (low + high) / 2


def _acid(supposed: Composition, titrated: _MeasuredFigure | None) -> _MeasuredFigure | None:
    """Return the acid by weight from titratable acid as citric; kinds keep their proportions."""
    if titrated is None:
        return None
    share = supposed.acid / supposed.acid_as_citric if supposed.acid_as_citric > 0 else 1.0
    return _MeasuredFigure(titrated.value * share, titrated.sd * share)


def _sugar(
    ingredient: Ingredient, read: Mapping[ReadingName, _MeasuredFigure], abv: _MeasuredFigure, acid: _MeasuredFigure, notes: list[str]
) -> _MeasuredFigure | None:
    """Return the sugar from dissolved matter, by refractometer or density, less acid and the rest; two readings are averaged."""
    supposed = ingredient.composition
    ways = [
        estimate
        for estimate in (_by_refractometer(read.get("brix"), abv, notes), _by_density(read.get("density"), abv, supposed))
        if estimate
    ]
    if not ways:
        return None
    weights = [1 / estimate.sd**2 for estimate in ways]
    dissolved = sum(weight * estimate.value for weight, estimate in zip(weights, ways, strict=True)) / sum(weights)
    juice = ingredient.kind == "juice"
    rest = max(supposed.protein + supposed.gum + supposed.salt, JUICE_OTHER_SOLIDS if juice else 0.0)
    rest_sd = JUICE_OTHER_SOLIDS_SD if juice else 0.2 * rest
    sugar = dissolved - acid.value - rest
    sd = math.sqrt(1 / sum(weights) + acid.sd**2 + rest_sd**2)
    if sugar < -IMPOSSIBLE_SDS * sd:
        raise ImpossibleMeasurement(
            f"only {dissolved:.1f} g/100 ml would be dissolved in {ingredient.in_sentence}, "
            f"less than its acid ({acid.value:.1f} g): take it again"
        )
    if sugar < sd and "acid" not in read and acid.value > 1:
        notes.append("Most of what is dissolved here is acid. Titrate it too, and the sugar follows.")
    return _MeasuredFigure(max(sugar, 0.0), sd)


def _by_refractometer(read: _MeasuredFigure | None, abv: _MeasuredFigure, notes: list[str]) -> _MeasuredFigure | None:
    """Return the grams dissolved in 100 ml, by the refractometer."""
    if read is None:
        return None
    pulled = BRIX_PER_ABV * abv.value
    if abv.value >= MISLEADS_FROM_ABV:
        notes.append(
            f"A refractometer reads alcohol as sugar: about {pulled:.0f} °Bx of this is alcohol, and was subtracted. "
            "Weigh a measured volume for a better sugar figure."
        )
    brix = read.value - pulled
    sd = math.hypot(read.sd, ALCOHOL_MISLEADS_BY * pulled)
    if brix < -IMPOSSIBLE_SDS * sd:
        raise ImpossibleMeasurement(f"{read.value:g} °Bx isn't possible: {abv.value:g}% alcohol alone reads as about {pulled:.0f}")
    dissolved = max(brix, 0.0)
    density = sucrose_density(dissolved)
    return _MeasuredFigure(dissolved * density, sd * density)


def _by_density(read: _MeasuredFigure | None, abv: _MeasuredFigure, supposed: Composition) -> _MeasuredFigure | None:
    """Return the grams dissolved in 100 ml, by the density, of a liquid that isn't dry."""
    if read is None or (supposed.abv >= MISLEADS_FROM_ABV and supposed.sugar < DRY_G):
        return None
    if abv.value < MISLEADS_FROM_ABV:
        if read.value < WATER_G_PER_ML - DENSITY_AGREES_WITHIN:
            raise ImpossibleMeasurement(f"{read.value:.3f} g/ml is lighter than water, but it has no alcohol: take the density again")
        brix = brix_of_density(read.value)
        slope = (brix_of_density(read.value + 0.001) * (read.value + 0.001) - brix * read.value) / 0.001
        # At the density of water the table is flat; a gram in 100 ml adds four thousandths there too.
        return _MeasuredFigure(brix * read.value, max(abs(slope), LEAST_SLOPE) * read.sd)
    alone = density_of(abv.value, 0.0)
    dissolved = _dissolved_weighing(read.value, abv.value)
    per_gram = (density_of(abv.value, 30.0) - alone) / 30.0
    if read.value < alone:
        dissolved = (read.value - alone) / per_gram
    sd = math.hypot(read.sd / per_gram, WEIGHS_LESS_A_PERCENT * abv.sd / per_gram)
    if dissolved < -IMPOSSIBLE_SDS * sd:
        raise ImpossibleMeasurement(
            f"{abv.value:g}% ABV and {read.value:.3f} g/ml disagree: alcohol and water alone weigh {alone:.3f}, and sugar only adds to it"
        )
    return _MeasuredFigure(max(dissolved, 0.0), sd)


def _dissolved_weighing(density: float, abv: float) -> float:
    """Return the grams of sugar in 100 ml that give a density at a strength, by bisection; 0 where the liquid is lighter."""
    low, high = 0.0, 120.0
    for _ in range(40):
        middle = (low + high) / 2
        low, high = (middle, high) if density_of(abv, middle) < density else (low, middle)
    return (low + high) / 2


def _posterior(supposed: Composition, figures: Sequence[Estimate], read: Mapping[ReadingName, _MeasuredFigure]) -> Composition:
    """Return the composition with the posterior values."""
    abv, sugar, acid = figures
    spread = {name: sd for name, sd in supposed.spread.items() if name not in (*SUGARS, *ACIDS, "sugars", "acids", "abv")}
    for name, estimate in (("abv", abv), ("sugars", sugar), ("acids", acid)):
        if estimate.posterior > 0:
            spread[name] = min(estimate.posterior_sd / estimate.posterior, 2.0)
    dissolved = sugar.measured is not None or abv.measured is not None
    density = read["density"].value if "density" in read else (None if dissolved else supposed.density)
    return replace(
        supposed,
        abv=abv.posterior,
        sugars=_scaled(supposed.sugars, supposed.sugar, sugar.posterior, "sucrose"),
        acids=_scaled(supposed.acids, supposed.acid, acid.posterior, "citric"),
        density=density,
        spread=spread,
    )


def _scaled(kinds: Mapping[str, float], total: float, value: float, usual: str) -> dict[str, float]:
    if total <= 0:
        return {usual: value} if value > LEAST_G else dict(kinds)
    return {kind: grams * value / total for kind, grams in kinds.items()}


def _values(ingredient: Ingredient, posterior: Composition, figures: Sequence[Estimate]) -> dict[str, SourcedValue]:
    """Return the sourced values with the readings among them, so that "why this number?" shows them."""
    values = dict(ingredient.values)
    for estimate, kinds, names in zip(
        figures, ({"abv": posterior.abv}, posterior.sugars, posterior.acids), ("abv", "sugars", "acids"), strict=True
    ):
        if estimate.measured is None:
            continue
        why = f"measured {estimate.measured:.3g}, standard {estimate.prior:.3g}, each weighed by its certainty"
        for kind, value in kinds.items():
            values[kind] = SourcedValue(kind, value, posterior.spread.get(names, 0.0), OWN_READING, "measured", why)
    if posterior.density is None:
        values.pop("density", None)
    return values


def _note_disagreement(readings: Sequence[LotReading], read: Mapping[ReadingName, _MeasuredFigure], notes: list[str]) -> None:
    for what, estimate in read.items():
        own = [reading for reading in readings if reading.what == what]
        alone = _average(own[:1]).sd / math.sqrt(len(own))
        if len(own) > 1 and estimate.sd > 1.5 * alone:
            kind = READABLE[what]
            readings_in_words = " and ".join(f"{one_reading.value:.{kind.decimals}f}" for one_reading in own[:3])
            notes.append(
                f"{kind.said[:1].upper()}{kind.said[1:]}: the readings disagree ({readings_in_words}), so the value is less certain."
            )


def _is_far_off(estimate: Estimate) -> bool:
    if estimate.measured is None or estimate.measured_sd is None or estimate.prior <= 0 or estimate.prior_sd <= 0:
        return False
    return abs(estimate.measured - estimate.prior) > FAR_OFF_SDS * math.hypot(estimate.measured_sd, estimate.prior_sd)


def _far_off(ingredient: Ingredient, estimate: Estimate) -> str:
    unit = "% ABV" if estimate.figure == "abv" else "g/100 ml"
    noun = "strength" if estimate.figure == "abv" else estimate.figure
    return (
        f"{with_unit(f'{estimate.measured:.3g}', unit)} {noun} "
        f"is far from what {ingredient.in_sentence} usually has ({estimate.prior:.3g}): "
        "take it again, or is it another bottle?"
    )
