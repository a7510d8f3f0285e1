"""Tongues in a house file: sittings with their triangles, exercises that were answered, and who is in training."""

from __future__ import annotations

from typing import Annotated, Any

from pydantic import Field

from oenomel.core.larder import SlotName
from oenomel.core.tongue import ExerciseKind, Matter
from oenomel.interchange.models import Entry, Level, Name, Plain
from oenomel.interchange.requests.tongue import Who

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

Told = Annotated[str, Field(pattern=r"^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(\+00:00|Z)$", max_length=40)]
Glass = Annotated[int, Field(ge=1, le=3)]
Parts = Annotated[int, Field(ge=0, le=40)]
Json = dict[str, Any]


class TriangleOfHouse(Entry):
    """A triangle that was answered."""

    taster: Who
    steps: Annotated[float, Field(gt=0, le=8)]
    less_parts: Parts
    more_parts: Parts
    odd: Glass
    odd_is_more: bool
    asked_at: Told
    answer: Glass | None = None
    found: bool
    answered_at: Told


class JugLine(Entry):
    """What was poured into a jug."""

    ingredient: Name
    ml: Annotated[float, Field(gt=0, le=10_000)]
    slot: SlotName = "other"


class JugOfHouse(Entry):
    """A jug: what was poured, and what that came to: strength, sugar and acid, the liqueur's share."""

    lines: Annotated[list[JugLine], Field(min_length=1, max_length=10)]
    volume_ml: Annotated[float, Field(gt=0, le=10_000)]
    level: Annotated[list[Level], Field(min_length=3, max_length=3)]
    smell: Annotated[float, Field(ge=0, le=1)]


class JugsOfHouse(Entry):
    """Both jugs of a sitting, what was measured with, and how many of that a glass holds."""

    less: JugOfHouse
    more: JugOfHouse
    part_ml: Annotated[float, Field(gt=0, le=10)]
    parts: Annotated[int, Field(ge=1, le=40)]


class SittingOfHouse(Entry):
    """A sitting of triangle tests."""

    matter: Matter
    tasters: Annotated[list[Who], Field(min_length=1, max_length=12)]
    rounds: Annotated[int, Field(ge=1, le=40)]
    alone: bool = False
    grid_ml: Annotated[float, Field(ge=0.5, le=5)]
    bottles: Annotated[dict[Annotated[str, Field(max_length=20)], Name], Field(max_length=6)] = {}
    jugs: JugsOfHouse
    began_at: Told
    ended_at: Told | None = None
    triangles: Annotated[list[TriangleOfHouse], Field(max_length=500)] = []


class ExerciseOfHouse(Entry):
    """An exercise that was answered: the question and its solution as they were told."""

    taster: Who
    kind: ExerciseKind
    title: Annotated[Plain, Field(max_length=1000)]
    question: Json
    solution: Json
    asked_at: Told
    said: Annotated[dict[str, str], Field(max_length=10)]
    score: Annotated[float, Field(ge=0, le=1)]
    answered_at: Told


class TrainingOfHouse(Entry):
    """Who is in training, and since when."""

    taster: Who
    began_at: Told


class TonguesOfHouse(Entry):
    """All that a house has learnt of tongues."""

    sittings: list[SittingOfHouse] = []
    exercises: list[ExerciseOfHouse] = []
    training: list[TrainingOfHouse] = []
