"""Spoken measures, parsed by the grammar `measures.lark`: figures, fractions and words, ranges, fruit, eggs, "top up"."""

from __future__ import annotations

import math
import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import cache, lru_cache
from importlib import resources
from typing import Any, Final, Literal

from lark import Lark, Token, Transformer, v_args
from lark.exceptions import LarkError, VisitError

from oenomel.core.larder import FRUIT
from oenomel.core.spec.drink import RINSE_ML

LONGEST_SAID: Final = 60
"""Most letters of an amount."""

FRUIT_ML: Final[Mapping[str, float]] = {name: fruit.piece_ml for name, fruit in FRUIT.items()}
"""Juice of one fruit, [ml]; fruit differs by half."""

MOST_FRUIT: Final = 4.0
"""Singular fruits up to which a number counts them; a larger one is a number of something else (house rule)."""

EGG_ML: Final[Mapping[str, float]] = {"white": 30.0, "yolk": 16.5, "egg": 48.0}
"""Volume of a large egg's parts, [ml]: the white by common practice, the others as in the catalogue."""

TOUCH_ML: Final = 6.5
SUGAR_CUBE_G: Final = 4.0
PINCH_G: Final = 0.3
HANDFUL_LEAVES: Final = 10.0
COUPLE: Final = 2.0
FEW: Final = 3.0
"""Amounts of words without a number (common practice; the pinch, the handful and the few from memory)."""

_SIZES: Final[Mapping[str, float]] = {
    "scant": 0.8, "short": 0.8, "skinny": 0.8, "barely": 0.9, "just shy of": 0.9, "shy of": 0.9,
    **{f"{hardly} {under}": 0.9 for hardly in ("just", "a little", "a bit", "slightly", "a touch") for under in ("under", "less than")},
    "level": 1.0, "exactly": 1.0, "precisely": 1.0, "flat": 1.0, "full": 1.0,
    **{f"{hardly} {over}": 1.1 for hardly in ("just", "a little", "a bit", "slightly", "a touch") for over in ("over", "more than")},
    "generous": 1.2, "hefty": 1.2, "heavy": 1.2, "big": 1.2, "good": 1.2, "fat": 1.2, "rounded": 1.2, "heaped": 1.5, "heaping": 1.5,
}  # fmt: skip
"""Factors of words that change a measure: scant by common practice, the others house rules."""

_ABOUT: Final = ("about", "around", "approximately", "approx", "roughly", "circa", "ca", "c", "maybe", "say", "nearly", "almost", "or so",
                 "more or less", "give or take", "just", "only")  # fmt: skip
_NOT_BY_EYE: Final = frozenset({"exactly", "precisely", "level", "flat", "full", "just", "only", "say"})
_THOUSANDS: Final = re.compile(r"(?<!\d)0*+[1-9]\d*+,\d{3}(?!\d)")
"""Words for approximate amounts; and a number that is either thousands or has three decimals, so that it is refused."""

_HEDGES: Final = re.compile(
    rf"(?<![a-z])(?:{'|'.join(re.escape(phrase) for phrase in sorted((*_SIZES, *_ABOUT), key=len, reverse=True))})(?![a-z])"
)
_SIZE_LAST: Final = re.compile(rf"(?<![a-z])(?:{'|'.join(map(re.escape, _SIZES))})$")
_BY_EYE_WORDS: Final = re.compile(
    r"(?<![a-z])(?:~|touch|little|bit|splash(?:es)?|handfuls?|hint|trace|"
    + "|".join(
        re.escape(phrase)
        for phrase in (*_SIZES, *_ABOUT)
        if phrase not in _NOT_BY_EYE and phrase not in ("short", "good", "fat", "big", "heavy")
    )
    + r")(?![a-z])"
)
_WORDS: Final[Mapping[str, int]] = {
    "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10, "eleven": 11,
    "twelve": 12, "fifteen": 15, "eighteen": 18, "twenty": 20, "thirty": 30, "forty": 40, "fifty": 50, "sixty": 60,
}  # fmt: skip
_AT_LEAST: Final = re.compile(rf"^an? (?:good|full|solid|cool|healthy) (?=(?:{'|'.join(_WORDS)}|\d+)\b)")
"""Words before a number that leave it as it is: "a good eight shakes" are eight."""

_ORDINALS: Final[Mapping[str, int]] = {"half": 2, "third": 3, "quarter": 4, "fourth": 4, "fifth": 5, "sixth": 6, "eighth": 8}
_VULGAR: Final[Mapping[str, str]] = {
    "¼": "1/4", "½": "1/2", "¾": "3/4", "⅓": "1/3", "⅔": "2/3", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8", "⅕": "1/5", "⅙": "1/6",
}  # fmt: skip
_OF_OTHERS: Final[Mapping[str, tuple[float, str]]] = {
    "LITRE": (1000.0, "ml"), "DL": (100.0, "ml"), "PINCH": (PINCH_G, "g"), "PONY": (30.0, "ml"), "SPRIG": (1.0, "piece"),
    "HANDFUL": (HANDFUL_LEAVES, "leaf"), "GRAM": (1.0, "g"),
}  # fmt: skip
"""Spoken units that a spec doesn't use, as a factor and a spec's unit."""

Kind = Literal["amount", "range", "line", "taste"]
Start = Literal["spoken", "measured", "times"]


@dataclass(frozen=True, slots=True)
class SpokenAmount:
    """Amount as read from words.

    Parameters
    ----------
    kind : Kind             an amount; a range between ``ends``; up to the line of the glass; or to taste
    amount : float          in ``unit``; of a range its middle
    unit : str or None      a unit of a file, or one of the words that have to be asked after: jigger, shot, spoon; None: whatever is shown
    ends : pair of float or None
    by_eye : bool           whether nobody measured it (a spread of 20 %, docs/model/spec.md)
    by_fraction : bool      whether the number was a fraction, in figures or in words
    of : str                what it is of, where the words tell: lime juice, egg white, sugar
    """

    kind: Kind = "amount"
    amount: float = 1.0
    unit: str | None = None
    ends: tuple[float, float] | None = None
    by_eye: bool = False
    by_fraction: bool = False
    of: str = ""


def is_by_eye(words: str) -> bool:
    """Check whether words for an amount say that it isn't measured.

    >>> is_by_eye("about 20"), is_by_eye("three quarters")
    (True, False)
    """
    return _BY_EYE_WORDS.search(plain(words)) is not None


@lru_cache(maxsize=4096)
def plain(text: str) -> str:
    """Normalize a text: lower case, fractions as 1/2, ranges with "to", units apart from their numbers.

    >>> plain("1½–2oz")
    '1 1/2 to 2 oz'
    """
    text = " ".join(text.lower().replace("’", "'").replace("⁄", "/").split())
    text = re.sub(r"(?:(\d) ?| ?)([¼½¾⅓⅔⅛⅜⅝⅞⅕⅙])", lambda m: f"{m[1]} {_VULGAR[m[2]]}" if m[1] else _VULGAR[m[2]], text)
    text = re.sub(r"(\d)-(\d+/\d)", r"\1 \2", text)
    text = re.sub(r"(?<=[\da-z])\s*(?:–|—|−|\.\.\.?|…)\s*(?=[\d.])|(?<=\d)\s*-\s*(?=[\d.])", " to ", text)
    text = re.sub(r"([a-z])-([a-z])", r"\1 \2", text)
    text = re.sub(r"(\d),(\d)", r"\1.\2", text)
    text = re.sub(r"(\d)(?=[a-z])", r"\1 ", text)
    text = re.sub(r"(?<=[a-z])\.(?=\s|$)", "", text)
    text = re.sub(r"(?<=\d )ish\b|(?<=\d)\s?-\s?ish\b", " or so", text)
    text = re.sub(r"^~\s*", "about ", text)
    return " ".join(text.split())


def parse_measure(text: str, start: Start = "spoken") -> SpokenAmount | None:
    """Parse a whole text as a measure; None where it isn't one, or is negative."""
    if len(text) > LONGEST_SAID:
        return None
    return _read(text, start)


def beginnings(text: str, start: Start = "measured", most: int = 9) -> Iterator[tuple[SpokenAmount, str]]:
    """Yield each beginning of a text that is a measure, with the remaining words; the longest first."""
    words = [] if _THOUSANDS.search(text) else plain(text).split()
    for count in range(min(len(words), most), 0, -1):
        amount = parse_measure(" ".join(words[:count]), start)
        if amount is not None:
            yield amount, " ".join(words[count:])


@lru_cache(maxsize=4096)
def _read(text: str, start: Start) -> SpokenAmount | None:
    if _THOUSANDS.search(text):
        return None
    words = plain(text)
    if re.match(r"[-−]\s*[\d.]", words):
        return None
    if _SIZE_LAST.search(words):  # "30 ml heavy" is the beginning of heavy cream
        return None
    words = _AT_LEAST.sub("", words)
    by_eye = _BY_EYE_WORDS.search(words) is not None
    factor = math.prod(_SIZES.get(hedge, 1.0) for hedge in _HEDGES.findall(words))
    words = " ".join(_HEDGES.sub(" ", words).split()).replace("half a dozen", "6")
    words = re.sub(r"^between (.+) and (.+?)$", r"\1 to \2", words)
    words = re.sub(r"^from (?=.+ to )", "", words)
    try:
        amount: SpokenAmount = _Meaning().transform(_grammar().parse(words, start=start))
    except VisitError as error:
        if isinstance(error.orig_exc, ZeroDivisionError | _Unreadable):
            return None
        raise
    except LarkError:
        return None
    return _times(amount, factor, by_eye)


def _times(amount: SpokenAmount, factor: float, by_eye: bool) -> SpokenAmount:
    ends = (round(amount.ends[0] * factor, 6), round(amount.ends[1] * factor, 6)) if amount.ends else None
    return replace(amount, amount=round(amount.amount * factor, 9), ends=ends, by_eye=by_eye or amount.by_eye)


class _Unreadable(ValueError):
    """Words that the grammar accepts but that have no meaning together."""


@cache
def _grammar() -> Lark:
    text = (resources.files("oenomel.core.spec") / "measures.lark").read_text(encoding="utf-8")
    return Lark(text, parser="lalr", start=["spoken", "measured", "times"])


@dataclass(frozen=True, slots=True)
class _Number:
    value: float
    by_fraction: bool = False


@v_args(inline=True)
class _Meaning(Transformer[Token, Any]):
    """Meaning of each rule of the grammar."""

    def spoken(self, meant: SpokenAmount) -> SpokenAmount:
        return meant

    measured = spoken

    # Numbers
    def whole(self, token: Token) -> _Number:
        return _Number(float(sum(_WORDS[word] for word in token.split())) if token.type == "CARDINAL" else float(token))

    def part(self, *tokens: Token) -> _Number:
        *before, name = (token for token in tokens if token.type != "A")
        if name.type == "FRACTION":
            return _Number(float(Fraction(name)), by_fraction=True)
        count = _WORDS[before[0]] if before else 1
        return _Number(count / _ORDINALS["half" if name.type == "HALF" else name.removesuffix("s")], by_fraction=True)

    def number(self, *parts: _Number | Token) -> _Number:
        numbers = [part for part in parts if isinstance(part, _Number)]
        return _Number(sum(part.value for part in numbers), any(part.by_fraction for part in numbers))

    def couple(self, *_: object) -> _Number:
        return _Number(COUPLE)

    def few(self, *_: object) -> _Number:
        return _Number(FEW)

    def dozen(self, *_: object) -> _Number:
        return _Number(12.0)

    # Measures
    def unit(self, token: Token) -> tuple[float, str]:
        return _OF_OTHERS.get(token.type, (1.0, token.type.lower()))

    leaf = unit

    def bare(self, number: _Number) -> SpokenAmount:
        return SpokenAmount(amount=number.value, by_fraction=number.by_fraction)

    def counted(self, number: _Number, *rest: Any) -> SpokenAmount:
        times, unit = rest[-1]
        herb = next((str(token).removeprefix("fresh ") for token in rest[:-1] if token is not None and token.type == "HERB"), "")
        return SpokenAmount(amount=number.value * times, unit=unit, by_fraction=number.by_fraction, of=herb)

    def one(self, *rest: Any) -> SpokenAmount:
        return self.counted(_Number(1.0), *rest)

    def one_and(self, _a: Token, unit: tuple[float, str], part: _Number) -> SpokenAmount:
        return self.counted(_Number(1.0 + part.value, by_fraction=True), unit)

    def counted_and(self, whole: _Number, unit: tuple[float, str], part: _Number) -> SpokenAmount:
        return self.counted(_Number(whole.value + part.value, by_fraction=True), unit)

    def measure(self, meant: SpokenAmount) -> SpokenAmount:
        return meant

    def span(self, low: SpokenAmount, high: SpokenAmount) -> SpokenAmount:
        if low.unit is None:
            low = replace(low, unit=high.unit)
        if low.unit != high.unit and high.unit is not None:
            raise _Unreadable
        if low.amount > high.amount:
            raise _Unreadable
        middle = round((low.amount + high.amount) / 2, 3)
        return SpokenAmount(
            "range", middle, low.unit, (low.amount, high.amount), by_fraction=low.by_fraction or high.by_fraction, of=high.of
        )

    # What has a name and no unit
    def fresh(self, *_: Token) -> None:
        return None

    juice_of = fresh

    def how_many(self, number: _Number | Token, *_: Token) -> _Number:
        return number if isinstance(number, _Number) else _Number(1.0)

    def fruit(self, *parts: _Number | Token | None) -> SpokenAmount:
        number = next(part for part in parts if isinstance(part, _Number))
        name = next(str(part) for part in parts if isinstance(part, Token) and part.type == "FRUIT")
        fruit = name.removesuffix("'s").removesuffix("s")
        juiced = any(isinstance(part, Token) and part.type in ("JUICE", "JUICED") for part in parts)
        if number.value > MOST_FRUIT and fruit == name and not juiced:  # "25 lemon" are no lemons
            raise _Unreadable
        return SpokenAmount(amount=round(number.value * FRUIT_ML[fruit], 6), unit="ml", of=f"{fruit} juice")

    def egg(self, *parts: _Number | Token | None) -> SpokenAmount:
        number = next((part for part in parts if isinstance(part, _Number)), _Number(1.0))
        name = next(str(part) for part in parts if isinstance(part, Token))
        part = "white" if "white" in name else "yolk" if "yolk" in name else "egg"
        of = {"white": "egg white", "yolk": "egg yolk", "egg": "whole egg"}[part]
        return SpokenAmount(amount=number.value * EGG_ML[part], unit="ml", of=of)

    def egg_of(self, *parts: _Number | Token) -> SpokenAmount:
        return self.egg(*(part for part in parts if isinstance(part, _Number) or part.type == "EGG_SHORT"))

    def cube(self, *parts: _Number | Token) -> SpokenAmount:
        number = next((part for part in parts if isinstance(part, _Number)), _Number(1.0))
        return SpokenAmount(amount=number.value * SUGAR_CUBE_G, unit="g", of="sugar cube")

    def line(self, *_: Token) -> SpokenAmount:
        return SpokenAmount("line")

    def taste(self, *_: Token) -> SpokenAmount:
        return SpokenAmount("taste")

    def touch(self, *_: Token) -> SpokenAmount:
        return SpokenAmount(amount=TOUCH_ML, unit="ml", by_eye=True)

    def rinse(self, *_: Token) -> SpokenAmount:
        return SpokenAmount(amount=RINSE_ML, unit="ml")

    # So many times another pour
    def share(self, part: _Number, *_: Token) -> SpokenAmount:
        return SpokenAmount(amount=part.value)

    def twice(self, *_: Token) -> SpokenAmount:
        return SpokenAmount(amount=2.0)

    def thrice(self, *_: Token) -> SpokenAmount:
        return SpokenAmount(amount=3.0)

    def so_many(self, number: _Number, *_: Token) -> SpokenAmount:
        return SpokenAmount(amount=number.value)

    def same(self, *_: Token) -> SpokenAmount:
        return SpokenAmount(amount=1.0)

    def times(self, meant: SpokenAmount) -> SpokenAmount:
        return meant
