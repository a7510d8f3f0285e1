"""Batches: their recipe, what is left, and their log."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterable
from dataclasses import asdict, dataclass, field, replace
from typing import Literal

from oenomel.errors import DomainError, NotAMoment, RecordConflict, RecordNotFound
from oenomel.moments import TEN_YEARS, moment_of
from oenomel.store import drinks
from oenomel.store.clock import new_id, now

__all__ = [
    "BatchRecord", "LogKind", "LogRecord", "add", "all_batches", "change", "get", "log", "note", "open_batches", "remove", "remove_all",
    "serve", "unreadable", "unused_name",
]  # fmt: skip

SELECT_ALL = """
SELECT id, drink_id, name, made_at, made_by, use_by, used_up_at, spec, wish, poured, contents, recipe, label, serve_ml, volume_ml,
  left_ml, container_ml, older_id, older_ml, wood, note, origin
FROM batch ORDER BY made_at, id
"""
SELECT_OPEN = """
SELECT id, drink_id, name, made_at, made_by, use_by, used_up_at, spec, wish, poured, contents, recipe, label, serve_ml, volume_ml,
  left_ml, container_ml, older_id, older_ml, wood, note, origin
FROM batch WHERE used_up_at IS NULL ORDER BY made_at, id
"""
SELECT = """
SELECT id, drink_id, name, made_at, made_by, use_by, used_up_at, spec, wish, poured, contents, recipe, label, serve_ml, volume_ml,
  left_ml, container_ml, older_id, older_ml, wood, note, origin
FROM batch WHERE id = :id
"""
SELECT_NAMED = "SELECT id FROM batch WHERE name = :name COLLATE NOCASE"
INSERT = """
INSERT INTO batch (drink_id, name, made_at, made_by, use_by, used_up_at, spec, wish, poured, contents, recipe, label, serve_ml, volume_ml,
  left_ml, container_ml, older_id, older_ml, wood, note, origin)
VALUES (:drink_id, :name, :made_at, :made_by, :use_by, :used_up_at, :spec, :wish, :poured, :contents, :recipe, :label, :serve_ml,
  :volume_ml, :left_ml, :container_ml, :older_id, :older_ml, :wood, :note, :origin)
"""
UPDATE = """
UPDATE batch SET name = :name, made_by = :made_by, use_by = :use_by, used_up_at = :used_up_at, poured = :poured, contents = :contents,
  volume_ml = :volume_ml, left_ml = :left_ml,
  older_ml = :older_ml, note = :note
WHERE id = :id
"""
DELETE = "DELETE FROM batch WHERE id = :id"
DELETE_ALL = "DELETE FROM batch"
SELECT_LATER = "SELECT name FROM batch WHERE older_id = :id LIMIT 1"
SELECT_LOG = "SELECT id, batch_id, at, kind, words FROM batch_log WHERE batch_id = :batch_id ORDER BY id"
INSERT_LOG = "INSERT INTO batch_log (batch_id, at, kind, words) VALUES (:batch_id, :at, :kind, :words)"

LogKind = Literal["made", "served", "added", "read", "kept over", "set right"]
_SPARE_ML = 0.001
EMPTY = 0.05
"""Share of a serve below which a batch is empty."""


@dataclass(frozen=True, slots=True)
class BatchRecord:
    """A batch as kept; ``spec``, ``wish``, ``poured``, ``contents``, ``recipe`` and ``label`` are JSON texts; see the migration."""

    drink_id: int
    name: str
    made_at: str
    use_by: str
    spec: str
    wish: str
    poured: str
    contents: str
    recipe: str
    label: str
    serve_ml: float
    volume_ml: float
    left_ml: float
    container_ml: float
    made_by: str = ""
    used_up_at: str | None = None
    older_id: int | None = None
    older_ml: float = 0.0
    wood: int = 0
    note: str = ""
    origin: Literal["house", "demo"] = "house"
    id: int = field(default=0)


@dataclass(frozen=True, slots=True)
class LogRecord:
    """One event in a batch's log."""

    batch_id: int
    kind: LogKind
    words: str
    at: str = ""
    id: int = 0


def all_batches(conn: sqlite3.Connection) -> list[BatchRecord]:
    """Return every batch whose times can be read, oldest first."""
    return _readable(conn.execute(SELECT_ALL))


def unreadable(conn: sqlite3.Connection) -> list[tuple[BatchRecord, str]]:
    """Return batches whose times can't be read, with what is wrong."""
    every = [BatchRecord(**row) for row in conn.execute(SELECT_ALL)]
    return [(batch, why) for batch in every if (why := _fault(batch))]


def open_batches(conn: sqlite3.Connection) -> list[BatchRecord]:
    """Return those that aren't finished, oldest first."""
    return _readable(conn.execute(SELECT_OPEN))


def get(conn: sqlite3.Connection, batch_id: int) -> BatchRecord:
    """Return one batch; raises RecordNotFound."""
    row = conn.execute(SELECT, {"id": batch_id}).fetchone()
    if row is None:
        raise RecordNotFound("batch", batch_id)
    return BatchRecord(**row)


def add(conn: sqlite3.Connection, batch: BatchRecord) -> int:
    """Save a batch and return its id.

    Raises
    ------
    RecordNotFound
        The drink doesn't exist. RecordConflict Another batch has its name. DomainError Its times or amounts are impossible.
    """
    drinks.get(conn, batch.drink_id)
    _check(conn, batch)
    return new_id(conn.execute(INSERT, asdict(batch)))


def change(conn: sqlite3.Connection, batch: BatchRecord) -> None:
    """Replace the batch with the same id; raises as `add`."""
    get(conn, batch.id)
    _check(conn, batch)
    conn.execute(UPDATE, asdict(batch))


def serve(conn: sqlite3.Connection, batch: BatchRecord, ml: float) -> BatchRecord:
    """Take an amount out of a batch, and mark it finished where nothing is left; raises DomainError where there is less."""
    if ml > batch.left_ml + _SPARE_ML:
        raise DomainError(f"{ml:.0f} ml can't be poured: {batch.left_ml:.0f} ml of {batch.name} left")
    left_ml = max(0.0, batch.left_ml - ml)
    gone_at = max(now(), batch.made_at) if left_ml < EMPTY * batch.serve_ml else batch.used_up_at
    later = replace(batch, left_ml=left_ml, used_up_at=gone_at)
    change(conn, later)
    return later


def remove(conn: sqlite3.Connection, batch_id: int) -> None:
    """Delete a batch; raises RecordConflict where another was filled on it."""
    get(conn, batch_id)
    later = conn.execute(SELECT_LATER, {"id": batch_id}).fetchone()
    if later is not None:
        raise RecordConflict(f"{later['name']} was refilled from it: mark it as finished instead")
    conn.execute(DELETE, {"id": batch_id})


def remove_all(conn: sqlite3.Connection) -> None:
    """Delete every batch."""
    conn.execute(DELETE_ALL)


def log(conn: sqlite3.Connection, batch_id: int) -> list[LogRecord]:
    """Return the log of a batch, oldest first."""
    return [LogRecord(**row) for row in conn.execute(SELECT_LOG, {"batch_id": batch_id})]


def note(conn: sqlite3.Connection, happened: LogRecord) -> None:
    """Add to the log of a batch; with the present time where none is given."""
    conn.execute(
        INSERT_LOG, {"batch_id": happened.batch_id, "kind": happened.kind, "words": happened.words, "at": happened.at or now()}
    )  # fmt: skip


def unused_name(conn: sqlite3.Connection, name: str) -> str:
    """Return the name, with a number where a batch has it already."""
    tried, number = name, 2
    while conn.execute(SELECT_NAMED, {"name": tried}).fetchone():
        tried, number = f"{name}, {number}", number + 1
    return tried


def _readable(rows: Iterable[sqlite3.Row]) -> list[BatchRecord]:
    return [batch for row in rows if not _fault(batch := BatchRecord(**row))]


def _fault(batch: BatchRecord) -> str:
    """Return what is wrong with the stored times and amounts of a batch, empty where nothing is."""
    try:
        datetime, use_by = moment_of(batch.made_at), moment_of(batch.use_by, TEN_YEARS)
        used_up = None if batch.used_up_at is None else moment_of(batch.used_up_at)
    except NotAMoment as error:
        return str(error)
    if use_by < datetime:
        return "the use-by date is before it was made"
    if used_up is not None and used_up < datetime:
        return "it was finished before it was made"
    if batch.left_ml > batch.volume_ml + _SPARE_ML:
        return f"{batch.left_ml:g} ml can't be left of {batch.volume_ml:g} ml"
    if batch.older_ml > batch.volume_ml + _SPARE_ML:
        return f"{batch.older_ml:g} ml of an older one can't be in {batch.volume_ml:g} ml"
    return ""


def _check(conn: sqlite3.Connection, batch: BatchRecord) -> None:
    fault = _fault(batch)
    if fault:
        raise DomainError(f"{batch.name}: {fault}")
    taken = conn.execute(SELECT_NAMED, {"name": batch.name}).fetchone()
    if taken is not None and taken["id"] != batch.id:
        raise RecordConflict(f'there is a batch "{batch.name}" already: choose another name')
