"""Preparations of the bar, each by the ingredient it makes."""

from __future__ import annotations

import sqlite3
from dataclasses import dataclass
from typing import Literal

from oenomel.errors import RecordNotFound
from oenomel.store import ingredients

__all__ = ["PreparationRecord", "all_preparations", "get", "put", "remove", "remove_all"]

SELECT_ALL = "SELECT slug, content, origin FROM preparation ORDER BY slug"
SELECT = "SELECT slug, content, origin FROM preparation WHERE slug = :slug"
UPSERT = """
INSERT INTO preparation (slug, content, origin) VALUES (:slug, :content, :origin)
ON CONFLICT (slug) DO UPDATE SET content = excluded.content
"""
DELETE = "DELETE FROM preparation WHERE slug = :slug"
DELETE_ALL = "DELETE FROM preparation"


@dataclass(frozen=True, slots=True)
class PreparationRecord:
    """A preparation: the slug of its ingredient, and its file."""

    slug: str
    content: str
    origin: Literal["house", "demo"] = "house"


def all_preparations(conn: sqlite3.Connection) -> list[PreparationRecord]:
    """Return every preparation, by its ingredient."""
    return [PreparationRecord(**row) for row in conn.execute(SELECT_ALL)]


def get(conn: sqlite3.Connection, slug: str) -> PreparationRecord:
    """Return the preparation of an ingredient; raises RecordNotFound."""
    row = conn.execute(SELECT, {"slug": slug}).fetchone()
    if row is None:
        raise RecordNotFound("preparation", slug)
    return PreparationRecord(**row)


def put(conn: sqlite3.Connection, preparation: PreparationRecord) -> None:
    """Save a preparation, or replace the one of the same ingredient; raises RecordNotFound for an unknown ingredient."""
    ingredients.get(conn, preparation.slug)
    conn.execute(UPSERT, {"slug": preparation.slug, "content": preparation.content, "origin": preparation.origin})


def remove(conn: sqlite3.Connection, slug: str) -> None:
    """Delete a preparation; its lots stay. Raises RecordNotFound."""
    if conn.execute(DELETE, {"slug": slug}).rowcount == 0:
        raise RecordNotFound("preparation", slug)


def remove_all(conn: sqlite3.Connection) -> None:
    """Delete every preparation."""
    conn.execute(DELETE_ALL)
