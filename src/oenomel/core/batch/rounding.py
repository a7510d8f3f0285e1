"""Amounts of a batch, rounded to what can be measured."""

from __future__ import annotations

from typing import Final

from oenomel.core.larder import SOLIDS_ML_PER_G
from oenomel.core.spec import Pour
from oenomel.errors import OutOfRange

FINEST_GRID_ML: Final = 1.0
COARSEST_GRID_ML: Final = 100.0
SMALL_ML: Final = 1.0
DROPS_ML: Final = 0.1
DROPS_BELOW_ML: Final = 5.0
"""Limits of the grid, the steps of a measuring spoon and of drops, [ml], and the volume below which drops are counted: small amounts
would vanish on the grid.
"""


def checked_grid(grid_ml: float) -> float:
    """Return the grid unchanged; raises OutOfRange where it isn't one."""
    if not FINEST_GRID_ML <= grid_ml <= COARSEST_GRID_ML:
        raise OutOfRange("the grid in ml", grid_ml, FINEST_GRID_ML, COARSEST_GRID_ML)
    return grid_ml


def measured_ml(ml: float, grid_ml: float) -> float:
    """Round a volume to the grid; below twice the grid to the millilitre, below five to the tenth.

    >>> measured_ml(157.5, 5), measured_ml(6.4, 5), measured_ml(0.6, 5)
    (160.0, 6.0, 0.6)
    """
    step = grid_ml if ml >= 2 * grid_ml else min(grid_ml, SMALL_ML if ml >= DROPS_BELOW_ML else DROPS_ML)
    # Halves are rounded up, so that a batch is the same every time.
    return round(float(int(ml / step + 0.5 + 1e-9) * step), 6)


def measured(pour: Pour, grid_ml: float) -> float:
    """Round a pour of a batch, [ml]: dashes and drops never to the grid, dry ingredients to the gram."""
    if pour.ingredient.composition.solid:
        return measured_ml(pour.volume_ml / SOLIDS_ML_PER_G, grid_ml) * SOLIDS_ML_PER_G
    return measured_ml(pour.volume_ml, min(grid_ml, SMALL_ML) if pour.unit in ("dash", "drop") else grid_ml)
