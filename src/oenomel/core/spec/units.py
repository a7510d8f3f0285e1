"""Units of amounts at the bar, and their millilitres (common practice)."""

from __future__ import annotations

import math
import re
from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache
from typing import Final, Literal, get_args

from oenomel.core.larder import SOLIDS_ML_PER_G, Ingredient
from oenomel.core.wording import agreeing
from oenomel.errors import DomainError, NotAnAmount, OutOfRange, UnknownUnit

BAR_OUNCE_ML: Final = 30.0
"""One ounce at the bar. Common practice; the US fluid ounce, 29.5735 ml, is a setting of the file."""

Unit = Literal["ml", "cl", "barspoon", "tsp", "tbsp", "cup", "splash", "dash", "drop", "oz", "g", "piece", "leaf", "part"]
ML_PER_UNIT: Final[Mapping[str, float]] = {
    "ml": 1.0,
    "cl": 10.0,
    "barspoon": 5.0,  # common practice, as are tsp, tbsp, splash, dash and drop
    "tsp": 5.0,
    "tbsp": 15.0,
    "cup": 236.588,  # NIST Handbook 44, App. C
    "splash": 30.0,
    "dash": 0.8,
    "drop": 0.05,
}
UNITS: Final[tuple[Unit, ...]] = get_args(Unit)
COUNTED_UNITS: Final[frozenset[str]] = frozenset({"barspoon", "cup", "splash", "dash", "drop", "piece", "leaf", "part"})
"""Units of a spec, their ml, and those that are counted and have a plural; the others are abbreviations."""

MAX_POUR_ML: Final = 10_000.0
LEAST_POUR_ML: Final = 0.001
"""Largest and smallest pour, [ml]: below a fiftieth of a drop an amount is a slip."""
CASTER_BULK_G_PER_ML: Final = 0.8
"""Bulk density of caster sugar, [g/ml]: a level teaspoon holds 4 g. Common practice."""

_LONGEST_AMOUNT: Final = 24
_VULGAR: Final = {"¼": "1/4", "½": "1/2", "¾": "3/4", "⅓": "1/3", "⅔": "2/3", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8"}
_AMOUNT: Final = re.compile(
    r"(?:(?P<whole>\d+)(?:\s+|\s*(?=[¼½¾⅓⅔⅛⅜⅝⅞])))?(?P<over>\d+/\d+|[¼½¾⅓⅔⅛⅜⅝⅞])|(?P<decimal>\d+(?:[.,]\d{1,6})?|[.,]\d{1,6})", re.ASCII
)


@dataclass(frozen=True, slots=True)
class Measure:
    """An amount as it was typed: the number and the unit it came in."""

    amount: float
    unit: Unit


def unit_words(unit: str, amount: float) -> str:
    """Return the name of a unit beside an amount.

    >>> unit_words("dash", 2), unit_words("dash", 1), unit_words("ml", 22.5)
    ('dashes', 'dash', 'ml')
    """
    return agreeing(amount, unit) if unit in COUNTED_UNITS else unit


@lru_cache(maxsize=4096, typed=True)
def parse_amount(value: float | str) -> float:
    """Return the number of an amount, which may be a number or a text like "3/4", "1 1/2" or "22.5".

    Raises
    ------
    NotAnAmount
        The text is something else, or divides by zero.
    OutOfRange
        The number is negative, not a number, or infinite.

    >>> parse_amount("1 1/2")
    1.5
    """
    if isinstance(value, bool):
        raise NotAnAmount(str(value).lower())
    if isinstance(value, str):
        return _parse_text(value)
    try:
        number = float(value)
    except OverflowError:  # a whole number of JSON may be too long for a float; it is over any limit
        number = math.inf
    if not math.isfinite(number) or number < 0:
        raise OutOfRange("the amount", number, 0, MAX_POUR_ML)
    return number


def _parse_text(text: str) -> float:
    stripped = text.strip()
    if stripped.startswith(("-", "−")) and _AMOUNT.fullmatch(stripped[1:].strip()):
        raise OutOfRange("the amount", -_parse_text(stripped[1:]), 0, MAX_POUR_ML)
    match = _AMOUNT.fullmatch(stripped) if len(stripped) <= _LONGEST_AMOUNT else None
    if match is None:
        raise NotAnAmount(text[:_LONGEST_AMOUNT])
    if match["decimal"]:
        return float(match["decimal"].replace(",", "."))
    try:
        fraction = Fraction(_VULGAR.get(match["over"], match["over"]))
    except ZeroDivisionError:
        raise NotAnAmount(text) from None
    return float(int(match["whole"] or 0) + fraction)


def to_ml(amount: float, unit: str, ingredient: Ingredient, ounce_ml: float = BAR_OUNCE_ML, part_ml: float | None = None) -> float:
    """Convert an amount of an ingredient to the volume it adds to the drink, [ml].

    Dry sugar and salt add the volume they take up once dissolved. Pieces and leaves add what the ingredient says a piece is,
    and nothing where it says nothing.

    Raises
    ------
    UnknownUnit
    DomainError
        A part without the size of a part, or less than can be poured.
    OutOfRange
        More than 10 litres.
    """
    volume = _volume_ml(amount, unit, ingredient, ounce_ml, part_ml)
    return pourable(volume)


def pourable(volume_ml: float) -> float:
    """Return a volume unchanged, [ml], if it can be poured.

    Raises
    ------
    OutOfRange, DomainError
        It is more than 10 litres; or less than a thousandth of a millilitre, and not nothing.
    """
    if not 0 <= volume_ml <= MAX_POUR_ML:
        raise OutOfRange("the pour in ml", volume_ml, 0, MAX_POUR_ML)
    if 0 < volume_ml < LEAST_POUR_ML:
        raise DomainError(f"{volume_ml:g} ml can't be poured: enter 0, or at least {LEAST_POUR_ML:g} ml")
    return volume_ml


def _volume_ml(amount: float, unit: str, ingredient: Ingredient, ounce_ml: float, part_ml: float | None) -> float:
    if unit in ("piece", "leaf"):
        if ingredient.piece_ml is not None:
            return amount * ingredient.piece_ml
        return _from_grams(amount * ingredient.piece_g, ingredient) if ingredient.piece_g is not None else 0.0
    if unit == "g":
        return _from_grams(amount, ingredient)
    if unit == "oz":
        spoken_ml = amount * ounce_ml
    elif unit == "part":
        if part_ml is None:
            raise DomainError('"part" needs "part_ml" in the file')
        spoken_ml = amount * part_ml
    elif unit in ML_PER_UNIT:
        spoken_ml = amount * ML_PER_UNIT[unit]
    else:
        raise UnknownUnit(unit, UNITS)
    return _from_grams(spoken_ml * CASTER_BULK_G_PER_ML, ingredient) if ingredient.composition.solid else spoken_ml


def _from_grams(grams: float, ingredient: Ingredient) -> float:
    if ingredient.composition.solid:
        return grams * SOLIDS_ML_PER_G
    return grams / ingredient.composition.density_g_per_ml
