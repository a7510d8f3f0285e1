"""Mixing pours into one liquid, and taking it over ice into the glass (docs/model/balance.md, "Mixing")."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.core.balance.pour_table import PourTable
from oenomel.core.dilution import Conditions, Tin
from oenomel.core.dilution.curves import tin_temperature_c
from oenomel.core.larder import SUGAR_COLUMNS
from oenomel.core.larder.composition import ACID_COLUMNS
from oenomel.core.spec import Method

Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Liquid:
    """One or many liquids.

    Parameters
    ----------
    volume_ml : ndarray, shape (...,)
    contents : ndarray, shape (..., properties)    alcohol in ml, the rest in g
    """

    volume_ml: Floats
    contents: Floats

    @property
    def concentrations(self) -> Floats:
        """Per 100 ml, shape (..., properties): % v/v for alcohol, g per 100 ml for the rest; 0 where there is no liquid."""
        volume = self.volume_ml[..., None]
        return np.divide(100 * self.contents, volume, out=np.zeros_like(self.contents), where=volume > 0)

    @property
    def tin(self) -> Tin:
        """The liquid as the contents of a tin."""
        contents = self.contents
        return Tin(self.volume_ml, contents[..., 0], contents[..., SUGAR_COLUMNS].sum(axis=-1), contents[..., ACID_COLUMNS].sum(axis=-1))

    def plus(self, other: Liquid) -> Liquid:
        """Return the mixture of two liquids."""
        return Liquid(self.volume_ml + other.volume_ml, self.contents + other.contents)

    def minus(self, part: Liquid) -> Liquid:
        """Return the liquid without a part of it."""
        return Liquid(np.maximum(self.volume_ml - part.volume_ml, 0.0), np.maximum(self.contents - part.contents, 0.0))

    def thinned(self, water_ml: Floats) -> Liquid:
        """Return the liquid with some water added, [ml]."""
        return Liquid(self.volume_ml + water_ml, self.contents)


@dataclass(frozen=True, slots=True)
class Served:
    """A drink at each point where it can be tasted: ``tin`` before the ice, ``strained`` after it, ``before_topping`` with what waited
    in the glass, ``glass`` at minute 0; and the water from the ice.
    """

    tin: Liquid
    water_ml: Floats
    strained: Liquid
    before_topping: Liquid
    glass: Liquid


@dataclass(frozen=True, slots=True)
class Temperatures:
    """Temperatures of a drink at those points, [°C]."""

    tin: float
    strained: float
    before_topping: float
    glass: float


def mix(volumes_ml: ArrayLike, composition: ArrayLike) -> Liquid:
    """Mix pours: amounts add, and so do volumes (contraction is below 1 % over the range of drinks).

    Parameters
    ----------
    volumes_ml : array_like, shape (..., pours)
    composition : array_like, shape (..., pours, properties)    per 100 ml

    >>> float(mix([60, 20], [[40.0], [0.0]]).concentrations[0])
    30.0
    """
    volumes = np.asarray(volumes_ml, dtype=np.float64)
    contents = np.einsum("...p,...pk->...k", volumes, np.asarray(composition, dtype=np.float64)) / 100
    return Liquid(volumes.sum(axis=-1), contents)


def served_drink(pours: PourTable, water_ml: Floats) -> Served:
    """Take one drink from the tin to the glass, with every property, given the water from the ice, shape ().

    Strained, joined with what waits in the glass, topped and floated.
    """
    stages = pours.stages.T * pours.volumes[:, 0]
    volume, contents = stages.sum(axis=1), stages @ pours.contents / 100
    tin, topping, waiting = (Liquid(volume[stage], contents[stage]) for stage in range(3))
    strained = tin.thinned(water_ml)
    before_topping = strained.plus(waiting)
    return Served(tin, water_ml, strained, before_topping, before_topping.plus(topping))


def temperatures(served: Served, method: Method, conditions: Conditions) -> Temperatures:
    """Compute the temperature of a drink at each point: from the tin by the heat balance, in the glass by mixing."""
    tin = served.tin.tin
    strained_c = float(tin_temperature_c(tin, served.water_ml, method, conditions))
    waiting = served.before_topping.minus(served.strained)
    waited_c = _together(served.strained, strained_c, waiting, conditions.room_c)
    topping = served.glass.minus(served.before_topping)
    return Temperatures(conditions.start_c, strained_c, waited_c, _together(served.before_topping, waited_c, topping, conditions.topping_c))


def _together(one: Liquid, one_c: float, other: Liquid, other_c: float) -> float:
    """Temperature of two liquids poured together, by their heat capacities, [°C]."""
    if other.volume_ml == 0:
        return one_c
    heat, more = float(one.tin.heat_capacity_j_per_k), float(other.tin.heat_capacity_j_per_k)
    return (heat * one_c + more * other_c) / (heat + more)
