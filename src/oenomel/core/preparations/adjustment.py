"""Adjustment of a syrup to a °Bx, or of a juice to another juice's acid (docs/model/preparations.md)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from oenomel.core.larder import Composition
from oenomel.core.wording import listed
from oenomel.errors import DomainError, OutOfRange

LEAST_G: Final = 0.05
MOST_BRIX: Final = 80.0
LEAST_BRIX: Final = 0.1


@dataclass(frozen=True, slots=True)
class WeighedAddition:
    """Something to add: name and grams."""

    what: str
    grams: float


@dataclass(frozen=True, slots=True)
class Adjustment:
    """Additions, and a sentence about them."""

    additions: tuple[WeighedAddition, ...]
    words: str


def to_brix(weight_g: float, sugar_g: float, brix: float) -> Adjustment:
    """Compute the sugar or water that brings a liquid, given its grams and its sugar, to a °Bx.

    Raises
    ------
    OutOfRange, DomainError

    >>> to_brix(562.0, 218.0, 50).words
    'Add 126 g of sugar to reach 50 °Bx.'
    """
    if not LEAST_BRIX <= brix <= MOST_BRIX:
        raise OutOfRange("the target °Bx", brix, LEAST_BRIX, MOST_BRIX)
    if not 0 <= sugar_g <= weight_g or weight_g <= 0:
        raise DomainError("nothing to adjust: enter its weight and sugar")
    share, has = brix / 100, sugar_g / weight_g
    if abs(has - share) < 0.0005:
        return Adjustment((), f"Already at {brix:g} °Bx.")
    if share > has:
        grams = (share * weight_g - sugar_g) / (1 - share)
        return Adjustment((WeighedAddition("sugar", grams),), f"Add {_grams(grams)} of sugar to reach {brix:g} °Bx.")
    grams = sugar_g / share - weight_g
    return Adjustment((WeighedAddition("water", grams),), f"Add {_grams(grams)} of water to reach {brix:g} °Bx.")


def to_acid(juice: Composition, target: Mapping[str, float], volume_ml: float, like: str) -> Adjustment:
    """Compute the grams of each acid that bring a juice to wanted acids, [g/100 ml]; an acid in excess stays.

    Notes
    -----
    As the trade weighs it: into the juice, whose volume grows by 0.6 ml a gram (a twentieth at most).

    >>> to_acid(Composition(acids={"citric": 0.8}), {"citric": 4.0, "malic": 2.0}, 1000, "lime juice").words
    'Add 32 g of citric and 20 g of malic acid to match lime juice.'
    """
    if not 0 < volume_ml <= 100_000:
        raise OutOfRange("the juice in ml", volume_ml, 0, 100_000)
    missing = [WeighedAddition(f"{kind} acid", (grams - juice.acids.get(kind, 0.0)) * volume_ml / 100) for kind, grams in target.items()]
    wanted = tuple(addition for addition in missing if addition.grams >= LEAST_G)
    if not wanted:
        return Adjustment((), f"Already as sharp as {like}.")
    acids_in_words = listed([f"{_grams(addition.grams)} of {addition.what.removesuffix(' acid')}" for addition in wanted])
    return Adjustment(wanted, f"Add {acids_in_words} acid to match {like}.")


def _grams(grams: float) -> str:
    return f"{grams:.0f} g" if grams >= 10 else f"{grams:.1f} g"
