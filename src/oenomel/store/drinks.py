"""The book: drinks, each with its trials and at most one draft."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterable
from dataclasses import dataclass

from oenomel.errors import RecordConflict, RecordNotFound
from oenomel.store import book_search
from oenomel.store.clock import new_id, now

__all__ = [
    "DraftRecord",
    "DrinkRecord",
    "TrialRecord",
    "add",
    "by_first_trial",
    "drafts",
    "finished",
    "get",
    "get_draft",
    "get_trial",
    "keep_trial",
    "latest_trials",
    "names",
    "put_draft",
    "put_notes",
    "reference_ids",
    "references",
    "remove_all",
    "rename",
    "set_reference",
    "some",
    "some_trials",
    "trial",
    "trial_ids",
    "trials",
]  # fmt: skip

SELECT_DRINK = "SELECT id, name, family, origin, created_at, notes FROM drink WHERE id = :id"
SELECT_NAMES = "SELECT id, name FROM drink ORDER BY id"
SELECT_TRIAL_IDS = "SELECT id, drink_id, number FROM trial"
SELECT_FIRST_TRIALS = "SELECT name, kept_at, min(drink_id) AS drink_id FROM trial WHERE number = 1 GROUP BY name, kept_at"
SELECT_SOME = """
SELECT id, name, family, origin, created_at, notes FROM drink WHERE id IN (SELECT value FROM json_each(:drinks)) ORDER BY id DESC
"""
INSERT_DRINK = "INSERT INTO drink (name, family, origin, created_at, notes) VALUES (:name, :family, :origin, :created_at, :notes)"
UPDATE_NOTES = "UPDATE drink SET notes = :notes WHERE id = :id"
UPDATE_NAME = "UPDATE drink SET name = :name WHERE id = :id"
DELETE_DRAFTS = "DELETE FROM draft"
DELETE_TRIALS = "DELETE FROM trial"
DELETE_DRINKS = "DELETE FROM drink"
SELECT_TRIALS = """
SELECT id, drink_id, number, parent_trial_id, name, reason, spec, forecast, kept_at, made
FROM trial WHERE drink_id = :drink_id ORDER BY number
"""
SELECT_LATEST_TRIALS = """
SELECT id, drink_id, number, parent_trial_id, name, reason, spec, forecast, kept_at, made
FROM trial WHERE drink_id IN (SELECT value FROM json_each(:drinks))
  AND number = (SELECT max(number) FROM trial AS other WHERE other.drink_id = trial.drink_id)
"""
SELECT_FINISHED = """
SELECT id, drink_id, number, parent_trial_id, name, reason, spec, forecast, kept_at, made
FROM trial WHERE id IN (
  SELECT max(trial.id) FROM trial JOIN trial_mark ON trial_mark.trial_id = trial.id
  WHERE trial_mark.mark = 'finished' GROUP BY trial.drink_id
) ORDER BY drink_id
"""
SELECT_TRIAL = """
SELECT id, drink_id, number, parent_trial_id, name, reason, spec, forecast, kept_at, made
FROM trial WHERE id = :id AND drink_id = :drink_id
"""
SELECT_SOME_TRIALS = """
SELECT id, drink_id, number, parent_trial_id, name, reason, spec, forecast, kept_at, made
FROM trial WHERE id IN (SELECT value FROM json_each(:trials)) ORDER BY id
"""
INSERT_TRIAL = """
INSERT INTO trial (drink_id, number, parent_trial_id, name, reason, spec, forecast, kept_at, made)
VALUES (:drink_id, (SELECT coalesce(max(number), 0) + 1 FROM trial WHERE drink_id = :drink_id),
        :parent_trial_id, :name, :reason, :spec, :forecast, :kept_at, :made)
"""
INSERT_INGREDIENTS = """
INSERT OR IGNORE INTO trial_ingredient (trial_id, slug)
SELECT trial.id, json_extract(pour.value, '$.ingredient')
FROM trial, json_each(trial.spec, '$.pours') AS pour
WHERE trial.id = :trial_id AND json_type(pour.value, '$.ingredient') = 'text'
  AND coalesce(json_extract(pour.value, '$.stage'), 'mixed') NOT IN ('rim', 'garnish')
"""
SELECT_DRAFT = "SELECT drink_id, parent_trial_id, spec, revision, saved_at FROM draft WHERE drink_id = :drink_id"
SELECT_DRAFTS = """
SELECT drink_id, parent_trial_id, spec, revision, saved_at FROM draft WHERE drink_id IN (SELECT value FROM json_each(:drinks))
"""
INSERT_DRAFT = """
INSERT INTO draft (drink_id, parent_trial_id, spec, revision, saved_at)
VALUES (:drink_id, :parent_trial_id, :spec, 1, :saved_at)
"""
UPDATE_DRAFT = """
UPDATE draft SET parent_trial_id = :parent_trial_id, spec = :spec, revision = revision + 1, saved_at = :saved_at
WHERE drink_id = :drink_id AND revision = :revision
"""
SELECT_REFERENCES = """
SELECT drink.family, trial.spec
FROM house_reference JOIN trial ON trial.id = house_reference.trial_id JOIN drink ON drink.id = trial.drink_id
WHERE drink.family IN (SELECT value FROM json_each(:families)) ORDER BY trial.id
"""
SELECT_REFERENCE_IDS = """
SELECT trial.id FROM house_reference JOIN trial ON trial.id = house_reference.trial_id WHERE trial.drink_id = :drink_id
"""
INSERT_REFERENCE = "INSERT INTO house_reference (trial_id) VALUES (:trial_id) ON CONFLICT DO NOTHING"
DELETE_REFERENCE = "DELETE FROM house_reference WHERE trial_id = :trial_id"


@dataclass(frozen=True, slots=True)
class DrinkRecord:
    """A drink of the book, with its notes."""

    id: int
    name: str
    family: str
    origin: str
    created_at: str
    notes: str


@dataclass(frozen=True, slots=True)
class TrialRecord:
    """A trial; ``spec``, ``forecast`` and ``made`` (who, with what, measured pours) are JSON texts."""

    id: int
    drink_id: int
    number: int
    parent_trial_id: int | None
    name: str
    reason: str
    spec: str
    forecast: str
    kept_at: str
    made: str


@dataclass(frozen=True, slots=True)
class DraftRecord:
    """The draft on the bench; ``revision`` counts its saves."""

    drink_id: int
    parent_trial_id: int
    spec: str
    revision: int
    saved_at: str


def get(conn: sqlite3.Connection, drink_id: int) -> DrinkRecord:
    """Return one drink; raises RecordNotFound."""
    row = conn.execute(SELECT_DRINK, {"id": drink_id}).fetchone()
    if row is None:
        raise RecordNotFound("drink", drink_id)
    return DrinkRecord(**row)


def some(conn: sqlite3.Connection, drink_ids: Iterable[int]) -> list[DrinkRecord]:
    """Return some drinks, newest first; missing ones are left out."""
    return [DrinkRecord(**row) for row in conn.execute(SELECT_SOME, {"drinks": json.dumps(list(drink_ids))})]


def names(conn: sqlite3.Connection) -> list[tuple[int, str]]:
    """Return every drink of the book by id and name, the oldest first."""
    return [(row["id"], row["name"]) for row in conn.execute(SELECT_NAMES)]


def by_first_trial(conn: sqlite3.Connection) -> dict[tuple[str, str], int]:
    """Return the drinks of the book by name and time of their first trial; of two the older one."""
    return {(row["name"], row["kept_at"]): row["drink_id"] for row in conn.execute(SELECT_FIRST_TRIALS)}


def add(conn: sqlite3.Connection, name: str, family: str, origin: str = "house", notes: str = "", created_at: str = "") -> int:
    """Add a drink without trials and return its id; a given time is used."""
    values = {"name": name, "family": family, "origin": origin, "created_at": created_at or now(), "notes": notes}
    return new_id(conn.execute(INSERT_DRINK, values))


def rename(conn: sqlite3.Connection, drink_id: int, name: str) -> None:
    """Rename a drink; raises RecordNotFound."""
    if conn.execute(UPDATE_NAME, {"id": drink_id, "name": name}).rowcount == 0:
        raise RecordNotFound("drink", drink_id)
    book_search.write_down(conn, drink_id)


def put_notes(conn: sqlite3.Connection, drink_id: int, notes: str) -> None:
    """Save the notes of a drink; raises RecordNotFound."""
    if conn.execute(UPDATE_NOTES, {"id": drink_id, "notes": notes}).rowcount == 0:
        raise RecordNotFound("drink", drink_id)


def remove_all(conn: sqlite3.Connection) -> None:
    """Delete all drinks with their trials and drafts."""
    for statement in (DELETE_DRAFTS, DELETE_TRIALS, DELETE_DRINKS):
        conn.execute(statement)
    book_search.forget_all(conn)


def finished(conn: sqlite3.Connection) -> list[TrialRecord]:
    """Return the newest finished trial of each drink that has one."""
    return [TrialRecord(**row) for row in conn.execute(SELECT_FINISHED)]


def some_trials(conn: sqlite3.Connection, trial_ids: Iterable[int]) -> list[TrialRecord]:
    """Return some trials of any drinks, in the order of their ids; raises RecordNotFound for the first that is missing."""
    wanted = sorted(set(trial_ids))
    by_id = {row["id"]: TrialRecord(**row) for row in conn.execute(SELECT_SOME_TRIALS, {"trials": json.dumps(wanted)})}
    for missing in (trial_id for trial_id in wanted if trial_id not in by_id):
        raise RecordNotFound("trial with the number", missing)
    return list(by_id.values())


def trials(conn: sqlite3.Connection, drink_id: int) -> list[TrialRecord]:
    """Return the trials of a drink, oldest first."""
    return [TrialRecord(**row) for row in conn.execute(SELECT_TRIALS, {"drink_id": drink_id})]


def trial_ids(conn: sqlite3.Connection) -> dict[int, dict[int, int]]:
    """Return every trial's id, by its drink and its number."""
    numbers: dict[int, dict[int, int]] = {}
    for row in conn.execute(SELECT_TRIAL_IDS):
        numbers.setdefault(row["drink_id"], {})[row["number"]] = row["id"]
    return numbers


def latest_trials(conn: sqlite3.Connection, drink_ids: Iterable[int]) -> dict[int, TrialRecord]:
    """Return the newest trial of each of some drinks, by drink; its number is the count of trials."""
    return {row["drink_id"]: TrialRecord(**row) for row in conn.execute(SELECT_LATEST_TRIALS, {"drinks": json.dumps(list(drink_ids))})}


def trial(conn: sqlite3.Connection, trial_id: int) -> TrialRecord:
    """Return one trial of any drink; raises RecordNotFound."""
    (record,) = some_trials(conn, [trial_id])
    return record


def get_trial(conn: sqlite3.Connection, drink_id: int, trial_id: int) -> TrialRecord:
    """Return one trial of a drink; raises RecordNotFound."""
    row = conn.execute(SELECT_TRIAL, {"id": trial_id, "drink_id": drink_id}).fetchone()
    if row is None:
        raise RecordNotFound(f"trial of drink {drink_id} with the number", trial_id)
    return TrialRecord(**row)


def keep_trial(
    conn: sqlite3.Connection,
    drink_id: int,
    parent_trial_id: int | None,
    name: str,
    reason: str,
    spec: str,
    forecast: str,
    circumstances: str = "{}",
    kept_at: str = "",
) -> int:
    """Save a trial and return its id; its number is the next of the drink. A given time is used.

    Raises RecordNotFound for an unknown parent.
    """
    get(conn, drink_id)
    if parent_trial_id is not None:
        get_trial(conn, drink_id, parent_trial_id)
    cursor = conn.execute(
        INSERT_TRIAL,
        {
            "drink_id": drink_id,
            "parent_trial_id": parent_trial_id,
            "name": name,
            "reason": reason,
            "spec": spec,
            "forecast": forecast,
            "kept_at": kept_at or now(),
            "made": circumstances,
        },
    )
    trial_id = new_id(cursor)
    conn.execute(INSERT_INGREDIENTS, {"trial_id": trial_id})
    book_search.write_down(conn, drink_id)
    return trial_id


def references(conn: sqlite3.Connection, families: Iterable[str]) -> dict[str, list[str]]:
    """Return the bar's reference specs of some families, by family."""
    users: dict[str, list[str]] = {}
    for row in conn.execute(SELECT_REFERENCES, {"families": json.dumps(sorted(set(families)))}):
        users.setdefault(row["family"], []).append(row["spec"])
    return users


def reference_ids(conn: sqlite3.Connection, drink_id: int) -> set[int]:
    """Return the ids of a drink's trials that are reference specs."""
    return {row["id"] for row in conn.execute(SELECT_REFERENCE_IDS, {"drink_id": drink_id})}


def set_reference(conn: sqlite3.Connection, drink_id: int, trial_id: int, counts: bool) -> None:
    """Count a trial among its family's reference specs, or no longer; raises RecordNotFound."""
    get_trial(conn, drink_id, trial_id)
    conn.execute(INSERT_REFERENCE if counts else DELETE_REFERENCE, {"trial_id": trial_id})


def get_draft(conn: sqlite3.Connection, drink_id: int) -> DraftRecord | None:
    """Return the draft of a drink, or None."""
    row = conn.execute(SELECT_DRAFT, {"drink_id": drink_id}).fetchone()
    return DraftRecord(**row) if row else None


def drafts(conn: sqlite3.Connection, drink_ids: Iterable[int]) -> dict[int, DraftRecord]:
    """Return the drafts of some drinks, by drink."""
    return {row["drink_id"]: DraftRecord(**row) for row in conn.execute(SELECT_DRAFTS, {"drinks": json.dumps(list(drink_ids))})}


def put_draft(conn: sqlite3.Connection, drink_id: int, parent_trial_id: int, spec: str, revision: int, saved_at: str = "") -> int:
    """Save the draft over a given revision (0: there was none) and return the new one. A given time is used.

    Raises
    ------
    RecordNotFound
        The drink or the parent trial doesn't exist. RecordConflict Another window saved since that revision; nothing is written.
    """
    get_trial(conn, drink_id, parent_trial_id)
    values = {"drink_id": drink_id, "parent_trial_id": parent_trial_id, "spec": spec, "revision": revision}
    values["saved_at"] = saved_at or now()
    present = get_draft(conn, drink_id)
    if present is None and revision == 0:
        conn.execute(INSERT_DRAFT, values)
    elif present is None or conn.execute(UPDATE_DRAFT, values).rowcount == 0:
        raise RecordConflict("this drink was changed in another window")
    return revision + 1
