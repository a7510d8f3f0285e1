"""Amounts in the words of the bar: "scant barspoon", "half a lime", "half the gin", "7.5 to 22.5", "top to the line", "a jigger"."""

from __future__ import annotations

import contextlib
import re
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.larder import Ingredient
from oenomel.core.spec.drink import RINSE_STAYS_ML
from oenomel.core.spec.units import Measure, parse_amount, parse_measure
from oenomel.errors import DomainError, NotAnAmount

JIGGERS_ML: Final = (30.0, 45.0, 60.0)
"""What "a jigger" may be, [ml]: the word is ambiguous, so it is asked (domain.md)."""

SCANT: Final = 0.8
TOUCH_ML: Final = 6.5
EGG_WHITE_ML: Final = 30.0
SUGAR_CUBE_G: Final = 4.0
"""A scant measure as a share of it; "a touch" by eye; a large egg's white; a cube of sugar (domain.md)."""

FRUIT_ML: Final = {"lime": 22.5, "lemon": 45.0, "orange": 75.0, "grapefruit": 150.0}
"""Juice of one fruit, [ml]: the lime by domain.md, the others common practice from memory; fruit differs by half."""

_NUMBERS: Final = {
    "a": "1", "an": "1", "one": "1", "two": "2", "three": "3", "four": "4", "five": "5", "six": "6", "seven": "7", "eight": "8",
    "nine": "9",
    "ten": "10", "eleven": "11", "twelve": "12", "half a": "1/2", "half an": "1/2", "half": "1/2", "a half": "1/2", "a quarter": "1/4",
    "quarter": "1/4", "three quarters": "3/4", "one and a half": "1 1/2", "a third": "1/3", "two thirds": "2/3",
}  # fmt: skip
_SHARES: Final = {"half": 0.5, "a third": 1 / 3, "a quarter": 0.25, "twice": 2.0, "double": 2.0, "as much": 1.0, "the same": 1.0}
_NUMBER: Final = re.compile(rf"^({'|'.join(sorted(map(re.escape, _NUMBERS), key=len, reverse=True))})\b\s*(?:of\s+an?\s+)?", re.IGNORECASE)
_RANGE: Final = re.compile(r"^\s*(\S.*?)\s*(?:–|—|-|\bto\b|\.\.)\s*(\d.*|[¼½¾⅓⅔⅛⅜⅝⅞].*)$")
_FRUIT: Final = re.compile(rf"^(?:the\s+)?(?:juice\s+of\s+)?(.*?)\s*\b({'|'.join(FRUIT_ML)})s?$")
_FOLLOWS: Final = re.compile(rf"^({'|'.join(map(re.escape, _SHARES))})\s+(?:as\s+|of\s+|as\s+much\s+as\s+)?(?:the\s+)?(.+)$")
_TO_THE_LINE: Final = re.compile(r"^(top|fill|up)?\s*(up\s+)?(to\s+)?the\s+line$|^top\s+up$|^top$|^to the brim$")


@dataclass(frozen=True, slots=True)
class TypedAmount:
    """What a typed amount means.

    ``spoken`` is the amount and its unit; None where one has to choose among ``choices`` or where the glass decides (``to_the_line``).
    ``said`` keeps the words where they are more than a number and a unit. ``follows`` is the name of the pour that it is so many
    ``times`` of; ``ends`` are those of a range.
    """

    spoken: Measure | None = None
    said: str | None = None
    choices: tuple[Measure, ...] = ()
    follows: int | None = None
    times: float = 1.0
    ends: tuple[Measure, Measure] | None = None
    to_the_line: bool = False


def parse_typed(text: str, default_unit: str, pours: Sequence[tuple[Ingredient, str]] = (), own: int | None = None) -> TypedAmount:
    """A typed amount, in figures or in words; ``default_unit`` is meant where none is typed.

    ``pours`` are the drink's ingredients with their slots, so that "half the gin" and "as much as the sour" can be told; ``own`` is the
    place of the one that is typed.

    Raises
    ------
    NotAnAmount, OutOfRange, UnknownUnit

    >>> parse_typed("scant barspoon", "ml").spoken
    Measure(amount=0.8, unit='barspoon')
    """
    words = " ".join(text.lower().replace("’", "'").split())
    if _TO_THE_LINE.match(words):
        return TypedAmount(said=text.strip(), to_the_line=True)
    if words in ("jigger", "a jigger", "one jigger"):
        return TypedAmount(said=text.strip(), choices=tuple(Measure(ml, "ml") for ml in JIGGERS_ML))
    if follows := _follows(words, pours, own):
        index, times = follows
        return TypedAmount(said=text.strip(), follows=index, times=times)
    if ends := _range(text, default_unit):
        return TypedAmount(spoken=_middle(*ends), ends=ends)
    if named := _named_measure(words):
        return TypedAmount(spoken=named, said=text.strip())
    return _in_numbers(text, words, default_unit)


def _in_numbers(text: str, words: str, default_unit: str) -> TypedAmount:
    scant = words.startswith(("scant ", "a scant "))
    rest = words.removeprefix("a ").removeprefix("scant ").strip() if scant else words
    number = _NUMBER.match(rest)
    if number:
        figures = f"{_NUMBERS[number[1]]} {rest[number.end() :]}"
    elif scant and not rest[:1].isdigit() and rest[:1] not in "¼½¾⅓⅔⅛⅜⅝⅞.":
        figures = f"1 {rest}"
    else:
        figures = rest
    # "Three quarters" said at the bar are of an ounce; written as a number they are of what the pour is measured in.
    unit = "oz" if number and "/" in _NUMBERS[number[1]] and not rest[number.end() :].strip() else default_unit
    try:
        spoken = parse_measure(figures, unit)
    except NotAnAmount:
        # A bare "barspoon" is one of them; of anything else the sentence names what was typed.
        with contextlib.suppress(DomainError):
            if words.replace(" ", "").isalpha():
                return TypedAmount(spoken=parse_measure(f"1 {words}", default_unit), said=text.strip())
        raise NotAnAmount(text.strip()[:24]) from None
    if scant:
        spoken = Measure(round(spoken.amount * SCANT, 6), spoken.unit)
    return TypedAmount(spoken=spoken, said=text.strip() if scant or number else None)


def _named_measure(words: str) -> Measure | None:
    """Measures that have a name and no unit."""
    if re.fullmatch(r"(just )?a (touch|little)", words):
        return Measure(TOUCH_ML, "ml")
    if re.fullmatch(r"(a |an |one )?egg white", words):
        return Measure(EGG_WHITE_ML, "ml")
    if re.fullmatch(r"a rinse|rinse", words):
        return Measure(RINSE_STAYS_ML, "ml")
    if cubes := re.fullmatch(r"(?:(\d+|a|one|two|three) )?(?:sugar )?cubes?", words):
        count = parse_amount(_NUMBERS.get(cubes[1] or "one", cubes[1] or "1"))
        return Measure(count * SUGAR_CUBE_G, "g")
    if fruit := _FRUIT.match(words):
        how_many = fruit[1].strip().removesuffix(" of").strip() or "one"
        try:
            count = parse_amount(_NUMBERS.get(how_many, how_many))
        except NotAnAmount:
            return None
        return Measure(round(count * FRUIT_ML[fruit[2]], 6), "ml")
    return None


def _follows(words: str, pours: Sequence[tuple[Ingredient, str]], own: int | None) -> tuple[int, float] | None:
    """Which pour is followed, and how many times of it, in "half the gin" or "as much as the sour"."""
    match = _FOLLOWS.match(words)
    if not match:
        return None
    wanted = re.sub(r"^(as|of)\s+", "", match[2]).removeprefix("the ").strip()
    for index, (ingredient, slot) in enumerate(pours):
        if index != own and (slot == wanted or wanted == ingredient.name.lower() or wanted in ingredient.name.lower().split()):
            return index, _SHARES[match[1]]
    return None


def _range(text: str, default_unit: str) -> tuple[Measure, Measure] | None:
    match = _RANGE.match(text)
    if not match:
        return None
    try:
        high = parse_measure(match[2], default_unit)
        low = parse_measure(match[1], high.unit)
    except DomainError:
        return None
    return (low, high) if low.unit == high.unit and low.amount <= high.amount else None


def _middle(low: Measure, high: Measure) -> Measure:
    return Measure(round((low.amount + high.amount) / 2, 3), low.unit)
