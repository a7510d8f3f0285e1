"""Physical properties of sugar and alcohol in water: density, freezing point and heat capacity, from handbook tables."""

from __future__ import annotations

import csv
from functools import cache
from importlib import resources
from typing import Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

Floats = NDArray[np.float64]

WATER_G_PER_ML: Final = 0.99820
"""Density of water at 20 °C."""

ETHANOL_G_PER_ML: Final = 0.78924
"""Density of ethanol at 20 °C. Source: OIML R 22, 789.24 kg/m³ (from memory)."""

SOLIDS_ML_PER_G: Final = 0.62
"""Volume of a gram of dissolved sugar, [ml/g]: a round figure for drinks."""

BRIX_PER_ABV: Final = 0.36
"""Refractometer reading for each % of alcohol, [°Bx]. From memory of the refractive indices of alcohol and water (about 4.4 °Bx at 10 %
by weight); good enough to warn of a misleading reading, not to correct it.
"""

FREEZING_K_PER_MOLAL: Final = 1.86
"""Freezing point depression of water, [K kg/mol] (handbook value, from memory)."""

SUGAR_G_PER_MOL: Final = 342.3
ACID_G_PER_MOL: Final = 192.1
"""Molar masses of sucrose and citric acid, used for all sugar and all acid, [g/mol]."""

SOLIDS_J_PER_G_K: Final = 1.82
"""Specific heat of dissolved sugar or acid, [J/(g K)], from sugar solutions of 10 to 50 % (handbook value, from memory)."""


def dissolved_ml_per_g(sugar_g_per_100ml: float) -> float:
    """Return the volume that a gram of sugar takes up in a solution of a given sugar content, [ml/g].

    Linear between the rows of the table, and level beyond its ends; so densities lie within 0.1 % of it.
    Source: NIST Circular 440, Table 114.

    >>> round(dissolved_ml_per_g(61.48), 4)
    0.6248
    """
    concentration, room = _sucrose()
    return float(np.interp(sugar_g_per_100ml, concentration, room))


def salt_ml_per_g(salt_g_per_100ml: float) -> float:
    """Return the volume that a gram of salt takes up in brine of a given salt content, [ml/g]; linear between rows, constant beyond.

    Source: CRC Handbook, concentrative properties of sodium chloride (from memory).

    >>> round(salt_ml_per_g(22.96), 3)
    0.349
    """
    concentration, room = _salt_volume()
    return float(np.interp(salt_g_per_100ml, concentration, room))


def sucrose_density(brix: float) -> float:
    """Density of a sugar solution at 20 °C, [g/ml], by °Bx; within 0.1 % of the handbook's table.

    Source: NIST Circular 440, Table 114.

    >>> round(sucrose_density(50), 4)
    1.2295
    """
    strength, density = _table("sucrose_solutions.csv", "brix", "density_g_per_ml")
    # The volume of a gram of sugar varies slowly, so it is interpolated instead of the density.
    room = np.interp(brix, strength[1:], (100 - (100 - strength[1:]) * density[1:] / WATER_G_PER_ML) / (strength[1:] * density[1:]))
    return float(100 / ((100 - brix) / WATER_G_PER_ML + brix * room))


def brix_of_density(density_g_per_ml: float) -> float:
    """Return the °Bx of a sugar solution by its density, [% by weight]; 0 at the density of water.

    >>> round(brix_of_density(1.2295), 1)
    50.0
    """
    strengths = np.linspace(0.0, 90.0, 1801)
    return float(np.interp(density_g_per_ml, [sucrose_density(strength) for strength in strengths], strengths))


def aqueous_ethanol_density(abv: ArrayLike) -> Floats:
    """Density of alcohol and water at 20 °C, [g/ml], by strength in % v/v; linear between rows.

    >>> round(float(aqueous_ethanol_density(40)), 5)
    0.94805
    """
    strength, density = _table("ethanol_density.csv", "abv", "density_g_per_ml")
    return np.interp(np.asarray(abv, dtype=np.float64), strength, density)


def water_g(volume_ml: ArrayLike, alcohol_ml: ArrayLike, solids_g: ArrayLike) -> Floats:
    """Return the water in a liquid, [g], shape as broadcast; the contraction of alcohol and water is counted.

    Parameters
    ----------
    volume_ml, alcohol_ml : array_like    of the whole liquid, and of the alcohol in it
    solids_g : array_like                 dissolved sugar and acid
    """
    phase_ml = np.asarray(volume_ml) - SOLIDS_ML_PER_G * np.asarray(solids_g)
    alcohol = np.asarray(alcohol_ml, dtype=np.float64)
    abv = np.clip(np.divide(100 * alcohol, phase_ml, out=np.zeros_like(phase_ml), where=phase_ml > 0), 0, 100)
    grams: Floats = np.maximum(phase_ml * aqueous_ethanol_density(abv) - ETHANOL_G_PER_ML * alcohol, 0.0)
    return grams


def freezing_point_c(water: ArrayLike, alcohol_g: ArrayLike, sugar_g: ArrayLike, acid_g: ArrayLike) -> Floats:
    """Compute the temperature at which a liquid begins to freeze, [°C], shape as broadcast, from grams of each component.

    Alcohol by the table, and 1.86 K per mole of sugar and acid in a kilogram of alcohol and water below that.
    Source: CRC Handbook, concentrative properties of ethanol (from memory).

    >>> round(float(freezing_point_c(90, 10, 0, 0)), 2)
    -4.47
    """
    by_weight, freezing = _table("ethanol_freezing.csv", "ethanol_percent_by_weight", "freezing_c")
    alcohol = np.asarray(alcohol_g, dtype=np.float64)
    solvent_g = np.maximum(np.asarray(water) + alcohol, 1e-9)
    moles = np.asarray(sugar_g) / SUGAR_G_PER_MOL + np.asarray(acid_g) / ACID_G_PER_MOL
    point: Floats = np.interp(100 * alcohol / solvent_g, by_weight, freezing) - FREEZING_K_PER_MOLAL * 1000 * moles / solvent_g
    return point


def heat_capacity_j_per_k(water: ArrayLike, alcohol_g: ArrayLike, solids_g: ArrayLike) -> Floats:
    """Compute the heat capacity of a liquid, [J/K], shape as broadcast, from grams of each component.

    Source: aqueous ethanol between 3 and 23 °C, handbook of chemical engineering (from memory).

    >>> round(float(heat_capacity_j_per_k(90, 10, 0)))
    435
    """
    by_weight, joule = _table("ethanol_heat_capacity.csv", "ethanol_percent_by_weight", "joule_per_g_k")
    alcohol = np.asarray(alcohol_g, dtype=np.float64)
    solvent_g = np.asarray(water) + alcohol
    share = np.divide(100 * alcohol, solvent_g, out=np.zeros_like(solvent_g), where=solvent_g > 0)
    capacity: Floats = solvent_g * np.interp(share, by_weight, joule) + SOLIDS_J_PER_G_K * np.asarray(solids_g)
    return capacity


@cache
def _sucrose() -> tuple[Floats, Floats]:
    """Return grams per 100 ml, and the volume that a gram takes up, shape (rows,) each."""
    brix, density = (column[1:] for column in _table("sucrose_solutions.csv", "brix", "density_g_per_ml"))
    grams = brix * density
    return grams, (100 - (100 - brix) * density / WATER_G_PER_ML) / grams


@cache
def _salt_volume() -> tuple[Floats, Floats]:
    """Return grams per 100 ml, and the volume that a gram of salt takes up, shape (rows,) each."""
    by_weight, density = _table("saline_solutions.csv", "salt_percent_by_weight", "density_g_per_ml")
    grams = by_weight * density
    return grams, (100 - (100 - by_weight) * density / WATER_G_PER_ML) / grams


@cache
def _table(name: str, of: str, figure: str) -> tuple[Floats, Floats]:
    """Return two columns of a data file, shape (rows,) each."""
    text = (resources.files("oenomel.core.larder") / "data" / name).read_text(encoding="utf-8")
    rows = list(csv.DictReader(text.splitlines()))
    return np.array([float(row[of]) for row in rows]), np.array([float(row[figure]) for row in rows])
