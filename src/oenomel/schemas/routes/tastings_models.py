"""Bodies and queries of the tastings router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, StringConstraints

from oenomel.schemas.base import Entry, Plain, Report
from oenomel.schemas.reports.trial_reports import (
    SheetReport,
)
from oenomel.schemas.requests.rebalance_requests import Grid
from oenomel.schemas.requests.tasting_requests import SheetEntry, Taster, WordsEntry


class FlightEntry(Entry):
    """Sheets to save together: all of them, or none."""

    sheets: Annotated[list[SheetEntry], Field(min_length=1, max_length=40)]


class FlightReport(Report):
    """The saved sheets."""

    sheets: list[SheetReport]


class NextRequest(Entry):
    """Palate that counts: a taster's, the bar's for an empty name, or none; and the jigger's smallest mark, ml."""

    palate: Annotated[Plain, Field(max_length=100)] | None = None
    grid: Grid = 2.5


class TasterReport(Report):
    """Taster: the number of tasting sheets, and the date of the last."""

    taster: str
    sheets: int
    last: str


class IngredientNoteEntry(Entry):
    """An ingredient tasted alone. With ``aroma`` or ``impression`` it updates the ingredient: weights 1 to 3 by tag."""

    taster: Taster
    words: WordsEntry = WordsEntry()
    aroma: Annotated[dict[str, Annotated[int, Field(ge=1, le=3)]], Field(max_length=8)] | None = None
    impression: Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=200)] | None = None


class IngredientNoteReport(Report):
    """Tasting note of an ingredient on its own."""

    id: int
    taster: str
    tasted_at: str
    words: WordsEntry
    amended: bool


class AromaReport(Report):
    """A word for an aroma, and its group."""

    tag: str
    group: str
