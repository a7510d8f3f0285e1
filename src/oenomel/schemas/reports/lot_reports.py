"""A lot as JSON: assumed and measured values, age, and effect on drinks."""

from __future__ import annotations

from oenomel.core.lots import ReadingName
from oenomel.core.lots.lot import Estimate
from oenomel.schemas.base import Named, Report
from oenomel.schemas.spec_file import CompositionEntry

__all__ = ["DoubtOfDrink", "LotDetail", "LotReport", "ReadingReport"]


class ReadingReport(Report):
    """One reading of a lot, in the unit of its kind; ``device`` is what it was read with."""

    id: int
    what: ReadingName
    value: float
    sd: float | None
    device: str
    taken_at: str


class LotReport(Report):
    """A lot: ingredient, time, age, amount left; composition per 100 ml with spreads; assumed and measured values."""

    id: int
    ingredient: Named
    kind: str
    name: str
    made_at: str
    used_up_at: str | None
    hours: float
    age: str
    past_its_day: bool
    use_by: str | None
    volume_ml: float | None
    left_ml: float | None
    pieces: int | None
    cooked: bool
    in_use: bool
    composition: CompositionEntry
    brix: float
    figures: list[Estimate]
    readings: list[ReadingReport]
    notes: list[str]


class DoubtOfDrink(Report):
    """Uncertainty of one axis of a finished drink with the lot's readings, and without: half-widths of the 80 % intervals."""

    drink_id: int
    drink: str
    axis: str
    before: float
    after: float
    words: str


class LotDetail(LotReport):
    """A lot with its titration instructions, and the forecasts that its readings make more certain."""

    titration: list[str]
    more_certain: list[DoubtOfDrink]
    worth: list[str]
    made_by: str
