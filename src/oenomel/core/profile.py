"""What is reported of a liquid: volume, strength, sweetness, acidity and what follows from them (model.md §4)."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from oenomel.core.composition import ACIDS, ETHANOL_G_PER_ML, PROPERTIES, SUGARS
from oenomel.core.drink import Drink
from oenomel.core.mixing import Liquid, Served, serve

__all__ = ["EQUIVALENT_WEIGHTS", "PourShare", "Profile", "drink_arrays", "pour_shares", "profile_of", "served_drink"]

EQUIVALENT_WEIGHTS: Final = {
    "citric": 64.04, "malic": 67.05, "tartaric": 75.04, "lactic": 90.08, "acetic": 60.05, "phosphoric": 49.00, "succinic": 59.04,
}  # fmt: skip
"""Grams an acid gives per mole of what titrates it: molar mass by number of acid groups (for phosphoric the first two)."""

KCAL_PER_G: Final = {"alcohol": 7.0, "carbohydrate": 4.0, "acid": 3.0, "protein": 4.0, "fat": 9.0}
"""Source: Regulation (EU) 1169/2011, Annex XIV."""

STANDARD_DRINK_G: Final = {"us": 14.0, "uk": 8.0, "au": 10.0}
"""Grams of alcohol in a standard drink. Sources: NIAAA; UK Chief Medical Officers 2016; NHMRC 2020."""

SWEETNESS_OF: Final = {"sucrose": 1.0, "glucose": 0.7, "fructose": 1.2, "lactose": 0.2, "other": 1.0}
"""Sucrose equivalents by weight; house defaults, to be edited."""

_COLUMN: Final = {name: index for index, name in enumerate(PROPERTIES)}
_SUGAR: Final = slice(_COLUMN[SUGARS[0]], _COLUMN[SUGARS[-1]] + 1)
_ACID: Final = slice(_COLUMN[ACIDS[0]], _COLUMN[ACIDS[-1]] + 1)
_AS_CITRIC: Final = np.array([EQUIVALENT_WEIGHTS["citric"] / EQUIVALENT_WEIGHTS[acid] for acid in ACIDS])
_AS_SUCROSE: Final = np.array([SWEETNESS_OF[sugar] for sugar in SUGARS])


@dataclass(frozen=True, slots=True)
class Profile:
    """One liquid at one checkpoint.

    ``abv`` in % v/v; ``sugar``, ``acid``, ``titratable_acid`` (as citric) and ``sucrose_equivalents`` in g per 100 ml;
    ``sugar_acid_ratio`` is infinite without acid and not a number where there is no sugar either.
    """

    volume_ml: float
    abv: float
    sugar: float
    acid: float
    sugar_acid_ratio: float
    alcohol_g: float
    energy_kcal: float
    titratable_acid: float
    sucrose_equivalents: float

    @property
    def standard_drinks(self) -> dict[str, float]:
        """Standard drinks by country."""
        return {country: self.alcohol_g / grams for country, grams in STANDARD_DRINK_G.items()}


@dataclass(frozen=True, slots=True)
class PourShare:
    """What one pour brings, and its share of the whole drink's sugar, acid and alcohol (0 to 1; 0 where the drink has none)."""

    volume_ml: float
    sugar_g: float
    acid_g: float
    alcohol_ml: float
    sugar_share: float
    acid_share: float
    alcohol_share: float


def drink_arrays(drink: Drink) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    """Volumes (pours,), composition (pours, properties) and whether each meets the ice (pours,)."""
    volumes = np.array([pour.liquid_ml for pour in drink.pours])
    composition = np.array([pour.ingredient.composition.vector for pour in drink.pours])
    return volumes, composition, np.array([pour.meets_ice for pour in drink.pours])


def served_drink(drink: Drink) -> Served:
    """One drink from the tin to the glass, with every property."""
    volumes, composition, meets_ice = drink_arrays(drink)
    return serve(volumes, composition, meets_ice, drink.method)


def profile_of(liquid: Liquid) -> Profile:
    """The reported figures of a single liquid; an empty one has zeros."""
    contents = liquid.contents
    sugar_g, acid_g = float(contents[_SUGAR].sum()), float(contents[_ACID].sum())
    alcohol_g = float(contents[0]) * ETHANOL_G_PER_ML
    per_100_ml = 100 / float(liquid.volume_ml) if liquid.volume_ml > 0 else 0.0
    energy = {
        "alcohol": alcohol_g,
        "carbohydrate": sugar_g,
        "acid": acid_g,
        "protein": float(contents[_COLUMN["protein"]]),
        "fat": float(contents[_COLUMN["fat"]]),
    }
    return Profile(
        volume_ml=float(liquid.volume_ml),
        abv=float(contents[0]) * per_100_ml,
        sugar=sugar_g * per_100_ml,
        acid=acid_g * per_100_ml,
        sugar_acid_ratio=sugar_g / acid_g if acid_g > 0 else (math.inf if sugar_g > 0 else math.nan),
        alcohol_g=alcohol_g,
        energy_kcal=math.fsum(grams * KCAL_PER_G[name] for name, grams in energy.items()),
        titratable_acid=float(contents[_ACID] @ _AS_CITRIC) * per_100_ml,
        sucrose_equivalents=float(contents[_SUGAR] @ _AS_SUCROSE) * per_100_ml,
    )


def pour_shares(drink: Drink) -> tuple[PourShare, ...]:
    """What each pour brings to the drink as served, in the order of its pours."""
    volumes, composition, _ = drink_arrays(drink)
    brought = volumes[:, None] * composition / 100
    grams = np.column_stack([brought[:, _SUGAR].sum(axis=1), brought[:, _ACID].sum(axis=1), brought[:, 0]])
    totals = grams.sum(axis=0)
    shares = np.divide(grams, totals, out=np.zeros_like(grams), where=totals > 0)
    return tuple(
        PourShare(volume, *row, *share) for volume, row, share in zip(volumes.tolist(), grams.tolist(), shares.tolist(), strict=True)
    )
