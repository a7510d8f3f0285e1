"""The event plan, and its ticks."""

from __future__ import annotations

import json
import sqlite3

from oenomel.errors import RecordConflict, RecordNotFound
from oenomel.store.clock import now

__all__ = ["forgotten", "get", "put", "put_back", "remove", "tick", "ticked"]

SELECT = "SELECT content FROM evening WHERE id = 1"
UPSERT = "INSERT INTO evening (id, content) VALUES (1, :content) ON CONFLICT (id) DO UPDATE SET content = excluded.content"
DELETE = "DELETE FROM evening"
SELECT_TICKS = "SELECT key, done_at FROM evening_tick"
UPSERT_TICK = "INSERT INTO evening_tick (key, done_at) VALUES (:key, :done_at) ON CONFLICT (key) DO NOTHING"
DELETE_TICK = "DELETE FROM evening_tick WHERE key = :key"
DELETE_TICKS = "DELETE FROM evening_tick"
FORGET = """
INSERT INTO forgotten_evening (id, content, ticks)
SELECT 1, content, (SELECT json_group_object(key, done_at) FROM evening_tick) FROM evening WHERE id = 1
ON CONFLICT (id) DO UPDATE SET content = excluded.content, ticks = excluded.ticks
"""
SELECT_FORGOTTEN = "SELECT content, ticks FROM forgotten_evening WHERE id = 1"
DELETE_FORGOTTEN = "DELETE FROM forgotten_evening"


def get(conn: sqlite3.Connection) -> str | None:
    """Return the event plan as JSON; None where there is none."""
    row = conn.execute(SELECT).fetchone()
    return None if row is None else str(row["content"])


def put(conn: sqlite3.Connection, content: str) -> None:
    """Replace the event plan."""
    conn.execute(UPSERT, {"content": content})


def remove(conn: sqlite3.Connection) -> None:
    """Delete the event plan with its ticks; it can be restored until the next one is created."""
    conn.execute(FORGET)
    conn.execute(DELETE)
    conn.execute(DELETE_TICKS)


def forgotten(conn: sqlite3.Connection) -> str | None:
    """Return the event plan that was deleted last, as JSON; None where there is none."""
    row = conn.execute(SELECT_FORGOTTEN).fetchone()
    return None if row is None else str(row["content"])


def put_back(conn: sqlite3.Connection) -> None:
    """Restore the event plan that was deleted last, with its ticks.

    Raises
    ------
    RecordNotFound
        No event plan was deleted. RecordConflict A new one exists.
    """
    row = conn.execute(SELECT_FORGOTTEN).fetchone()
    if row is None:
        raise RecordNotFound("evening that was taken off", 1)
    if get(conn) is not None:
        raise RecordConflict("another event was started: remove that one first")
    put(conn, row["content"])
    for key, at in json.loads(row["ticks"]).items():
        tick(conn, key, done=True, at=at)
    conn.execute(DELETE_FORGOTTEN)


def ticked(conn: sqlite3.Connection) -> dict[str, str]:
    """Return the ticks with their times, by key."""
    return {row["key"]: row["done_at"] for row in conn.execute(SELECT_TICKS)}


def tick(conn: sqlite3.Connection, key: str, *, done: bool, at: str = "") -> None:
    """Tick a key, with the present time where none is given, or remove the tick."""
    if done:
        conn.execute(UPSERT_TICK, {"key": key, "done_at": at or now()})
    else:
        conn.execute(DELETE_TICK, {"key": key})
