"""Sugar dissolved in water: how much room a gram takes up, from the table of sucrose solutions."""

from __future__ import annotations

import csv
from functools import cache
from importlib import resources

import numpy as np
from numpy.typing import NDArray

__all__ = ["WATER_G_PER_ML", "dissolved_ml_per_g"]

WATER_G_PER_ML = 0.99820
"""Density of water at 20 °C."""


def dissolved_ml_per_g(sugar_g_per_100ml: float) -> float:
    """Volume that a gram of sugar takes up in a solution that holds so much of it, [ml/g].

    Linear between the rows of the table, and level beyond its ends; so densities lie within 0.1 % of it.
    Source: NIST Circular 440, Table 114.

    >>> round(dissolved_ml_per_g(61.48), 4)
    0.6248
    """
    concentration, room = _table()
    return float(np.interp(sugar_g_per_100ml, concentration, room))


@cache
def _table() -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """Grams per 100 ml, and the room a gram takes up there, shape (rows,) each."""
    text = (resources.files("oenomel.core") / "data" / "sucrose_solutions.csv").read_text(encoding="utf-8")
    rows = [(float(row["brix"]), float(row["density_g_per_ml"])) for row in csv.DictReader(text.splitlines())]
    brix, density = np.array([row for row in rows if row[0] > 0]).T
    grams = brix * density
    water_ml = (100 - brix) * density / WATER_G_PER_ML
    return grams, (100 - water_ml) / grams
