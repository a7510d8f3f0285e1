"""Base classes of all models, and the types that several of them use.

A core dataclass may stand in a report as it is: Pydantic takes it as a member, under its own name and in its own order.
"""

from __future__ import annotations

from typing import Annotated, Any

from pydantic import AfterValidator, BaseModel, BeforeValidator, ConfigDict, Field, StringConstraints

from oenomel.core.balance.uncertainty import Interval
from oenomel.core.larder import Ingredient
from oenomel.moments import TEN_YEARS, moment_of

__all__ = [
    "Ends", "Entry", "Floats", "Level", "LevelsReport", "Moment", "MomentOrNow", "Name", "Named", "Pair", "Plain", "Report", "RowId",
    "UseBy",
]  # fmt: skip


class Entry(BaseModel):
    """Base of every request body: unknown keys are refused."""

    model_config = ConfigDict(extra="forbid", frozen=True)


class Report(BaseModel):
    """Base of every response body, built from its keys or from a record of the core with the same attributes."""

    model_config = ConfigDict(extra="forbid", from_attributes=True)


Plain = Annotated[str, StringConstraints(pattern=r"^[^\x00-\x08\x0b\x0c\x0e-\x1f\x7f]*$")]
"""A text without characters that can't be displayed or stored."""

RowId = Annotated[int, Field(ge=1, le=2**53)]


def _on_one_line(value: Any) -> Any:
    return " ".join(value.splitlines()) if isinstance(value, str) else value


Name = Annotated[Plain, StringConstraints(strip_whitespace=True, min_length=1, max_length=200), BeforeValidator(_on_one_line)]
"""A name, on one line."""

Level = Annotated[float, Field(ge=0, allow_inf_nan=False)]


def _moment(text: str) -> str:
    moment_of(text)
    return text


def _moment_or_now(text: str) -> str:
    return _moment(text) if text else text


def _use_by(text: str) -> str:
    moment_of(text, TEN_YEARS)
    return text


Moment = Annotated[str, Field(max_length=40, json_schema_extra={"format": "date-time"}), AfterValidator(_moment)]
"""A time, see `moments`."""

UseBy = Annotated[str, Field(max_length=40), AfterValidator(_use_by)]
"""A use-by time."""

MomentOrNow = Annotated[str, Field(max_length=40), AfterValidator(_moment_or_now)]
"""A time, or empty for the time of reading."""

Pair = Annotated[list[float], Field(min_length=2, max_length=2)]


def _ends(value: Any) -> Any:
    return [value.low, value.high] if isinstance(value, Interval) else value


Ends = Annotated[Pair, BeforeValidator(_ends)]
"""Low and high of an interval."""

Floats = Annotated[list[float], BeforeValidator(lambda told: told.tolist() if hasattr(told, "tolist") else told)]
"""A one-dimensional array of the core."""


class LevelsReport(Report):
    """Volume in ml, abv in % v/v, sugar and acid in g per 100 ml."""

    volume_ml: float
    abv: float
    sugar: float
    acid: float


class Named(Report):
    """An ingredient by slug and name."""

    slug: str
    name: str

    @classmethod
    def of(cls, ingredient: Ingredient) -> Named:
        """Return the slug and name of an ingredient."""
        return cls(slug=ingredient.slug, name=ingredient.name)
