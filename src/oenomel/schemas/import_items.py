"""Items of an import: each new, the same, or different, with the choices for it."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Final, Literal, get_args

__all__ = ["CHOICES", "Choice", "Item", "Side"]

State = Literal["new", "same", "differs"]
Choice = Literal["leave", "add", "beside", "take"]
CHOICES: Final[tuple[Choice, ...]] = get_args(Choice)


@dataclass(frozen=True, slots=True)
class Side:
    """One difference: the bar's value, and the file's."""

    what: str
    here: str
    comes: str


@dataclass(frozen=True, slots=True)
class Item:
    """One thing of an import: a drink, an ingredient and so on.

    ``choices`` are what can be done with one that differs: leave it out, add its trials to the bar's, add it as a drink of its own, or
    replace the bar's version (never a trial).
    """

    key: str
    kind: str
    name: str
    state: State
    words: str
    choices: tuple[Choice, ...] = ()
    sides: tuple[Side, ...] = field(default=())
