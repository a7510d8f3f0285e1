"""The letters that a pattern takes longest over: its own repeated parts, pumped, behind what leads to them."""

from __future__ import annotations

import re
import signal
import time
from collections.abc import Iterator, Sequence
from re import _constants as op  # type: ignore[attr-defined]
from re import _parser as parser  # type: ignore[attr-defined]
from typing import Any, Final

__all__ = ["TooLong", "seconds_over", "texts_against"]

_ENDS: Final = ("", "\x01", "!", "x")
_MANY: Final = 12
_FEW: Final = 4
_CATEGORIES: Final = {
    op.CATEGORY_SPACE: " ", op.CATEGORY_NOT_SPACE: "a", op.CATEGORY_DIGIT: "1", op.CATEGORY_NOT_DIGIT: "a",
    op.CATEGORY_WORD: "a", op.CATEGORY_NOT_WORD: " ",
}  # fmt: skip


class TooLong(Exception):
    """A pattern was still looking when its time was over."""


def _letters(items: Sequence[Any]) -> list[str]:
    """Letters that a class takes: the first of each of its parts, or of what it doesn't shut out."""
    if items and items[0][0] is op.NEGATE:
        shut = re.compile("[" + "".join(_as_class(each) for each in items[1:]) + "]")
        return [letter for letter in " a1,-x(" if not shut.match(letter)][:_FEW] or ["\x02"]
    found: list[str] = []
    for kind, value in items:
        if kind is op.LITERAL:
            found.append(chr(value))
        elif kind is op.RANGE:
            found.append(chr(value[0]))
        elif kind is op.CATEGORY:
            found.append(_CATEGORIES[value])
    return found[:_FEW]


def _as_class(item: Any) -> str:
    kind, value = item
    if kind is op.LITERAL:
        return re.escape(chr(value))
    if kind is op.RANGE:
        return f"{re.escape(chr(value[0]))}-{re.escape(chr(value[1]))}"
    return {op.CATEGORY_SPACE: r"\s", op.CATEGORY_NOT_SPACE: r"\S", op.CATEGORY_DIGIT: r"\d", op.CATEGORY_NOT_DIGIT: r"\D",
            op.CATEGORY_WORD: r"\w", op.CATEGORY_NOT_WORD: r"\W"}[value]  # fmt: skip


def _samples(parsed: Any) -> list[str]:
    """Texts that a pattern takes, a few of them."""
    texts = [""]
    for kind, value in parsed:
        parts = _samples_of(kind, value)
        texts = [text + part for text in texts[:_FEW] for part in parts[:_FEW]][:_MANY]
    return texts


def _samples_of(kind: Any, value: Any) -> list[str]:
    if kind is op.LITERAL:
        return [chr(value)]
    if kind is op.NOT_LITERAL:
        return [letter for letter in "a 1" if ord(letter) != value][:2]
    if kind is op.ANY:
        return ["a", " "]
    if kind is op.IN:
        return _letters(value)
    if kind is op.BRANCH:
        return [text for each in value[1] for text in _samples(each)][:_MANY]
    if kind is op.SUBPATTERN:
        return _samples(value[3])
    if kind is op.ATOMIC_GROUP:
        return _samples(value)
    if kind in (op.MAX_REPEAT, op.MIN_REPEAT, op.POSSESSIVE_REPEAT):
        low, _, body = value
        return [text * max(low, 1) for text in _samples(body)][:_FEW] + ([""] if low == 0 else [])
    return [""]


def _pumps(parsed: Any, before: str = "") -> Iterator[tuple[str, str]]:
    """Pairs of what leads to a repeated part and what that part repeats."""
    for kind, value in parsed:
        if kind in (op.MAX_REPEAT, op.MIN_REPEAT, op.POSSESSIVE_REPEAT):
            _, most, body = value
            if most > 1:
                yield from ((before, text) for text in dict.fromkeys(_samples(body)) if text)
            yield from _pumps(body, before)
        elif kind is op.BRANCH:
            for each in value[1]:
                yield from _pumps(each, before)
        elif kind is op.SUBPATTERN:
            yield from _pumps(value[3], before)
        elif kind is op.ATOMIC_GROUP:
            yield from _pumps(value, before)
        elif kind in (op.ASSERT, op.ASSERT_NOT):
            yield from _pumps(value[1], before)
        before += next((text for text in _samples_of(kind, value) if text), "")


def texts_against(pattern: re.Pattern[str], length: int) -> Iterator[str]:
    """Texts of a length made of a pattern's own repeated parts, alone, behind what leads to them, and in turns."""
    parsed = parser.parse(pattern.pattern, pattern.flags & ~re.DEBUG)
    pumps = list(dict.fromkeys(_pumps(parsed)))
    leads = list(dict.fromkeys([lead for lead, _ in pumps] + _samples(parsed)[:_FEW]))
    units = dict.fromkeys([pump for _, pump in pumps] + [lead + pump for lead, pump in pumps] + leads + [" ", "a", "1", "a ", " ,", "1 "])
    for unit in units:
        if unit:
            many = unit * (length // len(unit) + 1)
            yield from (many[:length] + end for end in _ENDS)
    for lead, pump in pumps:
        if lead:
            yield from (lead + (pump * length)[:length] + end for end in _ENDS)
    short = [unit for unit in units if unit][:_MANY]
    for first in short:
        for second in short:
            if first != second:
                yield (first * length)[: length // 2] + (second * length)[: length // 2] + "\x01"


def seconds_over(pattern: re.Pattern[str], text: str, most: float) -> float:
    """Seconds of the processor's time that a pattern takes to find all that it finds in a text; other programs aren't counted.

    Raises
    ------
    TooLong
        It was still looking after ``most`` seconds.
    """

    def stop(*_: object) -> None:
        raise TooLong

    before = signal.signal(signal.SIGVTALRM, stop)
    signal.setitimer(signal.ITIMER_VIRTUAL, most)
    start = time.thread_time()
    try:
        for _ in pattern.finditer(text):
            pass
    finally:
        signal.setitimer(signal.ITIMER_VIRTUAL, 0)
        signal.signal(signal.SIGVTALRM, before)
    return time.thread_time() - start
