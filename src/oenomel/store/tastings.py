"""Tasting sheets of trials, ingredients tasted alone, and resets of palates."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterable
from dataclasses import asdict, dataclass

from oenomel.errors import RecordNotFound
from oenomel.store import book_search, drinks, ingredients
from oenomel.store.clock import new_id, now

__all__ = [
    "PartTastingRecord",
    "TastingRecord",
    "add",
    "add_part",
    "all_parts",
    "counts",
    "for_palate",
    "of_drink",
    "of_part",
    "remove",
    "remove_all",
    "reset_palate",
    "resets",
    "tasters",
]  # fmt: skip

SELECT_OF_DRINK = """
SELECT tasting.id, trial_id, taster, tasted_at, blind, edge, sugar, acid, abv, body, loud, lacking, score, words
FROM tasting JOIN trial ON trial.id = tasting.trial_id WHERE trial.drink_id = :drink_id ORDER BY tasting.id
"""
SELECT_FOR_PALATE = """
SELECT tasting.id, trial_id, taster, tasted_at, blind, edge, sugar, acid, abv, body, loud, lacking, score, words
FROM tasting WHERE (:taster = '' OR taster = :taster)
  AND tasted_at > coalesce((SELECT since FROM palate_reset WHERE palate_reset.taster = :taster), '')
ORDER BY tasting.id DESC LIMIT :most
"""
INSERT = """
INSERT INTO tasting (trial_id, taster, tasted_at, blind, edge, sugar, acid, abv, body, loud, lacking, score, words)
VALUES (:trial_id, :taster, :tasted_at, :blind, :edge, :sugar, :acid, :abv, :body, :loud, :lacking, :score, :words)
"""
SELECT_TRIAL = "SELECT trial_id FROM tasting WHERE id = :id"
DELETE = "DELETE FROM tasting WHERE id = :id"
COUNT_OF_TRIALS = """
SELECT trial_id, count(*) AS notes FROM tasting WHERE trial_id IN (SELECT value FROM json_each(:trials)) GROUP BY trial_id
"""
SELECT_TASTERS = "SELECT taster, count(*) AS sheets, max(tasted_at) AS last FROM tasting GROUP BY taster ORDER BY taster"
UPSERT_RESET = """
INSERT INTO palate_reset (taster, since) VALUES (:taster, :since) ON CONFLICT (taster) DO UPDATE SET since = excluded.since
"""
SELECT_PARTS = "SELECT id, slug, taster, tasted_at, words, amended FROM part_tasting WHERE slug = :slug ORDER BY id"
SELECT_ALL_PARTS = "SELECT id, slug, taster, tasted_at, words, amended FROM part_tasting ORDER BY id"
SELECT_RESETS = "SELECT taster, since FROM palate_reset ORDER BY taster"
INSERT_PART = """
INSERT INTO part_tasting (slug, taster, tasted_at, words, amended) VALUES (:slug, :taster, :tasted_at, :words, :amended)
"""

DELETE_PARTS = "DELETE FROM part_tasting"
DELETE_RESETS = "DELETE FROM palate_reset"

MOST_SHEETS = 200
"""Most sheets that a palate is learnt from, the latest ones."""


@dataclass(frozen=True, slots=True)
class TastingRecord:
    """A sheet: the verdict on each axis (−3 to 3, None for none), ``words`` as JSON text by part of the sheet."""

    trial_id: int
    taster: str
    sugar: int | None = None
    acid: int | None = None
    abv: int | None = None
    body: int | None = None
    loud: str = ""
    lacking: bool = False
    score: float | None = None
    edge: str = ""
    blind: bool = False
    words: str = "{}"
    tasted_at: str = ""
    id: int = 0


@dataclass(frozen=True, slots=True)
class PartTastingRecord:
    """An ingredient tasted alone; ``amended`` where its aroma or impression was changed by it."""

    slug: str
    taster: str
    words: str
    amended: bool
    tasted_at: str = ""
    id: int = 0


def add(conn: sqlite3.Connection, sheet: TastingRecord) -> int:
    """Save a sheet and return its id; raises RecordNotFound for an unknown trial. A given time is used."""
    trial = drinks.trial(conn, sheet.trial_id)
    tasting_id = new_id(conn.execute(INSERT, asdict(sheet) | {"tasted_at": sheet.tasted_at or now()}))
    book_search.write_down(conn, trial.drink_id)
    return tasting_id


def of_drink(conn: sqlite3.Connection, drink_id: int) -> list[TastingRecord]:
    """Return all sheets of a drink's trials, oldest first, those of hidden trials too."""
    return [_from_row(row) for row in conn.execute(SELECT_OF_DRINK, {"drink_id": drink_id})]


def counts(conn: sqlite3.Connection, trial_ids: Iterable[int]) -> dict[int, int]:
    """Count the tasting notes of some trials, by trial; a trial without any is left out."""
    rows = conn.execute(COUNT_OF_TRIALS, {"trials": json.dumps(list(trial_ids))})
    return {row["trial_id"]: row["notes"] for row in rows}


def for_palate(conn: sqlite3.Connection, taster: str) -> list[TastingRecord]:
    """Return the latest sheets of a taster, or of everyone for an empty name, since the palate was last reset; oldest first."""
    rows = conn.execute(SELECT_FOR_PALATE, {"taster": taster, "most": MOST_SHEETS}).fetchall()
    return [_from_row(row) for row in reversed(rows)]


def remove(conn: sqlite3.Connection, tasting_id: int) -> None:
    """Delete a sheet; raises RecordNotFound."""
    row = conn.execute(SELECT_TRIAL, {"id": tasting_id}).fetchone()
    if row is None:
        raise RecordNotFound("tasting", tasting_id)
    conn.execute(DELETE, {"id": tasting_id})
    book_search.write_down(conn, drinks.trial(conn, row["trial_id"]).drink_id)


def tasters(conn: sqlite3.Connection) -> list[tuple[str, int, str]]:
    """Return the tasters: name, number of sheets, time of the last."""
    return [(row["taster"], row["sheets"], row["last"]) for row in conn.execute(SELECT_TASTERS)]


def reset_palate(conn: sqlite3.Connection, taster: str, since: str = "") -> None:
    """Learn a palate from now on, or from a given time; older sheets stay with their trials."""
    conn.execute(UPSERT_RESET, {"taster": taster, "since": since or now()})


def resets(conn: sqlite3.Connection) -> list[tuple[str, str]]:
    """Return the resets of palates: taster and time."""
    return [(row["taster"], row["since"]) for row in conn.execute(SELECT_RESETS)]


def add_part(conn: sqlite3.Connection, part: PartTastingRecord) -> int:
    """Save the tasting of an ingredient alone; raises RecordNotFound for an unknown ingredient."""
    ingredients.get(conn, part.slug)
    return new_id(conn.execute(INSERT_PART, asdict(part) | {"tasted_at": part.tasted_at or now()}))


def of_part(conn: sqlite3.Connection, slug: str) -> list[PartTastingRecord]:
    """Return the tastings of an ingredient alone, oldest first."""
    return [_part_from_row(row) for row in conn.execute(SELECT_PARTS, {"slug": slug})]


def all_parts(conn: sqlite3.Connection) -> list[PartTastingRecord]:
    """Return the tastings of all ingredients alone, oldest first."""
    return [_part_from_row(row) for row in conn.execute(SELECT_ALL_PARTS)]


def remove_all(conn: sqlite3.Connection) -> None:
    """Delete tastings of ingredients alone, and resets of palates; sheets are deleted with their trials."""
    for statement in (DELETE_PARTS, DELETE_RESETS):
        conn.execute(statement)


def _part_from_row(row: sqlite3.Row) -> PartTastingRecord:
    return PartTastingRecord(**{**row, "amended": bool(row["amended"])})


def _from_row(row: sqlite3.Row) -> TastingRecord:
    return TastingRecord(**{**row, "blind": bool(row["blind"]), "lacking": bool(row["lacking"])})
