"""Composition of an ingredient, per 100 ml at 20 °C, and its limits (docs/model/larder.md)."""

from __future__ import annotations

import math
from array import array
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from functools import cached_property
from types import MappingProxyType
from typing import Final

from oenomel.core.larder.solutions import SOLIDS_ML_PER_G, aqueous_ethanol_density, dissolved_ml_per_g, salt_ml_per_g
from oenomel.errors import ImpossibleComposition, OutOfRange

SUGARS: Final = ("sucrose", "glucose", "fructose", "lactose", "other")
ACIDS: Final = ("citric", "malic", "tartaric", "lactic", "acetic", "phosphoric", "succinic")
PROPERTIES: Final = ("abv", *SUGARS, *ACIDS, "salt", "protein", "fat", "gum")
"""Columns of a composition as a vector: % v/v, then g per 100 ml; the properties that add up in mixing."""

COLUMN: Final = {name: index for index, name in enumerate(PROPERTIES)}
SUGAR_COLUMNS: Final = slice(COLUMN[SUGARS[0]], COLUMN[SUGARS[-1]] + 1)
ACID_COLUMNS: Final = slice(COLUMN[ACIDS[0]], COLUMN[ACIDS[-1]] + 1)

SOLID_KINDS: Final = frozenset({"sugar"})
"""Dry kinds: their composition is per 100 ml of the volume they take up once dissolved."""

EQUIVALENT_WEIGHTS: Final = {
    "citric": 64.04, "malic": 67.05, "tartaric": 75.04, "lactic": 90.08, "acetic": 60.05, "phosphoric": 49.00, "succinic": 59.04,
}  # fmt: skip
"""Equivalent weights of acids, [g/mol]: molar mass by number of acid groups (for phosphoric acid the first two)."""

FAT_G_PER_ML: Final = 0.93
"""Density of milk fat at 20 °C (handbook value, from memory)."""

LIQUID_SOLIDS_LIMIT: Final = 100 / 70 * 100
"""Most sugar and acid in 100 ml of a liquid, [g]: 100 g in 70 ml (house rule, just above saturated honey)."""

# Alcohol and water contract by up to 3.5 % at about 50 % ABV, and kinds of sugar differ a little in the room they take,
# so parts may add to a little over the whole before a label has to be wrong.
ROOM_FOR_CONTRACTION_ML: Final = 106.0
MAX_CO2_G_PER_L: Final = 20.0


@dataclass(frozen=True)
class Composition:
    """Composition of an ingredient.

    Parameters
    ----------
    abv : float, [% v/v]           0 to 100
    sugars, acids : mapping of kind to float, [g/100 ml]
    salt, protein, fat, gum : float, [g/100 ml]
    density : float or None, [g/ml]   None: estimated from the rest
    co2 : float, [g/l]             carbon dioxide; 0 for what is still
    spread : mapping of property to float, [1]
        Relative standard deviations; keys are ``abv``, a sugar, an acid, ``sugars`` or ``acids`` (for all of them together),
        ``salt``, ``protein``, ``fat``, ``gum``, ``density``, ``co2``.
    solid : bool                   dry sugar or salt, given as dissolved

    Raises
    ------
    OutOfRange
        A value is negative, not a number, or over its limit.
    ImpossibleComposition
        The values can't hold together, or a kind of sugar or acid is unknown.
    """

    abv: float = 0.0
    sugars: Mapping[str, float] = field(default_factory=dict)
    acids: Mapping[str, float] = field(default_factory=dict)
    salt: float = 0.0
    protein: float = 0.0
    fat: float = 0.0
    gum: float = 0.0
    density: float | None = None
    co2: float = 0.0
    spread: Mapping[str, float] = field(default_factory=dict)
    solid: bool = False

    def __post_init__(self) -> None:
        for group, known in (("sugars", SUGARS), ("acids", ACIDS)):
            for kind in getattr(self, group):
                if kind not in known:
                    raise ImpossibleComposition(f'{group}: "{kind}" is not one of {", ".join(known)}')
        _within("abv", self.abv, 0, 100)
        limit = 100 / SOLIDS_ML_PER_G + 1 if self.solid else LIQUID_SOLIDS_LIMIT
        for name, value in (*self.sugars.items(), *self.acids.items()):
            _within(name, value, 0, limit)
        for name in ("salt", "protein", "fat", "gum"):
            _within(name, getattr(self, name), 0, 217)  # 217 g of salt in 100 ml is solid salt
        _within("co2", self.co2, 0, MAX_CO2_G_PER_L)
        if self.density is not None:
            _within("density", self.density, 0.7, 2.2)
        for name, value in self.spread.items():
            if name not in (*PROPERTIES, "sugars", "acids", "density", "co2"):
                raise ImpossibleComposition(f'spread: "{name}" is not a property of a composition')
            _within(f"spread of {name}", value, 0, 2)
        self._must_fit(limit)

    def _must_fit(self, limit: float) -> None:
        solids = self.sugar + self.acid
        if solids > limit:
            raise ImpossibleComposition(
                f"{solids:g} g sugar and acid per 100 ml can't dissolve: the most is {limit:.0f} g (100 g in 70 ml)"
            )
        room = self.abv + SOLIDS_ML_PER_G * solids
        if not self.solid and room > ROOM_FOR_CONTRACTION_ML:
            raise ImpossibleComposition(
                f"{self.abv:g}% alcohol and {solids:g} g sugar and acid don't fit in 100 ml, as they need {room:.0f} ml"
            )

    @cached_property
    def sugar(self) -> float:
        """Total sugar, [g/100 ml]."""
        return math.fsum(self.sugars.values())

    @cached_property
    def acid(self) -> float:
        """Total acid by weight, [g/100 ml]."""
        return math.fsum(self.acids.values())

    @cached_property
    def acid_as_citric(self) -> float:
        """Titratable acid as citric, by equivalents, [g/100 ml]: what a titration measures."""
        return math.fsum(grams * EQUIVALENT_WEIGHTS["citric"] / EQUIVALENT_WEIGHTS[kind] for kind, grams in self.acids.items())

    @property
    def density_g_per_ml(self) -> float:
        """Density, given or estimated, [g/ml]."""
        return self.density if self.density is not None else estimated_density(self)

    @property
    def brix(self) -> float:
        """Sugar by weight, [%]: what a syrup's label states."""
        return self.sugar / self.density_g_per_ml

    def relative_sd(self, name: str) -> float:
        """Relative standard deviation of ``abv``, of total ``sugars`` or of total ``acids``; 0 where unknown.

        Spreads of the kinds are taken as fully correlated: they come from one analysis of one fruit or bottle.
        """
        if name in self.spread or name == "abv":
            return float(self.spread.get(name, 0.0))
        parts: Mapping[str, float] = getattr(self, name)
        total = math.fsum(parts.values())
        if total == 0:
            return 0.0
        return math.fsum(value * self.spread.get(kind, 0.0) for kind, value in parts.items()) / total

    @cached_property
    def axes(self) -> tuple[float, float, float]:
        """ABV, total sugar and total acid."""
        return self.abv, self.sugar, self.acid

    @cached_property
    def axes_relative_sd(self) -> tuple[float, float, float]:
        """Relative standard deviations of `axes`."""
        return self.relative_sd("abv"), self.relative_sd("sugars"), self.relative_sd("acids")

    @cached_property
    def axes_sd(self) -> tuple[float, float, float]:
        """Standard deviations of `axes`, in their units."""
        abv, sugar, acid = (level * sd for level, sd in zip(self.axes, self.axes_relative_sd, strict=True))
        return abv, sugar, acid

    @cached_property
    def row(self) -> array[float]:
        """`vector`, `axes` and `axes_relative_sd` in one array, in the layout that `poured` uses."""
        return array("d", (*self.vector, *self.axes, *self.axes_relative_sd))

    @cached_property
    def vector(self) -> tuple[float, ...]:
        """The properties that add up in mixing, in the order of `PROPERTIES`."""
        return (
            self.abv,
            *(self.sugars.get(kind, 0.0) for kind in SUGARS),
            *(self.acids.get(kind, 0.0) for kind in ACIDS),
            self.salt,
            self.protein,
            self.fat,
            self.gum,
        )


def composition_of_vector(vector: Iterable[float], co2: float = 0.0, spread: Mapping[str, float] = MappingProxyType({})) -> Composition:
    """Build a composition from the values of `PROPERTIES`, per 100 ml."""
    of = dict(zip(PROPERTIES, vector, strict=True))
    return Composition(
        abv=of["abv"],
        sugars={kind: of[kind] for kind in SUGARS},
        acids={kind: of[kind] for kind in ACIDS},
        salt=of["salt"],
        protein=of["protein"],
        fat=of["fat"],
        gum=of["gum"],
        co2=co2,
        spread=spread,
    )


def blend(one: Composition, other: Composition, share: float) -> Composition:
    """Mix two compositions, with a ``share`` (0 to 1) of the other; spreads and densities are left out."""
    mixed = (a * (1 - share) + b * share for a, b in zip(one.vector, other.vector, strict=True))
    return composition_of_vector(mixed, co2=one.co2 * (1 - share) + other.co2 * share)


def estimated_density(composition: Composition) -> float:
    """Estimate the density from alcohol and dissolved matter, [g/ml], where none is given.

    Notes
    -----
    Alcohol and water by their table; acid, protein and gum take up room as sucrose does, fat and salt their own.

    >>> round(estimated_density(Composition(sugars={"sucrose": 61.48})), 3)
    1.23
    >>> round(estimated_density(Composition(abv=40)), 4)
    0.948
    """
    dissolved = composition.sugar + composition.acid + composition.protein + composition.gum
    return density_of(composition.abv, dissolved, composition.salt, composition.fat)


def density_of(abv: float, dissolved: float, salt: float = 0.0, fat: float = 0.0) -> float:
    """Compute the density, [g/ml], from alcohol, [% v/v], and dissolved matter, salt and fat, [g/100 ml]."""
    other_ml = fat / FAT_G_PER_ML + salt * salt_ml_per_g(salt)
    water_phase_ml = 100 - abv - other_ml
    room_ml = dissolved * dissolved_ml_per_g(100 * dissolved / water_phase_ml) if water_phase_ml > 0 else 0.0
    spirit_ml = max(0.0, 100 - other_ml - room_ml)
    strength = min(100.0, 100 * abv / spirit_ml) if spirit_ml > 0 else 0.0
    return (spirit_ml * float(aqueous_ethanol_density(strength)) + dissolved + salt + fat) / 100


def _within(name: str, value: float, low: float, high: float) -> None:
    if not (math.isfinite(value) and low <= value <= high):
        raise OutOfRange(name, value, low, round(high, 1))
