"""Time and id of a new record."""

from __future__ import annotations

import sqlite3
from datetime import UTC, datetime

__all__ = ["new_id", "now"]


def now() -> str:
    """Return the present time in UTC, ISO 8601, to the second."""
    return datetime.now(UTC).isoformat(timespec="seconds")


def new_id(cursor: sqlite3.Cursor) -> int:
    """Return the id of the inserted row."""
    assert cursor.lastrowid is not None  # an INSERT that succeeded has one
    return cursor.lastrowid
