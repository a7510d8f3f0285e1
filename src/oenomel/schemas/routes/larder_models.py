"""Bodies and queries of the larder router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.schemas.base import Entry, Level, Plain, Report
from oenomel.schemas.routes.ingredients_models import IngredientDetail, ValueReport


class LarderLine(Report):
    """An ingredient in short: its values, which are estimates, and whether the bar added or changed it."""

    slug: str
    name: str
    kind: str
    origin: str
    abv: float
    sugar: float
    acid: float
    gaps: list[str]
    changed: list[str]
    retired: bool
    state: str
    price_per_litre: float | None
    keeps_days: float | None
    par_ml: float | None
    lots: int


class UsedIn(Report):
    """A drink with a trial that pours the ingredient."""

    drink_id: int
    drink: str


class LarderDetail(Report):
    """An ingredient in full: each value with its source, the bar's own values, and the drinks that pour it."""

    ingredient: IngredientDetail
    line: LarderLine
    house_values: list[ValueReport]
    used_in: list[UsedIn]


class SetRightEntry(Entry):
    """The bar's own values for an ingredient, and their source: strength in %, total sugar and acid in g per 100 ml, density, shelf
    life in days.
    """

    abv: Level | None = None
    sugar: Level | None = None
    acid: Level | None = None
    density: Level | None = None
    keeps_days: Level | None = None
    source: Annotated[Plain, Field(min_length=1, max_length=200)] = "set right by the house"


class HouseValueEntry(Entry):
    """One of the bar's own values, with its source."""

    name: Annotated[Plain, Field(min_length=1, max_length=60)]
    value: Level
    relative_sd: Annotated[float, Field(ge=0, le=2, allow_inf_nan=False)]
    source: Annotated[Plain, Field(min_length=1, max_length=2000)]
    source_kind: Annotated[Plain, Field(max_length=60)]
    why: Annotated[Plain, Field(max_length=2000)] = ""


class HouseValues(Entry):
    """All of the bar's own values for an ingredient; an empty list restores the catalogue's."""

    values: Annotated[list[HouseValueEntry], Field(max_length=40)]


class RetiredEntry(Entry):
    """Choice whether an ingredient is no longer offered."""

    retired: bool


class TableEntry(Entry):
    """A larder as a table."""

    text: Annotated[str, Field(max_length=5_000_000)]


class TableReport(Report):
    """Changes that a table made: one line each, and their number."""

    added: list[str]
    changed: list[str]
    same: int
    words: str
