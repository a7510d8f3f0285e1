"""Water that a drink takes from the ice while it is worked, per ml of what is in the tin (model.md §3)."""

from __future__ import annotations

from typing import Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.core.drink import Method
from oenomel.errors import OutOfRange

__all__ = [
    "REFERENCE_SECONDS",
    "dilution_model",
    "dilution_relative_sd",
    "is_extrapolated",
    "shaken_water_ratio",
    "stirred_water_ratio",
    "water_ratio",
]

REFERENCE_SECONDS: Final = {"shake": 12.0, "stir": 30.0}
"""A full shake and a usual stir, for which the curves hold."""

TIME_CONSTANT_SECONDS: Final = {"shake": 4.0, "stir": 40.0}
"""How fast each approaches its end. An assumption, until the house has measured."""

PLATEAU: Final = 1.0524
"""No technique takes up more than this times the shaken curve: an endless shake, 1/(1 − e^−3)."""

CONSTANT_RATIOS: Final = {"build": 0.15, "roll": 0.30, "swizzle": 0.50, "blend": 0.80}
"""Techniques without a curve. Estimates, with a wide spread."""

FITTED_ABV_FRACTION: Final = (0.10, 0.35)
CURVE_RELATIVE_SD: Final = 0.08
EXTRAPOLATED_RELATIVE_SD: Final = 0.25
ESTIMATE_RELATIVE_SD: Final = 0.40


def shaken_water_ratio(abv_fraction: ArrayLike) -> NDArray[np.float64]:
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
    Trusted from 0.10 to 0.35; outside it is an extrapolation, and marked so in a prediction.
    Source: D. Arnold, *Liquid Intelligence* (2014), "Cocktail balance"; coefficients from memory.

    >>> round(float(shaken_water_ratio(0.2286)), 3)
    0.519
    """
    a = _strength(abv_fraction)
    return -1.567 * a**2 + 1.742 * a + 0.203


def stirred_water_ratio(abv_fraction: ArrayLike) -> NDArray[np.float64]:
    """Water taken up by a usual stir over cubes; shapes, range, errors and source as `shaken_water_ratio`.

    >>> round(float(stirred_water_ratio(0.30)), 4)
    0.4099
    """
    a = _strength(abv_fraction)
    return -1.21 * a**2 + 1.246 * a + 0.145


def water_ratio(abv_fraction: ArrayLike, method: Method) -> NDArray[np.float64]:
    """Water taken up by a method, in ml per ml of undiluted drink, shape (...,); 0 where no ice is met.

    Times other than the reference scale the curve by f(t) = (1 − e^(−t/τ)) / (1 − e^(−t₀/τ)), up to the plateau of a shake.
    Techniques without a curve are constants, whatever the time.
    """
    a = _strength(abv_fraction)
    if method.ice == "none" or method.technique == "none" or method.seconds == 0:
        return np.zeros_like(a)
    if method.technique in CONSTANT_RATIOS:
        return np.full_like(a, CONSTANT_RATIOS[method.technique])
    curve = shaken_water_ratio(a) if method.technique == "shake" else stirred_water_ratio(a)
    return np.minimum(curve * _time_factor(method), PLATEAU * shaken_water_ratio(a))


def dilution_model(method: Method) -> str:
    """Which school the water comes from: "curve", "estimate", or "none" where no ice is met."""
    if method.ice == "none" or method.technique == "none" or method.seconds == 0:
        return "none"
    return "estimate" if method.technique in CONSTANT_RATIOS else "curve"


def dilution_relative_sd(abv_fraction: float, method: Method) -> float:
    """How sure the water is, as a relative standard deviation (house estimates of model.md §6)."""
    model = dilution_model(method)
    if model == "none":
        return 0.0
    if model == "estimate":
        return ESTIMATE_RELATIVE_SD
    return EXTRAPOLATED_RELATIVE_SD if abv_fraction < FITTED_ABV_FRACTION[0] else CURVE_RELATIVE_SD


def is_extrapolated(abv_fraction: float, method: Method) -> bool:
    """Whether a curve is used outside the strengths for which it is trusted."""
    low, high = FITTED_ABV_FRACTION
    return dilution_model(method) == "curve" and not low <= abv_fraction <= high


def _time_factor(method: Method) -> float:
    reference = REFERENCE_SECONDS[method.technique]
    tau = TIME_CONSTANT_SECONDS[method.technique]
    seconds = reference if method.seconds is None else method.seconds
    return float(-np.expm1(-seconds / tau) / -np.expm1(-reference / tau))


def _strength(abv_fraction: ArrayLike) -> NDArray[np.float64]:
    a = np.asarray(abv_fraction, dtype=np.float64)
    # A rounding error above pure alcohol is no reason to refuse.
    bad = ~((a >= 0) & (a <= 1 + 1e-9))
    if np.any(bad):
        raise OutOfRange("the strength of the undiluted drink", float(a[bad].flat[0]), 0, 1)
    return a
