"""Sittings of triangle tests, exercises without a glass, and trainings."""

from __future__ import annotations

import sqlite3
from dataclasses import asdict, dataclass

from oenomel.errors import RecordConflict, RecordNotFound
from oenomel.store.clock import new_id, now

__all__ = [
    "ExerciseRecord", "SittingRecord", "TriangleRecord", "add_exercise", "add_sitting", "add_triangle", "all_exercises", "all_sittings",
    "answer_exercise", "answer_triangle", "begin_training", "end_sitting", "end_training", "exercise", "exercises_of", "open_sittings",
    "remove_all", "remove_sitting", "sitting", "tasters", "training", "trainings", "triangle", "triangles_of", "triangles_of_taster",
]  # fmt: skip

SELECT_SITTING = """
SELECT id, matter, tasters, rounds, alone, grid_ml, bottles, jugs, began_at, ended_at FROM sitting WHERE id = :id
"""
SELECT_SITTINGS = "SELECT id, matter, tasters, rounds, alone, grid_ml, bottles, jugs, began_at, ended_at FROM sitting ORDER BY id"
SELECT_OPEN = """
SELECT id, matter, tasters, rounds, alone, grid_ml, bottles, jugs, began_at, ended_at FROM sitting WHERE ended_at IS NULL ORDER BY id DESC
"""
INSERT_SITTING = """
INSERT INTO sitting (matter, tasters, rounds, alone, grid_ml, bottles, jugs, began_at, ended_at)
VALUES (:matter, :tasters, :rounds, :alone, :grid_ml, :bottles, :jugs, :began_at, :ended_at)
"""
END_SITTING = "UPDATE sitting SET ended_at = max(:at, began_at) WHERE id = :id AND ended_at IS NULL"
DELETE_SITTING = "DELETE FROM sitting WHERE id = :id"

SELECT_TRIANGLE = """
SELECT id, sitting_id, taster, steps, less_parts, more_parts, odd, odd_is_more, asked_at, answer, found, answered_at
FROM triangle WHERE id = :id
"""
SELECT_OF_SITTING = """
SELECT id, sitting_id, taster, steps, less_parts, more_parts, odd, odd_is_more, asked_at, answer, found, answered_at
FROM triangle WHERE sitting_id = :sitting_id ORDER BY id
"""
SELECT_OF_TASTER = """
SELECT triangle.id, sitting_id, taster, steps, less_parts, more_parts, odd, odd_is_more, asked_at, answer, found, answered_at,
       sitting.matter AS matter
FROM triangle JOIN sitting ON sitting.id = triangle.sitting_id
WHERE found IS NOT NULL AND (:taster = '' OR taster = :taster) ORDER BY answered_at DESC, triangle.id DESC LIMIT :most
"""
INSERT_TRIANGLE = """
INSERT INTO triangle (sitting_id, taster, steps, less_parts, more_parts, odd, odd_is_more, asked_at, answer, found, answered_at)
VALUES (:sitting_id, :taster, :steps, :less_parts, :more_parts, :odd, :odd_is_more, :asked_at, :answer, :found, :answered_at)
"""
ANSWER_TRIANGLE = """
UPDATE triangle SET answer = :answer, found = :found, answered_at = max(:at, asked_at) WHERE id = :id AND found IS NULL
"""
SELECT_EXERCISE = """
SELECT id, taster, kind, title, question, solution, asked_at, said, score, answered_at FROM exercise WHERE id = :id
"""
SELECT_EXERCISES = """
SELECT id, taster, kind, title, question, solution, asked_at, said, score, answered_at FROM exercise WHERE score IS NOT NULL ORDER BY id
"""
SELECT_EXERCISES_OF = """
SELECT id, taster, kind, title, question, solution, asked_at, said, score, answered_at FROM exercise
WHERE taster = :taster ORDER BY id DESC LIMIT :most
"""
INSERT_EXERCISE = """
INSERT INTO exercise (taster, kind, title, question, solution, asked_at, said, score, answered_at)
VALUES (:taster, :kind, :title, :question, :solution, :asked_at, :said, :score, :answered_at)
"""
ANSWER_EXERCISE = """
UPDATE exercise SET said = :said, score = :score, answered_at = max(:at, asked_at) WHERE id = :id AND score IS NULL
"""
UPSERT_TRAINING = (
    "INSERT INTO training (taster, began_at) VALUES (:taster, :at) ON CONFLICT (taster) DO UPDATE SET began_at = excluded.began_at"
)
DELETE_TRAINING = "DELETE FROM training WHERE taster = :taster"
SELECT_TRAINING = "SELECT began_at FROM training WHERE taster = :taster"
SELECT_TRAININGS = "SELECT taster, began_at FROM training ORDER BY taster"
SELECT_TASTERS = """
SELECT taster FROM triangle WHERE found IS NOT NULL UNION SELECT taster FROM exercise WHERE score IS NOT NULL
UNION SELECT taster FROM training UNION SELECT taster FROM tasting ORDER BY taster
"""
DELETE_ALL = ("DELETE FROM sitting", "DELETE FROM exercise", "DELETE FROM training")

MOST_TRIANGLES = 400
"""Most triangles that a threshold is learnt from, the latest ones."""

MOST_EXERCISES = 400


@dataclass(frozen=True, slots=True)
class SittingRecord:
    """A sitting: ``tasters`` (a list), ``bottles`` (slug by role) and ``jugs`` (their pours) as JSON."""

    matter: str
    tasters: str
    rounds: int
    alone: int
    grid_ml: float
    bottles: str
    jugs: str
    began_at: str = ""
    ended_at: str | None = None
    id: int = 0


@dataclass(frozen=True, slots=True)
class TriangleRecord:
    """A triangle; ``found`` is None until it is answered, ``answer`` is the named glass, where there is one."""

    sitting_id: int
    taster: str
    steps: float
    less_parts: int
    more_parts: int
    odd: int
    odd_is_more: int
    asked_at: str = ""
    answer: int | None = None
    found: int | None = None
    answered_at: str | None = None
    id: int = 0


@dataclass(frozen=True, slots=True)
class ExerciseRecord:
    """An exercise: ``question``, ``solution`` and the answers ``said`` as JSON; ``score`` is None until it is answered."""

    taster: str
    kind: str
    title: str
    question: str
    solution: str
    asked_at: str = ""
    said: str | None = None
    score: float | None = None
    answered_at: str | None = None
    id: int = 0


def sitting(conn: sqlite3.Connection, sitting_id: int) -> SittingRecord:
    """Return one sitting; raises RecordNotFound."""
    row = conn.execute(SELECT_SITTING, {"id": sitting_id}).fetchone()
    if row is None:
        raise RecordNotFound("sitting", sitting_id)
    return SittingRecord(**row)


def all_sittings(conn: sqlite3.Connection) -> list[SittingRecord]:
    """Return every sitting, oldest first."""
    return [SittingRecord(**row) for row in conn.execute(SELECT_SITTINGS)]


def open_sittings(conn: sqlite3.Connection) -> list[SittingRecord]:
    """Return the open sittings, newest first."""
    return [SittingRecord(**row) for row in conn.execute(SELECT_OPEN)]


def add_sitting(conn: sqlite3.Connection, record: SittingRecord) -> int:
    """Add a sitting and return its id; with the present time where none is given."""
    return new_id(conn.execute(INSERT_SITTING, asdict(record) | {"began_at": record.began_at or now()}))


def end_sitting(conn: sqlite3.Connection, sitting_id: int) -> None:
    """End a sitting; an ended one stays unchanged. Raises RecordNotFound."""
    sitting(conn, sitting_id)
    conn.execute(END_SITTING, {"id": sitting_id, "at": now()})


def remove_sitting(conn: sqlite3.Connection, sitting_id: int) -> None:
    """Delete a sitting with its triangles. Raises RecordNotFound."""
    sitting(conn, sitting_id)
    conn.execute(DELETE_SITTING, {"id": sitting_id})


def triangle(conn: sqlite3.Connection, triangle_id: int) -> TriangleRecord:
    """Return one triangle; raises RecordNotFound."""
    row = conn.execute(SELECT_TRIANGLE, {"id": triangle_id}).fetchone()
    if row is None:
        raise RecordNotFound("triangle", triangle_id)
    return TriangleRecord(**row)


def triangles_of(conn: sqlite3.Connection, sitting_id: int) -> list[TriangleRecord]:
    """Return the triangles of a sitting, oldest first."""
    return [TriangleRecord(**row) for row in conn.execute(SELECT_OF_SITTING, {"sitting_id": sitting_id})]


def triangles_of_taster(conn: sqlite3.Connection, taster: str) -> list[tuple[str, TriangleRecord]]:
    """Return the latest answered triangles of a taster, or of everyone for an empty name, with their attribute, oldest first."""
    rows = conn.execute(SELECT_OF_TASTER, {"taster": taster, "most": MOST_TRIANGLES}).fetchall()
    newest_first = [dict(row) for row in reversed(rows)]
    return [(row.pop("matter"), TriangleRecord(**row)) for row in newest_first]


def add_triangle(conn: sqlite3.Connection, record: TriangleRecord) -> int:
    """Save a triangle and return its id; raises RecordNotFound for an unknown sitting."""
    sitting(conn, record.sitting_id)
    return new_id(conn.execute(INSERT_TRIANGLE, asdict(record) | {"asked_at": record.asked_at or now()}))


def answer_triangle(conn: sqlite3.Connection, triangle_id: int, answer: int | None, *, is_right: bool) -> None:
    """Save an answer; raises RecordNotFound, or RecordConflict where there is one already."""
    triangle(conn, triangle_id)
    done = conn.execute(ANSWER_TRIANGLE, {"id": triangle_id, "answer": answer, "found": int(is_right), "at": now()})
    if not done.rowcount:
        raise RecordConflict("this test was answered already")


def exercise(conn: sqlite3.Connection, exercise_id: int) -> ExerciseRecord:
    """Return one exercise; raises RecordNotFound."""
    row = conn.execute(SELECT_EXERCISE, {"id": exercise_id}).fetchone()
    if row is None:
        raise RecordNotFound("exercise", exercise_id)
    return ExerciseRecord(**row)


def all_exercises(conn: sqlite3.Connection) -> list[ExerciseRecord]:
    """Return every answered exercise, oldest first."""
    return [ExerciseRecord(**row) for row in conn.execute(SELECT_EXERCISES)]


def exercises_of(conn: sqlite3.Connection, taster: str) -> list[ExerciseRecord]:
    """Return the latest exercises of a taster, newest first, unanswered ones too."""
    return [ExerciseRecord(**row) for row in conn.execute(SELECT_EXERCISES_OF, {"taster": taster, "most": MOST_EXERCISES})]


def add_exercise(conn: sqlite3.Connection, record: ExerciseRecord) -> int:
    """Save an exercise and return its id."""
    return new_id(conn.execute(INSERT_EXERCISE, asdict(record) | {"asked_at": record.asked_at or now()}))


def answer_exercise(conn: sqlite3.Connection, exercise_id: int, answers: str, score: float) -> None:
    """Save the answers and the score; raises RecordNotFound, or RecordConflict where there are answers already."""
    exercise(conn, exercise_id)
    done = conn.execute(ANSWER_EXERCISE, {"id": exercise_id, "said": answers, "score": score, "at": now()})
    if not done.rowcount:
        raise RecordConflict("this question was answered already")


def begin_training(conn: sqlite3.Connection, taster: str, at: str = "") -> None:
    """Begin a taster's weekly plan, with the present time where none is given."""
    conn.execute(UPSERT_TRAINING, {"taster": taster, "at": at or now()})


def end_training(conn: sqlite3.Connection, taster: str) -> None:
    """Delete a taster's weekly plan."""
    conn.execute(DELETE_TRAINING, {"taster": taster})


def training(conn: sqlite3.Connection, taster: str) -> str | None:
    """Return when a taster's weekly plan began; None without one."""
    row = conn.execute(SELECT_TRAINING, {"taster": taster}).fetchone()
    return None if row is None else str(row["began_at"])


def trainings(conn: sqlite3.Connection) -> list[tuple[str, str]]:
    """Return the tasters with a weekly plan, and when it began."""
    return [(row["taster"], row["began_at"]) for row in conn.execute(SELECT_TRAININGS)]


def tasters(conn: sqlite3.Connection) -> list[str]:
    """Return everyone who has tasted or trained in this bar."""
    return [row["taster"] for row in conn.execute(SELECT_TASTERS)]


def remove_all(conn: sqlite3.Connection) -> None:
    """Delete all sensory training."""
    for statement in DELETE_ALL:
        conn.execute(statement)
