"""Preparations as JSON: recipe, outcome, cost, effect on drinks."""

from __future__ import annotations

from typing import Literal

from oenomel.schemas.base import Named, Report
from oenomel.schemas.preparation_file import PreparationFile, PreparationReport

__all__ = [
    "AdjustmentReport",
    "CostReport",
    "FollowReport",
    "KitchenFound",
    "MadeReport",
    "PreparationAnswer",
    "PreparationSummary",
    "WeighedAdditionReport",
]


class PreparationLineReport(Report):
    """Cost of one line, by its price per litre or kilogram."""

    name: str
    cost: float | None
    slug: str
    per: Literal["litre", "kg"]
    price: float | None


class CostReport(Report):
    """Cost in the bar's currency; ``words`` names the lines without a price."""

    total: float
    per_litre: float | None
    parts: list[PreparationLineReport]
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


class WeighedAdditionReport(Report):
    """Something to weigh and add."""

    what: str
    grams: float


class AdjustmentReport(Report):
    """Additions, and a sentence about them."""

    additions: list[WeighedAdditionReport]
    words: str


class KitchenFound(Report):
    """A good or ingredient that matches words; ``sure`` where they mean nothing else."""

    what: str
    name: str
    note: str
    sure: bool
