"""Sensory training in a house file: sittings with their triangles, answered exercises, and trainings."""

from __future__ import annotations

from typing import Annotated, Any

from pydantic import Field, model_validator

from oenomel.core.larder import SlotName
from oenomel.core.sensory import Attribute, ExerciseKind
from oenomel.errors import SpecError
from oenomel.moments import moment_of
from oenomel.schemas.base import Entry, Level, Moment, Name, Plain
from oenomel.schemas.requests.sensory_requests import Who

__all__ = [
    "ExerciseOfHouse",
    "JugLine",
    "JugOfHouse",
    "JugsOfHouse",
    "SittingOfHouse",
    "TonguesOfHouse",
    "TrainingOfHouse",
    "TriangleOfHouse",
]

Glass = Annotated[int, Field(ge=1, le=3)]
Parts = Annotated[int, Field(ge=0, le=40)]
Json = dict[str, Any]


class TriangleOfHouse(Entry):
    """An answered triangle."""

    taster: Who
    steps: Annotated[float, Field(gt=0, le=8)]
    less_parts: Parts
    more_parts: Parts
    odd: Glass
    odd_is_more: bool
    asked_at: Moment
    answer: Glass | None = None
    found: bool
    answered_at: Moment

    @model_validator(mode="after")
    def _can_be(self) -> TriangleOfHouse:
        if self.more_parts <= self.less_parts:
            raise SpecError("triangles", "the glass that holds more must hold more parts than the other")
        if moment_of(self.answered_at) < moment_of(self.asked_at):
            raise SpecError("triangles", "one is answered before it was asked")
        return self


class JugLine(Entry):
    """One ingredient poured into a jug."""

    ingredient: Name
    ml: Annotated[float, Field(gt=0, le=10_000)]
    slot: SlotName = "other"


class JugOfHouse(Entry):
    """A jug: its pours, strength, sugar and acid, and the liqueur's share."""

    lines: Annotated[list[JugLine], Field(min_length=1, max_length=10)]
    volume_ml: Annotated[float, Field(gt=0, le=10_000)]
    level: Annotated[list[Level], Field(min_length=3, max_length=3)]
    smell: Annotated[float, Field(ge=0, le=1)]


class JugsOfHouse(Entry):
    """Both jugs of a sitting, the measure poured with, and how many make a glass."""

    less: JugOfHouse
    more: JugOfHouse
    part_ml: Annotated[float, Field(gt=0, le=10)]
    parts: Annotated[int, Field(ge=1, le=40)]


class SittingOfHouse(Entry):
    """A sitting of triangle tests."""

    matter: Attribute
    tasters: Annotated[list[Who], Field(min_length=1, max_length=12)]
    rounds: Annotated[int, Field(ge=1, le=40)]
    alone: bool = False
    grid_ml: Annotated[float, Field(ge=0.5, le=5)]
    bottles: Annotated[dict[Annotated[str, Field(max_length=20)], Name], Field(max_length=6)] = {}
    jugs: JugsOfHouse
    began_at: Moment
    ended_at: Moment | None = None
    triangles: Annotated[list[TriangleOfHouse], Field(max_length=500)] = []

    @model_validator(mode="after")
    def _ends_after_it_began(self) -> SittingOfHouse:
        if self.ended_at is not None and moment_of(self.ended_at) < moment_of(self.began_at):
            raise SpecError("sittings", "one ends before it began")
        return self


class ExerciseOfHouse(Entry):
    """An answered exercise: its question and its solution as shown."""

    taster: Who
    kind: ExerciseKind
    title: Annotated[Plain, Field(max_length=1000)]
    question: Json
    solution: Json
    asked_at: Moment
    said: Annotated[dict[str, str], Field(max_length=10)]
    score: Annotated[float, Field(ge=0, le=1)]
    answered_at: Moment

    @model_validator(mode="after")
    def _is_answered_after_it_was_asked(self) -> ExerciseOfHouse:
        if moment_of(self.answered_at) < moment_of(self.asked_at):
            raise SpecError("exercises", "one is answered before it was asked")
        return self


class TrainingOfHouse(Entry):
    """A taster in training, and since when."""

    taster: Who
    began_at: Moment


class TonguesOfHouse(Entry):
    """All sensory training of a bar."""

    sittings: list[SittingOfHouse] = []
    exercises: list[ExerciseOfHouse] = []
    training: list[TrainingOfHouse] = []
