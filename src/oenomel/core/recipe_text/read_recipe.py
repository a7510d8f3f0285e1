"""Records of a recipe that was read."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from oenomel.core.larder import Ingredient, Kind, SlotName
from oenomel.core.recipe_text.classify import Guess
from oenomel.core.recipe_text.method_sentences import MethodRead
from oenomel.core.spec import Stage, Unit

Taken = Literal["pour", "asked", "garnish", "edge", "made", "glass", "ice", "name", "heading", "note"]
Section = Literal["", "ingredients", "method", "garnish", "apart", "note"]
"""Kinds of lines, and sections of a recipe; ``apart`` is the recipe of an ingredient, such as a syrup."""


@dataclass(frozen=True, slots=True)
class TextLine:
    """A line of a recipe, and its section where that is known."""

    text: str
    section: Section = ""


@dataclass(frozen=True, slots=True)
class LineCorrection:
    """A person's correction of one line: its ingredient, its amount, or that it is left out."""

    slug: str = ""
    amount: str = ""
    left_out: bool = False


@dataclass(frozen=True, slots=True)
class ReadPour:
    """One pour as read.

    ``ingredient`` is None where none matches: then ``words`` name it, and ``kind`` is its kind by those words. ``ends`` are those of a
    range, in ``unit``.
    """

    words: str
    ingredient: Ingredient | None
    amount: float
    unit: Unit
    slot: SlotName
    stage: Stage
    said: str | None = None
    ends: tuple[float, float] | None = None
    optional: bool = False
    relative: tuple[int, float] | None = None
    kind: Kind = "other"


@dataclass(frozen=True, slots=True)
class ReadLine:
    """One line as read: its kind, the index of its pour if any, and other possible meanings.

    ``asks`` is the slug of an ingredient without an amount, ``amounts`` are other possible amounts.
    """

    text: str
    taken: Taken
    pour: int | None = None
    sure: bool = True
    others: tuple[str, ...] = ()
    why: str = ""
    asks: str = ""
    amounts: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class ReadRecipe:
    """A recipe as it was read."""

    name: str
    guess: Guess
    pours: tuple[ReadPour, ...]
    made: MethodRead
    lines: tuple[ReadLine, ...]
    notes: tuple[str, ...]
    reasons: tuple[str, ...]
    part_ml: float | None = None
