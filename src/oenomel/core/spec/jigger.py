"""Marks of a jigger: the amounts that rebalancing may choose (docs/model/rebalance.md)."""

from __future__ import annotations

import math
from functools import lru_cache
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.larder import SOLIDS_ML_PER_G, Ingredient
from oenomel.core.spec.drink import Pour
from oenomel.core.spec.units import ML_PER_UNIT

Floats = NDArray[np.float64]

GRID_ML: Final = 2.5
"""Step of a jigger with fine marks, [ml]; a quarter ounce is 7.5 ml."""

MORE_ML: Final = 30.0
"""Most ml that a free pour may grow, unless doubling it is more (docs/model/rebalance.md)."""

MOST_DASHES: Final = 12.0
"""Usual maximum of dashes; a jigger's bounds would allow 38."""


def grid_of(ingredient: Ingredient, unit: str, grid_ml: float) -> float:
    """Return the smallest step of an ingredient's amount, [ml]: a dash or drop, a piece, a gram where it is dry, else the jigger's mark."""
    if unit in ("dash", "drop"):
        return ML_PER_UNIT[unit]
    if ingredient.kind == "bitters":
        return ML_PER_UNIT["dash"]
    if ingredient.composition.solid:
        return SOLIDS_ML_PER_G
    if unit in ("piece", "leaf") and ingredient.piece_ml:
        return ingredient.piece_ml
    return grid_ml


def usual_bounds(pour: Pour, grid: float) -> tuple[float, float]:
    """Return the default range of a free pour, [ml]: 0 to twice its amount or 30 ml more; bitters to twelve dashes."""
    now = pour.liquid_ml
    by_the_dash = grid < 1 and not pour.ingredient.composition.solid
    return 0.0, max(2 * now, MOST_DASHES * grid if by_the_dash else now + MORE_ML)


@lru_cache(maxsize=1024)
def ladder(now: float, grid: float, low: float, high: float) -> tuple[Floats, int]:
    """Return the volumes that a pour can take, rising, [ml], and the index of the present one: multiples of the grid within bounds,
    and the present amount.

    >>> ladder(22.5, 7.5, 0, 30)[0].tolist()
    [0.0, 7.5, 15.0, 22.5, 30.0]
    >>> ladder(20, 7.5, 0, 30)[0].tolist()
    [0.0, 7.5, 15.0, 20.0, 22.5, 30.0]
    """
    first, last = math.ceil(low / grid - 1e-9), math.floor(high / grid + 1e-9)
    multiples = np.arange(first, last + 1) * grid
    values = np.append(multiples[np.abs(multiples - now) > 1e-9], now)
    values.sort()
    values.flags.writeable = False
    return values, int(np.searchsorted(values, now))
