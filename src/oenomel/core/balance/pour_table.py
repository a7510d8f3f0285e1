"""A drink's pours as one table of numbers: every sum of the core starts from here."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.larder import PROPERTIES
from oenomel.core.spec import Drink, Pour

Floats = NDArray[np.float64]

JIGGER_SD: Final = 0.03
JIGGER_SHARED_SD: Final = 0.02
JIGGER_LEAST_ML: Final = 0.5
DASH_SD: Final = 0.25
BY_EYE_SD: Final = 0.20
BY_EYE_UNITS: Final = frozenset({"splash", "piece", "leaf"})
"""How far a pour may be off, as a share of it: by jigger (and at least so many ml; a part is shared by all pours of it), by the dash,
by eye (model.md §6)."""

_WIDTH: Final = len(PROPERTIES)


@dataclass(frozen=True, slots=True)
class PourTable:
    """Pours of a drink, or of many drinks of the same parts.

    Parameters
    ----------
    volumes : ndarray, shape (pours, drinks), [ml]
    contents : ndarray, shape (pours, properties)    per 100 ml, in the order of `PROPERTIES`
    axes : ndarray, shape (pours, 3, 1)              strength in % v/v, sugar and acid in g per 100 ml
    spread : ndarray, shape (pours, 3, 1)            their relative standard deviations
    in_tin, on_top : ndarray, shape (pours, 1)       1 where a pour meets the ice, is topped or floated; else 0
    by_jigger : ndarray, shape (pours, 1)            1 where a pour goes by the jigger; else 0
    own_sd : ndarray, shape (pours, 1)               relative standard deviation of any other measure
    """

    volumes: Floats
    contents: Floats
    axes: Floats
    spread: Floats
    in_tin: Floats
    on_top: Floats
    by_jigger: Floats
    own_sd: Floats

    def sds_ml(self) -> tuple[Floats, Floats]:
        """Standard deviations of the pours, shape (pours, drinks) each: what all pours of a jigger share, and each one's own, [ml]."""
        shared = self.by_jigger * JIGGER_SHARED_SD * self.volumes
        whole = self.by_jigger * np.maximum(JIGGER_SD * self.volumes, JIGGER_LEAST_ML * (self.volumes > 0))
        return shared, np.sqrt(whole**2 - shared**2) + self.own_sd * self.volumes


def poured(drink: Drink, volumes: Floats | None = None) -> PourTable:
    """The table of a drink's pours; with other volumes, shape (pours, drinks), of many drinks of its parts."""
    table = np.array([_row(pour) for pour in drink.pours])
    own = table[:, _WIDTH + 6 :, None]
    return PourTable(
        own[:, 0] if volumes is None else volumes,
        table[:, :_WIDTH],
        table[:, _WIDTH : _WIDTH + 3, None],
        table[:, _WIDTH + 3 : _WIDTH + 6, None],
        own[:, 1],
        own[:, 2],
        own[:, 3],
        own[:, 4],
    )


def _row(pour: Pour) -> tuple[float, ...]:
    if pour.unit in ("dash", "drop"):
        measure = (0.0, DASH_SD)
    elif pour.unit in BY_EYE_UNITS or pour.stage == "rinse":
        measure = (0.0, BY_EYE_SD)
    else:
        measure = (1.0, 0.0)
    stage = (float(pour.stage == "mixed"), float(pour.stage in ("topped", "floated")))
    return (*pour.ingredient.composition.row, pour.liquid_ml, *stage, *measure)
