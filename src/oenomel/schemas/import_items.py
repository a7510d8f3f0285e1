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
    """One thing that differs: what the bar has, and what comes."""

    what: str
    here: str
    comes: str


@dataclass(frozen=True, slots=True)
class Item:
    """A drink, a bottle or the like that is carried in.

    ``choices`` are what can be done with one that differs: leave it out, add its trials to those that are here, put it beside as a drink
    of its own, or take it in place of what is here (never a trial).
    """

    key: str
    kind: str
    name: str
    state: State
    words: str
    choices: tuple[Choice, ...] = ()
    sides: tuple[Side, ...] = field(default=())
