"""Figures of one drink and their derivatives in plain numbers: faster than arrays for a single drink.

For a dozen pours the cost of each NumPy call would be most of the time; many drinks stay in arrays. The laws hold the two against each
other (tests/core/balance/test_levels.py).
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance.pour_table import PourTable, pour_sds_ml
from oenomel.core.dilution import Conditions, Tin, dilution_relative_sd, water_and_slopes
from oenomel.core.dilution.curves import OWN_RELATIVE_SD
from oenomel.core.spec import Drink

Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class OneDrink:
    """One drink to first order.

    Parameters
    ----------
    figures : ndarray, shape (4,)           as served, in the order of `FIGURES`
    water_ml : float                        from the ice
    moves : ndarray, shape (unknowns, 4)    how far one standard deviation of each unknown moves each figure; the jigger's, each pour's,
                                            strength, sugar and acid of each, what shakes share, this shake's own
    """

    figures: Floats
    water_ml: Floats
    moves: Floats


def one_drink(drink: Drink, pours: PourTable, conditions: Conditions) -> OneDrink:
    """Compute the figures of one drink and their change by each source of uncertainty; ``pours`` is its table."""
    volumes, in_tin, axes = pours.volumes[:, 0].tolist(), pours.in_tin[:, 0].tolist(), pours.axes[..., 0].tolist()
    shaken_alcohol = shaken_sugar = shaken_acid = all_alcohol = all_sugar = all_acid = 0.0
    for v, t, (a, s, c) in zip(volumes, in_tin, axes, strict=True):
        shaken = v * t
        shaken_alcohol, shaken_sugar, shaken_acid = shaken_alcohol + shaken * a, shaken_sugar + shaken * s, shaken_acid + shaken * c
        all_alcohol, all_sugar, all_acid = all_alcohol + v * a, all_sugar + v * s, all_acid + v * c
    shaken_ml = (pours.volumes * pours.in_tin).sum()
    tin = Tin(shaken_ml, *np.array([shaken_alcohol / 100, shaken_sugar / 100, shaken_acid / 100]))
    water, slopes = water_and_slopes(tin, drink.method, conditions)
    volume = float(pours.volumes.sum() + water)
    per_ml = 1.0 / volume if volume > 0 else 0.0
    abv, sugar, acid = (amount / volume if volume > 0 else 0.0 for amount in (all_alcohol, all_sugar, all_acid))
    # The curves know only strength: slopes by sugar and acid are of the heat balance.
    by_ml, by_alcohol, by_sugar, by_acid = (0.0 if slope is None else float(slope) for slope in slopes)
    by_heat = slopes[2] is not None

    thin_a, thin_s, thin_c = -abv, -sugar, -acid
    shared_v = shared_a = shared_s = shared_c = 0.0
    own: list[float] = []
    contents: list[float] = []
    measures = pours.by_jigger[:, 0].tolist(), pours.own_sd[:, 0].tolist()
    for pour, v, t, (a, s, c), by_jigger, own_sd in zip(drink.pours, volumes, in_tin, axes, *measures, strict=True):
        shares, owns = pour_sds_ml(v, by_jigger, own_sd)
        # A pour brings its own volume, and changes the water by what it adds to the tin.
        grows = 1 + t * (by_ml + by_alcohol * a / 100 + by_sugar * s / 100 + by_acid * c / 100)
        by_a, by_s, by_c = (a - abv * grows) * per_ml, (s - sugar * grows) * per_ml, (c - acid * grows) * per_ml
        shared_v, shared_a = shared_v + grows * shares, shared_a + by_a * shares
        shared_s, shared_c = shared_s + by_s * shares, shared_c + by_c * shares
        own += (grows * owns, by_a * owns, by_s * owns, by_c * owns)

        # What it contains adds to its own figure, and by the water that it draws thins all of them.
        sd_a, sd_s, sd_c = pour.ingredient.composition.axes_sd
        own_share = v * per_ml
        wets = t * by_alcohol * v / 100
        thins = wets * per_ml
        contents += (wets * sd_a, (own_share + thin_a * thins) * sd_a, thin_s * thins * sd_a, thin_c * thins * sd_a)
        if by_heat:
            wets = t * by_sugar * v / 100
            thins = wets * per_ml
            contents += (wets * sd_s, thin_a * thins * sd_s, (own_share + thin_s * thins) * sd_s, thin_c * thins * sd_s)
            wets = t * by_acid * v / 100
            thins = wets * per_ml
            contents += (wets * sd_c, thin_a * thins * sd_c, thin_s * thins * sd_c, (own_share + thin_c * thins) * sd_c)
        else:
            contents += (0.0, 0.0, own_share * sd_s, 0.0, 0.0, 0.0, 0.0, own_share * sd_c)

    melted = float(water)
    thins = melted * per_ml
    melt_sd = float(dilution_relative_sd(tin.abv_fraction, drink.method, conditions))
    own_melt_sd = min(melt_sd, OWN_RELATIVE_SD)
    shared_melt_sd = math.sqrt(melt_sd * melt_sd - own_melt_sd * own_melt_sd)
    by_melt = melted, thin_a * thins, thin_s * thins, thin_c * thins
    ice = [by * sd for sd in (shared_melt_sd, own_melt_sd) for by in by_melt]
    moves = np.array([shared_v, shared_a, shared_s, shared_c, *own, *contents, *ice]).reshape(-1, 4)
    return OneDrink(np.array([volume, abv, sugar, acid]), water, moves)
