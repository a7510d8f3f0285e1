"""Preparations as they are answered: the recipe, what it comes to, what it costs, what follows for drinks."""

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
    """Cost of one part, by its price per litre or kilogram."""

    name: str
    cost: float | None
    slug: str
    per: Literal["litre", "kg"]
    price: float | None


class CostReport(Report):
    """Cost in the bar's own currency; ``words`` names what has no price."""

    total: float
    per_litre: float | None
    parts: list[PreparationLineReport]
    missing: list[str]
    words: str


class PreparationAnswer(PreparationReport):
    """Outcome and cost of a preparation."""

    cost: CostReport


class PreparationSummary(Report):
    """A preparation that the bar knows: what it makes, its recipe, what is left of it, how many finished drinks pour it."""

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
    """Lot that was just made, and its effects."""

    lot_id: int
    name: str
    headline: str
    follows: list[FollowReport]


class WeighedAdditionReport(Report):
    """Something to weigh in."""

    what: str
    grams: float


class AdjustmentReport(Report):
    """Additions to weigh in, and a sentence about them."""

    additions: list[WeighedAdditionReport]
    words: str


class KitchenFound(Report):
    """Something that can go in, by any word for it; ``sure`` where the words mean it and no other."""

    what: str
    name: str
    note: str
    sure: bool
