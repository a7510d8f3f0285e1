"""The evening that is ahead, and what was ticked of it."""

from __future__ import annotations

import sqlite3

from oenomel.store.stamps import now

__all__ = ["get", "put", "remove", "tick", "ticked"]

SELECT = "SELECT content FROM evening WHERE id = 1"
UPSERT = "INSERT INTO evening (id, content) VALUES (1, :content) ON CONFLICT (id) DO UPDATE SET content = excluded.content"
DELETE = "DELETE FROM evening"
SELECT_TICKS = "SELECT key, done_at FROM evening_tick"
UPSERT_TICK = "INSERT INTO evening_tick (key, done_at) VALUES (:key, :done_at) ON CONFLICT (key) DO NOTHING"
DELETE_TICK = "DELETE FROM evening_tick WHERE key = :key"
DELETE_TICKS = "DELETE FROM evening_tick"


def get(conn: sqlite3.Connection) -> str | None:
    """What was told of it, as JSON; None where nobody told."""
    row = conn.execute(SELECT).fetchone()
    return None if row is None else str(row["content"])


def put(conn: sqlite3.Connection, content: str) -> None:
    """Puts it in the place of what was told before."""
    conn.execute(UPSERT, {"content": content})


def remove(conn: sqlite3.Connection) -> None:
    """Forgets it with its ticks: the next one begins."""
    conn.execute(DELETE)
    conn.execute(DELETE_TICKS)


def ticked(conn: sqlite3.Connection) -> dict[str, str]:
    """What is done, by key, and since when."""
    return {row["key"]: row["done_at"] for row in conn.execute(SELECT_TICKS)}


def tick(conn: sqlite3.Connection, key: str, *, done: bool, at: str = "") -> None:
    """Ticks something off, now where no time is told, or takes the tick back."""
    if done:
        conn.execute(UPSERT_TICK, {"key": key, "done_at": at or now()})
    else:
        conn.execute(DELETE_TICK, {"key": key})
