"""A sitting of triangle tests, an answer and an exercise in a request."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, StringConstraints

from oenomel.core.sensory import Attribute, ExerciseKind
from oenomel.schemas.base import Entry, Plain

__all__ = ["AnswerEntry", "ExerciseAnswerEntry", "ExerciseEntry", "SittingEntry", "TrainingEntry", "Who"]

Who = Annotated[Plain, StringConstraints(strip_whitespace=True, min_length=1, max_length=100)]
Bottle = Annotated[Plain, Field(max_length=200)]


class SittingEntry(Entry):
    """A sitting: attribute, tasters, triangles for each, whether a taster pours alone, the smallest measure in ml, and the ingredients
    by role (an empty slug lets the bar choose the simplest in stock).
    """

    matter: Attribute
    tasters: Annotated[list[Who], Field(min_length=1, max_length=12)]
    rounds: Annotated[int, Field(ge=1, le=24)] = 6
    alone: bool = False
    grid: Annotated[float, Field(ge=0.5, le=5, allow_inf_nan=False)] = 2.5
    sour: Bottle = ""
    sweet: Bottle = ""
    base: Bottle = ""
    liqueur: Bottle = ""


class AnswerEntry(Entry):
    """The odd glass, 1 to 3; or, for somebody alone, whether it was found."""

    glass: Annotated[int, Field(ge=1, le=3)] | None = None
    found: bool | None = None


class ExerciseEntry(Entry):
    """An exercise for a taster."""

    taster: Who
    kind: ExerciseKind


class ExerciseAnswerEntry(Entry):
    """Answers to an exercise, by question."""

    said: Annotated[dict[Annotated[str, Field(max_length=40)], Annotated[str, Field(max_length=40)]], Field(max_length=10)]


class TrainingEntry(Entry):
    """Taster who begins the weekly plan."""

    taster: Who
