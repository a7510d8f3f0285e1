"""What a drink starts from: its brief, and specs of it from books and colleagues."""

from __future__ import annotations

import sqlite3
from dataclasses import dataclass
from datetime import UTC, datetime

from oenomel.errors import RecordNotFound
from oenomel.store import drinks

__all__ = ["GatheredRecord", "add", "get_brief", "list_gathered", "put_brief", "remove"]

SELECT_BRIEF = "SELECT content FROM brief WHERE drink_id = :drink_id"
UPSERT_BRIEF = """
INSERT INTO brief (drink_id, content) VALUES (:drink_id, :content) ON CONFLICT (drink_id) DO UPDATE SET content = excluded.content
"""
SELECT = "SELECT id, drink_id, name, spec, added_at FROM gathered_spec WHERE drink_id = :drink_id ORDER BY id"
INSERT = "INSERT INTO gathered_spec (drink_id, name, spec, added_at) VALUES (:drink_id, :name, :spec, :added_at)"
DELETE = "DELETE FROM gathered_spec WHERE id = :id AND drink_id = :drink_id"


@dataclass(frozen=True, slots=True)
class GatheredRecord:
    """A spec of a drink from elsewhere: ``name`` says whose, ``spec`` is JSON text."""

    id: int
    drink_id: int
    name: str
    spec: str
    added_at: str


def get_brief(conn: sqlite3.Connection, drink_id: int) -> str:
    """The brief of a drink as JSON text, an empty object where there is none; raises RecordNotFound."""
    drinks.get(conn, drink_id)
    row = conn.execute(SELECT_BRIEF, {"drink_id": drink_id}).fetchone()
    return str(row["content"]) if row else "{}"


def put_brief(conn: sqlite3.Connection, drink_id: int, content: str) -> None:
    """Writes the brief; raises RecordNotFound."""
    drinks.get(conn, drink_id)
    conn.execute(UPSERT_BRIEF, {"drink_id": drink_id, "content": content})


def list_gathered(conn: sqlite3.Connection, drink_id: int) -> list[GatheredRecord]:
    """The specs gathered for a drink, oldest first."""
    return [GatheredRecord(**row) for row in conn.execute(SELECT, {"drink_id": drink_id})]


def add(conn: sqlite3.Connection, drink_id: int, name: str, spec: str) -> int:
    """Adds a spec and returns its id; raises RecordNotFound."""
    drinks.get(conn, drink_id)
    added_at = datetime.now(UTC).isoformat(timespec="seconds")
    cursor = conn.execute(INSERT, {"drink_id": drink_id, "name": name, "spec": spec, "added_at": added_at})
    assert cursor.lastrowid is not None
    return cursor.lastrowid


def remove(conn: sqlite3.Connection, drink_id: int, gathered_id: int) -> None:
    """Takes a spec out; raises RecordNotFound."""
    if conn.execute(DELETE, {"id": gathered_id, "drink_id": drink_id}).rowcount == 0:
        raise RecordNotFound("gathered spec", gathered_id)
