"""Bodies and queries of the event router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.schemas.base import Entry, Plain, RowId
from oenomel.schemas.format_names import ListFormat
from oenomel.schemas.requests.assumptions import AssumptionsQuery

Value = Annotated[Plain, Field(max_length=200)] | Annotated[float, Field(ge=0, le=2**53, allow_inf_nan=False)] | None


class TickEntry(Entry):
    """A tick of a task or of a line of the shopping list, by key."""

    what: Annotated[Plain, Field(pattern=r"^(task|bought) .{1,380}$", max_length=400)]
    done: bool


class EveningChange(Entry):
    """One change of the event plan: its ``name``, ``at`` or ``hands``; or for the drink ``drink_id`` its ``serves``, ``service``,
    ``batch_id`` or ``container_ml``, or whether it is on the plan, ``pours`` (0 or its serves).

    ``was`` is what the window showed of it: refused with 409 where it was changed elsewhere since.
    """

    what: Literal["name", "at", "hands", "serves", "service", "batch_id", "container_ml", "pours"]
    drink_id: RowId | None = None
    to: Value
    was: Value = None


class ListQuery(AssumptionsQuery):
    """Assumptions about the ice, and the format of the shopping list."""

    wanted: ListFormat = "text"
