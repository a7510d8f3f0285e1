"""Measured beside forecast: readings of trials, the devices they come from, and the house's own water."""

from __future__ import annotations

import sqlite3
from http import HTTPStatus
from typing import Annotated, Literal

from fastapi import Request
from pydantic import Field

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.routers.trials import get_notebook
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.trials import QuantityName, Reading, ReadingPoint
from oenomel.core.trials.readings import check, own_water, water_found, without_house_factor
from oenomel.devices.bench_set import DEVICES, BenchSet
from oenomel.devices.hidden_truth import samples_of
from oenomel.schemas.base import Entry, Plain, Report, RowId
from oenomel.schemas.reports.trial_reports import NotebookReport
from oenomel.services.trials import KeptTrial, kept_trials
from oenomel.store import drinks, measurements
from oenomel.store.database import transaction
from oenomel.store.measurements import MeasurementRecord

router = room("measuring")


class DeviceReadingEntry(Entry):
    """One reading, in the unit of its quantity; ``device`` says what it was read with, empty for by hand."""

    quantity: QuantityName
    point: ReadingPoint
    value: Annotated[float, Field(ge=-1000, le=10_000, allow_inf_nan=False)]
    device: Annotated[Plain, Field(max_length=60)] = ""


ShownByDevice = QuantityName | Literal["lye_ml"]
"""What a device shows; a burette's lye is worked out to acid."""


class MeasuringDeviceReport(Report):
    """A kind of device: what it measures, and which makes can be chosen."""

    device: str
    quantity: ShownByDevice
    makes: list[str]


class DeviceReadRequest(Entry):
    """What is read: a trial at a point of its making, by a make of the device; ``zero`` sets it to nothing first."""

    trial_id: RowId
    point: ReadingPoint
    make: Annotated[Plain, Field(max_length=60)] = "simulated"
    zero: bool = True


class DeviceReading(Report):
    """What a device shows."""

    quantity: ShownByDevice
    value: float


class FactorReport(Report):
    """How much water a technique takes in this house, by its own measurements: a factor on the forecast with its 80 % interval."""

    technique: str
    factor: float
    low: float
    high: float
    measurements: int
    words: str


@router.post("/drinks/{drink_id}/trials/{trial_id}/readings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def keep_reading(drink_id: RowId, trial_id: RowId, body: DeviceReadingEntry, conn: Connection) -> NotebookReport:
    """Keeps a reading of a trial; refused with the reason where it can't be. What it says of the water counts from then on."""
    kept, plain = _trial(conn, drink_id, trial_id)
    reading = Reading(body.quantity, body.point, body.value)
    with transaction(conn):
        others = _readings(conn, drink_id, trial_id)
        check(reading, plain, others)
        measurements.add(conn, MeasurementRecord(trial_id, body.quantity, body.point, body.value, body.device))
        _note_water(conn, kept, plain, [*others, reading])
    return get_notebook(drink_id, conn)


@router.delete("/drinks/{drink_id}/readings/{reading_id}", responses=PROBLEMS["missing"])
def take_reading_back(drink_id: RowId, reading_id: RowId, conn: Connection) -> NotebookReport:
    """Takes a reading back, and what it said of the water."""
    trial_id = measurements.get(conn, reading_id).trial_id
    kept, plain = _trial(conn, drink_id, trial_id)
    with transaction(conn):
        measurements.remove(conn, reading_id)
        _note_water(conn, kept, plain, _readings(conn, drink_id, trial_id))
    return get_notebook(drink_id, conn)


@router.get("/devices")
def list_devices() -> list[MeasuringDeviceReport]:
    """The devices that can be chosen; any reading can be typed instead."""
    return [
        MeasuringDeviceReport.model_validate({"device": name, "quantity": kind.quantity, "makes": sorted(kind.makes)})
        for name, kind in DEVICES.items()
    ]


@router.post("/devices/{device}/read", responses=PROBLEMS["write"] | {503: PROBLEMS["silent"][503]})
def read_device(device: str, body: DeviceReadRequest, conn: Connection, request: Request) -> DeviceReading:
    """Reads a device. The simulated ones see a hidden true lot of the trial, which no forecast knows."""
    bench: BenchSet = request.app.state.bench_set
    chosen = bench.device(device, body.make)
    (kept,) = kept_trials(conn, [drinks.trial(conn, body.trial_id)])
    sample = samples_of(kept.drink, body.trial_id)[body.point]
    if body.zero:
        chosen.zero()
    return DeviceReading.model_validate({"quantity": DEVICES[device].quantity, "value": chosen.read(sample)})


@router.get("/calibration")
def get_calibration(conn: Connection) -> list[FactorReport]:
    """How much water each technique takes in this house."""
    found = sorted(measurements.ratios(conn).items())
    return [FactorReport.model_validate(own_water(technique, ratios)) for technique, ratios in found]


def _trial(conn: sqlite3.Connection, drink_id: int, trial_id: int) -> tuple[KeptTrial, Forecast]:
    """A trial, and its forecast as if the house had measured nothing."""
    (kept,) = kept_trials(conn, [drinks.get_trial(conn, drink_id, trial_id)])
    return kept, without_house_factor(kept.drink, forecast_of(kept.drink, kept.conditions))


def _readings(conn: sqlite3.Connection, drink_id: int, trial_id: int) -> list[Reading]:
    return [Reading(r.quantity, r.point, r.value) for r in measurements.of_drink(conn, drink_id) if r.trial_id == trial_id]


def _note_water(conn: sqlite3.Connection, kept: KeptTrial, plain: Forecast, readings: list[Reading]) -> None:
    found = water_found(readings, plain)
    technique = kept.drink.method.technique
    measurements.put_water(conn, kept.record.id, technique, None if found is None else found.ratio, found.how if found else "")
