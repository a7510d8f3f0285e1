"""Specs of a drink from books and colleagues."""

from __future__ import annotations

import sqlite3
from dataclasses import dataclass

from oenomel.errors import RecordNotFound
from oenomel.store import drinks
from oenomel.store.clock import new_id, now

__all__ = ["CloudSpecRecord", "add", "of_drink", "remove"]

SELECT = "SELECT id, drink_id, name, spec, added_at FROM cloud_spec WHERE drink_id = :drink_id ORDER BY id"
INSERT = "INSERT INTO cloud_spec (drink_id, name, spec, added_at) VALUES (:drink_id, :name, :spec, :added_at)"
DELETE = "DELETE FROM cloud_spec WHERE id = :id AND drink_id = :drink_id"


@dataclass(frozen=True, slots=True)
class CloudSpecRecord:
    """A spec of a drink from elsewhere: ``name`` is its author, ``spec`` is JSON text."""

    id: int
    drink_id: int
    name: str
    spec: str
    added_at: str


def of_drink(conn: sqlite3.Connection, drink_id: int) -> list[CloudSpecRecord]:
    """Return the specs gathered for a drink, oldest first."""
    return [CloudSpecRecord(**row) for row in conn.execute(SELECT, {"drink_id": drink_id})]


def add(conn: sqlite3.Connection, drink_id: int, name: str, spec: str, added_at: str = "") -> int:
    """Add a spec and return its id; a given time is used. Raises RecordNotFound."""
    drinks.get(conn, drink_id)
    return new_id(conn.execute(INSERT, {"drink_id": drink_id, "name": name, "spec": spec, "added_at": added_at or now()}))


def remove(conn: sqlite3.Connection, drink_id: int, spec_id: int) -> None:
    """Delete a spec; raises RecordNotFound."""
    if conn.execute(DELETE, {"id": spec_id, "drink_id": drink_id}).rowcount == 0:
        raise RecordNotFound("spec in the cloud", spec_id)
