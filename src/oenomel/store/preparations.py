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
    """A preparation as kept: the slug of what it makes, and its file."""

    slug: str
    content: str
    origin: Literal["house", "demo"] = "house"


def all_preparations(conn: sqlite3.Connection) -> list[PreparationRecord]:
    """Return every preparation, by what it makes."""
    return [PreparationRecord(**row) for row in conn.execute(SELECT_ALL)]


def get(conn: sqlite3.Connection, slug: str) -> PreparationRecord:
    """Return what makes an ingredient; raises RecordNotFound."""
    row = conn.execute(SELECT, {"slug": slug}).fetchone()
    if row is None:
        raise RecordNotFound("preparation", slug)
    return PreparationRecord(**row)


def put(conn: sqlite3.Connection, preparation: PreparationRecord) -> None:
    """Save a preparation, or replace the one that makes the same; raises RecordNotFound for an unknown ingredient."""
    ingredients.get(conn, preparation.slug)
    conn.execute(UPSERT, {"slug": preparation.slug, "content": preparation.content, "origin": preparation.origin})


def remove(conn: sqlite3.Connection, slug: str) -> None:
    """Take a preparation away; what was made by it stays. Raises RecordNotFound."""
    if conn.execute(DELETE, {"slug": slug}).rowcount == 0:
        raise RecordNotFound("preparation", slug)


def remove_all(conn: sqlite3.Connection) -> None:
    """Take every preparation away."""
    conn.execute(DELETE_ALL)
