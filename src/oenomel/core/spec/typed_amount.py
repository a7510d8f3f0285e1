"""A typed amount in the context of its drink: what it is relative to, what it fills, and what must be asked."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final, Literal

from oenomel.core.larder import Ingredient, stems
from oenomel.core.spec.measures import SpokenAmount, beginnings, parse_measure
from oenomel.core.spec.units import BAR_OUNCE_ML, MAX_POUR_ML, UNITS, Measure, Unit
from oenomel.errors import NotAnAmount, OtherIngredient, OutOfRange, UnknownUnit

ASKED_ML: Final = {"jigger": (30.0, 45.0, 60.0), "shot": (30.0, 45.0)}
"""Words with several possible measures, [ml], that must be asked for (common practice; the shot from memory)."""

PART_SIZES_ML: Final = (15.0, 22.5, 30.0)
"""Possible sizes of a part, [ml]."""

MOST_LIKELY_OUNCES_ML: Final = 6.0
"""Amount in ml below which a typed fraction may be ounces (house rule)."""

_SLOT_WORDS: Final = {
    "spirit": "base", "strong": "base", "citrus": "sour", "acid": "sour", "syrup": "sweet", "sugar": "sweet", "sweetener": "sweet",
}  # fmt: skip
_LENGTHENED_WITH: Final = frozenset(
    ["soda", "water", "tonic", "cola", "ginger", "beer", "ale", "sparkling", "wine", "prosecco", "champagne", "club", "cider", "fizz"]
)

Ambiguity = Literal["", "which", "part", "range"]


@dataclass(frozen=True, slots=True)
class TypedAmount:
    """One typed amount as read.

    ``spoken`` is the amount and its unit; None where the glass decides (``to_the_line``) or the user must be asked first. ``asks`` is
    the question: "which" of the ``choices``, how big a "part" is (the choices are then the amounts for each of `PART_SIZES_ML`), or
    which amount of a "range". ``said`` keeps the words where they are more than a number and a unit. ``follows`` is the index of the
    pour that it is ``times`` of; ``ends`` are those of a range.
    """

    spoken: Measure | None = None
    said: str | None = None
    choices: tuple[Measure, ...] = ()
    asks: Ambiguity = ""
    follows: int | None = None
    times: float = 1.0
    ends: tuple[Measure, Measure] | None = None
    to_the_line: bool = False


def parse_typed(
    text: str,
    default_unit: Unit,
    pours: Sequence[tuple[Ingredient, str]] = (),
    own: int | None = None,
    part_ml: float | None = None,
    ounce_ml: float = BAR_OUNCE_ML,
) -> TypedAmount:
    """Read a typed amount, in figures or in words; ``default_unit`` is used where none is typed.

    ``pours`` are the drink's ingredients with their slots, so that "half the gin" and "as much as the sour" are understood; ``own`` is
    the index of the typed one. ``part_ml`` is the size of a part in this drink, where it is known.

    Raises
    ------
    NotAnAmount, OutOfRange, UnknownUnit
    OtherIngredient
        The words name another ingredient than the pour's.

    >>> parse_typed("scant barspoon", "ml").spoken
    Measure(amount=0.8, unit='barspoon')
    """
    words = " ".join(text.split())
    unsigned = re.sub(r"^[-−]+\s*(?=[\d.])", "", words)
    amount = parse_measure(unsigned) or _of_the_pour(unsigned, pours, own)
    if amount is not None and unsigned != words:
        raise OutOfRange("the amount", -amount.amount, 0, MAX_POUR_ML)
    if amount is None:
        if follows := _follows(words, pours, own):
            return TypedAmount(said=words, follows=follows[0], times=follows[1])
        raise _refusal(words)
    return _typed(amount, words, default_unit, part_ml, ounce_ml)


def _typed(amount: SpokenAmount, words: str, default_unit: Unit, part_ml: float | None, ounce_ml: float) -> TypedAmount:
    kept = words if amount.by_eye or not re.fullmatch(r"[\d\s./,¼½¾⅓⅔⅛⅜⅝⅞]+(fl\.? )?[a-zA-Z]*\.?", words) or amount.of else None
    if amount.kind == "line":
        return TypedAmount(said=words, to_the_line=True)
    if amount.kind == "taste":
        return TypedAmount(said=words, asks="range")
    if amount.unit in ASKED_ML:
        return TypedAmount(
            said=words, asks="which", choices=tuple(Measure(_checked_amount(amount.amount * ml), "ml") for ml in ASKED_ML[amount.unit])
        )
    if amount.unit == "spoon":
        return TypedAmount(said=words, asks="which", choices=(Measure(amount.amount, "barspoon"), Measure(amount.amount, "tbsp")))
    unit = next((known_unit for known_unit in UNITS if known_unit == amount.unit), default_unit)
    spoken = Measure(amount.amount, unit)
    if unit == "part" and part_ml is None:
        sizes = tuple(Measure(_checked_amount(amount.amount * ml), "ml") for ml in PART_SIZES_ML)
        return TypedAmount(spoken, words, sizes, "part")
    if amount.ends:
        low, high = amount.ends
        return TypedAmount(spoken, kept if amount.by_eye else None, ends=(Measure(low, unit), Measure(high, unit)))
    if amount.unit is None and amount.by_fraction and unit == "ml" and amount.amount < MOST_LIKELY_OUNCES_ML:
        # "Three quarters" refers to the displayed unit, but may mean an ounce at the bar; a wrong guess would ruin the drink.
        return TypedAmount(spoken, words, (spoken, Measure(_checked_amount(amount.amount * ounce_ml), "ml")), "which")
    return TypedAmount(spoken, kept)


def _checked_amount(amount: float) -> float:
    return round(amount, 3)


def _of_the_pour(words: str, pours: Sequence[tuple[Ingredient, str]], own: int | None) -> SpokenAmount | None:
    """Read a measure that names its ingredient, as in "2 oz of gin" or "top with soda"."""
    for start in ("measured", "spoken"):
        for amount, rest in beginnings(words, start):
            of = stems(re.sub(r"^(of|with)\b", "", rest))
            if not of or (amount.unit is None and amount.kind != "line"):
                continue
            lengthens = amount.kind == "line" or amount.unit == "splash"
            if own is None or not pours or _is_called(pours[own], of) or (lengthens and _LENGTHENED_WITH.issuperset(of)):
                return amount
            if any(_is_called(pour, of) for pour in pours) and not lengthens:
                raise OtherIngredient(rest, pours[own][0].name)
    return None


def _is_called(pour: tuple[Ingredient, str], words: Sequence[str]) -> bool:
    """Check whether words name a pour, by a name of its ingredient or by its slot."""
    ingredient, slot = pour
    if len(words) == 1 and slot in (words[0], _SLOT_WORDS.get(words[0])):
        return True
    return any(set(words) <= set(stems(name)) for name in (ingredient.name, *ingredient.also))


def _follows(words: str, pours: Sequence[tuple[Ingredient, str]], own: int | None) -> tuple[int, float] | None:
    """Return the index of the pour that an amount is relative to, and the factor: "half the gin", "as much as the sour"."""
    for amount, rest in beginnings(words, "times"):
        wanted = stems(rest)
        others = [(index, pour) for index, pour in enumerate(pours) if index != own]
        # A complete name counts more than a part of one, which another pour may share.
        for exact in (True, False):
            for index, pour in others:
                called = {stems(name) for name in (pour[0].name, *pour[0].also)}
                if wanted and (wanted in called if exact else _is_called(pour, wanted)):
                    return index, amount.amount
    return None


def _refusal(words: str) -> NotAnAmount | UnknownUnit:
    """Explain why a text isn't an amount: an unknown unit after a number, or the whole text."""
    number = next(((amount, rest) for amount, rest in beginnings(words) if amount.unit is None), None)
    if number and number[1].isalpha() and number[1] not in ("to", "or", "and", "of") and parse_measure(number[1]) is None:
        return UnknownUnit(number[1][:24], UNITS)
    return NotAnAmount(words[:40])
