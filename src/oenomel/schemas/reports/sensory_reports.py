"""Thresholds, sessions of triangle tests and exercises, as JSON. Numbers are not rounded; rounding is for the screen."""

from __future__ import annotations

from oenomel.core.sensory import Attribute, ExerciseKind
from oenomel.core.sensory.training_plan import Day
from oenomel.core.sensory.triangle import GlassLine
from oenomel.schemas.base import Report
from oenomel.schemas.spec_file import SpecFile

__all__ = [
    "AskReport",
    "BottleReport",
    "DoneReport",
    "ExerciseReport",
    "JobReport",
    "JugLineReport",
    "JugReport",
    "KeyReport",
    "KnownReport",
    "OptionReport",
    "SittingReport",
    "SolvedReport",
    "ThresholdReport",
    "TongueReport",
    "TriangleReport",
    "TurnReport",
    "WeekReport",
]  # fmt: skip


class BottleReport(Report):
    """A bottle that could do a job."""

    slug: str
    name: str
    at_hand: bool


class JobReport(Report):
    """A job in the jugs, and what could do it, the plainest in stock first."""

    job: str
    options: list[BottleReport]


class JugLineReport(Report):
    """One ingredient poured into a jug."""

    ingredient: str
    name: str
    ml: float


class JugReport(Report):
    """A jug: what is poured into it, as much as it comes to."""

    lines: list[JugLineReport]
    volume_ml: float
    left_ml: float


class TurnReport(Report):
    """A taster of a sitting: how many triangles are answered, how many were found, and what is said to him."""

    taster: str
    answered: int
    found: int
    alcohol_g: float
    words: list[str]


class TriangleReport(Report):
    """A triangle before the taster: of its key nothing until it is answered."""

    id: int
    sitting_id: int
    taster: str
    number: int
    answered: bool
    answer: int | None = None
    found: bool | None = None
    odd: int | None = None
    words: str = ""


class SittingReport(Report):
    """A sitting: its jugs, whose turn it is, the triangle that waits for an answer, and what is said before the first glass."""

    id: int
    matter: Attribute
    noun: str
    rounds: int
    alone: bool
    glass_ml: float
    less: JugReport
    more: JugReport
    turns: list[TurnReport]
    next: str
    open: TriangleReport | None
    ended: bool
    before: list[str]


class KeyReport(Report):
    """For the pourer: what goes in which glass, which is the odd one, and the two liquids as specs that can be forecast."""

    triangle_id: int
    taster: str
    steps: float
    odd: int
    odd_is_more: bool
    lines: list[GlassLine]
    glasses: list[SpecFile]


class KnownReport(Report):
    """A step as it was known after a triangle."""

    at: str
    triangles: int
    steps: float
    low: float
    high: float


class ThresholdReport(Report):
    """A taster's own step on a matter, in steps of the usual tongue, with its 80 % interval, in words and in figures, and over time."""

    matter: Attribute
    noun: str
    triangles: int
    right: int
    steps: float
    low: float
    high: float
    counts: bool
    words: str
    figures: str
    usual: str
    worth_it: bool
    history: list[KnownReport]


class DoneReport(Report):
    """Exercises of a kind that were answered, and the part of them that was right."""

    kind: ExerciseKind
    answered: int
    right: float


class WeekReport(Report):
    """The week's plan, since when, and which day it is by what is done."""

    began_at: str
    days: list[Day]
    today: int


class TongueReport(Report):
    """Thresholds of a taster, or of the team for an empty name; the tasters; sessions that are open."""

    taster: str
    tasters: list[str]
    thresholds: list[ThresholdReport]
    exercises: list[DoneReport]
    week: WeekReport | None
    sittings: list[int]


class OptionReport(Report):
    """Something that can be answered."""

    key: str
    words: str


class AskReport(Report):
    """One thing that is asked."""

    key: str
    words: str
    options: list[OptionReport]


class ExerciseReport(Report):
    """An exercise without its solution: the drink that it is about, as it is poured."""

    id: int
    kind: ExerciseKind
    taster: str
    of: str
    title: str
    spec: SpecFile
    asks: list[AskReport]


class SolvedReport(Report):
    """Solution of an exercise, which part was answered right, and why."""

    id: int
    right: dict[str, list[str]]
    score: float
    told: list[str]
