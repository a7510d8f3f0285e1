"""A drink's pours as one table of numbers, from which all sums of the core start."""

from __future__ import annotations

import math
from array import array
from dataclasses import dataclass
from functools import cache
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.larder.composition import PROPERTIES
from oenomel.core.spec import Drink, Stage, Unit

Floats = NDArray[np.float64]

JIGGER_SD: Final = 0.03
JIGGER_SHARED_SD: Final = 0.02
JIGGER_LEAST_ML: Final = 0.5
DASH_SD: Final = 0.25
BY_EYE_SD: Final = 0.20
BY_EYE_UNITS: Final = frozenset({"splash", "piece", "leaf"})
"""Standard deviations of a pour, as a share of it: by jigger (with a least error in ml; a part is shared by all its pours), by the dash,
by eye (docs/model/balance.md, "Uncertainty").
"""

_WIDTH: Final = len(PROPERTIES)
_STAGES: Final = {"mixed": (1.0, 0.0, 0.0), "topped": (0.0, 1.0, 0.0), "floated": (0.0, 1.0, 0.0)}
_WAITS: Final = (0.0, 0.0, 1.0)


@dataclass(frozen=True, slots=True)
class PourTable:
    """Pours of one drink, or of many drinks with the same ingredients.

    Parameters
    ----------
    volumes : ndarray, shape (pours, drinks), [ml]
    contents : ndarray, shape (pours, properties)    per 100 ml, in the order of `PROPERTIES`
    axes : ndarray, shape (pours, 3, 1)              strength in % v/v, sugar and acid in g per 100 ml
    spread : ndarray, shape (pours, 3, 1)            their relative standard deviations
    stages : ndarray, shape (pours, 3)               1 where a pour meets the ice, is topped or floated, waits in the glass; else 0
    by_jigger : ndarray, shape (pours, 1)            1 where a pour goes by the jigger; else 0
    own_sd : ndarray, shape (pours, 1)               relative standard deviation of any other measure
    """

    volumes: Floats
    contents: Floats
    axes: Floats
    spread: Floats
    stages: Floats
    by_jigger: Floats
    own_sd: Floats

    @property
    def in_tin(self) -> Floats:
        """1 where a pour meets the ice, else 0, shape (pours, 1)."""
        return self.stages[:, :1]

    def sds_ml(self) -> tuple[Floats, Floats]:
        """Return the standard deviations of the pours, shape (pours, drinks) each, [ml]: the error that all pours of a jigger share,
        and each one's own.
        """
        shared = self.by_jigger * JIGGER_SHARED_SD * self.volumes
        whole = self.by_jigger * np.maximum(JIGGER_SD * self.volumes, JIGGER_LEAST_ML * (self.volumes > 0))
        return shared, np.sqrt(whole**2 - shared**2) + self.own_sd * self.volumes


def poured(drink: Drink, volumes: Floats | None = None) -> PourTable:
    """Build the table of a drink's pours; given other volumes, shape (pours, drinks), of many drinks with the same ingredients."""
    flat = array("d")
    for pour in drink.pours:
        flat.extend(pour.ingredient.composition.row)
        flat.append(pour.liquid_ml)
        flat.extend(_treated(pour.stage, pour.unit, pour.by_eye))
    table = np.frombuffer(flat).reshape(len(drink.pours), -1)
    own = table[:, _WIDTH + 6 :]
    return PourTable(
        own[:, :1] if volumes is None else volumes,
        table[:, :_WIDTH],
        table[:, _WIDTH : _WIDTH + 3, None],
        table[:, _WIDTH + 3 : _WIDTH + 6, None],
        own[:, 1:4],
        own[:, 4:5],
        own[:, 5:],
    )


def pour_sds_ml(volume_ml: float, by_jigger: float, own_sd: float) -> tuple[float, float]:
    """Return the standard deviations of one pour: the error that a jigger's pours share, and its own, [ml]."""
    if not by_jigger:
        return 0.0, own_sd * volume_ml
    shared, whole = JIGGER_SHARED_SD * volume_ml, max(JIGGER_SD * volume_ml, JIGGER_LEAST_ML) if volume_ml > 0 else 0.0
    return shared, math.sqrt(whole * whole - shared * shared)


@cache
def _treated(stage: Stage, unit: Unit, by_eye: bool) -> array[float]:
    """Return how a pour is treated, as columns of the table: `stages`, `by_jigger`, `own_sd`."""
    if unit in ("dash", "drop"):
        measure = (0.0, DASH_SD)
    elif by_eye or unit in BY_EYE_UNITS or stage == "rinse":
        measure = (0.0, BY_EYE_SD)
    else:
        measure = (1.0, 0.0)
    return array("d", (*_STAGES.get(stage, _WAITS), *measure))
