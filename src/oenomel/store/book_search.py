"""Search of the book: by words, family, taster, score and stock."""

from __future__ import annotations

import json
import sqlite3
from dataclasses import dataclass

__all__ = ["MOST_FOUND", "Wanted", "count", "find", "forget_all", "write_down", "write_down_all"]

MOST_FOUND = 200

SHORTEST_INDEXED = 3
"""Letters from which the index finds parts of words; shorter ones are searched row by row."""

FOUND = """
FROM drink
WHERE (:before IS NULL OR drink.id < :before)
  AND (
    ((:match = '' OR drink.id IN (SELECT rowid FROM book_words WHERE book_words MATCH :match))
    AND NOT EXISTS (
      SELECT 1 FROM json_each(:short) AS word
      WHERE NOT EXISTS (SELECT 1 FROM book_words WHERE book_words.rowid = drink.id AND instr(lower(book_words.words), word.value) > 0)
    ))
    OR drink.id IN (
      SELECT trial.drink_id FROM trial_ingredient JOIN trial ON trial.id = trial_ingredient.trial_id
      WHERE trial_ingredient.slug IN (SELECT value FROM json_each(:slugs))
    )
  )
  AND (:family = '' OR drink.family = :family)
  AND (:taster = '' AND :score IS NULL OR EXISTS (
    SELECT 1 FROM trial JOIN tasting ON tasting.trial_id = trial.id
    WHERE trial.drink_id = drink.id AND (:taster = '' OR tasting.taster = :taster) AND (:score IS NULL OR tasting.score >= :score)
  ))
  AND (NOT :in_stock OR NOT EXISTS (
    SELECT 1 FROM trial_ingredient
    WHERE trial_id = (SELECT id FROM trial WHERE trial.drink_id = drink.id ORDER BY number DESC LIMIT 1)
      AND slug NOT IN (SELECT slug FROM in_stock)
  ))
"""
SELECT_FOUND = f"SELECT drink.id {FOUND} ORDER BY drink.id DESC LIMIT :most"
SELECT_COUNT = f"SELECT count(*) {FOUND}"
DELETE_WORDS = "DELETE FROM book_words WHERE rowid = :drink_id"
DELETE_ALL = "DELETE FROM book_words"
INSERT_ALL_WORDS = """
INSERT INTO book_words (rowid, words)
SELECT drink.id, drink.name || ' ' || drink.family || ' ' || coalesce((
  SELECT group_concat(trial.name || ' ' || trial.reason || ' ' || coalesce((
    SELECT group_concat(coalesce(ingredient.name, json_extract(pour.value, '$.ingredient.name')), ' ')
    FROM json_each(trial.spec, '$.pours') AS pour
    LEFT JOIN ingredient ON ingredient.slug = json_extract(pour.value, '$.ingredient')
  ), '') || ' ' || coalesce((
    SELECT group_concat(tasting.taster || ' ' || tasting.words, ' ') FROM tasting WHERE tasting.trial_id = trial.id
  ), ''), ' ') FROM trial WHERE trial.drink_id = drink.id
), '') FROM drink
"""
INSERT_WORDS = f"{INSERT_ALL_WORDS} WHERE drink.id = :drink_id"


@dataclass(frozen=True, slots=True)
class Wanted:
    """Criteria of a search: every word somewhere in a drink, or one of the ingredients that the words mean (``slugs``); a family, a
    taster and the least score given; every pour in stock.
    """

    words: str = ""
    slugs: tuple[str, ...] = ()
    family: str = ""
    taster: str = ""
    score: float | None = None
    in_stock: bool = False


def find(conn: sqlite3.Connection, wanted: Wanted, most: int = MOST_FOUND, before: int | None = None) -> list[int]:
    """Return the ids of matching drinks, newest first, at most a limit; those older than ``before``, where it is given."""
    return [row["id"] for row in conn.execute(SELECT_FOUND, {**_values(wanted), "before": before, "most": most})]


def count(conn: sqlite3.Connection, wanted: Wanted) -> int:
    """Count the matching drinks."""
    return int(conn.execute(SELECT_COUNT, {**_values(wanted), "before": None}).fetchone()[0])


def _values(wanted: Wanted) -> dict[str, object]:
    words = wanted.words.lower().split()
    # Inside quotes only a quote has a meaning for the index, and it is doubled.
    match = " AND ".join('"' + word.replace('"', '""') + '"' for word in words if len(word) >= SHORTEST_INDEXED)
    return {
        "match": match,
        "slugs": json.dumps(wanted.slugs),
        "short": json.dumps([word for word in words if len(word) < SHORTEST_INDEXED]),
        "family": wanted.family,
        "taster": wanted.taster,
        "score": wanted.score,
        "in_stock": wanted.in_stock,
    }


def write_down(conn: sqlite3.Connection, drink_id: int) -> None:
    """Update the words by which a drink is found."""
    conn.execute(DELETE_WORDS, {"drink_id": drink_id})
    conn.execute(INSERT_WORDS, {"drink_id": drink_id})


def write_down_all(conn: sqlite3.Connection) -> None:
    """Update the words of every drink, after an ingredient was renamed."""
    conn.execute(DELETE_ALL)
    conn.execute(INSERT_ALL_WORDS)


def forget_all(conn: sqlite3.Connection) -> None:
    """Empty the search index."""
    conn.execute(DELETE_ALL)
