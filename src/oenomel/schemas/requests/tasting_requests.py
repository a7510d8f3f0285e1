"""Tasting notes and briefs, as JSON."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, StringConstraints, model_validator

from oenomel.core.trials.tasting import Verdict
from oenomel.schemas.base import Plain, Report, RowId

__all__ = ["BriefEntry", "SheetEntry", "Taster", "TastingNoteEntry", "WordsEntry", "verdict_of"]

Verdicts = Annotated[int, Field(ge=-3, le=3)] | None
Text = Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=500)]
Taster = Annotated[Plain, StringConstraints(strip_whitespace=True, min_length=1, max_length=100)]


class WordsEntry(Report):
    """Words of a tasting sheet, in the order of tasting."""

    look: Text = ""
    nose: Text = ""
    first: Text = ""
    middle: Text = ""
    finish: Text = ""


class TastingNoteEntry(Report):
    """Verdict: −3 far too little, 0 right, 3 far too much, None where none was given; ``loud`` is a slug of the drink."""

    taster: Taster
    sugar: Verdicts = None
    acid: Verdicts = None
    abv: Verdicts = None
    body: Verdicts = None
    loud: Annotated[Plain, Field(max_length=100)] = ""
    lacking: bool = False
    score: Annotated[float, Field(ge=0, le=10, allow_inf_nan=False)] | None = None
    edge: Literal["", "with", "without"] = ""
    blind: bool = False
    words: WordsEntry = WordsEntry()


class SheetEntry(TastingNoteEntry):
    """Tasting notes of a trial."""

    trial_id: RowId

    @model_validator(mode="after")
    def _says_something(self) -> SheetEntry:
        opinions = (self.sugar, self.acid, self.abv, self.body, self.score)
        if (
            all(opinion is None for opinion in opinions)
            and not self.loud
            and not self.lacking
            and not any(self.words.model_dump().values())
        ):
            raise ValueError("the tasting note is empty: enter at least one thing, even “right”")
        return self


class BriefEntry(Report):
    """A brief: see `core.trials.Brief`."""

    occasion: Text = ""
    guest: Text = ""
    colour: Text = ""
    notes: Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=2000)] = ""
    avoid: Annotated[
        list[Annotated[Plain, StringConstraints(strip_whitespace=True, min_length=1, max_length=60)]], Field(max_length=20)
    ] = []
    least_abv: Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)] | None = None
    most_abv: Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)] | None = None
    sweetness: Literal["", "dry", "in the middle", "sweet"] = ""
    most_cost: Annotated[float, Field(ge=0, le=10_000, allow_inf_nan=False)] | None = None


def verdict_of(sheet: SheetEntry) -> Verdict:
    """Return the verdict of a sheet, as the core takes it."""
    return Verdict(sheet.sugar, sheet.acid, sheet.abv, sheet.body, sheet.loud, sheet.lacking)
