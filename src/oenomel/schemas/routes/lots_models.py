"""Bodies and queries of the lots router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, StringConstraints

from oenomel.core.lots import ReadingName
from oenomel.schemas.base import Entry, Name, Plain

LotName = Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=200)]


Time = Annotated[str, Field(max_length=40)]


Volume = Annotated[float, Field(ge=0.1, le=1_000_000, allow_inf_nan=False)]


class LotReadingEntry(Entry):
    """A reading, in the unit of its kind (acid as citric in g/100 ml, °Bx, % ABV, pH, g/ml), and the device's possible error."""

    what: ReadingName
    value: Annotated[float, Field(allow_inf_nan=False, ge=-10_000, le=10_000)]
    sd: Annotated[float, Field(ge=1e-6, le=1000, allow_inf_nan=False)] | None = None
    device: Annotated[Plain, Field(max_length=60)] = ""


class LotEntry(Entry):
    """A lot: ingredient, and when it was pressed, opened or cooked; without a name it is called by its day and hour."""

    ingredient: Annotated[Plain, Field(min_length=1, max_length=200)]
    name: LotName = ""
    made_at: Time = ""
    readings: Annotated[list[LotReadingEntry], Field(max_length=50)] = []
    volume_ml: Volume | None = None
    pieces: Annotated[int, Field(ge=1, le=5000)] | None = None


class LotChange(Entry):
    """Change of a lot: amount left, finished or not, name, time; missing keys stay unchanged.

    ``was`` is what the window showed of the fields that it changes: refused with 409 where they were changed elsewhere since.
    """

    name: Name | None = None
    made_at: Time | None = None
    left_ml: Annotated[float, Field(ge=0, le=1_000_000, allow_inf_nan=False)] | None = None
    volume_ml: Volume | None = None
    used_up: bool | None = None
    was: Annotated[dict[Literal["name", "made_at", "left_ml", "volume_ml"], str | float | None], Field(max_length=4)] | None = None


class TitrationEntry(Entry):
    """Titration: sample and lye, in ml, and the strength of the lye."""

    sample_ml: Annotated[float, Field(allow_inf_nan=False)] = 10.0
    lye_ml: Annotated[float, Field(allow_inf_nan=False)]
    lye_mol_per_l: Annotated[float, Field(allow_inf_nan=False)] = 0.1


class LotReadRequest(Entry):
    """Request to read a lot with a make of device; ``zero`` zeroes it first."""

    make: Annotated[Plain, Field(max_length=60)] = "simulated"
    zero: bool = True
