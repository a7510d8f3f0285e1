"""Sittings, triangles, exercises and training in the file: what is kept, what is refused, what goes with what."""

import json
import sqlite3
from contextlib import closing
from dataclasses import replace

import pytest

from oenomel.errors import RecordConflict, RecordNotFound
from oenomel.store import database, sensory
from oenomel.store.sensory import ExerciseRecord, SittingRecord, TriangleRecord


@pytest.fixture
def conn(tmp_path):
    database.prepare(tmp_path / "bar.db")
    with closing(database.connect(tmp_path / "bar.db")) as conn:
        yield conn


SITTING = SittingRecord("sugar", json.dumps(["Ada", "Wren"]), 6, 0, 2.5, "{}", "{}", "2026-11-01T10:00:00+00:00")
TRIANGLE = TriangleRecord(1, "Ada", 1.25, 0, 2, 3, 1, "2026-11-01T10:05:00+00:00")
EXERCISE = ExerciseRecord("Ada", "swap", "Guess", '{"of": "Noon Sour"}', '{"right": {}}', "2026-11-01T10:00:00+00:00")


def test_a_sitting_is_kept_as_it_was_told_and_ended_once(conn):
    sitting_id = sensory.add_sitting(conn, SITTING)
    assert sensory.sitting(conn, sitting_id) == replace(SITTING, id=sitting_id)
    assert [each.id for each in sensory.open_sittings(conn)] == [sitting_id]
    sensory.end_sitting(conn, sitting_id)
    ended = sensory.sitting(conn, sitting_id).ended_at
    assert ended is not None
    assert ended >= SITTING.began_at
    sensory.end_sitting(conn, sitting_id)
    assert sensory.sitting(conn, sitting_id).ended_at == ended
    assert sensory.open_sittings(conn) == []


def test_a_triangle_is_answered_once_and_counts_from_then_on(conn, golden):
    sitting_id = sensory.add_sitting(conn, SITTING)
    triangle_id = sensory.add_triangle(conn, replace(TRIANGLE, sitting_id=sitting_id))
    assert sensory.triangles_of_taster(conn, "Ada") == []
    sensory.answer_triangle(conn, triangle_id, 2, is_right=False)
    with golden.raises(RecordConflict):
        sensory.answer_triangle(conn, triangle_id, 3, is_right=True)
    ((matter, kept),) = sensory.triangles_of_taster(conn, "Ada")
    assert (matter, kept.answer, kept.found) == ("sugar", 2, 0)
    assert sensory.triangles_of_taster(conn, "") == [(matter, kept)]
    assert sensory.triangles_of_taster(conn, "Wren") == []
    assert sensory.triangles_of(conn, sitting_id) == [kept]


def test_the_latest_triangles_teach_in_the_order_in_which_they_were_answered(conn, monkeypatch):
    monkeypatch.setattr(sensory, "MOST_TRIANGLES", 3)
    sitting_id = sensory.add_sitting(conn, SITTING)
    for minute in range(5):
        at = f"2026-11-01T10:1{minute}:00+00:00"
        sensory.add_triangle(conn, replace(TRIANGLE, sitting_id=sitting_id, steps=1.0 + minute, found=1, asked_at=at, answered_at=at))
    assert [each.steps for _, each in sensory.triangles_of_taster(conn, "Ada")] == [3.0, 4.0, 5.0]


def test_with_a_sitting_go_its_triangles(conn):
    sitting_id = sensory.add_sitting(conn, SITTING)
    triangle_id = sensory.add_triangle(conn, replace(TRIANGLE, sitting_id=sitting_id))
    sensory.remove_sitting(conn, sitting_id)
    with pytest.raises(RecordNotFound, match="triangle"):
        sensory.triangle(conn, triangle_id)


def test_what_is_not_there_is_told(conn):
    for asked in (sensory.sitting, sensory.end_sitting, sensory.remove_sitting, sensory.triangle, sensory.exercise):
        with pytest.raises(RecordNotFound):
            asked(conn, 77)
    with pytest.raises(RecordNotFound, match="sitting"):
        sensory.add_triangle(conn, replace(TRIANGLE, sitting_id=77))
    with pytest.raises(RecordNotFound, match="triangle"):
        sensory.answer_triangle(conn, 77, 1, is_right=True)
    with pytest.raises(RecordNotFound, match="exercise"):
        sensory.answer_exercise(conn, 77, "{}", 1.0)
    assert sensory.training(conn, "Nobody") is None


@pytest.mark.parametrize(
    "broken",
    [
        {"odd": 4},
        {"odd": 0},
        {"steps": 0.0},
        {"steps": 9.0},
        {"more_parts": 0},
        {"less_parts": -1},
        {"taster": ""},
        {"answer": 5},
        {"found": 1},
    ],
)
def test_the_file_itself_refuses_a_triangle_that_cannot_be(conn, broken):
    sitting_id = sensory.add_sitting(conn, SITTING)
    with pytest.raises(sqlite3.IntegrityError, match="CHECK"):
        sensory.add_triangle(conn, replace(TRIANGLE, sitting_id=sitting_id, **broken))


@pytest.mark.parametrize("broken", [{"matter": "salt"}, {"rounds": 0}, {"tasters": "Ada"}, {"alone": 2}, {"grid_ml": 30.0}, {"jugs": "no"}])
def test_the_file_itself_refuses_a_sitting_that_cannot_be(conn, broken):
    with pytest.raises(sqlite3.IntegrityError, match="CHECK"):
        sensory.add_sitting(conn, replace(SITTING, **broken))


def test_an_exercise_is_answered_once_and_only_what_was_answered_is_carried_along(conn, golden):
    first, second = (sensory.add_exercise(conn, EXERCISE) for _ in range(2))
    sensory.answer_exercise(conn, first, '{"sugar": "more"}', 0.5)
    with golden.raises(RecordConflict):
        sensory.answer_exercise(conn, first, "{}", 1.0)
    assert [each.id for each in sensory.exercises_of(conn, "Ada")] == [second, first]
    assert [(each.id, each.score, each.said) for each in sensory.all_exercises(conn)] == [(first, 0.5, '{"sugar": "more"}')]
    for broken in ({"kind": "race"}, {"question": "no"}, {"score": 0.5}):
        with pytest.raises(sqlite3.IntegrityError, match="CHECK"):
            sensory.add_exercise(conn, replace(EXERCISE, **broken))


def test_training_begins_anew_and_ends(conn):
    sensory.begin_training(conn, "Ada", "2026-11-01T10:00:00+00:00")
    sensory.begin_training(conn, "Ada", "2026-11-08T10:00:00+00:00")
    sensory.begin_training(conn, "Wren")
    assert sensory.training(conn, "Ada") == "2026-11-08T10:00:00+00:00"
    assert [taster for taster, _ in sensory.trainings(conn)] == ["Ada", "Wren"]
    sensory.end_training(conn, "Ada")
    assert [taster for taster, _ in sensory.trainings(conn)] == ["Wren"]


def test_everyone_who_tasted_or_trained_is_known_by_name(conn):
    assert sensory.tasters(conn) == []
    sitting_id = sensory.add_sitting(conn, SITTING)
    sensory.answer_triangle(conn, sensory.add_triangle(conn, replace(TRIANGLE, sitting_id=sitting_id)), 3, is_right=True)
    sensory.begin_training(conn, "Tam")
    assert sensory.tasters(conn) == ["Ada", "Tam"]
    sensory.remove_all(conn)
    assert sensory.tasters(conn) == []
