"""Bodies and queries of the devices router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.core.trials import QuantityName, ReadingPoint
from oenomel.schemas.base import Entry, Plain, Report, RowId


class DeviceReadingEntry(Entry):
    """One reading, in the unit of its quantity; ``device`` is what it was read with, empty for typed."""

    quantity: QuantityName
    point: ReadingPoint
    value: Annotated[float, Field(ge=-1000, le=10_000, allow_inf_nan=False)]
    device: Annotated[Plain, Field(max_length=60)] = ""


ShownByDevice = QuantityName | Literal["lye_ml"]
"""Reading of a device; a burette's lye is converted to acid."""


class MeasuringDeviceReport(Report):
    """A kind of device: what it measures, and its makes."""

    device: str
    quantity: ShownByDevice
    makes: list[str]


class DeviceReadRequest(Entry):
    """Request to read a trial at a point in its making with a make of device; ``zero`` zeroes it first."""

    trial_id: RowId
    point: ReadingPoint
    make: Annotated[Plain, Field(max_length=60)] = "simulated"
    zero: bool = True


class DeviceReading(Report):
    """Value shown by a device."""

    quantity: ShownByDevice
    value: float
