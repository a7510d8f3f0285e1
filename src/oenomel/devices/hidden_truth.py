"""Hidden truth of the simulated devices: the true lots and the true dilution, which no forecast knows."""

from __future__ import annotations

import math
import zlib
from dataclasses import replace

import numpy as np

from oenomel.core.dilution import Conditions, HouseFactor
from oenomel.core.forecast import forecast_of
from oenomel.core.larder import Composition, Ingredient
from oenomel.core.larder.solutions import BRIX_PER_ABV
from oenomel.core.spec import Drink
from oenomel.core.trials.readings import forecast_reading
from oenomel.devices.device import Sample

__all__ = ["sample_of_lot", "samples_of", "true_factor"]

LEAST_FACTOR, MOST_FACTOR = 0.8, 1.25
BUFFERED_PH = 3.2
PH_PER_TENFOLD_ACID = 0.9
JUICE_OTHER_SOLIDS = 0.8
"""Assumed pH of a juice: 2.5 of lime, 3.3 of orange; and dissolved matter besides sugar and acid, [g/100 ml]."""

MAKING_SD = 0.08
"""Relative standard deviation of the water between shakes in a kitchen that doesn't count seconds or cubes; with a careful scale about
the prior scatter of docs/model/dilution.md.
"""


def samples_of(drink: Drink, making: int, house: int = 1, conditions: Conditions | None = None) -> dict[str, Sample]:
    """Return the true drink at each point of its making (tin, strained, served); deterministic.

    Parameters
    ----------
    making : int    which making of it: the shake scatters from one to the next
    house : int     seed of the ice and the lots of one bar
    """
    factor = true_factor(house, drink.method.technique) * (1 + MAKING_SD * _random(house, f"making {making}").standard_normal())
    true = replace(drink, pours=tuple(replace(pour, ingredient=_true_lot(pour.ingredient, house)) for pour in drink.pours))
    factors = {drink.method.technique: HouseFactor(factor, 0.0, 1)}
    forecast = forecast_of(true, replace(conditions or Conditions(), factors=factors))

    def at(point: str) -> Sample:
        shown = {
            name: forecast_reading(name, point, forecast) or 0.0
            for name in ("volume_ml", "weight_g", "brix", "acid", "abv", "temperature_c")
        }
        return Sample(**shown)

    return {point: at(point) for point in ("tin", "strained", "served")}


def sample_of_lot(supposed: Ingredient, name: str, house: int = 1) -> Sample:
    """Return 100 ml of a lot's true liquid; deterministic."""
    true = _true_lot(supposed, house, f"{supposed.slug}, {name}").composition
    grams = 100 * true.density_g_per_ml
    solids = true.sugar + true.acid + (JUICE_OTHER_SOLIDS if supposed.kind == "juice" else 0.0)
    return Sample(
        volume_ml=100.0,
        weight_g=grams,
        brix=100 * solids / grams + BRIX_PER_ABV * true.abv,
        acid=true.acid_as_citric,
        abv=true.abv,
        temperature_c=20.0,
        ph=BUFFERED_PH - PH_PER_TENFOLD_ACID * math.log10(max(true.acid_as_citric, 0.01)),
        density=true.density_g_per_ml,
    )


def true_factor(house: int, technique: str) -> float:
    """Return the true dilution of a technique in a bar, as a factor on the curve, which its readings should find."""
    return float(_random(house, technique).uniform(LEAST_FACTOR, MOST_FACTOR))


def _true_lot(ingredient: Ingredient, house: int, name: str = "") -> Ingredient:
    """Return the true composition of today's lot: strength, sugar and acid each off by their spread."""
    composition, random = ingredient.composition, _random(house, name or ingredient.slug)
    abv, sugar, acid = (float(np.clip(1 + sd * random.standard_normal(), 0.7, 1.3)) for sd in composition.axes_relative_sd)
    lot = Composition(
        abv=min(composition.abv * abv, 96.0),
        sugars={kind: grams * sugar for kind, grams in composition.sugars.items()},
        acids={kind: grams * acid for kind, grams in composition.acids.items()},
        salt=composition.salt,
        protein=composition.protein,
        fat=composition.fat,
        gum=composition.gum,
        co2=composition.co2,
        solid=composition.solid,
    )
    return replace(ingredient, composition=lot)


def _random(house: int, name: str) -> np.random.Generator:
    return np.random.default_rng([house, zlib.crc32(name.encode())])
