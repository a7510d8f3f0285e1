"""Measured beside foreseen: readings of trials, the devices they come from, and the house's own water."""

from __future__ import annotations

import sqlite3
from http import HTTPStatus
from typing import Annotated, Literal

from fastapi import APIRouter, Request
from pydantic import BaseModel, ConfigDict, Field

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.kept import KeptTrial, kept_trials
from oenomel.api.routers.notebook import get_notebook
from oenomel.core.measuring import Measured, check, own_water, water_found, without_house_factor
from oenomel.core.prediction import Prediction, predict
from oenomel.instruments.bench_set import DEVICES, BenchSet
from oenomel.instruments.hidden_truth import samples_of
from oenomel.interchange.notebook_report import NotebookReport, RowId
from oenomel.store import drinks, measurements
from oenomel.store.database import transaction
from oenomel.store.measurements import MeasurementRecord

router = APIRouter(tags=["measuring"])

Point = Literal["tin", "strained", "served"]
QuantityName = Literal["volume_ml", "weight_g", "held_back_g", "brix", "acid", "ph", "abv", "temperature_c"]


class ReadingEntry(BaseModel):
    """One reading, in the unit of its quantity; ``device`` says what it was read with, empty for by hand."""

    model_config = ConfigDict(extra="forbid")

    quantity: QuantityName
    point: Point
    value: Annotated[float, Field(ge=-1000, le=10_000, allow_inf_nan=False)]
    device: Annotated[str, Field(max_length=60)] = ""


class DeviceReport(BaseModel):
    """A kind of device: what it measures, and which makes can be chosen."""

    model_config = ConfigDict(extra="forbid")

    device: str
    quantity: QuantityName
    makes: list[str]


class ReadRequest(BaseModel):
    """What is read: a trial at a point of its making, by a make of the device; ``zero`` sets it to nothing first."""

    model_config = ConfigDict(extra="forbid")

    trial_id: RowId
    point: Point
    make: Annotated[str, Field(max_length=60)] = "simulated"
    zero: bool = True


class DeviceReading(BaseModel):
    """What a device shows."""

    model_config = ConfigDict(extra="forbid")

    quantity: QuantityName
    value: float


class FactorReport(BaseModel):
    """How much water a technique takes in this house, by its own measurements: a factor on the forecast with its 80 % interval."""

    model_config = ConfigDict(extra="forbid", from_attributes=True)

    technique: str
    factor: float
    low: float
    high: float
    measurements: int
    words: str


@router.post("/drinks/{drink_id}/trials/{trial_id}/readings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def keep_reading(drink_id: RowId, trial_id: RowId, body: ReadingEntry, conn: Connection) -> NotebookReport:
    """Keeps a reading of a trial; refused with the reason where it can't be. What it says of the water counts from then on."""
    kept, plain = _trial(conn, drink_id, trial_id)
    reading = Measured(body.quantity, body.point, body.value)
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
def list_devices() -> list[DeviceReport]:
    """The devices that can be chosen; any reading can be typed instead."""
    return [
        DeviceReport.model_validate({"device": name, "quantity": kind.quantity, "makes": sorted(kind.makes)})
        for name, kind in DEVICES.items()
    ]


@router.post("/devices/{device}/read", responses=PROBLEMS["write"] | {503: PROBLEMS["silent"][503]})
def read_device(device: str, body: ReadRequest, conn: Connection, request: Request) -> DeviceReading:
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


def _trial(conn: sqlite3.Connection, drink_id: int, trial_id: int) -> tuple[KeptTrial, Prediction]:
    """A trial, and its forecast as if the house had measured nothing."""
    (kept,) = kept_trials(conn, [drinks.get_trial(conn, drink_id, trial_id)])
    return kept, without_house_factor(kept.drink, predict(kept.drink, kept.conditions))


def _readings(conn: sqlite3.Connection, drink_id: int, trial_id: int) -> list[Measured]:
    return [Measured(r.quantity, r.point, r.value) for r in measurements.of_drink(conn, drink_id) if r.trial_id == trial_id]


def _note_water(conn: sqlite3.Connection, kept: KeptTrial, plain: Prediction, readings: list[Measured]) -> None:
    found = water_found(readings, plain)
    technique = kept.drink.method.technique
    measurements.put_water(conn, kept.record.id, technique, None if found is None else found.ratio, found.how if found else "")
