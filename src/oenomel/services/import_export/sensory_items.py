"""Export and import of thresholds, sessions and exercises."""

from __future__ import annotations

import json
import sqlite3
from typing import Any

from oenomel.core.wording import counted
from oenomel.schemas.house_file import HouseFile
from oenomel.schemas.house_sensory import SittingOfHouse
from oenomel.schemas.import_items import Item
from oenomel.store import sensory
from oenomel.store.sensory import ExerciseRecord, SittingRecord, TriangleRecord

__all__ = ["gather_tongues", "look_at_tongues", "take_tongues"]


def gather_tongues(conn: sqlite3.Connection) -> dict[str, Any]:
    """Export sittings, exercises and trainings; None where there are none."""
    content = {
        "sittings": [_sitting(conn, sitting) for sitting in sensory.all_sittings(conn)],
        "exercises": [_exercise(exercise) for exercise in sensory.all_exercises(conn)],
        "training": [{"taster": taster, "began_at": at} for taster, at in sensory.trainings(conn)],
    }
    kept = {name: value for name, value in content.items() if value}
    return {"tongues": kept} if kept else {}


def look_at_tongues(conn: sqlite3.Connection, house: HouseFile) -> list[Item]:
    """Compare sensory training with the bar's; an import only ever adds to it."""
    if house.tongues is None:
        return []
    here = _known(conn)
    sittings = sum(_sitting_key(sitting) not in here for sitting in house.tongues.sittings)
    exercises = sum((exercise.taster, exercise.asked_at, exercise.title) not in here for exercise in house.tongues.exercises)
    training = sum(("training", entry.taster) not in here for entry in house.tongues.training)
    if not sittings + exercises + training:
        return [Item("tongues", "tongues", "Tongues", "same", "No difference.")]
    words = f"{counted(sittings, 'sitting')} of triangle tests and {counted(exercises, 'exercise')}."
    return [Item("tongues", "tongues", "Tongues", "new", words)]


def take_tongues(conn: sqlite3.Connection, house: HouseFile) -> None:
    """Import what is missing."""
    if house.tongues is None:
        return
    here = _known(conn)
    for sitting in house.tongues.sittings:
        if _sitting_key(sitting) not in here:
            _add(conn, sitting)
    for exercise in house.tongues.exercises:
        if (exercise.taster, exercise.asked_at, exercise.title) not in here:
            texts: dict[str, Any] = {name: json.dumps(getattr(exercise, name)) for name in ("question", "solution", "said")}
            fields = exercise.model_dump(include={"taster", "kind", "title", "asked_at", "score", "answered_at"})
            sensory.add_exercise(conn, ExerciseRecord(**fields, **texts))
    for person in house.tongues.training:
        if ("training", person.taster) not in here:
            sensory.begin_training(conn, person.taster, person.began_at)


def _known(conn: sqlite3.Connection) -> set[tuple[str, ...]]:
    """Return the bar's entries by key."""
    sittings = {(sitting.began_at, sitting.matter, *json.loads(sitting.tasters)) for sitting in sensory.all_sittings(conn)}
    exercises = {(exercise.taster, exercise.asked_at, exercise.title) for exercise in sensory.all_exercises(conn)}
    return sittings | exercises | {("training", taster) for taster, _ in sensory.trainings(conn)}


def _sitting_key(sitting: SittingOfHouse) -> tuple[str, ...]:
    return (sitting.began_at, sitting.matter, *sitting.tasters)


def _sitting(conn: sqlite3.Connection, record: SittingRecord) -> dict[str, Any]:
    fields: dict[str, Any] = {
        "matter": record.matter,
        "tasters": json.loads(record.tasters),
        "rounds": record.rounds,
        "alone": bool(record.alone),
        "grid_ml": record.grid_ml,
        "bottles": json.loads(record.bottles),
        "jugs": json.loads(record.jugs),
        "began_at": record.began_at,
    }
    if record.ended_at is not None:
        fields["ended_at"] = record.ended_at
    # A triangle still waiting for its answer isn't exported: its glasses stay here.
    answered = [triangle for triangle in sensory.triangles_of(conn, record.id) if triangle.found is not None]
    return fields | {"triangles": [_triangle(triangle) for triangle in answered]}


def _triangle(record: TriangleRecord) -> dict[str, Any]:
    fields: dict[str, Any] = {name: getattr(record, name) for name in ("taster", "steps", "less_parts", "more_parts", "odd", "asked_at")}
    if record.answer is not None:
        fields["answer"] = record.answer
    return fields | {"odd_is_more": bool(record.odd_is_more), "found": bool(record.found), "answered_at": record.answered_at}


def _exercise(record: ExerciseRecord) -> dict[str, Any]:
    fields: dict[str, Any] = {name: getattr(record, name) for name in ("taster", "kind", "title", "asked_at", "score", "answered_at")}
    return fields | {name: json.loads(getattr(record, name)) for name in ("question", "solution", "said")}


def _add(conn: sqlite3.Connection, sitting: SittingOfHouse) -> None:
    record = SittingRecord(
        matter=sitting.matter,
        tasters=json.dumps(sitting.tasters),
        rounds=sitting.rounds,
        alone=int(sitting.alone),
        grid_ml=sitting.grid_ml,
        bottles=json.dumps(sitting.bottles),
        jugs=sitting.jugs.model_dump_json(),
        began_at=sitting.began_at,
        ended_at=sitting.ended_at,
    )
    sitting_id = sensory.add_sitting(conn, record)
    for triangle in sitting.triangles:
        numbers = {"odd_is_more": int(triangle.odd_is_more), "found": int(triangle.found)}
        sensory.add_triangle(conn, TriangleRecord(**{"sitting_id": sitting_id} | triangle.model_dump() | numbers))
