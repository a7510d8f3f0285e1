"""Lots: bottles, pressings and preparations, with their readings."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterable
from dataclasses import asdict, dataclass, field
from typing import Literal

from oenomel.core.larder import SourcedValue, composition_from_values
from oenomel.core.larder.ingredient import check_labels
from oenomel.core.lots import ReadingName
from oenomel.errors import DomainError, RecordConflict, RecordNotFound
from oenomel.moments import moment_of
from oenomel.store import ingredients
from oenomel.store.clock import new_id, now

__all__ = [
    "LotRecord", "ReadingRecord", "add", "add_reading", "all_lots", "change", "get", "newest", "numbered", "of_names", "open_lots",
    "readings", "readings_of", "remove", "remove_all", "remove_reading", "unreadable", "unused_name", "used_by",
]  # fmt: skip

SELECT_ALL = """
SELECT id, slug, name, made_at, used_up_at, volume_ml, left_ml, pieces, preparation, contents, origin FROM lot ORDER BY made_at, id
"""
SELECT = """
SELECT id, slug, name, made_at, used_up_at, volume_ml, left_ml, pieces, preparation, contents, origin FROM lot WHERE id = :id
"""
SELECT_NAMED = """
SELECT id, slug, name, made_at, used_up_at, volume_ml, left_ml, pieces, preparation, contents, origin FROM lot
WHERE (slug, name) IN (SELECT json_extract(value, '$[0]'), json_extract(value, '$[1]') FROM json_each(:wanted))
"""
SELECT_OPEN = """
SELECT id, slug, name, made_at, used_up_at, volume_ml, left_ml, pieces, preparation, contents, origin FROM lot
WHERE used_up_at IS NULL ORDER BY made_at, id
"""
SELECT_OPEN_OF = """
SELECT id, slug, name, made_at, used_up_at, volume_ml, left_ml, pieces, preparation, contents, origin FROM lot
WHERE used_up_at IS NULL AND slug IN (SELECT value FROM json_each(:slugs)) ORDER BY made_at, id
"""
INSERT = """
INSERT INTO lot (slug, name, made_at, used_up_at, volume_ml, left_ml, pieces, preparation, contents, origin)
VALUES (:slug, :name, :made_at, :used_up_at, :volume_ml, :left_ml, :pieces, :preparation, :contents, :origin)
"""
UPDATE = """
UPDATE lot SET name = :name, made_at = :made_at, used_up_at = :used_up_at, volume_ml = :volume_ml, left_ml = :left_ml, pieces = :pieces,
  preparation = :preparation, contents = :contents
WHERE id = :id
"""
DELETE = "DELETE FROM lot WHERE id = :id"
DELETE_ALL = "DELETE FROM lot"
SELECT_READINGS = "SELECT id, lot_id, what, value, sd, device, taken_at FROM lot_reading ORDER BY id"
SELECT_READINGS_OF = """
SELECT id, lot_id, what, value, sd, device, taken_at FROM lot_reading
WHERE lot_id IN (SELECT value FROM json_each(:lots)) ORDER BY id
"""
INSERT_READING = """
INSERT INTO lot_reading (lot_id, what, value, sd, device, taken_at) VALUES (:lot_id, :what, :value, :sd, :device, :taken_at)
"""
DELETE_READING = "DELETE FROM lot_reading WHERE id = :id AND lot_id = :lot_id"
SELECT_USED = """
SELECT drink.name, trial.number FROM trial JOIN drink ON drink.id = trial.drink_id
WHERE EXISTS (
  SELECT 1 FROM json_each(trial.spec, '$.pours') AS pour
  WHERE json_extract(pour.value, '$.ingredient') = :slug AND json_extract(pour.value, '$.lot') = :name
) OR EXISTS (
  SELECT 1 FROM json_each(json_extract(trial.made, '$.lots')) AS lot WHERE lot.key = :slug AND lot.value = :name
) LIMIT 1
"""


@dataclass(frozen=True, slots=True)
class LotRecord:
    """A lot; ``contents`` are an ingredient's values as JSON, where they were computed from a preparation."""

    slug: str
    name: str
    made_at: str
    used_up_at: str | None = None
    volume_ml: float | None = None
    left_ml: float | None = None
    pieces: int | None = None
    preparation: str = ""
    contents: str = "[]"
    origin: Literal["house", "demo"] = "house"
    id: int = field(default=0)


@dataclass(frozen=True, slots=True)
class ReadingRecord:
    """One reading of a lot, in the unit of its kind; ``device`` is what it was read with, empty for typed."""

    lot_id: int
    what: ReadingName
    value: float
    sd: float | None
    device: str = ""
    taken_at: str = ""
    id: int = 0


def all_lots(conn: sqlite3.Connection) -> list[LotRecord]:
    """Return every readable lot, oldest first."""
    return _readable(conn.execute(SELECT_ALL))


def unreadable(conn: sqlite3.Connection) -> list[tuple[LotRecord, str]]:
    """Return the lots that can't be read, with what is wrong."""
    every = [LotRecord(**row) for row in conn.execute(SELECT_ALL)]
    return [(lot, why) for lot in every if (why := _fault(lot))]


def open_lots(conn: sqlite3.Connection) -> list[LotRecord]:
    """Return readable lots that aren't finished, oldest first."""
    return _readable(conn.execute(SELECT_OPEN))


def newest(conn: sqlite3.Connection, slugs: Iterable[str]) -> dict[str, LotRecord]:
    """Return today's lot of each of some ingredients: the newest that isn't finished."""
    wanted = {"slugs": json.dumps(sorted(set(slugs)))}
    return {lot.slug: lot for lot in _readable(conn.execute(SELECT_OPEN_OF, wanted))}


def of_names(conn: sqlite3.Connection, wanted: Iterable[tuple[str, str]]) -> dict[tuple[str, str], LotRecord]:
    """Return lots by slug and name; missing ones are left out."""
    pairs = json.dumps(sorted(set(wanted)))
    return {(row["slug"], row["name"]): LotRecord(**row) for row in conn.execute(SELECT_NAMED, {"wanted": pairs})}


def numbered(conn: sqlite3.Connection, lot_id: int) -> LotRecord | None:
    """Return the lot with an id, or None."""
    row = conn.execute(SELECT, {"id": lot_id}).fetchone()
    return None if row is None else LotRecord(**row)


def get(conn: sqlite3.Connection, lot_id: int) -> LotRecord:
    """Return one lot; raises RecordNotFound."""
    lot = numbered(conn, lot_id)
    if lot is None:
        raise RecordNotFound("lot", lot_id)
    return lot


def add(conn: sqlite3.Connection, lot: LotRecord) -> int:
    """Save a lot and return its id.

    Raises
    ------
    RecordNotFound
        The ingredient doesn't exist. RecordConflict A lot of this ingredient has the name already. DomainError It was finished before
        it was made, more is left than was made, or its composition is impossible.
    """
    ingredients.get(conn, lot.slug)
    _check(conn, lot)
    return new_id(conn.execute(INSERT, asdict(lot)))


def change(conn: sqlite3.Connection, lot: LotRecord) -> None:
    """Replace the lot with the same id; raises as `add`, and where a trial uses its old name."""
    before = get(conn, lot.id)
    _check(conn, lot)
    if before.name != lot.name:
        _not_in_a_trial(conn, before, "keep its name")
    conn.execute(UPDATE, asdict(lot))


def remove(conn: sqlite3.Connection, lot_id: int) -> None:
    """Delete a lot; raises RecordConflict where a trial was made with it."""
    lot = get(conn, lot_id)
    _not_in_a_trial(conn, lot, "mark it as finished instead")
    conn.execute(DELETE, {"id": lot_id})


def remove_all(conn: sqlite3.Connection) -> None:
    """Delete every lot."""
    conn.execute(DELETE_ALL)


def used_by(conn: sqlite3.Connection, lot: LotRecord) -> str:
    """Return the name of a trial that was made with the lot; empty where there is none."""
    row = conn.execute(SELECT_USED, {"slug": lot.slug, "name": lot.name}).fetchone()
    return f"trial {row['number']} of {row['name']}" if row else ""


def unused_name(conn: sqlite3.Connection, slug: str, name: str) -> str:
    """Return the name, with a number where a lot of this ingredient has it already."""
    tried, number = name, 2
    while of_names(conn, [(slug, tried)]):
        tried, number = f"{name}, {number}", number + 1
    return tried


def readings(conn: sqlite3.Connection) -> dict[int, list[ReadingRecord]]:
    """Return every reading by lot, oldest first."""
    return _by_lot(conn.execute(SELECT_READINGS))


def readings_of(conn: sqlite3.Connection, lot_ids: Iterable[int]) -> dict[int, list[ReadingRecord]]:
    """Return the readings of some lots by lot, oldest first."""
    return _by_lot(conn.execute(SELECT_READINGS_OF, {"lots": json.dumps(sorted(set(lot_ids)))}))


def add_reading(conn: sqlite3.Connection, reading: ReadingRecord) -> int:
    """Save a reading and return its id; raises RecordNotFound for an unknown lot."""
    get(conn, reading.lot_id)
    return new_id(conn.execute(INSERT_READING, asdict(reading) | {"taken_at": reading.taken_at or now()}))


def remove_reading(conn: sqlite3.Connection, lot_id: int, reading_id: int) -> None:
    """Delete a reading; raises RecordNotFound."""
    if conn.execute(DELETE_READING, {"id": reading_id, "lot_id": lot_id}).rowcount == 0:
        raise RecordNotFound("reading", reading_id)


def _readable(rows: Iterable[sqlite3.Row]) -> list[LotRecord]:
    return [lot for row in rows if not _fault(lot := LotRecord(**row))]


def _fault(lot: LotRecord) -> str:
    """Return what is wrong with a stored lot, empty where nothing is: its times, or its contents."""
    try:
        moment_of(lot.made_at)
        if lot.used_up_at is not None:
            moment_of(lot.used_up_at)
        if lot.contents != "[]":
            values = {load["name"]: SourcedValue(**load) for load in json.loads(lot.contents)}
            check_labels(values.values())
            composition_from_values(values, "syrup")
    except DomainError as error:
        return str(error)
    except (ValueError, TypeError, KeyError):
        return "its composition can't be read"
    return ""


def _check(conn: sqlite3.Connection, lot: LotRecord) -> None:
    fault = _fault(lot)
    if fault:
        raise DomainError(f"{lot.name}: {fault}")
    if lot.used_up_at is not None and lot.used_up_at < lot.made_at:
        raise DomainError(f"{lot.name} was finished before it was made: correct one of the times")
    if lot.left_ml is not None and lot.volume_ml is not None and lot.left_ml > lot.volume_ml * 1.001:
        raise DomainError(f"{lot.left_ml:g} ml can't be left of {lot.volume_ml:g} ml")
    taken = of_names(conn, [(lot.slug, lot.name)]).get((lot.slug, lot.name))
    if taken is not None and taken.id != lot.id:
        raise RecordConflict(f'there is a "{lot.name}" already: choose another name')


def _not_in_a_trial(conn: sqlite3.Connection, lot: LotRecord, instead: str) -> None:
    trial = used_by(conn, lot)
    if trial:
        raise RecordConflict(f"{trial} uses {lot.name}: {instead}")


def _by_lot(rows: Iterable[sqlite3.Row]) -> dict[int, list[ReadingRecord]]:
    result: dict[int, list[ReadingRecord]] = {}
    for row in rows:
        result.setdefault(row["lot_id"], []).append(ReadingRecord(**row))
    return result
