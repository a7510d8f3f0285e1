"""Lineage of trials across drinks, and marks of trials."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Sequence
from dataclasses import dataclass

from oenomel.errors import DomainError
from oenomel.store import drinks

__all__ = ["MARKS", "NodeRecord", "add_parents", "mark", "marks", "parents", "tree"]

MARKS = ("finished", "shelved", "hidden")

INSERT_PARENT = "INSERT INTO trial_parent (trial_id, place, parent_trial_id) VALUES (:trial_id, :place, :parent_trial_id)"
SELECT_PARENTS = """
SELECT trial_parent.trial_id, trial_parent.parent_trial_id FROM trial_parent JOIN trial ON trial.id = trial_parent.trial_id
WHERE trial.drink_id = :drink_id ORDER BY trial_parent.trial_id, trial_parent.place
"""
UPSERT_MARK = """
INSERT INTO trial_mark (trial_id, mark) VALUES (:trial_id, :mark) ON CONFLICT (trial_id) DO UPDATE SET mark = excluded.mark
"""
DELETE_MARK = "DELETE FROM trial_mark WHERE trial_id = :trial_id"
SELECT_MARKS = """
SELECT trial_mark.trial_id, trial_mark.mark FROM trial_mark JOIN trial ON trial.id = trial_mark.trial_id WHERE trial.drink_id = :drink_id
"""
SELECT_TREE = """
SELECT trial.id, trial.drink_id, trial.number, trial.name, trial.spec, trial.parent_trial_id, drink.name AS drink, drink.family,
       coalesce((SELECT json_group_array(parent_trial_id) FROM (
         SELECT parent_trial_id FROM trial_parent WHERE trial_parent.trial_id = trial.id ORDER BY place)), '[]') AS others,
       coalesce(trial_mark.mark, '') AS mark,
       (SELECT count(*) FROM tasting WHERE tasting.trial_id = trial.id) AS sheets
FROM trial JOIN drink ON drink.id = trial.drink_id LEFT JOIN trial_mark ON trial_mark.trial_id = trial.id
WHERE trial.id IN (
  SELECT trial.id FROM trial JOIN drink ON drink.id = trial.drink_id LEFT JOIN trial_mark ON trial_mark.trial_id = trial.id
  WHERE coalesce(trial_mark.mark, '') <> 'hidden' AND (:family = '' OR drink.family = :family)
  ORDER BY trial.id DESC LIMIT :most
)
ORDER BY trial.drink_id, trial.number
"""

MOST_NODES = 400


@dataclass(frozen=True, slots=True)
class NodeRecord:
    """A trial in the tree: ``parents`` are ids of trials, the first of its own drink if there is one."""

    id: int
    drink_id: int
    number: int
    name: str
    spec: str
    drink: str
    family: str
    parents: tuple[int, ...]
    mark: str
    sheets: int


def add_parents(conn: sqlite3.Connection, trial_id: int, parent_ids: Sequence[int]) -> None:
    """Add further parents of a trial, of any drinks.

    Raises
    ------
    RecordNotFound
    DomainError
        The trial would be its own parent, or a parent occurs twice.
    """
    if trial_id in parent_ids or len(set(parent_ids)) < len(parent_ids):
        raise DomainError("a trial can come from each other trial once")
    for index, parent in enumerate(parent_ids, start=1):
        drinks.trial(conn, parent)
        conn.execute(INSERT_PARENT, {"trial_id": trial_id, "place": index, "parent_trial_id": parent})


def parents(conn: sqlite3.Connection, drink_id: int) -> dict[int, list[int]]:
    """Return the further parents of a drink's trials, by trial."""
    parent_ids: dict[int, list[int]] = {}
    for row in conn.execute(SELECT_PARENTS, {"drink_id": drink_id}):
        parent_ids.setdefault(row["trial_id"], []).append(row["parent_trial_id"])
    return parent_ids


def mark(conn: sqlite3.Connection, drink_id: int, trial_id: int, as_what: str) -> None:
    """Mark a trial; empty for none. Raises RecordNotFound, DomainError."""
    drinks.get_trial(conn, drink_id, trial_id)
    if as_what and as_what not in MARKS:
        raise DomainError(f'"{as_what}" isn\'t a mark of a trial: use {", ".join(MARKS)}')
    conn.execute(UPSERT_MARK if as_what else DELETE_MARK, {"trial_id": trial_id, "mark": as_what})


def marks(conn: sqlite3.Connection, drink_id: int) -> dict[int, str]:
    """Return the marks of a drink's trials."""
    return {row["trial_id"]: row["mark"] for row in conn.execute(SELECT_MARKS, {"drink_id": drink_id})}


def tree(conn: sqlite3.Connection, family: str = "", most: int = MOST_NODES) -> list[NodeRecord]:
    """Return the newest visible trials with their parents, by drink and number: of a family, or of all."""
    return [_from_row(row) for row in conn.execute(SELECT_TREE, {"family": family, "most": most})]


def _from_row(row: sqlite3.Row) -> NodeRecord:
    first = [row["parent_trial_id"]] if row["parent_trial_id"] is not None else []
    kept = {name: row[name] for name in ("id", "drink_id", "number", "name", "spec", "drink", "family", "mark", "sheets")}
    return NodeRecord(**kept, parents=(*first, *json.loads(row["others"])))
