"""Readings of trials compared with their forecasts, measuring devices, and the bar's own dilution."""

from __future__ import annotations

from http import HTTPStatus

from fastapi import Request

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.trials.readings import OwnWater
from oenomel.schemas.base import RowId
from oenomel.schemas.reports.trial_reports import NotebookReport
from oenomel.schemas.routes.devices_models import (
    DeviceReading,
    DeviceReadingEntry,
    DeviceReadRequest,
    MeasuringDeviceReport,
)
from oenomel.services import devices as cases

router = idempotent_router("measuring")


@router.post("/drinks/{drink_id}/trials/{trial_id}/readings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def keep_reading(drink_id: RowId, trial_id: RowId, body: DeviceReadingEntry, conn: Connection) -> NotebookReport:
    """Save a reading of a trial; refused with a reason where it is impossible. It counts in the bar's dilution from then on."""
    return cases.keep_reading(conn, drink_id, trial_id, body)


@router.delete("/drinks/{drink_id}/readings/{reading_id}", responses=PROBLEMS["missing"])
def take_reading_back(drink_id: RowId, reading_id: RowId, conn: Connection) -> NotebookReport:
    """Delete a reading, and what it taught of the bar's dilution."""
    return cases.take_reading_back(conn, drink_id, reading_id)


@router.get("/devices")
def list_devices() -> list[MeasuringDeviceReport]:
    """List the devices that can be read; any reading can also be typed."""
    return cases.list_devices()


@router.post("/devices/{device}/read", responses=PROBLEMS["write"] | {503: PROBLEMS["silent"][503]})
def read_device(device: str, body: DeviceReadRequest, conn: Connection, request: Request) -> DeviceReading:
    """Read a device. Simulated ones measure a hidden true lot of the trial, which no forecast knows."""
    return cases.read_device(conn, request.app.state.bench_set, device, body)


@router.get("/calibration")
def get_calibration(conn: Connection) -> list[OwnWater]:
    """Return how much water each technique takes in this bar, by its own readings."""
    return cases.get_calibration(conn)
