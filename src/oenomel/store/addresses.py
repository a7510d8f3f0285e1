"""Addresses of this machine at which the bar was opened: a browser stores unsent writes by address."""

from __future__ import annotations

import sqlite3
from datetime import UTC, datetime, timedelta
from typing import Final

from oenomel.store.clock import now

__all__ = ["elsewhere", "note"]

REMEMBERED: Final = timedelta(days=30)

UPSERT = """
INSERT INTO opened_at (origin, last_at) VALUES (:origin, :at) ON CONFLICT (origin) DO UPDATE SET last_at = excluded.last_at
"""
SELECT_OTHERS = "SELECT origin, last_at FROM opened_at WHERE origin <> :origin AND last_at >= :since ORDER BY last_at DESC"
DELETE_OLD = "DELETE FROM opened_at WHERE last_at < :since"


def note(conn: sqlite3.Connection, origin: str) -> None:
    """Save that it was opened at an address now, and delete old entries."""
    conn.execute(UPSERT, {"origin": origin, "at": now()})
    conn.execute(DELETE_OLD, {"since": _since()})


def elsewhere(conn: sqlite3.Connection, origin: str) -> list[tuple[str, str]]:
    """Return the other addresses at which it was opened lately with their times, the latest first."""
    return [(row["origin"], row["last_at"]) for row in conn.execute(SELECT_OTHERS, {"origin": origin, "since": _since()})]


def _since() -> str:
    return (datetime.now(UTC) - REMEMBERED).isoformat(timespec="seconds")
