"""Readings of trials, and the dilution that they show for each technique."""

from __future__ import annotations

import sqlite3
from dataclasses import asdict, dataclass

from oenomel.core.spec import Technique
from oenomel.core.trials import QuantityName, ReadingPoint
from oenomel.errors import RecordNotFound
from oenomel.store import drinks
from oenomel.store.clock import now

__all__ = ["MeasurementRecord", "add", "get", "of_drink", "put_water", "ratios", "remove", "water_of"]

SELECT_OF_DRINK = """
SELECT measurement.id, trial_id, quantity, point, value, device, taken_at
FROM measurement JOIN trial ON trial.id = measurement.trial_id WHERE trial.drink_id = :drink_id ORDER BY measurement.id
"""
SELECT = "SELECT id, trial_id, quantity, point, value, device, taken_at FROM measurement WHERE id = :id"
INSERT = """
INSERT INTO measurement (trial_id, quantity, point, value, device, taken_at)
VALUES (:trial_id, :quantity, :point, :value, :device, :taken_at)
"""
DELETE = "DELETE FROM measurement WHERE id = :id"
UPSERT_WATER = """
INSERT INTO water_measure (trial_id, technique, ratio, how) VALUES (:trial_id, :technique, :ratio, :how)
ON CONFLICT (trial_id) DO UPDATE SET technique = excluded.technique, ratio = excluded.ratio, how = excluded.how
"""
DELETE_WATER = "DELETE FROM water_measure WHERE trial_id = :trial_id"
SELECT_RATIOS = "SELECT technique, ratio FROM water_measure ORDER BY trial_id"
SELECT_WATER = "SELECT ratio, how FROM water_measure WHERE trial_id = :trial_id"


@dataclass(frozen=True, slots=True)
class MeasurementRecord:
    """One reading: quantity, point in the making, value, and device."""

    trial_id: int
    quantity: QuantityName
    point: ReadingPoint
    value: float
    device: str
    taken_at: str = ""
    id: int = 0


def add(conn: sqlite3.Connection, measurement: MeasurementRecord) -> int:
    """Save a reading and return its id; raises RecordNotFound for an unknown trial."""
    drinks.trial(conn, measurement.trial_id)
    cursor = conn.execute(INSERT, asdict(measurement) | {"taken_at": measurement.taken_at or now()})
    assert cursor.lastrowid is not None
    return cursor.lastrowid


def get(conn: sqlite3.Connection, measurement_id: int) -> MeasurementRecord:
    """Return one reading; raises RecordNotFound."""
    row = conn.execute(SELECT, {"id": measurement_id}).fetchone()
    if row is None:
        raise RecordNotFound("measurement", measurement_id)
    return MeasurementRecord(**row)


def of_drink(conn: sqlite3.Connection, drink_id: int) -> list[MeasurementRecord]:
    """Return all readings of a drink's trials, oldest first."""
    return [MeasurementRecord(**row) for row in conn.execute(SELECT_OF_DRINK, {"drink_id": drink_id})]


def remove(conn: sqlite3.Connection, measurement_id: int) -> None:
    """Delete a reading; raises RecordNotFound."""
    if conn.execute(DELETE, {"id": measurement_id}).rowcount == 0:
        raise RecordNotFound("measurement", measurement_id)


def put_water(conn: sqlite3.Connection, trial_id: int, technique: str, ratio: float | None, how: str = "") -> None:
    """Save the dilution by a trial's readings; None where they no longer show any."""
    if ratio is None:
        conn.execute(DELETE_WATER, {"trial_id": trial_id})
    else:
        conn.execute(UPSERT_WATER, {"trial_id": trial_id, "technique": technique, "ratio": ratio, "how": how})


def water_of(conn: sqlite3.Connection, trial_id: int) -> tuple[float, str] | None:
    """Return the dilution by a trial's readings: its ratio to the forecast, and the method of calculation."""
    row = conn.execute(SELECT_WATER, {"trial_id": trial_id}).fetchone()
    return (row["ratio"], row["how"]) if row else None


def ratios(conn: sqlite3.Connection) -> dict[Technique, list[float]]:
    """Return measured dilution by forecast dilution, by technique, oldest first."""
    ratios_of: dict[Technique, list[float]] = {}
    for row in conn.execute(SELECT_RATIOS):
        ratios_of.setdefault(row["technique"], []).append(row["ratio"])
    return ratios_of
