"""Bodies and queries of the preparations router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.preparation_file import PreparationFile
from oenomel.schemas.routes.lots_models import LotName, Time


class MakingEntry(Entry):
    """A preparation as really made, with its yield; without a name its lot is called by its day and hour."""

    file: PreparationFile
    name: LotName = ""
    made_at: Time = ""


class ScaleEntry(Entry):
    """A preparation, and the amount on hand of one of its lines."""

    file: PreparationFile
    line: Annotated[int, Field(ge=0, le=59)]
    amount: Annotated[float, Field(gt=0, le=1_000_000, allow_inf_nan=False)]


class BrixEntry(Entry):
    """A liquid to bring to a °Bx: its weight, and its present °Bx by the refractometer."""

    weight_g: Annotated[float, Field(gt=0, le=1_000_000, allow_inf_nan=False)]
    brix: Annotated[float, Field(ge=0, le=90, allow_inf_nan=False)]
    wanted_brix: Annotated[float, Field(allow_inf_nan=False)]


class AcidAdjustmentEntry(Entry):
    """A juice to bring to another juice's acidity, by slugs; today's lot of the juice is used where there is one."""

    juice: Annotated[Plain, Field(max_length=200)]
    like: Annotated[Plain, Field(max_length=200)]
    volume_ml: Annotated[float, Field(allow_inf_nan=False)] = 1000.0


class GoodPriceEntry(Entry):
    """Price per kilogram of a dry good; None where unknown."""

    price_per_kg: Annotated[float, Field(allow_inf_nan=False, le=100_000)] | None = None
