"""The evening that is ahead, and what was ticked of it."""

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
    """Return what was told of it, as JSON; None where nobody said."""
    row = conn.execute(SELECT).fetchone()
    return None if row is None else str(row["content"])


def put(conn: sqlite3.Connection, content: str) -> None:
    """Put it in the place of what was told before."""
    conn.execute(UPSERT, {"content": content})


def remove(conn: sqlite3.Connection) -> None:
    """Take it off with its ticks: the next one begins. Until then it can be put back."""
    conn.execute(FORGET)
    conn.execute(DELETE)
    conn.execute(DELETE_TICKS)


def forgotten(conn: sqlite3.Connection) -> str | None:
    """Return the one that was taken off last, as JSON; None where none was."""
    row = conn.execute(SELECT_FORGOTTEN).fetchone()
    return None if row is None else str(row["content"])


def put_back(conn: sqlite3.Connection) -> None:
    """Put the one that was taken off last back with its ticks.

    Raises
    ------
    RecordNotFound
        None was.
    RecordConflict
        Another one has begun since.
    """
    row = conn.execute(SELECT_FORGOTTEN).fetchone()
    if row is None:
        raise RecordNotFound("evening that was taken off", 1)
    if get(conn) is not None:
        raise RecordConflict("another evening has begun since: take that off first")
    put(conn, row["content"])
    for key, at in json.loads(row["ticks"]).items():
        tick(conn, key, done=True, at=at)
    conn.execute(DELETE_FORGOTTEN)


def ticked(conn: sqlite3.Connection) -> dict[str, str]:
    """Return what is done, by key, and since when."""
    return {row["key"]: row["done_at"] for row in conn.execute(SELECT_TICKS)}


def tick(conn: sqlite3.Connection, key: str, *, done: bool, at: str = "") -> None:
    """Tick something off, now where no time is given, or take the tick back."""
    if done:
        conn.execute(UPSERT_TICK, {"key": key, "done_at": at or now()})
    else:
        conn.execute(DELETE_TICK, {"key": key})
