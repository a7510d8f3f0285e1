"""Reported values of a liquid: volume, strength, sweetness, acidity and what follows from them (docs/model/balance.md, "Reported
values").
"""

from __future__ import annotations

import math
import operator
from dataclasses import dataclass
from typing import Final, NamedTuple

import numpy as np

from oenomel.core.balance.mixing import Liquid
from oenomel.core.balance.pour_table import PourTable
from oenomel.core.larder import ACIDS, ETHANOL_G_PER_ML, SUGAR_COLUMNS, SUGARS
from oenomel.core.larder.composition import ACID_COLUMNS, COLUMN, EQUIVALENT_WEIGHTS

KCAL_PER_G: Final = {"alcohol": 7.0, "carbohydrate": 4.0, "acid": 3.0, "protein": 4.0, "fat": 9.0, "fibre": 2.0}
"""Source: Regulation (EU) 1169/2011, Annex XIV."""

STANDARD_DRINK_G: Final = {"us": 14.0, "uk": 8.0, "au": 10.0}
"""Grams of alcohol in a standard drink. Sources: NIAAA; UK Chief Medical Officers 2016; NHMRC 2020."""

SWEETNESS_OF: Final = {"sucrose": 1.0, "glucose": 0.7, "fructose": 1.2, "lactose": 0.2, "other": 1.0}
"""Sucrose equivalents by weight; house defaults."""

AS_CITRIC: Final = np.array([EQUIVALENT_WEIGHTS["citric"] / EQUIVALENT_WEIGHTS[acid] for acid in ACIDS])
AS_SUCROSE: Final = np.array([SWEETNESS_OF[sugar] for sugar in SUGARS])
BODY_WEIGHTS: Final = np.zeros(len(COLUMN))
BODY_WEIGHTS[SUGAR_COLUMNS] = BODY_WEIGHTS[ACID_COLUMNS] = 1.0
for _name, _weight in (("protein", 3.0), ("fat", 3.0), ("gum", 10.0)):
    BODY_WEIGHTS[COLUMN[_name]] = _weight
BODY_WEIGHTS.flags.writeable = False

_PROTEIN, _FAT, _GUM = (COLUMN[name] for name in ("protein", "fat", "gum"))

BODY_WORDS: Final = ((6.5, "thin"), (10.5, "light"), (16.0, "round"), (math.inf, "rich"))
"""Words for body, each up to some g per 100 ml of dissolved solids, with protein and fat counted three times and gum ten times. House
estimates: a modern sour is light, one with egg white round, one with cream and egg rich.
"""


@dataclass(frozen=True, slots=True)
class Profile:
    """Figures of one liquid at one point.

    ``abv`` in % v/v; ``sugar``, ``acid``, ``titratable_acid`` (as citric) and ``sucrose_equivalents`` in g per 100 ml;
    ``sugar_acid_ratio`` is infinite without acid and not a number where there is no sugar either. ``body`` is in g per 100 ml as
    `BODY_WORDS` counts it.
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
    body: float

    @property
    def standard_drinks(self) -> dict[str, float]:
        """Standard drinks by country."""
        return {country: self.alcohol_g / grams for country, grams in STANDARD_DRINK_G.items()}

    @property
    def body_word(self) -> str:
        """Body of the liquid in a word."""
        return body_word(self.body)


class PourShare(NamedTuple):
    """One pour's share of the drink's volume, sugar, acid and alcohol (0 to 1; 0 where the drink has none)."""

    volume_ml: float
    sugar_g: float
    acid_g: float
    alcohol_ml: float
    sugar_share: float
    acid_share: float
    alcohol_share: float


def profile_of(liquid: Liquid) -> Profile:
    """Compute the reported figures of a liquid; an empty one has zeros."""
    contents, volume_ml = liquid.contents, float(liquid.volume_ml)
    figures = contents.tolist()
    sugar_g, acid_g = sum(figures[SUGAR_COLUMNS]), sum(figures[ACID_COLUMNS])
    alcohol_ml, protein_g, fat_g, gum_g = figures[0], figures[_PROTEIN], figures[_FAT], figures[_GUM]
    alcohol_g = alcohol_ml * ETHANOL_G_PER_ML
    per_100_ml = 100 / volume_ml if volume_ml > 0 else 0.0
    energy = (alcohol_g, sugar_g, acid_g, protein_g, fat_g, gum_g)
    return Profile(
        volume_ml=volume_ml,
        abv=alcohol_ml * per_100_ml,
        sugar=sugar_g * per_100_ml,
        acid=acid_g * per_100_ml,
        sugar_acid_ratio=sugar_g / acid_g if acid_g > 0 else (math.inf if sugar_g > 0 else math.nan),
        alcohol_g=alcohol_g,
        energy_kcal=math.fsum(map(operator.mul, energy, KCAL_PER_G.values())),
        titratable_acid=float(contents[ACID_COLUMNS] @ AS_CITRIC) * per_100_ml,
        sucrose_equivalents=float(contents[SUGAR_COLUMNS] @ AS_SUCROSE) * per_100_ml,
        body=float(contents @ BODY_WEIGHTS) * per_100_ml,
    )


def pour_shares(pours: PourTable) -> tuple[PourShare, ...]:
    """Return the contribution of each pour to the drink as served, in the order of the pours."""
    volumes, axes = pours.volumes[:, 0].tolist(), pours.axes[..., 0].tolist()
    sugars = [v * sugar / 100 for v, (_, sugar, _) in zip(volumes, axes, strict=True)]
    acids = [v * acid / 100 for v, (_, _, acid) in zip(volumes, axes, strict=True)]
    alcohols = [v * abv / 100 for v, (abv, _, _) in zip(volumes, axes, strict=True)]
    return tuple(map(PourShare, volumes, sugars, acids, alcohols, _shares(sugars), _shares(acids), _shares(alcohols)))


def _shares(parts: list[float]) -> list[float]:
    whole = sum(parts) or math.inf
    return [part / whole for part in parts]


def body_word(body: float) -> str:
    """Return the word for a body: thin, light, round or rich.

    >>> body_word(9.7)
    'light'
    """
    return next(word for most, word in BODY_WORDS if body < most)
