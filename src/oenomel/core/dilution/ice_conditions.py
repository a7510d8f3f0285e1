"""Assumptions about ice, tin and temperatures, and the dilution that this bar measured (docs/model/dilution.md)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Final, Literal, get_args

import numpy as np

from oenomel.core.spec import Method, Technique
from oenomel.errors import OutOfRange

DilutionSchool = Literal["curve", "heat balance"]
SCHOOLS_OF_DILUTION: Final[tuple[DilutionSchool, ...]] = get_args(DilutionSchool)

PRIOR_SD: Final = 0.12
"""Relative standard deviation of a bar's dilution before any reading (docs/model/dilution.md)."""

SCATTER_SD: Final = 0.09
SCATTER_WEIGHT: Final = 6
"""Standard deviation of one reading before the bar has several, and the number of readings that this assumption counts for."""

_LIMITS: Final = {
    "ice_g": (0.0, 5000.0), "ice_c": (-40.0, 0.0), "surface_water": (0.0, 0.3), "tin_g": (0.0, 3000.0), "start_c": (-20.0, 60.0),
    "topping_c": (-2.0, 60.0), "room_c": (0.0, 50.0),
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class IceKind:
    """One kind of ice: grams that a tin takes, share of water on its surface, and share of what is left that takes the drink's cold."""

    grams: float
    surface_water: float
    follows: float


_ICE_KINDS: Final = {
    # Cubes: docs/model/dilution.md. Large: three cubes of 45 g. Their surface and how deep they cool are estimates.
    "cubes": IceKind(300.0, 0.02, 0.3),
    "large": IceKind(135.0, 0.01, 0.15),
    "crushed": IceKind(300.0, 0.05, 0.8),
}


def ice_kind(ice: str) -> IceKind:
    """Return the default properties of a kind of ice."""
    return _ICE_KINDS[ice]


@dataclass(frozen=True, slots=True)
class HouseFactor:
    """Dilution of this bar relative to the forecast, by its own readings: a factor, its relative standard deviation, and the number of
    readings.
    """

    factor: float
    relative_sd: float
    measurements: int


def house_factor(measured_over_forecast: Sequence[float]) -> HouseFactor:
    """Compute the bar's dilution factor from its readings; each is water measured by water predicted.

    Normal prior and likelihood: f̂ = 1 + n/(n + s²/τ²)·(x̄ − 1), τ = 0.12, s² = (6·0.09² + Σ(x − x̄)²)/(n + 5), sd = s/√(n + s²/τ²).

    Raises
    ------
    OutOfRange
        There is no measurement, or one is not between 0.2 and 3.

    >>> round(house_factor([0.9, 0.92, 0.88]).factor, 3)
    0.913
    """
    n = len(measured_over_forecast)
    if n == 0:
        raise OutOfRange("the number of readings", 0, 1, math.inf)
    for ratio in measured_over_forecast:
        if not 0.2 <= ratio <= 3:
            raise OutOfRange("measured by predicted water", ratio, 0.2, 3)
    x = np.array(measured_over_forecast, dtype=np.float64)
    mean = float(x.mean())
    variance = (SCATTER_WEIGHT * SCATTER_SD**2 + float(((x - mean) ** 2).sum())) / (n + 5)
    weight = n + variance / PRIOR_SD**2
    return HouseFactor(1 + n / weight * (mean - 1), math.sqrt(variance / weight), n)


@dataclass(frozen=True)
class Conditions:
    """Assumptions of a forecast about ice and temperatures.

    Parameters
    ----------
    dilution : str                     school of dilution: "curve" or "heat balance"
    ice_g, surface_water : float or None   ice in the tin and the share of it that is water on its surface; None: by its kind
    ice_c : float, [°C]                0 is wet ice, −18 from the freezer
    tin_g, tin_follows : float         metal of the tin, and the share of it that follows the drink in the time
    start_c, topping_c, room_c : float, [°C]   of what goes in the tin, of what waits in the fridge, of the room
    factors : mapping of technique to HouseFactor   the bar's own measurements

    Raises
    ------
    OutOfRange
    """

    dilution: DilutionSchool = "curve"
    ice_g: float | None = None
    ice_c: float = 0.0
    surface_water: float | None = None
    tin_g: float = 250.0
    tin_follows: float = 0.4
    start_c: float = 22.0
    topping_c: float = 5.0
    room_c: float = 22.0
    factors: Mapping[Technique, HouseFactor] = field(default_factory=dict)

    def __post_init__(self) -> None:
        for name, (low, high) in _LIMITS.items():
            value = getattr(self, name)
            if value is not None and not low <= value <= high:
                raise OutOfRange(name, value, low, high)

    def ice_in_the_tin(self, method: Method) -> IceKind:
        """Return grams and surface water of the ice, and the share that takes the drink's cold, by the drink's ice or today's."""
        usual, counted = ice_kind(method.ice), method.counted_ice_g
        today = usual.grams if self.ice_g is None else self.ice_g
        return IceKind(
            today if counted is None else counted,
            usual.surface_water if self.surface_water is None else self.surface_water,
            usual.follows,
        )
