"""Preparations as JSON: recipe, outcome, cost, effect on drinks."""

from __future__ import annotations

from oenomel.core.menu.costs import PartCost
from oenomel.schemas.base import Named, Report
from oenomel.schemas.preparation_file import PreparationFile, PreparationReport

__all__ = [
    "CostReport",
    "FollowReport",
    "KitchenFound",
    "MadeReport",
    "PreparationAnswer",
    "PreparationSummary",
]


class CostReport(Report):
    """Cost in the bar's currency; ``words`` names the lines without a price."""

    total: float
    per_litre: float | None
    parts: list[PartCost]
    missing: list[str]
    words: str


class PreparationAnswer(PreparationReport):
    """Outcome and cost of a preparation."""

    cost: CostReport


class PreparationSummary(Report):
    """A preparation of the bar: its ingredient, its recipe, the amount left, and the number of finished drinks that pour it."""

    makes: Named
    kind: str
    file: PreparationFile
    report: PreparationAnswer | None
    fault: str
    left_ml: float | None
    par_ml: float | None
    lots: int
    drinks: int
    revision: str


class FollowReport(Report):
    """Effect of a lot on a drink, compared with the standard values."""

    drink_id: int
    drink: str
    trial: int
    fine: bool
    words: str
    instead: list[str]


class MadeReport(Report):
    """A lot that was just made, and its effects."""

    lot_id: int
    name: str
    headline: str
    follows: list[FollowReport]


class KitchenFound(Report):
    """A good or ingredient that matches words; ``sure`` where they mean nothing else."""

    what: str
    name: str
    note: str
    sure: bool
