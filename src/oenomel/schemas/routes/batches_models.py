"""Bodies and queries of the batches router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.schemas.base import Entry, Name, Plain, Report, RowId
from oenomel.schemas.requests.batch_requests import BatchEntry, PouredEntry, Who
from oenomel.schemas.routes.lots_models import LotName, Time
from oenomel.schemas.spec_file import SpecFile

Ml = Annotated[float, Field(gt=0, le=1_000_000, allow_inf_nan=False)]


Note = Annotated[Plain, Field(max_length=2000)]


class MakeEntry(Entry):
    """A batch that was made: its drink and request; ``poured`` are the measured amounts, where they differed.

    ``older_ml`` of the batch ``older_id`` were still in the bottle when it was filled.
    """

    batch: BatchEntry
    drink_id: RowId
    name: LotName = ""
    made_by: Who = ""
    made_at: Time = ""
    poured: Annotated[list[PouredEntry], Field(min_length=1, max_length=60)] | None = None
    older_id: RowId | None = None
    older_ml: Ml | None = None
    wood: bool = False
    note: Note = ""


class BatchChange(Entry):
    """Change of a batch; missing keys stay unchanged.

    ``was`` is what the window showed of the fields that it changes: refused with 409 where they were changed elsewhere since.
    """

    name: Name | None = None
    made_by: Who | None = None
    left_ml: Annotated[float, Field(ge=0, le=10_000_000, allow_inf_nan=False)] | None = None
    use_by: Time | None = None
    used_up: bool | None = None
    note: Note | None = None
    was: Annotated[dict[Literal["name", "made_by", "left_ml", "use_by", "note"], str | float | None], Field(max_length=5)] | None = None


class ServedEntry(Entry):
    """A number of serves, or of ml, that were poured."""

    serves: Annotated[int, Field(ge=1, le=5000)] | None = None
    ml: Ml | None = None


class SaidOfBottle(Entry):
    """Verdict on a batch, −3 (far too little) to 3 (far too much) for each axis; and the smallest measurable amount, in ml."""

    sugar: Annotated[int, Field(ge=-3, le=3)] | None = None
    acid: Annotated[int, Field(ge=-3, le=3)] | None = None
    abv: Annotated[int, Field(ge=-3, le=3)] | None = None
    grid: Annotated[float, Field(ge=1, le=100, allow_inf_nan=False)] = 5.0


class BottleReading(Entry):
    """Reading of a batch: °Bx or titrated acid, in the unit of its kind, and its standard deviation."""

    what: Literal["brix", "acid", "abv"]
    value: Annotated[float, Field(allow_inf_nan=False, ge=-10_000, le=10_000)]
    sd: Annotated[float, Field(ge=1e-6, le=1000, allow_inf_nan=False)] | None = None
    grid: Annotated[float, Field(ge=1, le=100, allow_inf_nan=False)] = 5.0


class PouredTrial(Report):
    """The trial that a drink's batch is made of, without its day's lots."""

    number: int
    name: str
    spec: SpecFile
