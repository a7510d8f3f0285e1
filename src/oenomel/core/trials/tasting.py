"""Verdict of a tasting sheet (docs/model/trials.md, "Palate")."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final

from oenomel.core.balance import AXES
from oenomel.errors import DomainError, OutOfRange

STRENGTHS: Final = ("a touch", "clearly", "much")
"""Words for the sizes of a complaint, weakest first: 1 to 3 on the sheet."""

_COMPLAINTS: Final = {
    "sugar": ("too sweet", "too dry"),
    "acid": ("too sharp", "too dull"),
    "abv": ("too strong", "too weak"),
    "body": ("too heavy", "too thin"),
}
"""Words for too much, and for too little."""


@dataclass(frozen=True, slots=True)
class Verdict:
    """Verdict on each axis and on the body, −3 (much too little) over 0 (right) to 3 (much too much); None where none was given.

    ``loud`` is the slug of the ingredient that drowns the rest, or empty; ``lacking`` whether something is missing.

    Raises
    ------
    OutOfRange
    """

    sugar: int | None = None
    acid: int | None = None
    abv: int | None = None
    body: int | None = None
    loud: str = ""
    lacking: bool = False

    def __post_init__(self) -> None:
        for name in _COMPLAINTS:
            value = getattr(self, name)
            if value is not None and not -3 <= value <= 3:
                raise OutOfRange(f"the score for {name}", value, -3, 3)
            if value is not None and value != int(value):
                raise DomainError(f"the score for {name} must be a whole number")

    @property
    def axes(self) -> tuple[int | None, ...]:
        """Verdicts on sweetness, acidity and strength, in this order."""
        return self.sugar, self.acid, self.abv


def complaint_words(axis: str, sign: int) -> str:
    """Return the complaint for too much (1) or too little (−1) of sugar, acid, abv or body.

    >>> complaint_words("acid", -1)
    'too dull'
    """
    return _COMPLAINTS[axis][0 if sign > 0 else 1]


def verdict_words(verdict: Verdict) -> str:
    """Describe a verdict, the strongest complaint first; empty for none.

    >>> verdict_words(Verdict(sugar=0, acid=2, body=-1))
    'clearly too sharp, a touch too thin'
    """
    complaints = [(name, getattr(verdict, name)) for name in (*AXES, "body") if getattr(verdict, name)]
    complaints_in_words = [
        f"{STRENGTHS[abs(n) - 1]} {_COMPLAINTS[name][0 if n > 0 else 1]}" for name, n in sorted(complaints, key=lambda each: -abs(each[1]))
    ]
    if verdict.loud:
        complaints_in_words.append("one ingredient too loud")
    if verdict.lacking:
        complaints_in_words.append("something missing")
    if complaints_in_words:
        return ", ".join(complaints_in_words)
    return "right" if 0 in (*verdict.axes, verdict.body) else ""
