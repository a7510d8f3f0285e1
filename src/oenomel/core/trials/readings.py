"""Readings of a trial compared with its forecast, and the dilution they show (docs/model/trials.md, "Measured")."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final, Literal, NamedTuple

from oenomel.core.balance import Z80, Liquid
from oenomel.core.dilution.ice_conditions import house_factor
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.larder import ETHANOL_G_PER_ML, WATER_G_PER_ML
from oenomel.core.larder.solutions import BRIX_PER_ABV, water_g
from oenomel.core.spec import Drink
from oenomel.core.wording import with_unit
from oenomel.errors import ImpossibleMeasurement


class Quantity(NamedTuple):
    """A quantity that can be measured: name, unit, range of a device, and decimals shown."""

    name: str
    unit: str
    low: float
    high: float
    decimals: int


QuantityName = Literal["volume_ml", "weight_g", "held_back_g", "brix", "acid", "ph", "abv", "temperature_c"]
QUANTITIES: Final[Mapping[QuantityName, Quantity]] = {
    "volume_ml": Quantity("volume", "ml", 0.0, 5000.0, 0),
    "weight_g": Quantity("weight", "g", 0.0, 5000.0, 1),
    "held_back_g": Quantity("left on the ice and in the tin", "g", 0.0, 500.0, 1),
    "brix": Quantity("refractometer", "°Bx", 0.0, 90.0, 1),
    "acid": Quantity("titrated acid, as citric", "g/100 ml", 0.0, 30.0, 2),
    "ph": Quantity("pH", "", 1.0, 9.0, 2),
    "abv": Quantity("strength", "% ABV", 0.0, 100.0, 1),
    "temperature_c": Quantity("temperature", "°C", -30.0, 90.0, 1),
}

ReadingPoint = Literal["tin", "strained", "served"]
READING_POINTS: Final[Mapping[ReadingPoint, str]] = {"tin": "before the ice", "strained": "after the ice", "served": "as served"}

MISLED_FROM_ABV: Final = 1.0
SAME_WATER_FROM_ABV: Final = 5.0
"""Strengths from which a refractometer gets a warning, and from which its readings show no water."""

ROOM_FOR_ERROR: Final = 1.05
LEAST_RATIO: Final = 0.2
MOST_RATIO: Final = 3.0


@dataclass(frozen=True, slots=True)
class Reading:
    """One reading: quantity, point in the making (one of `READING_POINTS`), and value in the quantity's unit."""

    quantity: QuantityName
    point: ReadingPoint
    value: float


@dataclass(frozen=True, slots=True)
class BesideForecast:
    """A reading beside its forecast; ``low`` and ``high`` are the forecast's 80 % interval. None where nothing is predicted (pH)."""

    measured: Reading
    forecast: float | None
    low: float | None
    high: float | None
    words: str
    warning: str


@dataclass(frozen=True, slots=True)
class MeasuredWater:
    """Water from the ice as measured: ml, its ratio to what was predicted without the bar's factor, and how it was found."""

    water_ml: float
    ratio: float
    how: str
    warning: str


@dataclass(frozen=True, slots=True)
class OwnWater:
    """Dilution of one technique in this bar: a factor on the forecast, its 80 % interval, the number of measurements, and a sentence."""

    technique: str
    factor: float
    low: float
    high: float
    measurements: int
    words: str


def own_water(technique: str, ratios: Sequence[float]) -> OwnWater:
    """Compute the bar's own dilution of a technique from its readings; raises OutOfRange as `house_factor`.

    >>> own_water("stir", [0.9, 0.86, 0.93]).words
    'Your stir gives 9% less dilution than standard (±6%), from 3 readings.'
    """
    factor = house_factor(ratios)
    half = Z80 * factor.relative_sd
    if abs(factor.factor - 1) <= half:
        takes = "about the standard dilution"
    else:
        takes = f"{abs(100 * (factor.factor - 1)):.0f}% {'more' if factor.factor > 1 else 'less'} dilution than standard"
    counted = "1 reading" if factor.measurements == 1 else f"{factor.measurements} readings"
    words = f"Your {technique} gives {takes} (±{100 * half:.0f}%), from {counted}."
    return OwnWater(technique, factor.factor, factor.factor - half, factor.factor + half, factor.measurements, words)


def without_house_factor(drink: Drink, forecast: Forecast) -> Forecast:
    """Return the forecast without the bar's own dilution, to compare readings with."""
    return forecast_of(drink, replace(forecast.conditions, factors={})) if forecast.conditions.factors else forecast


def forecast_reading(quantity: str, point: str, forecast: Forecast) -> float | None:
    """Return the reading that a device should show, in the quantity's unit; None for what the model doesn't know."""
    profile = {"tin": forecast.undiluted, "strained": forecast.strained, "served": forecast.served}[point]
    if quantity in ("volume_ml", "abv"):
        return float(getattr(profile, quantity))
    if quantity == "acid":
        return profile.titratable_acid
    if quantity == "weight_g":
        return liquid_g(_liquid(forecast, point))
    if quantity == "temperature_c":
        return float(getattr(forecast.temperatures, {"served": "glass"}.get(point, point)))
    if quantity == "brix":
        grams = liquid_g(_liquid(forecast, point))
        solids = (profile.sugar + profile.acid) * profile.volume_ml / 100
        return 100 * solids / grams + BRIX_PER_ABV * profile.abv if grams else 0.0
    return None


def liquid_g(liquid: Liquid) -> float:
    """Weight of a liquid, [g]: its water, alcohol and everything dissolved."""
    alcohol_ml, solids = float(liquid.contents[0]), float(liquid.contents[1:].sum())
    return float(water_g(liquid.volume_ml, alcohol_ml, solids)) + alcohol_ml * ETHANOL_G_PER_ML + solids


def check(reading: Reading, forecast: Forecast, others: Sequence[Reading] = ()) -> None:
    """Raise where a reading is impossible, given the recipe and the other readings of the trial.

    Raises
    ------
    ImpossibleMeasurement
        A reading outside the device's range; more liquid than the pours and all the ice; stronger than before the ice, and so on.
    """
    kind = QUANTITIES[reading.quantity]
    if not kind.low <= reading.value <= kind.high:
        raise ImpossibleMeasurement(
            f"{with_unit(f'{reading.value:g}', kind.unit)} isn't possible: enter {kind.low:g} to {kind.high:g} for {kind.name}"
        )
    ice_ml = forecast.conditions.ice_in_the_tin(forecast.drink.method).grams if forecast.drink.method.ice != "none" else 0.0
    there = forecast_reading(reading.quantity, reading.point, forecast)
    before = forecast_reading(reading.quantity, "tin", forecast)
    if reading.quantity in ("volume_ml", "weight_g"):
        assert there is not None
        most = (there if reading.point == "tin" else there - forecast.dilution.water_ml + ice_ml) * ROOM_FOR_ERROR + 5
        if reading.value > most:
            raise ImpossibleMeasurement(
                f"{with_unit(f'{reading.value:g}', kind.unit)} {READING_POINTS[reading.point]} isn't possible: "
                f"{there:.0f} {kind.unit} is predicted, "
                + ("which is all its ingredients" if reading.point == "tin" else f"or with all {ice_ml:.0f} g of ice melted {most:.0f}")
                + ". Did you weigh the tin or glass too?"
            )
    if reading.quantity in ("abv", "brix", "acid") and reading.point != "tin":
        earlier = [other.value for other in others if other.quantity == reading.quantity and other.point == "tin"]
        most = max(earlier[-1:] or [before or 0.0]) * ROOM_FOR_ERROR + {"abv": 0.5, "brix": 0.5, "acid": 0.05}[reading.quantity]
        topped = any(pour.liquid_ml and not pour.meets_ice for pour in forecast.drink.pours) and reading.point == "served"
        if reading.value > most and not topped:
            raise ImpossibleMeasurement(
                f"{with_unit(f'{reading.value:g}', kind.unit)} {READING_POINTS[reading.point]} isn't possible: "
                "before the ice it was at most "
                f"{most / ROOM_FOR_ERROR:.{kind.decimals}f}, and ice dilutes it"
            )
    if reading.quantity == "abv" and reading.value > 96.5:
        raise ImpossibleMeasurement(f"{reading.value:g}% isn't possible: no spirit is stronger than 96.5%")


def beside_forecast(readings: Sequence[Reading], forecast: Forecast) -> list[BesideForecast]:
    """Compare each reading with its forecast, in words."""
    return [_beside(reading, forecast) for reading in readings]


def _beside(reading: Reading, forecast: Forecast) -> BesideForecast:
    should = forecast_reading(reading.quantity, reading.point, forecast)
    warning = ""
    profile = {"tin": forecast.undiluted, "strained": forecast.strained, "served": forecast.served}[reading.point]
    if reading.quantity == "brix" and profile.abv >= MISLED_FROM_ABV:
        read = BRIX_PER_ABV * profile.abv
        warning = f"A refractometer reads alcohol as sugar: about {read:.0f}°Bx of this is alcohol. It can't measure sweetness here."
    if should is None or reading.quantity == "held_back_g":
        return BesideForecast(reading, None, None, None, "", warning)
    interval = forecast.interval80.get(reading.quantity) if reading.point == "served" else None
    spread = interval.high - interval.low if interval else 2 * _usual_error(reading.quantity, should, forecast)
    low, high = (interval.low, interval.high) if interval else (should - spread / 2, should + spread / 2)
    if reading.quantity == "acid" and interval:
        # The interval is that of grams; titration counts equivalents.
        scale = should / forecast.served.acid if forecast.served.acid else 1.0
        low, high = interval.low * scale, interval.high * scale
    words = "as predicted" if low <= reading.value <= high else "more than predicted" if reading.value > high else "less than predicted"
    return BesideForecast(reading, should, low, high, words, warning)


def measured_water(readings: Sequence[Reading], forecast: Forecast) -> MeasuredWater | None:
    """Compute the water from the ice by the best pair of readings; None where no reading after the ice shows it.

    Parameters
    ----------
    forecast : Forecast    without the bar's own factor: see `without_house_factor`

    Raises
    ------
    ImpossibleMeasurement
        The readings imply no water at all, or several times the forecast.
    """
    should = forecast.dilution.water_ml
    if should <= 0:
        return None
    latest: Mapping[tuple[str, str], float] = {(r.quantity, r.point): r.value for r in readings}
    held_back_g = latest.get(("held_back_g", "strained"), latest.get(("held_back_g", "served")))
    for quantity in ("weight_g", "volume_ml", "acid", "abv", "brix"):
        after = latest.get((quantity, "strained"))
        measured_before = latest.get((quantity, "tin"))
        before = measured_before if measured_before is not None else forecast_reading(quantity, "tin", forecast)
        if after is None or not before or (quantity == "brix" and forecast.undiluted.abv >= SAME_WATER_FROM_ABV):
            continue
        if quantity in ("weight_g", "volume_ml"):
            per_ml = WATER_G_PER_ML if quantity == "weight_g" else 1.0
            water = (after + (held_back_g or 0.0) * (1.0 if quantity == "weight_g" else 1 / WATER_G_PER_ML) - before) / per_ml
            warning = "" if held_back_g is not None else "What stayed on the ice wasn't weighed: 3 g there look like 5 to 6% less dilution."
        elif after > 0:
            # The same sugar, acid or alcohol in more liquid; °Bx is by weight.
            tin = forecast.undiluted.volume_ml if quantity != "brix" else liquid_g(_liquid(forecast, "tin")) / WATER_G_PER_ML
            water, warning = tin * (before / after - 1), ""
        else:
            continue
        name = QUANTITIES[quantity].name
        ratio = water / should
        if not LEAST_RATIO <= ratio <= MOST_RATIO:
            raise ImpossibleMeasurement(f"its {name} means {water:.0f} ml of dilution, and {should:.0f} ml is predicted: take it again")
        if measured_before is None:
            warning = f"{warning} Not measured before the ice, so the recipe is used.".strip()
        return MeasuredWater(water, ratio, f"{name} before and after the ice", warning)
    return None


def _usual_error(quantity: str, value: float, forecast: Forecast) -> float:
    """Return half of an 80 % interval where the model has none of its own, in the quantity's unit: house estimates."""
    if quantity == "temperature_c":
        return 2.0
    relative = forecast.interval80["acid" if quantity == "acid" else "abv" if quantity == "abv" else "volume_ml"]
    centre = (relative.low + relative.high) / 2
    share = (relative.high - relative.low) / 2 / centre if centre else 0.05
    return max(share * abs(value), 0.01)


def _liquid(forecast: Forecast, point: str) -> Liquid:
    return {"tin": forecast.path.tin, "strained": forecast.path.strained, "served": forecast.path.glass}[point]
