"""Thresholds, triangle tests and exercises as JSON. Numbers are not rounded; rounding is for the screen."""

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
    """An ingredient that could fill a role."""

    slug: str
    name: str
    at_hand: bool


class JobReport(Report):
    """A role in the jugs, and the ingredients that could fill it, the simplest in stock first."""

    job: str
    options: list[BottleReport]


class JugLineReport(Report):
    """One ingredient poured into a jug."""

    ingredient: str
    name: str
    ml: float


class JugReport(Report):
    """A jug: its pours and its volume."""

    lines: list[JugLineReport]
    volume_ml: float
    left_ml: float


class TurnReport(Report):
    """A taster of a sitting: triangles answered and found, and advice."""

    taster: str
    answered: int
    found: int
    alcohol_g: float
    words: list[str]


class TriangleReport(Report):
    """A triangle; without its key until it is answered."""

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
    """A sitting: its jugs, whose turn it is, the triangle waiting for an answer, and the advice before the first glass."""

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
    """For the pourer: which liquid goes in which glass, the odd one, and both liquids as specs."""

    triangle_id: int
    taster: str
    steps: float
    odd: int
    odd_is_more: bool
    lines: list[GlassLine]
    glasses: list[SpecFile]


class KnownReport(Report):
    """Estimate of a threshold after one triangle."""

    at: str
    triangles: int
    steps: float
    low: float
    high: float


class ThresholdReport(Report):
    """A taster's threshold for one attribute, in usual steps, with its 80 % interval, in words and in figures, and over time."""

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
    """Number of answered exercises of a kind, and the share that was right."""

    kind: ExerciseKind
    answered: int
    right: float


class WeekReport(Report):
    """The weekly plan, its start, and the present day by what is done."""

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
    """A possible answer."""

    key: str
    words: str


class AskReport(Report):
    """One question."""

    key: str
    words: str
    options: list[OptionReport]


class ExerciseReport(Report):
    """An exercise without its solution, with the drink that it is about."""

    id: int
    kind: ExerciseKind
    taster: str
    of: str
    title: str
    spec: SpecFile
    asks: list[AskReport]


class SolvedReport(Report):
    """Solution of an exercise, the share answered right, and why."""

    id: int
    right: dict[str, list[str]]
    score: float
    told: list[str]
