"""Drinks that began as originals, their tasting sheets, and the bar's aroma pairings."""

from __future__ import annotations

import sqlite3
from dataclasses import dataclass

__all__ = ["OriginalSheet", "kinship", "mark", "put_kinship", "remove_kinship", "sheets", "state", "wishes"]

UPSERT_ORIGINAL = (
    "INSERT INTO original (drink_id, wish) VALUES (:drink_id, :wish) ON CONFLICT (drink_id) DO UPDATE SET wish = excluded.wish"
)
SELECT_WISHES = "SELECT drink_id, wish FROM original ORDER BY drink_id"
SELECT_SHEETS = """
SELECT tasting.trial_id, tasting.taster, tasting.score, trial.spec,
       (SELECT avg(other.score) FROM tasting AS other WHERE other.taster = tasting.taster AND other.score IS NOT NULL) AS usual
FROM tasting JOIN trial ON trial.id = tasting.trial_id JOIN original ON original.drink_id = trial.drink_id
WHERE tasting.score IS NOT NULL ORDER BY tasting.id
"""
SELECT_KINSHIP = "SELECT one, other, value FROM kinship ORDER BY one, other"
UPSERT_KINSHIP = """
INSERT INTO kinship (one, other, value) VALUES (:one, :other, :value) ON CONFLICT (one, other) DO UPDATE SET value = excluded.value
"""
DELETE_KINSHIP = "DELETE FROM kinship WHERE one = :one AND other = :other"
DELETE_ALL_KINSHIP = "DELETE FROM kinship"
SELECT_STATE = """
SELECT (SELECT count(*) FROM trial) AS trials, (SELECT coalesce(max(id), 0) FROM trial) AS newest,
       (SELECT count(*) FROM tasting) AS sheets, (SELECT coalesce(max(id), 0) FROM tasting) AS last,
       (SELECT count(*) FROM original) AS originals, (SELECT coalesce(sum(value), 0) FROM kinship) AS kin,
       (SELECT group_concat(one || other || value) FROM kinship) AS pairs,
       (SELECT group_concat(id || name) FROM drink) AS names,
       (SELECT group_concat(trial_id) FROM house_reference) AS homes
"""


@dataclass(frozen=True, slots=True)
class OriginalSheet:
    """A scored sheet of an original: its spec as JSON, the score, and the taster's mean."""

    spec: str
    score: float
    usual: float


def mark(conn: sqlite3.Connection, drink_id: int, wish: str) -> None:
    """Mark a drink as an original, with the criteria it was found by (JSON)."""
    conn.execute(UPSERT_ORIGINAL, {"drink_id": drink_id, "wish": wish})


def wishes(conn: sqlite3.Connection) -> dict[int, str]:
    """Return the criteria of drinks that began as originals, by drink."""
    return {row["drink_id"]: row["wish"] for row in conn.execute(SELECT_WISHES)}


def sheets(conn: sqlite3.Connection) -> list[OriginalSheet]:
    """Return every scored sheet of an original."""
    return [OriginalSheet(row["spec"], row["score"], row["usual"]) for row in conn.execute(SELECT_SHEETS)]


def kinship(conn: sqlite3.Connection) -> dict[frozenset[str], float]:
    """Return the bar's aroma pairings, by pair of groups."""
    return {frozenset((row["one"], row["other"])): row["value"] for row in conn.execute(SELECT_KINSHIP)}


def put_kinship(conn: sqlite3.Connection, one: str, other: str, value: float) -> None:
    """Save the value of a pair of groups."""
    first, second = sorted((one, other))
    conn.execute(UPSERT_KINSHIP, {"one": first, "other": second, "value": value})


def remove_kinship(conn: sqlite3.Connection, one: str = "", other: str = "") -> None:
    """Delete the bar's value of a pair, or all of them where none is named."""
    if one:
        first, second = sorted((one, other))
        conn.execute(DELETE_KINSHIP, {"one": first, "other": second})
    else:
        conn.execute(DELETE_ALL_KINSHIP)


def state(conn: sqlite3.Connection) -> tuple[object, ...]:
    """Return a token that changes whenever the book, its tastings or the pairings do."""
    return tuple(conn.execute(SELECT_STATE).fetchone())
