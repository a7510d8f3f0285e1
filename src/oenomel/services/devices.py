"""Readings of trials compared with their forecasts, measuring devices, and the bar's own dilution."""

from __future__ import annotations

import sqlite3

from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.trials import Reading
from oenomel.core.trials.readings import OwnWater, check, measured_water, own_water, without_house_factor
from oenomel.devices.bench_set import DEVICES, BenchSet
from oenomel.devices.hidden_truth import samples_of
from oenomel.schemas.reports.trial_reports import NotebookReport
from oenomel.schemas.routes.devices_models import DeviceReading, DeviceReadingEntry, DeviceReadRequest, MeasuringDeviceReport
from oenomel.services.stored_trials import KeptTrial, kept_trials
from oenomel.services.trials import get_notebook
from oenomel.store import drinks, measurements
from oenomel.store.database import transaction
from oenomel.store.measurements import MeasurementRecord


def keep_reading(conn: sqlite3.Connection, drink_id: int, trial_id: int, body: DeviceReadingEntry) -> NotebookReport:
    """Save a reading of a trial; refused with a reason where it is impossible. It counts in the bar's dilution from then on."""
    kept, plain = _trial(conn, drink_id, trial_id)
    reading = Reading(body.quantity, body.point, body.value)
    with transaction(conn):
        others = _readings(conn, drink_id, trial_id)
        check(reading, plain, others)
        measurements.add(conn, MeasurementRecord(trial_id, body.quantity, body.point, body.value, body.device))
        _note_water(conn, kept, plain, [*others, reading])
    return get_notebook(conn, drink_id)


def take_reading_back(conn: sqlite3.Connection, drink_id: int, reading_id: int) -> NotebookReport:
    """Delete a reading, and what it taught of the bar's dilution."""
    trial_id = measurements.get(conn, reading_id).trial_id
    kept, plain = _trial(conn, drink_id, trial_id)
    with transaction(conn):
        measurements.remove(conn, reading_id)
        _note_water(conn, kept, plain, _readings(conn, drink_id, trial_id))
    return get_notebook(conn, drink_id)


def list_devices() -> list[MeasuringDeviceReport]:
    """List the devices that can be read; any reading can also be typed."""
    return [
        MeasuringDeviceReport.model_validate({"device": name, "quantity": kind.quantity, "makes": sorted(kind.makes)})
        for name, kind in DEVICES.items()
    ]


def read_device(conn: sqlite3.Connection, bench: BenchSet, device: str, body: DeviceReadRequest) -> DeviceReading:
    """Read a device. Simulated ones measure a hidden true lot of the trial, which no forecast knows."""
    chosen = bench.device(device, body.make)
    (kept,) = kept_trials(conn, [drinks.trial(conn, body.trial_id)])
    sample = samples_of(kept.drink, body.trial_id)[body.point]
    if body.zero:
        chosen.zero()
    return DeviceReading.model_validate({"quantity": DEVICES[device].quantity, "value": chosen.read(sample)})


def get_calibration(conn: sqlite3.Connection) -> list[OwnWater]:
    """Return how much water each technique takes in this bar, by its own readings."""
    all_ratios = sorted(measurements.ratios(conn).items())
    return [own_water(technique, ratios) for technique, ratios in all_ratios]


def _trial(conn: sqlite3.Connection, drink_id: int, trial_id: int) -> tuple[KeptTrial, Forecast]:
    """Return a trial, and its forecast without the bar's own dilution."""
    (kept,) = kept_trials(conn, [drinks.get_trial(conn, drink_id, trial_id)])
    return kept, without_house_factor(kept.drink, forecast_of(kept.drink, kept.conditions))


def _readings(conn: sqlite3.Connection, drink_id: int, trial_id: int) -> list[Reading]:
    return [Reading(r.quantity, r.point, r.value) for r in measurements.of_drink(conn, drink_id) if r.trial_id == trial_id]


def _note_water(conn: sqlite3.Connection, kept: KeptTrial, plain: Forecast, readings: list[Reading]) -> None:
    water = measured_water(readings, plain)
    technique = kept.drink.method.technique
    measurements.put_water(conn, kept.record.id, technique, None if water is None else water.ratio, water.how if water else "")
