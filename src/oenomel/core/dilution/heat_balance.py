"""The second school of dilution: ice melts until the drink is at its freezing point (docs/model/dilution.md).

It covers what the curve can't: few or large cubes, freezer-cold ice, fridge-cold spirit, a drink without alcohol.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.dilution.ice_conditions import Conditions, IceKind
from oenomel.core.larder import ETHANOL_G_PER_ML, WATER_G_PER_ML
from oenomel.core.larder.solutions import freezing_point_c, heat_capacity_j_per_k, water_g

Floats = NDArray[np.float64]

FUSION_J_PER_G: Final = 333.6
"""Latent heat of ice, [J/g]. Source: CRC Handbook (from memory)."""

ICE_J_PER_G_K: Final = 2.05
WATER_J_PER_G_K: Final = 4.2
"""Specific heats of ice and water, [J/(g K)]; round figures of the model."""

TIN_J_PER_G_K: Final = 0.50
"""Specific heat of stainless steel, [J/(g K)] (handbook value, from memory)."""

MOST_THAT_FREEZES: Final = 0.95
_HALVINGS: Final = 44
"""Largest share of a drink's water that can freeze onto the ice, and bisection steps: from 300 g to 2·10⁻¹¹ g."""


@dataclass(frozen=True)
class Tin:
    """Contents of the tin: volume and alcohol in ml, sugar and acid in g, each of shape (...)."""

    volume_ml: Floats
    alcohol_ml: Floats
    sugar_g: Floats
    acid_g: Floats

    @cached_property
    def abv_fraction(self) -> Floats:
        """Strength, [ml/ml]; 0 for an empty tin."""
        if np.ndim(self.volume_ml) == 0:
            return self.alcohol_ml / self.volume_ml if self.volume_ml > 0 else np.zeros(())
        return np.divide(self.alcohol_ml, self.volume_ml, out=np.zeros_like(self.volume_ml), where=self.volume_ml > 0)

    @property
    def solids_g(self) -> Floats:
        """Sugar and acid, [g]."""
        return self.sugar_g + self.acid_g

    @property
    def alcohol_g(self) -> Floats:
        """Mass of alcohol, [g]."""
        return ETHANOL_G_PER_ML * self.alcohol_ml

    @property
    def water_g(self) -> Floats:
        """Mass of water before any ice, [g]."""
        return water_g(self.volume_ml, self.alcohol_ml, self.solids_g)

    @property
    def heat_capacity_j_per_k(self) -> Floats:
        """Heat capacity, [J/K]."""
        return heat_capacity_j_per_k(self.water_g, self.alcohol_g, self.solids_g)

    def freezing_c(self, more_water_g: Floats | float = 0.0) -> Floats:
        """Return its freezing point with some water added, [°C]."""
        return freezing_point_c(self.water_g + more_water_g, self.alcohol_g, self.sugar_g, self.acid_g)


@dataclass(frozen=True, slots=True)
class Melt:
    """Result of a time on ice, shape (...): ice melted (negative where the drink freezes on to it) and surface water, both in g; water
    taken in ml; final temperature in °C.
    """

    melted_g: Floats
    surface_g: Floats
    water_ml: Floats
    temperature_c: Floats


def melt(tin: Tin, ice: IceKind, conditions: Conditions, reached: float = 1.0) -> Melt:
    """Compute the ice that a drink melts, to equilibrium or to the share ``reached`` of it.

    melt·[L + c(T − T_ice)] = (C_drink + C_tin)(T₀ − T) + surface·4.2·(0 − T) + φ·rest·c·(T_ice − T), T the freezing point of
    the diluted drink. Never more than there is; the drink is then warmer than its freezing point. An end above 0 °C warms the
    melted water too.
    """
    water, capacity = tin.water_g, tin.heat_capacity_j_per_k
    surface = np.where(tin.volume_ml > 0, ice.surface_water * ice.grams, 0.0)
    solid = np.where(tin.volume_ml > 0, (1 - ice.surface_water) * ice.grams, 0.0)
    metal = conditions.tin_g * conditions.tin_follows * TIN_J_PER_G_K
    # Nothing is poured below its freezing point.
    start = np.maximum(conditions.start_c, tin.freezing_c())

    def surplus(melted: Floats) -> Floats:
        """Return the heat taken by a melt at the freezing point, less the heat available, [J]; it grows with the melt."""
        at = freezing_point_c(water + surface + melted, tin.alcohol_g, tin.sugar_g, tin.acid_g)
        taken = melted * (FUSION_J_PER_G + ICE_J_PER_G_K * (at - conditions.ice_c))
        rest = ice.follows * (solid - melted) * ICE_J_PER_G_K * (conditions.ice_c - at)
        there: Floats = (capacity + metal) * (start - at) - surface * WATER_J_PER_G_K * at + rest
        return taken - there

    low, high = -MOST_THAT_FREEZES * water, solid.copy()
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        too_much = surplus(middle) > 0
        low, high = np.where(too_much, low, middle), np.where(too_much, middle, high)
    melted = reached * high
    return Melt(
        melted,
        surface,
        (melted + surface) / WATER_G_PER_ML,
        temperature_after(tin, melted, surface, solid - melted, ice.follows, conditions),
    )


def temperature_after(tin: Tin, melted_g: Floats, surface_g: Floats, rest_g: Floats, follows: float, conditions: Conditions) -> Floats:
    """Compute the temperature that a melt leaves, [°C], shape as the tin's; the start's for an empty tin."""
    start = np.maximum(conditions.start_c, tin.freezing_c())
    body = tin.heat_capacity_j_per_k + conditions.tin_g * conditions.tin_follows * TIN_J_PER_G_K
    cold_ice = (follows * rest_g + melted_g) * ICE_J_PER_G_K
    energy_left = body * start + cold_ice * conditions.ice_c - melted_g * FUSION_J_PER_G
    below_zero = body + surface_g * WATER_J_PER_G_K + cold_ice
    above_zero = body + (surface_g + melted_g) * WATER_J_PER_G_K
    after: Floats = np.where(tin.volume_ml > 0, energy_left / np.where(energy_left > 0, above_zero, below_zero), start)
    return after
