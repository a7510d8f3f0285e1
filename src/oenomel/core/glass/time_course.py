"""A drink over twenty minutes in its glass: on ice, with a dissolving sugar cube, with a float.

All estimates: the rates of heat and melting were not measured, so the curves show the kind of change and its size only roughly.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, Liquid, Served, mix, steps_between
from oenomel.core.dilution import Conditions
from oenomel.core.dilution.heat_balance import FUSION_J_PER_G, WATER_J_PER_G_K
from oenomel.core.larder import SUGAR_COLUMNS, WATER_G_PER_ML
from oenomel.core.larder.composition import ACID_COLUMNS
from oenomel.core.spec import Drink

Floats = NDArray[np.float64]

MINUTES: Final = 20
STEP_SECONDS: Final = 5
ROOM_W_PER_K: Final = 0.30
"""Minutes, time step, and heat that 150 ml in a glass take from the room, [W/K]; it grows with the surface (estimate)."""

CUBE_DISSOLVES_MINUTES: Final = 8.0
FLOAT_MIXES_MINUTES: Final = 6.0
SURFACE_RUNS_OFF_SECONDS: Final = 30.0
"""Time constants of a dissolving sugar cube, of a float that mixes, and of surface water that runs off (estimates)."""

LEAST_FLOAT_ML: Final = 5.0
"""Volume below which a float is drops on the foam and not a layer, [ml]."""


@dataclass(frozen=True, slots=True)
class ServingIce:
    """Ice in a glass: grams, share of water on its surface, and heat that it takes from the drink per kelvin, [W/K] (estimates)."""

    grams: float
    surface_water: float
    takes_w_per_k: float


_SERVING_ICE: Final = {
    "none": ServingIce(0.0, 0.0, 0.0),
    "cubes": ServingIce(120.0, 0.02, 3.0),
    "large": ServingIce(80.0, 0.01, 1.0),
    "crushed": ServingIce(150.0, 0.05, 8.0),
}


@dataclass(frozen=True, slots=True)
class Layers:
    """Strength, sweetness and acidity of the float or of the drink under it, shape (minutes + 1,)."""

    volume_ml: Floats
    abv: Floats
    sugar: Floats
    acid: Floats


@dataclass(frozen=True, slots=True)
class Course:
    """A drink from minute 0 to 20; arrays of shape (21,).

    Volume in ml, temperature in °C, strength in % v/v, sugar (dissolved) and acid in g per 100 ml; ``undissolved_g`` is what is left of
    a sugar cube. ``top`` and ``below`` only where there is a float; the other values are then those of the stirred drink.
    ``leaves_home`` is the first minute outside its family's typical range; None where there is none.
    """

    volume_ml: Floats
    temperature_c: Floats
    abv: Floats
    sugar: Floats
    acid: Floats
    undissolved_g: Floats
    top: Layers | None
    below: Layers | None
    leaves_home: int | None = None

    @property
    def steps(self) -> dict[str, Floats]:
        """Noticeable steps of each axis from the first sip, shape (21,) each."""
        return {name: steps_between(getattr(self, name), getattr(self, name)[0], axis) for name, axis in AXES.items()}


def ice_in_glass(ice: str) -> ServingIce:
    """Return the properties of a kind of ice in the glass."""
    return _SERVING_ICE[ice]


def course_of(drink: Drink, served: Served, served_c: float, ice: ServingIce, conditions: Conditions) -> Course:
    """Compute twenty minutes of a drink on its serving ice, from its temperature as served; alcohol, sugar and acid stay the same
    except for a sugar cube.
    """
    melted, temperature = _melting(served.glass, served_c, ice, conditions)
    glass = served.glass
    volume = float(glass.volume_ml) + melted / WATER_G_PER_ML
    minutes = np.arange(MINUTES + 1)
    cube_g = math.fsum(p.volume_ml * p.ingredient.composition.sugar / 100 for p in drink.pours if p.dissolves_later)
    undissolved = cube_g * np.exp(-minutes / CUBE_DISSOLVES_MINUTES)
    alcohol, sugar, acid = _axes(glass)
    dissolved = cube_g - undissolved
    top, below = _layers(drink, glass, volume, dissolved)
    return Course(
        volume, temperature, 100 * alcohol / volume, 100 * (sugar + dissolved) / volume, 100 * acid / volume, undissolved, top, below
    )


def _melting(glass: Liquid, served_c: float, ice: ServingIce, conditions: Conditions) -> tuple[Floats, Floats]:
    """Compute the water from the ice in g, and the temperature, at each minute.

    The drink takes heat from the room and gives it to the ice as far as it is warmer than its freezing point; the ice's surface
    shrinks as it goes.
    """
    tin = glass.tin
    wet = ice.surface_water * ice.grams
    solid = ice.grams - wet
    # Freezing points over what can melt, once; the steps below read them off.
    amounts = np.linspace(0, ice.grams, 101)
    freezing = tin.freezing_c(amounts).tolist() if ice.grams else [-math.inf]
    capacity = float(tin.heat_capacity_j_per_k)
    room = ROOM_W_PER_K * (float(glass.volume_ml) / 150) ** (2 / 3)
    temperature, melted = served_c, 0.0
    water, temperatures = [0.0], [temperature]
    for step in range(MINUTES * 60 // STEP_SECONDS):
        ran_off = wet * -math.expm1(-(step + 1) * STEP_SECONDS / SURFACE_RUNS_OFF_SECONDS)
        added = melted + ran_off
        given = 0.0
        if solid > melted:
            warmer = temperature - freezing[min(100, round(100 * added / ice.grams))]
            surface = (1 - melted / solid) ** (2 / 3)
            given = ice.takes_w_per_k * surface * max(0.0, warmer) * STEP_SECONDS
            # What comes of it at most is what is left.
            given = min(given, (solid - melted) * FUSION_J_PER_G)
        from_room = room * (conditions.room_c - temperature) * STEP_SECONDS
        new_water = given / FUSION_J_PER_G
        heat = capacity + (added + new_water) * WATER_J_PER_G_K
        temperature += (from_room - given - new_water * WATER_J_PER_G_K * temperature) / heat
        melted += new_water
        if (step + 1) * STEP_SECONDS % 60 == 0:
            water.append(melted + ran_off)
            temperatures.append(temperature)
    return np.array(water), np.array(temperatures)


def _layers(drink: Drink, glass: Liquid, volume: Floats, dissolved: Floats) -> tuple[Layers | None, Layers | None]:
    """Compute the float and the drink under it: both approach the mixture, and together they keep the drink's contents."""
    floated = [pour for pour in drink.pours if pour.stage == "floated" and pour.liquid_ml > 0]
    on_top = mix([pour.liquid_ml for pour in floated], [pour.ingredient.composition.vector for pour in floated]) if floated else None
    if on_top is None or on_top.volume_ml < LEAST_FLOAT_ML or on_top.volume_ml >= glass.volume_ml:
        return None, None
    top_ml = float(on_top.volume_ml)
    apart = np.exp(-np.arange(MINUTES + 1) / FLOAT_MIXES_MINUTES)
    top, below = [], []
    alcohol, sugar, acid = _axes(glass)
    whole = np.stack(np.broadcast_arrays(alcohol, sugar + dissolved, acid))
    for of_float, of_all in zip(_axes(on_top), whole, strict=True):
        mixed = 100 * of_all / volume
        above = mixed + (100 * of_float / top_ml - mixed) * apart
        top.append(above)
        below.append((mixed * volume - above * top_ml) / (volume - top_ml))
    return Layers(np.full_like(volume, top_ml), *top), Layers(volume - top_ml, *below)


def _axes(liquid: Liquid) -> tuple[float, float, float]:
    """Return alcohol in ml, sugar and acid in g."""
    contents = liquid.contents
    return float(contents[0]), float(contents[SUGAR_COLUMNS].sum()), float(contents[ACID_COLUMNS].sum())
