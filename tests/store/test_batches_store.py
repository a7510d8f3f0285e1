"""Batches and the evening in the data file: what is kept, what is refused, what is never half there."""

import json
import shutil
import sqlite3
from contextlib import closing
from dataclasses import replace

import pytest

from oenomel.errors import DomainError, RecordConflict, RecordNotFound
from oenomel.store import batches, database, drinks, events
from oenomel.store.batches import BatchRecord, LogRecord

MADE, USE_BY = "2026-11-27T10:00:00+00:00", "2026-11-27T22:00:00+00:00"


@pytest.fixture
def conn(tmp_path, empty_file):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    with closing(database.connect(tmp_path / "bar.db")) as conn:
        yield conn


@pytest.fixture
def drink(conn):
    return drinks.add(conn, "Noon Sour", "sour", "house", "", MADE)


def batch(drink, name="For the terrace", **told):
    texts = dict.fromkeys(("spec", "wish", "contents", "recipe", "label"), "{}")
    sizes = {"serve_ml": 100.0, "volume_ml": 700.0, "left_ml": 700.0, "container_ml": 750.0}
    return BatchRecord(drink_id=drink, name=name, made_at=MADE, use_by=USE_BY, poured="[]", **{**texts, **sizes, **told})


def test_a_batch_is_kept_as_it_was_told_and_listed_by_its_age(conn, drink):
    first = batches.add(conn, batch(drink))
    second = batches.add(conn, replace(batch(drink, "Earlier"), made_at="2026-11-20T10:00:00+00:00", made_by="Tam", wood=1, note="oak"))
    assert batches.get(conn, first) == replace(batch(drink), id=first)
    assert [each.id for each in batches.all_batches(conn)] == [second, first]
    assert batches.get(conn, second).made_by == "Tam"
    with pytest.raises(RecordNotFound):
        batches.get(conn, 99)
    with pytest.raises(RecordNotFound):
        batches.add(conn, batch(77))


def test_two_batches_never_have_one_name(conn, drink, golden):
    batches.add(conn, batch(drink))
    with golden.raises(RecordConflict):
        batches.add(conn, batch(drink, "for the TERRACE"))
    assert batches.unused_name(conn, "For the terrace") == "For the terrace, 2"
    other = batches.add(conn, batch(drink, "Another"))
    with pytest.raises(RecordConflict):
        batches.change(conn, replace(batch(drink), id=other))


def test_it_is_poured_from_until_nothing_is_left(conn, drink, golden):
    made = batches.get(conn, batches.add(conn, batch(drink)))
    left = batches.serve(conn, made, 300)
    assert (left.left_ml, left.used_up_at) == (400, None)
    with golden.raises(DomainError):
        batches.serve(conn, left, 401)
    # What is less than a twentieth of a serve is an empty bottle.
    empty = batches.serve(conn, left, 396)
    assert empty.used_up_at is not None
    assert batches.open_batches(conn) == []
    assert batches.get(conn, made.id).left_ml == pytest.approx(4)


def test_more_than_there_was_can_not_be_left(conn, drink, golden):
    made = batches.get(conn, batches.add(conn, batch(drink)))
    with golden.raises(DomainError):
        batches.change(conn, replace(made, left_ml=800))


@pytest.mark.parametrize(
    "told",
    [
        {"serve_ml": 0.0}, {"volume_ml": -1.0}, {"left_ml": 900.0}, {"container_ml": 0.0}, {"older_ml": -1.0}, {"wood": 2}, {"spec": "{"},
        {"use_by": "2020-01-01T00:00:00+00:00"}, {"used_up_at": "2020-01-01T00:00:00+00:00"}, {"name": ""},
    ],
)  # fmt: skip
def test_what_can_not_be_does_not_get_into_the_file(conn, drink, told):
    with pytest.raises((DomainError, sqlite3.IntegrityError)):
        batches.add(conn, replace(batch(drink), **told))
    assert batches.all_batches(conn) == []


def test_one_that_another_was_filled_on_stays_and_its_log_goes_with_it(conn, drink):
    first = batches.add(conn, batch(drink))
    second = batches.add(conn, batch(drink, "Second", older_id=first, older_ml=200.0))
    batches.note(conn, LogRecord(first, "made", "700 ml made"))
    batches.note(conn, LogRecord(first, "served", "3 serves poured", MADE))
    assert [(each.kind, each.at == MADE) for each in batches.log(conn, first)] == [("made", False), ("served", True)]
    with pytest.raises(RecordConflict, match="Second was refilled from it"):
        batches.remove(conn, first)
    batches.remove(conn, second)
    batches.remove(conn, first)
    assert conn.execute("SELECT count(*) FROM batch_log").fetchone()[0] == 0


def test_a_batch_that_is_half_written_is_not_there(conn, drink):
    def half_written():
        with database.transaction(conn):
            batches.note(conn, LogRecord(batches.add(conn, batch(drink)), "made", "700 ml made"))
            raise RuntimeError

    with pytest.raises(RuntimeError):
        half_written()
    assert batches.all_batches(conn) == []
    assert conn.execute("SELECT count(*) FROM batch_log").fetchone()[0] == 0


def test_there_is_one_evening_and_its_ticks_go_with_it(conn):
    assert events.get(conn) is None
    events.put(conn, json.dumps({"name": "One"}))
    events.put(conn, json.dumps({"name": "Two"}))
    assert json.loads(events.get(conn) or "")["name"] == "Two"
    for _ in range(2):
        events.tick(conn, "task bar", done=True)
    since = events.ticked(conn)["task bar"]
    events.tick(conn, "bought ice", done=True)
    events.tick(conn, "bought ice", done=False)
    assert events.ticked(conn) == {"task bar": since}
    events.remove(conn)
    assert (events.get(conn), events.ticked(conn)) == (None, {})
