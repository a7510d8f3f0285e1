"""The four figures a drink is judged by, and their derivatives by every pour, content and the ice; many drinks at once.

Drinks are the inner axis of every array here: it is the order in which numpy is fastest, and a single drink is an axis of one.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance.pour_table import PourTable
from oenomel.core.dilution import Conditions, Tin, water_and_slopes, water_from_ice
from oenomel.core.spec import Method

Floats = NDArray[np.float64]

FIGURES: Final = ("volume_ml", "abv", "sugar", "acid")


@dataclass(frozen=True, slots=True)
class Levels:
    """Figures as served, shape (4, drinks) in the order of `FIGURES`; what was in the tin, and the water from the ice in ml."""

    figures: Floats
    tin: Tin
    water_ml: Floats


@dataclass(frozen=True, slots=True)
class Slopes:
    """Derivatives of the reported values.

    Parameters
    ----------
    by_volume : ndarray, shape (pours, 4, drinks)        per ml of a pour
    by_content : ndarray, shape (pours, 3, 4, drinks)    per % v/v, g sugar and g acid in 100 ml of a pour
    by_melt : ndarray, shape (4, drinks)                 per doubling of the water from the ice
    """

    by_volume: Floats
    by_content: Floats
    by_melt: Floats


def levels_of(volumes: Floats, axes: Floats, in_tin: Floats, method: Method, conditions: Conditions) -> Levels:
    """Figures as served.

    Parameters
    ----------
    volumes : ndarray, shape (pours, drinks), [ml]
    axes : ndarray, shape (pours, 3, drinks or 1)    % v/v, g sugar and g acid per 100 ml
    in_tin : ndarray, shape (pours, drinks or 1)     1 where a pour meets the ice, else 0
    """
    tin, amounts = _amounts_of(volumes, axes, in_tin)
    return _levels(volumes, tin, amounts, water_from_ice(tin, method, conditions))


def levels_and_slopes(pours: PourTable, method: Method, conditions: Conditions) -> tuple[Levels, Slopes]:
    """Compute the figures as served, and their derivatives by everything that made them."""
    volumes, axes, in_tin = pours.volumes, pours.axes, pours.in_tin
    tin, amounts = _amounts_of(volumes, axes, in_tin)
    water, (by_tin_volume, *by_tin_contents) = water_and_slopes(tin, method, conditions)
    at = _levels(volumes, tin, amounts, water)
    volume, rest = at.figures[0], at.figures[1:]
    per_ml = np.divide(1.0, volume, out=np.zeros_like(volume), where=volume > 0)

    # A pour brings its own volume, and changes the water by what it adds to the tin.
    more_water = by_tin_volume
    for content, slope in enumerate(by_tin_contents):
        if slope is not None:
            more_water = more_water + slope * axes[:, content] / 100
    grows = 1 + in_tin * more_water
    by_volume = np.empty((len(volumes), 4, volumes.shape[1]))
    by_volume[:, 0] = grows
    by_volume[:, 1:] = (axes - rest * grows[:, None]) * per_ml

    by_content = np.zeros((len(volumes), 3, 4, volumes.shape[1]))
    for content, slope in enumerate(by_tin_contents):
        if slope is not None:
            wets = in_tin * slope * volumes / 100
            by_content[:, content, 0] = wets
            by_content[:, content, 1:] = -rest * (wets * per_ml)[:, None]
        by_content[:, content, 1 + content] += volumes * per_ml

    by_melt = np.concatenate([water[None], -rest * (water * per_ml)])
    return at, Slopes(by_volume, by_content, by_melt)


def _amounts_of(volumes: Floats, axes: Floats, in_tin: Floats) -> tuple[Tin, Floats]:
    """Return what is in the tin; and a hundred times the alcohol in ml, the sugar and the acid in g of the whole drink, shape (3,
    drinks).
    """
    shaken = volumes * in_tin
    alcohol, sugar, acid = np.einsum("pn,pkn->kn", shaken, axes) / 100
    return Tin(shaken.sum(axis=0), alcohol, sugar, acid), np.einsum("pn,pkn->kn", volumes, axes)


def _levels(volumes: Floats, tin: Tin, amounts: Floats, water: Floats) -> Levels:
    figures = np.zeros((4, volumes.shape[1]))
    volume = volumes.sum(axis=0) + water
    figures[0] = volume
    np.divide(amounts, volume, out=figures[1:], where=volume > 0)
    return Levels(figures, tin, water)
