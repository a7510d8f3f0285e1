"""Water that a drink takes from the ice, per ml of what is in the tin (docs/model/dilution.md)."""

from __future__ import annotations

import math
from collections.abc import Mapping
from typing import Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.core.dilution.heat_balance import Tin, melt, temperature_after
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.larder import WATER_G_PER_ML
from oenomel.core.spec import Method, Technique
from oenomel.errors import OutOfRange

Floats = NDArray[np.float64]

SHAKEN: Final = (-1.567, 1.742, 0.203)
STIRRED: Final = (-1.21, 1.246, 0.145)
"""Coefficients of the curves over the strength as a fraction: quadratic, linear and constant. Source: D. Arnold, *Liquid Intelligence*
(2014), "Cocktail balance"; from memory.
"""

REFERENCE_SECONDS: Final[Mapping[Technique, float]] = {"shake": 12.0, "stir": 30.0}
"""Seconds of a full shake and a usual stir, to which the curves apply."""

TIME_CONSTANT_SECONDS: Final = {"shake": 4.0, "stir": 40.0}
"""Time constants of the approach to the plateau. An assumption, until the bar has measured."""

PLATEAU: Final = 1.0524
"""Plateau of water, as a factor on the shaken curve: an endless shake, 1/(1 − e^−3)."""

CONSTANT_RATIOS: Final = {"build": 0.15, "roll": 0.30, "swizzle": 0.50, "blend": 0.80}
"""Water ratios of techniques without a curve. Estimates, with a wide spread."""

FITTED_ABV_FRACTION: Final = (0.10, 0.35)
"""Strengths for which the curves were fitted; below they imply a temperature above freezing."""

CURVE_RELATIVE_SD: Final = 0.08
OTHER_ICE_RELATIVE_SD: Final = 0.15
"""Relative standard deviations with cubes, and with large or crushed ice, for which the curves were not measured (house estimate)."""

EXTRAPOLATED_RELATIVE_SD: Final = 0.25
ESTIMATE_RELATIVE_SD: Final = 0.40
OWN_RELATIVE_SD: Final = 0.05
"""Relative standard deviations outside the fitted strengths, of techniques without a curve, and from one shake to the next; the others
are shared by drinks of the same technique (docs/model/dilution.md).
"""

STIR_REACHES: Final = 0.70
"""Share of the heat balance's equilibrium that a usual stir reaches: the stirred curve over the shaken one at 25 to 30 %."""


def shaken_water_ratio(abv_fraction: ArrayLike) -> Floats:
    """Water taken up by a full shake over cubes, in ml per ml of undiluted drink.

    Parameters
    ----------
    abv_fraction : array_like, shape (...,), [ml/ml]     strength before the shake, 0 to 1

    Returns
    -------
    ndarray, shape (...,), [ml/ml]

    Raises
    ------
    OutOfRange
        A value is not a number, or outside 0 to 1.

    Notes
    -----
    Trusted from 0.10 to 0.35; outside it is an extrapolation, and marked so in a forecast.
    Source: D. Arnold, *Liquid Intelligence* (2014), "Cocktail balance"; coefficients from memory.

    >>> round(float(shaken_water_ratio(0.2286)), 3)
    0.519
    """
    return _parabola(SHAKEN, _strength(abv_fraction))


def stirred_water_ratio(abv_fraction: ArrayLike) -> Floats:
    """Water taken up by a usual stir over cubes; shapes, range, errors and source as `shaken_water_ratio`.

    >>> round(float(stirred_water_ratio(0.30)), 4)
    0.4099
    """
    return _parabola(STIRRED, _strength(abv_fraction))


def water_ratio(abv_fraction: ArrayLike, method: Method) -> Floats:
    """Water by the curves, in ml per ml of undiluted drink, shape (...,); 0 where no ice is met.

    Times other than the reference scale the curve by f(t) = (1 − e^(−t/τ)) / (1 − e^(−t₀/τ)), up to the plateau of a shake.
    Techniques without a curve are constants, whatever the time.
    """
    return _ratio(_strength(abv_fraction), method)


def time_factor(method: Method) -> float:
    """Return the ratio of the water after some seconds of shaking or stirring to that of the reference time (an assumption of the
    model).
    """
    reference = REFERENCE_SECONDS[method.technique]
    tau = TIME_CONSTANT_SECONDS[method.technique]
    seconds = reference if method.seconds is None else method.seconds
    return math.expm1(-seconds / tau) / math.expm1(-reference / tau)


def water_from_ice(tin: Tin, method: Method, conditions: Conditions) -> Floats:
    """Compute the water that the tin takes from the ice by the chosen school, [ml], shape as the tin's.

    The bar's own factor for the technique is applied, where it was measured.
    """
    if dilution_model(method, conditions) == "heat balance":
        return melt(tin, conditions.ice_in_the_tin(method), conditions, _reached(method)).water_ml * _factor(method, conditions)
    return tin.volume_ml * _ratio(tin.abv_fraction, method) * _factor(method, conditions)


def water_and_slopes(
    tin: Tin, method: Method, conditions: Conditions
) -> tuple[Floats, tuple[Floats, Floats, Floats | None, Floats | None]]:
    """Compute that water, and its derivatives by the tin's volume and alcohol, [ml/ml], and by its sugar and acid, [ml/g]; shape as
    the tin's.

    A slope is None where the water doesn't depend on it: the curves know only strength.
    """
    if dilution_model(method, conditions) == "heat balance":
        return water_from_ice(tin, method, conditions), _measured_slopes(tin, method, conditions)
    a, factor = tin.abv_fraction, _factor(method, conditions)
    ratio, slope = _ratio(a, method), _ratio_slope(a, method)
    return tin.volume_ml * ratio * factor, ((ratio - slope * a) * factor, slope * factor, None, None)


def tin_temperature_c(tin: Tin, water_ml: Floats, method: Method, conditions: Conditions) -> Floats:
    """Temperature of the drink as it leaves the ice, [°C], shape as the tin's, by the heat balance after that much water, and never
    below the freezing point. Without ice, the start's.
    """
    if dilution_model(method, conditions) == "none":
        return np.full_like(tin.volume_ml, conditions.start_c)
    ice = conditions.ice_in_the_tin(method)
    surface = np.minimum(ice.surface_water * ice.grams, water_ml * WATER_G_PER_ML)
    melted = water_ml * WATER_G_PER_ML - surface
    rest = np.maximum((1 - ice.surface_water) * ice.grams - melted, 0.0)
    after: Floats = np.maximum(
        temperature_after(tin, melted, surface, rest, ice.follows, conditions), tin.freezing_c(water_ml * WATER_G_PER_ML)
    )
    return after


def dilution_model(method: Method, conditions: Conditions) -> str:
    """Return which school the water is computed by: "curve", "heat balance", "estimate", or "none" without ice."""
    if method.ice == "none" or method.technique == "none" or method.seconds == 0:
        return "none"
    if method.technique in CONSTANT_RATIOS:
        return "estimate"
    # The curves apply to a full tin only.
    return "heat balance" if method.ice_pieces is not None else conditions.dilution


def dilution_relative_sd(abv_fraction: ArrayLike, method: Method, conditions: Conditions) -> Floats:
    """Return the relative standard deviation of the water, shape (...,) (house estimates of docs/model/dilution.md)."""
    a = np.asarray(abv_fraction, dtype=np.float64)
    model = dilution_model(method, conditions)
    if model == "none":
        return np.zeros_like(a)
    if method.technique in conditions.factors:
        return np.full_like(a, np.hypot(conditions.factors[method.technique].relative_sd, OWN_RELATIVE_SD))
    if model == "estimate":
        return np.full_like(a, ESTIMATE_RELATIVE_SD)
    usual = CURVE_RELATIVE_SD if method.ice == "cubes" else OTHER_ICE_RELATIVE_SD
    # The heat balance holds without alcohol too; the curve doesn't.
    return np.where((a < FITTED_ABV_FRACTION[0]) & (model == "curve"), EXTRAPOLATED_RELATIVE_SD, usual)


def is_extrapolated(abv_fraction: float, method: Method, conditions: Conditions) -> bool:
    """Check whether a curve is used outside the strengths it was measured for."""
    low, high = FITTED_ABV_FRACTION
    return dilution_model(method, conditions) == "curve" and not low <= abv_fraction <= high


def _factor(method: Method, conditions: Conditions) -> float:
    return conditions.factors[method.technique].factor if method.technique in conditions.factors else 1.0


def _ratio(a: Floats, method: Method) -> Floats:
    """Compute the water per ml of the tin by the curves."""
    if method.ice == "none" or method.technique == "none" or method.seconds == 0:
        return np.zeros_like(a)
    if method.technique in CONSTANT_RATIOS:
        return np.full_like(a, CONSTANT_RATIOS[method.technique])
    time = time_factor(method)
    if method.technique == "shake":
        return _parabola(SHAKEN, a) * min(time, PLATEAU)
    return np.minimum(_parabola(STIRRED, a) * time, PLATEAU * _parabola(SHAKEN, a))


def _ratio_slope(a: Floats, method: Method) -> Floats:
    """Compute the derivative of the water by strength."""
    if method.ice == "none" or method.seconds == 0 or method.technique in ("none", *CONSTANT_RATIOS):
        return np.zeros_like(a)
    time = time_factor(method)
    if method.technique == "shake":
        return _slope(SHAKEN, a) * min(time, PLATEAU)
    over = _parabola(STIRRED, a) * time > PLATEAU * _parabola(SHAKEN, a)
    return np.where(over, PLATEAU * _slope(SHAKEN, a), _slope(STIRRED, a) * time)


def _measured_slopes(tin: Tin, method: Method, conditions: Conditions) -> tuple[Floats, Floats, Floats, Floats]:
    """Compute the derivatives of the heat balance numerically, by each of the four contents."""
    names = ("volume_ml", "alcohol_ml", "sugar_g", "acid_g")
    parts = np.stack([getattr(tin, name) for name in names])
    step = 1e-4 * np.maximum(tin.volume_ml, 1.0)
    moved = np.repeat(parts[:, None, None], 8, axis=1).reshape(4, 4, 2, *tin.volume_ml.shape)
    for index in range(4):
        moved[index, index, 0] += step
        # Contents can't become negative; the slope is then one-sided.
        moved[index, index, 1] = np.maximum(moved[index, index, 1] - step, 0.0)
    water = water_from_ice(Tin(*moved), method, conditions)
    slopes = [(water[i, 0] - water[i, 1]) / (moved[i, i, 0] - moved[i, i, 1]) for i in range(4)]
    return slopes[0], slopes[1], slopes[2], slopes[3]


def _reached(method: Method) -> float:
    """Return the share of the equilibrium that is reached in the time; a full shake is taken to reach it."""
    return min(1.0, time_factor(method) * (1.0 if method.technique == "shake" else STIR_REACHES))


def _parabola(coefficients: tuple[float, float, float], a: Floats) -> Floats:
    square, linear, constant = coefficients
    value: Floats = (square * a + linear) * a + constant
    return value


def _slope(coefficients: tuple[float, float, float], a: Floats) -> Floats:
    square, linear, _ = coefficients
    return 2 * square * a + linear


def _strength(abv_fraction: ArrayLike) -> Floats:
    a = np.asarray(abv_fraction, dtype=np.float64)
    # A rounding error above pure alcohol is no reason to refuse.
    bad = ~((a >= 0) & (a <= 1 + 1e-9))
    if np.any(bad):
        raise OutOfRange("the strength of the undiluted drink", float(a[bad].flat[0]), 0, 1)
    return a
