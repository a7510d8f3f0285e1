"""Pours in the trade's words: "22.5 ml of lemon juice", "2 dashes of orange bitters", "9 mint leaves"."""

from __future__ import annotations

import math
from dataclasses import dataclass
from fractions import Fraction
from typing import Final, Literal

from oenomel.core.larder import SOLIDS_ML_PER_G
from oenomel.core.spec import BAR_OUNCE_ML, ML_PER_UNIT, Pour
from oenomel.core.spec.units import unit_words
from oenomel.core.wording import agreeing, plural, singular, with_article

Shown = Literal["ml", "oz"]

_FOLLOWS_THE_SWITCH: Final = ("ml", "cl", "oz", "part")
_PARTS: Final = (
    {Fraction(0): ""}
    | {Fraction(n, 8): sign for n, sign in enumerate("⅛¼⅜½⅝¾⅞", start=1)}
    | {
        Fraction(1, 3): "⅓",
        Fraction(2, 3): "⅔",
    }
)
"""Fractions of an ounce with a sign of their own."""

JIGGER_MARKS_OZ: Final = tuple(Fraction(*mark) for mark in ((0, 1), (1, 4), (1, 3), (1, 2), (2, 3), (3, 4)))
SPOONED_BELOW_OZ: Final = 0.2
"""Marks of a jigger, and the amount below which a barspoon measures better, [oz]."""

SAME_OUNCES: Final = 0.006
"""Distance from a fraction at which an amount is written as that fraction, [oz]."""

_ONE: Final = {"barspoon": "a barspoon", "dash": "a dash", "splash": "a splash", "drop": "a drop", "cup": "a cup"}
_HALF: Final = {"barspoon": "half a barspoon", "cup": "half a cup", "dash": "half a dash"}


@dataclass(frozen=True, slots=True)
class Measures:
    """Units of amounts in words: ml or ounces, and the size of an ounce, [ml]."""

    shown: Shown = "ml"
    ounce_ml: float = BAR_OUNCE_ML


def amount_words(pour: Pour, measures: Measures = Measures(), share: float = 1.0) -> str:
    """Return the amount of a pour in words: ml or ounces, or its own unit where that is usual; pieces and leaves as a number; empty
    for none.

    >>> from oenomel.core.larder import catalogue
    >>> amount_words(Pour(catalogue()["lemon-juice"], 22.5), Measures("oz"))
    '¾ oz'
    """
    ml, unit = pour.volume_ml * share, pour.unit
    if pour.ingredient.composition.solid and unit not in ("piece", "leaf"):
        return f"{_number(ml / SOLIDS_ML_PER_G)} g" if ml else ""
    if unit in _FOLLOWS_THE_SWITCH or (own := _in_its_unit(pour, share)) is None:
        return _volume(ml, measures)
    if unit in ("piece", "leaf"):
        return _number(own)
    if own in (0.5, 1.0) and unit in (names := _HALF if own == 0.5 else _ONE):
        return names[unit]
    return f"{_number(own)} {unit_words(unit, own)}"


def pour_words(pour: Pour, measures: Measures = Measures(), share: float = 1.0) -> str:
    """Return a pour in words: amount and ingredient."""
    amount = amount_words(pour, measures, share)
    if pour.unit in ("piece", "leaf") and amount:
        return counted_words(pour, _in_its_unit(pour, share) or 0.0)
    return f"{amount} of {pour.ingredient.in_sentence}" if amount else pour.ingredient.in_sentence


def counted_noun(pour: Pour, count: float) -> str:
    """Return the noun that is counted: "mint leaves", "sugar cube"."""
    noun = singular(pour.ingredient.in_sentence)
    if pour.unit == "leaf" and "leaf" not in noun:
        noun = f"{noun} leaf"
    return noun if count <= 1 else plural(noun)


def counted_words(pour: Pour, count: float) -> str:
    """Return a number of leaves or pieces in words: "9 mint leaves", "a sugar cube", "half a lime wedge"."""
    noun = counted_noun(pour, count)
    if count == 1:
        return with_article(noun)
    return f"half {with_article(noun)}" if count == 0.5 else f"{_number(count)} {noun}"


def _in_its_unit(pour: Pour, share: float) -> float | None:
    """Return an amount in the unit it was written in; None where that is impossible."""
    if pour.amount is not None:
        return pour.amount * share
    per_unit = {"piece": pour.ingredient.piece_ml, "leaf": pour.ingredient.piece_ml}.get(pour.unit, ML_PER_UNIT.get(pour.unit))
    return pour.volume_ml * share / per_unit if per_unit else None


def _volume(ml: float, measures: Measures) -> str:
    if ml == 0:
        return ""
    if measures.shown == "ml":
        return f"{_number(ml)} ml"
    ounces = ml / measures.ounce_ml
    if ounces < SPOONED_BELOW_OZ:
        spoons = ml / ML_PER_UNIT["barspoon"]
        return f"{_on_a_mark(spoons)} {agreeing(max(1, math.ceil(spoons)), 'barspoon')}"
    return f"{_on_a_mark(ounces)} oz"


def glass_ounces(ml: float, ounce_ml: float = BAR_OUNCE_ML) -> str:
    """Write the volume of a whole drink, [ml], in quarters of an ounce.

    >>> glass_ounces(156)
    '5¼ oz'
    """
    return f"{_on_a_mark(round(4 * ml / ounce_ml) / 4)} oz"


def _on_a_mark(amount: float) -> str:
    """Write an amount as its fraction, or by the nearest mark of a jigger as "scant" or "heavy".

    >>> _on_a_mark(0.75), _on_a_mark(1.17), _on_a_mark(0.8333)
    ('¾', 'scant 1¼', 'heavy ¾')
    """
    whole = int(amount + SAME_OUNCES)
    part = min(_PARTS, key=lambda each: abs(float(each) - (amount - whole)))
    if whole + part > 0 and abs(float(whole + part) - amount) <= SAME_OUNCES:
        return f"{whole or ''}{_PARTS[part]}"
    marks = [int(amount) + more + part for more in (0, 1) for part in JIGGER_MARKS_OZ]
    nearest = min((mark for mark in marks if mark > 0), key=lambda each: abs(float(each) - amount))
    sign = _PARTS[nearest - int(nearest)]
    return f"{'scant' if nearest > amount else 'heavy'} {int(nearest) or ''}{sign}"


def _number(value: float, decimals: int = 1) -> str:
    return f"{round(value, decimals if value >= 1 else 2):g}"
