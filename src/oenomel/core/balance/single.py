"""Figures of one drink and what moves them, in plain numbers: the sums of `levels_and_slopes` and of a doubt's moves.

For a dozen pours the cost of each NumPy call would be most of the time; many drinks stay in arrays. The laws hold the two against each
other (tests/core/balance/test_figures.py).
"""

from __future__ import annotations

import math
from array import array
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance.levels import amounts_of
from oenomel.core.balance.pour_table import PourTable, pour_sds_ml
from oenomel.core.ice import OWN_RELATIVE_SD, Conditions, Tin, dilution_relative_sd, water_and_slopes
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
    """The figures of one drink and how far each unknown moves them; ``pours`` is its table."""
    in_tins, amounts = amounts_of(pours.volumes, pours.axes, pours.in_tin)
    tin = Tin(in_tins.volume_ml[0], in_tins.alcohol_ml[0], in_tins.sugar_g[0], in_tins.acid_g[0])
    water, slopes = water_and_slopes(tin, drink.method, conditions)
    volume = float(pours.volumes.sum() + water)
    per_ml = 1.0 / volume if volume > 0 else 0.0
    abv, sugar, acid = (amount / volume if volume > 0 else 0.0 for amount in amounts[:, 0].tolist())
    # The curves know only strength: slopes by sugar and acid are of the heat balance.
    by_ml, by_alcohol, by_sugar, by_acid = (0.0 if slope is None else float(slope) for slope in slopes)
    by_heat = slopes[2] is not None

    shared, own, contents = (0.0, 0.0, 0.0, 0.0), array("d"), array("d")
    for pour in drink.pours:
        v, t, (shares, owns) = pour.liquid_ml, float(pour.meets_ice), pour_sds_ml(pour)
        a, s, c = pour.ingredient.composition.axes
        # A pour brings its own volume, and changes the water by what it adds to the tin.
        grows = 1 + t * (by_ml + by_alcohol * a / 100 + by_sugar * s / 100 + by_acid * c / 100)
        by_a, by_s, by_c = (a - abv * grows) * per_ml, (s - sugar * grows) * per_ml, (c - acid * grows) * per_ml
        shared = (shared[0] + grows * shares, shared[1] + by_a * shares, shared[2] + by_s * shares, shared[3] + by_c * shares)
        own.extend((grows * owns, by_a * owns, by_s * owns, by_c * owns))

        sd_a, sd_s, sd_c = pour.ingredient.composition.axes_sd
        own_share = v * per_ml
        wets = t * by_alcohol * v / 100
        thins = wets * per_ml
        contents.extend((wets * sd_a, (own_share - abv * thins) * sd_a, -sugar * thins * sd_a, -acid * thins * sd_a))
        if by_heat:
            wets = t * by_sugar * v / 100
            thins = wets * per_ml
            contents.extend((wets * sd_s, -abv * thins * sd_s, (own_share - sugar * thins) * sd_s, -acid * thins * sd_s))
            wets = t * by_acid * v / 100
            thins = wets * per_ml
            contents.extend((wets * sd_c, -abv * thins * sd_c, -sugar * thins * sd_c, (own_share - acid * thins) * sd_c))
        else:
            contents.extend((0.0, 0.0, own_share * sd_s, 0.0, 0.0, 0.0, 0.0, own_share * sd_c))

    melted = float(water)
    thins = melted * per_ml
    melt_sd = float(dilution_relative_sd(tin.abv_fraction, drink.method, conditions))
    own_melt_sd = min(melt_sd, OWN_RELATIVE_SD)
    ice = array(
        "d",
        (
            by * sd
            for sd in (math.sqrt(melt_sd * melt_sd - own_melt_sd * own_melt_sd), own_melt_sd)
            for by in (melted, -abv * thins, -sugar * thins, -acid * thins)
        ),
    )
    return OneDrink(np.array([volume, abv, sugar, acid]), water, np.frombuffer(array("d", shared) + own + contents + ice).reshape(-1, 4))
