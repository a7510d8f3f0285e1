"""Today: the finished drinks with today's lots, what to pour instead, what runs low, what to prepare, what to buy."""

from __future__ import annotations

from oenomel.core.menu import WorthMeasuring
from oenomel.schemas.base import LevelsReport, Named, Pair, Report
from oenomel.schemas.spec_file import SpecFile

__all__ = ["AxisToday", "DrinkToday", "FruitReport", "LowReport", "MoveToday", "PourToday", "PrepareReport", "TodayReport"]


class AxisToday(Report):
    """A figure by the recipe and with today's lots, with today's 80 % interval; ``steps`` is for drawing."""

    axis: str
    written: float
    today: float
    interval: Pair
    steps: float
    felt: bool
    words: str


class MoveToday(Report):
    """A changed pour: its index in the spec, before and after in ml."""

    pour: int
    ingredient: Named
    before_ml: float
    after_ml: float


class PourToday(Report):
    """A pour with today's correction: whether it differs from the recipe, and its lot."""

    ingredient: Named
    ml: float
    changed: bool
    lot: str


class DrinkToday(Report):
    """A finished drink today: fine, or what to pour instead; ``spec`` is the corrected one, with today's lots."""

    drink_id: int
    trial: int
    name: str
    family: str
    fine: bool
    words: str
    left: str
    axes: list[AxisToday]
    moves: list[MoveToday]
    pours: list[PourToday]
    spec: SpecFile
    written: LevelsReport
    today: LevelsReport
    serves: int | None
    price: float | None
    cost: float
    cost_missing: list[str]
    pour_cost: str
    lots: list[str]


class LowReport(Report):
    """Ingredient that runs low on the shelf."""

    ingredient: Named
    state: str
    drinks: int


class PrepareReport(Report):
    """An ingredient below its par or tonight's need: how much to prepare or to open."""

    ingredient: Named
    ml: float
    prepared: bool
    words: str


class FruitReport(Report):
    """Fruit to buy or press for tonight: pieces, and the calculation."""

    name: str
    pieces: int
    decided_by: str
    why: str


class TodayReport(Report):
    """Today. ``headline`` is the state of the drinks in a sentence, ``shared`` the corrections that several drinks share."""

    headline: str
    shared: list[str]
    whole_book: bool
    drinks: list[DrinkToday]
    worth: list[WorthMeasuring]
    low: list[LowReport]
    prepare: list[PrepareReport]
    fruit: list[FruitReport]
    currency: str
