"""The preparation file, version 1: something cooked, infused or mixed; its exact shape and its errors."""

from __future__ import annotations

from collections.abc import Callable
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, Discriminator, Field, Tag, model_validator
from pydantic_core import PydanticCustomError

from oenomel.core.larder import Ingredient
from oenomel.core.preparations import KitchenStep, Outcome
from oenomel.core.preparations.by_cup import by_cup_words
from oenomel.core.preparations.goods import good_called
from oenomel.core.preparations.mass_balance import is_strained_out, may_be_strained_out
from oenomel.core.preparations.outcome import Total
from oenomel.core.preparations.preparation import (
    Do,
    FinalMeasure,
    KitchenUnit,
    Preparation,
    PreparationKind,
    RecipeLine,
    checked_line,
    line_of,
)
from oenomel.core.spec import parse_amount
from oenomel.errors import DomainError, SpecError
from oenomel.schemas.base import Entry, Plain, Report
from oenomel.schemas.spec_file import Amount, CompositionEntry, InlineIngredient, parse_as
from oenomel.schemas.spec_to_drink import composition_entry, inline_ingredient

__all__ = [
    "FinalEntry",
    "KitchenStepEntry",
    "Known",
    "LineEntry",
    "PreparationFile",
    "PreparationReport",
    "parse_preparation",
    "preparation_of",
    "preparation_report",
]  # fmt: skip

SOLIDS = frozenset({"pulp", "solids", "the solids", "fruit", "skins", "seeds", "leaves", "herbs", "spices", "pomace"})
"""Words for all solids."""

SIXTY_DAYS = 60 * 24 * 60
"""Longest steep, in minutes: liqueurs steep for weeks."""

Known = Callable[[str], Ingredient | None]
"""Function that finds an ingredient by slug or words; None where they are ambiguous."""

Positive = Annotated[float, Field(gt=0, allow_inf_nan=False)]


def _readable(brix: float) -> float:
    if brix > 90:
        raise PydanticCustomError("brix", "{brix} °Bx isn't possible: honey is about 82", {"brix": f"{brix:g}"})
    return brix


def _what_tag(value: Any) -> str:
    return "slug" if isinstance(value, str) else "inline"


WhatEntry = Annotated[
    Annotated[Annotated[Plain, Field(min_length=1, max_length=200)], Tag("slug")] | Annotated[InlineIngredient, Tag("inline")],
    Discriminator(_what_tag),
]


class LineEntry(Entry):
    """A line: a slug of the larder, words, or an ingredient described here."""

    what: WhatEntry
    amount: Amount
    unit: KitchenUnit
    g_per_cup: Annotated[float, Field(gt=0, le=2000, allow_inf_nan=False)] | None = None

    @property
    def called(self) -> str:
        """Name in the file."""
        return self.what if isinstance(self.what, str) else self.what.name


class KitchenStepEntry(Entry):
    """A step; ``discard`` lists lines that are thrown away at it, ``evaporated_g`` is water lost, weighed."""

    do: Do
    minutes: Annotated[float, Field(ge=0, le=SIXTY_DAYS, allow_inf_nan=False)] | None = None
    discard: Annotated[list[Annotated[Plain, Field(max_length=200)]], Field(max_length=60)] = []
    evaporated_g: Annotated[float, Field(allow_inf_nan=False)] | None = None

    @model_validator(mode="after")
    def _water_goes_off(self) -> KitchenStepEntry:
        if self.evaporated_g is not None and self.evaporated_g < 0:
            raise PydanticCustomError("evaporated", "evaporation can't be negative: add the extra water as an ingredient")
        return self


class FinalEntry(Entry):
    """Measured yield: weight or volume, and the refractometer's reading."""

    weight_g: Annotated[Positive, Field(le=1_000_000)] | None = None
    volume_ml: Annotated[Positive, Field(le=1_000_000)] | None = None
    brix: Annotated[Positive, AfterValidator(_readable)] | None = None

    @model_validator(mode="after")
    def _one_size(self) -> FinalEntry:
        if self.weight_g is not None and self.volume_ml is not None:
            raise PydanticCustomError("final", "give its final weight or its final volume, not both")
        return self


class PreparationFile(Entry):
    """A preparation as written down: format oenomel/preparation, version 1."""

    format: Literal["oenomel/preparation"]
    version: Literal[1]
    name: Annotated[Plain, Field(min_length=1, max_length=200)]
    kind: PreparationKind
    lines: Annotated[list[LineEntry], Field(min_length=1, max_length=60)]
    steps: Annotated[list[KitchenStepEntry], Field(max_length=40)] = []
    final: FinalEntry = FinalEntry()


class PreparationReport(Report):
    """Outcome of a preparation: per 100 ml with spreads; ``brix`` and ``density`` of the finished liquid; ``keeps_days`` cold;
    ``strainable``: indices of the lines that can be strained out.
    """

    composition: CompositionEntry
    totals: list[Total]
    brix: float
    brix_sd: float
    density: float
    yield_ml: float
    yield_g: float
    yield_sd: float
    keeps_days: int
    allergens: list[str]
    cautions: list[str]
    why: list[str]
    by_cup: str
    strainable: list[int]


def parse_preparation(text: str) -> PreparationFile:
    """Parse a preparation file; raises SpecError that names the first wrong place."""
    return parse_as(PreparationFile, text, "a preparation")


def preparation_of(file: PreparationFile, known: Known, itself: str = "") -> Preparation:
    """Return the file as a preparation of the core.

    Parameters
    ----------
    itself : str    slug of what it makes: it can't go into itself

    Raises
    ------
    SpecError
        A line isn't known, goes in circles, or can't be weighed; a step throws away what never went in.
    """
    lines = tuple(_line(f"lines[{i}]", entry, known) for i, entry in enumerate(file.lines))
    for i, line in enumerate(lines):
        if isinstance(line.what, Ingredient) and (line.what.slug == itself or _same(line.what.name, file.name)):
            raise SpecError(f"lines[{i}].what", f"{line.name} contains itself: choose the bottle it starts from")
    steps = tuple(
        KitchenStep(step.do, step.minutes, _thrown(f"steps[{i}]", step, lines, known), step.evaporated_g)
        for i, step in enumerate(file.steps)
    )
    return Preparation(file.name, file.kind, lines, steps, FinalMeasure(**file.final.model_dump()))


def preparation_report(outcome: Outcome) -> PreparationReport:
    """Return the outcome of a preparation as JSON."""
    same = ("brix", "brix_sd", "density", "yield_ml", "yield_g", "yield_sd", "keeps_days")
    lists = {name: list(getattr(outcome, name)) for name in ("allergens", "cautions", "why")}
    return PreparationReport(
        composition=composition_entry(outcome.composition),
        totals=list(outcome.totals),
        **{name: getattr(outcome, name) for name in same},
        **lists,
        by_cup=by_cup_words(outcome.preparation),
        strainable=[at for at, line in enumerate(outcome.preparation.lines) if may_be_strained_out(line)],
    )


def _line(location: str, entry: LineEntry, known: Known) -> RecipeLine:
    amount = parse_amount(entry.amount)
    if isinstance(entry.what, str):
        return line_of(location, entry.what, amount, entry.unit, entry.g_per_cup, known)
    try:
        described = inline_ingredient(entry.what)
    except DomainError as error:
        raise SpecError(f"{location}.what.composition", str(error)) from error
    return checked_line(location, RecipeLine(entry.what.name, described, amount, entry.unit, entry.g_per_cup))


def _thrown(location: str, step: KitchenStepEntry, lines: tuple[RecipeLine, ...], known: Known) -> tuple[int, ...]:
    """Return the indices of the lines that a step discards: by their words, another name, or all solids."""
    result = []
    for i, word in enumerate(step.discard):
        meant = good_called(word) or known(word)
        places = [at for at, line in enumerate(lines) if _same(line.written, word) or (meant is not None and line.what == meant)]
        if not places and word.strip().casefold() in SOLIDS:
            places = [at for at, line in enumerate(lines) if is_strained_out(line)]
        if not places:
            raise SpecError(f"{location}.discard[{i}]", f'"{word}" isn\'t an ingredient above')
        result += places
    return tuple(dict.fromkeys(result))


def _same(one: str, other: str) -> bool:
    return one.strip().casefold() == other.strip().casefold()
