"""The brief of a drink."""

from __future__ import annotations

import sqlite3

from oenomel.store import drinks

__all__ = ["get", "put"]

SELECT = "SELECT content FROM brief WHERE drink_id = :drink_id"
UPSERT = """
INSERT INTO brief (drink_id, content) VALUES (:drink_id, :content) ON CONFLICT (drink_id) DO UPDATE SET content = excluded.content
"""


def get(conn: sqlite3.Connection, drink_id: int) -> str:
    """Return the brief of a drink as JSON text, an empty object where there is none; raises RecordNotFound."""
    drinks.get(conn, drink_id)
    row = conn.execute(SELECT, {"drink_id": drink_id}).fetchone()
    return str(row["content"]) if row else "{}"


def put(conn: sqlite3.Connection, drink_id: int, content: str) -> None:
    """Save the brief; raises RecordNotFound."""
    drinks.get(conn, drink_id)
    conn.execute(UPSERT, {"drink_id": drink_id, "content": content})
