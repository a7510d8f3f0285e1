"""Originals in the data file: wishes, scored sheets of them and of nothing else, kinship, and a state that follows all that."""

import itertools
import shutil
import sqlite3
from contextlib import closing

import pytest

from oenomel.store import database, drinks, originals, tastings
from oenomel.store.tastings import TastingRecord

POUR = '{"ingredient": "vodka", "amount": 60, "unit": "ml"}'
SPEC = f'{{"format": "oenomel/spec", "version": 1, "name": "x", "family": "sour", "pours": [{POUR}]}}'


@pytest.fixture
def conn(tmp_path, empty_file):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    with closing(database.connect(tmp_path / "bar.db")) as conn:
        yield conn


def drink(conn, name: str) -> tuple[int, int]:
    drink_id = drinks.add(conn, name, "sour")
    return drink_id, drinks.keep_trial(conn, drink_id, None, "First", "", SPEC, "{}", "{}")


def sheet(conn, trial: int, taster: str, score: float | None) -> None:
    tastings.add(conn, TastingRecord(trial, taster, sugar=0, acid=0, abv=0, score=score))


def test_a_wish_is_kept_with_its_drink_and_goes_with_it(conn):
    one, _ = drink(conn, "One")
    originals.mark(conn, one, '{"family": "sour"}')
    originals.mark(conn, one, '{"family": "daisy"}')
    assert originals.wishes(conn) == {one: '{"family": "daisy"}'}
    with pytest.raises(sqlite3.IntegrityError):
        originals.mark(conn, one, "no json")
    drinks.remove_all(conn)
    assert originals.wishes(conn) == {}


def test_only_scored_sheets_of_originals_count_beside_what_a_taster_usually_gives(conn):
    (one, mine), (_, other) = drink(conn, "One"), drink(conn, "Two")
    originals.mark(conn, one, "{}")
    for trial, taster, score in ((mine, "Ida", 8), (mine, "Ida", None), (other, "Ida", 4), (other, "Bo", 9)):
        sheet(conn, trial, taster, score)
    (found,) = originals.sheets(conn)
    assert (found.score, found.usual) == (8, 6)


def test_the_state_is_another_one_after_every_change(conn):
    states = [originals.state(conn)]
    one, trial = drink(conn, "One")
    states.append(originals.state(conn))
    for change in (
        lambda: originals.mark(conn, one, "{}"),
        lambda: sheet(conn, trial, "Ida", 7),
        lambda: originals.put_kinship(conn, "wood", "citrus", 0.5),
        lambda: originals.put_kinship(conn, "citrus", "wood", 0.6),
        lambda: originals.remove_kinship(conn, "citrus", "wood"),
        lambda: drinks.rename(conn, one, "Uno"),
        lambda: drinks.set_reference(conn, one, trial, counts=True),
    ):
        change()
        states.append(originals.state(conn))
    assert all(before != after for before, after in itertools.pairwise(states))


@pytest.mark.parametrize(("one", "other", "value"), [("citrus", "wood", 1.5), ("citrus", "wood", -0.1), ("", "wood", 0.5)])
def test_what_is_no_kinship_is_refused_by_the_file_itself(conn, one, other, value):
    with pytest.raises(sqlite3.IntegrityError):
        originals.put_kinship(conn, one, other, value)
