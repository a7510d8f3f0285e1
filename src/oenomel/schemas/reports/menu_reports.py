"""The room that a bar opens first: the list of today's lots, what to pour instead, what runs low, what to prepare, what to buy."""

from __future__ import annotations

from oenomel.schemas.base import LevelsReport, Named, Pair, Report
from oenomel.schemas.spec_file import SpecFile

__all__ = ["AxisToday", "DrinkToday", "FruitReport", "LowReport", "MoveToday", "PourToday", "PrepareReport", "TodayReport", "WorthReport"]


class AxisToday(Report):
    """A figure as written and as it is today, with its 80 % interval today; ``steps`` is for drawing."""

    axis: str
    written: float
    today: float
    interval: Pair
    steps: float
    felt: bool
    words: str


class MoveToday(Report):
    """A pour to take otherwise: its place in the spec, before and after in ml."""

    pour: int
    ingredient: Named
    before_ml: float
    after_ml: float


class PourToday(Report):
    """A pour as it goes in tonight, with today's correction: whether that is another than written, and of which lot."""

    ingredient: Named
    ml: float
    changed: bool
    lot: str


class DrinkToday(Report):
    """A finished drink today: fine, or what to pour instead; ``spec`` is the corrected one, made of today's lots."""

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


class WorthReport(Report):
    """One measurement that would help: of which ingredient, which axis, how many drinks, in words."""

    slug: str
    axis: str
    drinks: int
    share: float
    words: str


class LowReport(Report):
    """Ingredient that runs low on the shelf."""

    ingredient: Named
    state: str
    drinks: int


class PrepareReport(Report):
    """Ingredient below its par or below tonight's need: how much to prepare or to open."""

    ingredient: Named
    ml: float
    prepared: bool
    words: str


class FruitReport(Report):
    """Fruit to buy or press for tonight: pieces, and how that was worked out."""

    name: str
    pieces: int
    decided_by: str
    why: str


class TodayReport(Report):
    """Today. ``headline`` tells the evening in a sentence, ``same_for`` the correction that most drinks share."""

    headline: str
    shared: list[str]
    whole_book: bool
    drinks: list[DrinkToday]
    worth: list[WorthReport]
    low: list[LowReport]
    prepare: list[PrepareReport]
    fruit: list[FruitReport]
    currency: str
