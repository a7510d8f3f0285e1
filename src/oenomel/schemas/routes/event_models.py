"""Bodies and queries of the event router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.schemas.base import Entry, Plain, RowId
from oenomel.schemas.format_names import ListFormat
from oenomel.schemas.requests.assumptions import AssumptionsQuery

Value = Annotated[Plain, Field(max_length=200)] | Annotated[float, Field(ge=0, le=2**53, allow_inf_nan=False)] | None


class TickEntry(Entry):
    """Something of the evening that is done, or isn't: a task or a line of the list, by its key."""

    what: Annotated[Plain, Field(pattern=r"^(task|bought) .{1,380}$", max_length=400)]
    done: bool


class EveningChange(Entry):
    """One thing of the evening that is told otherwise: its ``name``, ``at`` or ``hands``; or of the drink ``drink_id`` its ``serves``,
    ``service``, ``batch_id`` or ``container_ml``, or whether it ``pours`` it at all (0 or its serves).

    ``was`` is what the window showed of it: refused with 409 where it was changed elsewhere since.
    """

    what: Literal["name", "at", "hands", "serves", "service", "batch_id", "container_ml", "pours"]
    drink_id: RowId | None = None
    to: Value
    was: Value = None


class ListQuery(AssumptionsQuery):
    """Assumptions about the ice, and the format of the list."""

    wanted: ListFormat = "text"
