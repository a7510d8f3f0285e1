"""Pours into one liquid, and the liquid over ice into the glass (model.md §2 and §3)."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.core.dilution import water_ratio
from oenomel.core.drink import Method

__all__ = ["Liquid", "Served", "mix", "serve"]

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


@dataclass(frozen=True, slots=True)
class Served:
    """A drink on its way: what is in the tin, the water from the ice (ml per ml of it), and the glass at minute 0."""

    tin: Liquid
    water_ratio: Floats
    glass: Liquid


def mix(volumes_ml: ArrayLike, composition: ArrayLike) -> Liquid:
    """Amounts add; volumes are taken as additive (contraction is below 1 % over the range of drinks).

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


def serve(volumes_ml: ArrayLike, composition: ArrayLike, meets_ice: ArrayLike, method: Method, melt: ArrayLike = 1.0) -> Served:
    """The drink strained, topped and floated.

    Parameters
    ----------
    volumes_ml : array_like, shape (..., pours)
    composition : array_like, shape (..., pours, properties)    the first property is ABV
    meets_ice : array_like of bool, shape (pours,)
    method : Method
    melt : array_like, shape (...,)    factor on the water from the ice: the house's, or a doubt's
    """
    volumes = np.asarray(volumes_ml, dtype=np.float64)
    in_tin = np.asarray(meets_ice, dtype=bool)
    tin = mix(np.where(in_tin, volumes, 0.0), composition)
    rest = mix(np.where(in_tin, 0.0, volumes), composition)
    ratio = water_ratio(tin.concentrations[..., 0] / 100, method) * np.asarray(melt, dtype=np.float64)
    glass = Liquid(tin.volume_ml * (1 + ratio) + rest.volume_ml, tin.contents + rest.contents)
    return Served(tin, ratio, glass)
