"""The notebook in a real SQLite file: sheets, readings, parents, marks, search; all or nothing when the process is killed."""

import json
import os
import signal
import sqlite3
import subprocess
import sys
import textwrap
from contextlib import closing
from dataclasses import replace
from pathlib import Path

import pytest

from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.larder.shelf import Shelved
from oenomel.errors import DomainError, RecordConflict, RecordNotFound
from oenomel.schemas.house_file import ValueEntry
from oenomel.store import book_search, briefs, database, drinks, ingredients, lineage, measurements, shelf, spec_clouds, tastings
from oenomel.store.book_search import Wanted
from oenomel.store.measurements import MeasurementRecord
from oenomel.store.tastings import PartTastingRecord, TastingRecord

POURS = [{"ingredient": "london-dry-gin", "amount": 60, "unit": "ml"}, {"ingredient": "lemon-juice", "amount": 20, "unit": "ml"}]
SPEC = json.dumps({"pours": POURS})


@pytest.fixture
def conn(tmp_path):
    database.prepare(tmp_path / "book.db")
    with closing(database.connect(tmp_path / "book.db")) as open_connection:
        yield open_connection


def keep(conn, drink_id, parent=None, name="A trial", reason="because", spec=SPEC):
    return drinks.keep_trial(conn, drink_id, parent, name, reason, spec, "{}")


@pytest.fixture
def book(conn):
    """Two drinks of two trials each: ids of the trials."""
    first, second = drinks.add(conn, "Hedge Sour", "sour"), drinks.add(conn, "Gate Fizz", "fizz")
    one = keep(conn, first)
    other = keep(conn, second, name="Other")
    return [one, keep(conn, first, one, "Softer"), other, keep(conn, second, other)]


def test_sheets_are_kept_found_and_taken_back(conn, book, golden):
    first = tastings.add(
        conn, TastingRecord(book[0], "Ada", sugar=-1, acid=2, score=6.5, words='{"nose": "hay"}', tasted_at="2026-10-01T10:00:00+00:00")
    )
    tastings.add(conn, TastingRecord(book[2], "Bo", acid=0, blind=True, edge="with", lacking=True))
    (sheet,) = tastings.of_drink(conn, 1)
    assert (sheet.acid, sheet.score, sheet.blind, sheet.lacking) == (2, 6.5, False, False)
    assert [row[:2] for row in tastings.tasters(conn)] == [("Ada", 1), ("Bo", 1)]
    assert [each.taster for each in tastings.for_palate(conn, "")] == ["Ada", "Bo"]
    tastings.remove(conn, first)
    assert tastings.of_drink(conn, 1) == []
    with pytest.raises(RecordNotFound, match="tasting"):
        tastings.remove(conn, first)
    with golden.raises(RecordNotFound):
        tastings.add(conn, TastingRecord(99, "Ada", acid=1))


def test_a_palate_that_was_reset_forgets_older_sheets_and_no_one_elses(conn, book):
    tastings.add(conn, TastingRecord(book[0], "Ada", acid=2, tasted_at="2020-01-01T10:00:00+00:00"))
    tastings.add(conn, TastingRecord(book[0], "Bo", acid=2, tasted_at="2020-01-01T10:00:00+00:00"))
    tastings.reset_palate(conn, "Ada")
    tastings.add(conn, TastingRecord(book[1], "Ada", acid=-1, tasted_at="2099-01-01T10:00:00+00:00"))
    assert [each.acid for each in tastings.for_palate(conn, "Ada")] == [-1]
    assert len(tastings.for_palate(conn, "Bo")) == 1
    assert len(tastings.for_palate(conn, "")) == 3
    assert len(tastings.of_drink(conn, 1)) == 3


def test_a_trial_descends_from_others_of_whatever_drink_and_never_from_itself(conn, book, golden):
    lineage.add_parents(conn, book[3], [book[0], book[1]])
    nodes = {node.id: node for node in lineage.tree(conn)}
    assert nodes[book[3]].parents == (book[2], book[0], book[1])
    assert lineage.parents(conn, 2) == {book[3]: [book[0], book[1]]}
    for wrong in ([book[3]], [book[0], book[0]]):
        with golden.raises(DomainError):
            lineage.add_parents(conn, book[3], wrong)
    with pytest.raises(RecordNotFound):
        lineage.add_parents(conn, book[2], [99])


def test_a_trial_out_of_view_is_kept_and_its_sheet_still_counts(conn, book, golden):
    lineage.mark(conn, 1, book[0], "hidden")
    assert book[0] not in {node.id for node in lineage.tree(conn)}
    tastings.add(conn, TastingRecord(book[0], "Ada", acid=1))
    assert len(tastings.of_drink(conn, 1)) == 1
    assert drinks.get_trial(conn, 1, book[0]).name == "A trial"
    lineage.mark(conn, 1, book[0], "")
    assert lineage.marks(conn, 1) == {}
    with golden.raises(DomainError):
        lineage.mark(conn, 1, book[0], "burnt")
    with pytest.raises(RecordNotFound):
        lineage.mark(conn, 2, book[0], "shelved")


def test_readings_and_the_water_they_tell(conn, book):
    reading = measurements.add(conn, MeasurementRecord(book[0], "weight_g", "tin", 101.5, "scale"))
    assert measurements.get(conn, reading).value == 101.5
    measurements.put_water(conn, book[0], "shake", 0.9, "weight")
    measurements.put_water(conn, book[1], "shake", 1.1, "weight")
    measurements.put_water(conn, book[0], "shake", 0.95, "weight")
    assert measurements.ratios(conn) == {"shake": [0.95, 1.1]}
    measurements.put_water(conn, book[0], "shake", None)
    assert measurements.water_of(conn, book[0]) is None
    measurements.remove(conn, reading)
    with pytest.raises(RecordNotFound, match="measurement"):
        measurements.get(conn, reading)


def test_the_book_is_searched_by_words_family_taster_score_and_what_is_at_hand(conn, book):
    tastings.add(conn, TastingRecord(book[0], "Ada", score=8, words='{"nose": "wet stone"}'))
    for wanted, found in (
        (Wanted(), [2, 1]),
        (Wanted("hedge"), [1]),
        (Wanted("softer lemon"), [1]),
        (Wanted("ston ada"), [1]),
        (Wanted("ge"), [1]),  # shorter than the index knows
        (Wanted("fizz"), [2]),
        (Wanted('"; DROP TABLE drink; --'), []),
        (Wanted(family="fizz"), [2]),
        (Wanted(taster="Ada"), [1]),
        (Wanted(taster="Ada", score=8.5), []),
        (Wanted(score=7.5), [1]),
        (Wanted("nothing like it"), []),
    ):
        assert book_search.find(conn, wanted) == found, wanted
    assert book_search.find(conn, Wanted(in_stock=True)) == []
    shelf.put(conn, Shelved("london-dry-gin", "at hand", None))
    shelf.put(conn, Shelved("lemon-juice", "low", None))
    assert book_search.find(conn, Wanted(in_stock=True)) == [2, 1]
    drinks.rename(conn, 1, "Orchard Row")
    assert book_search.find(conn, Wanted("hedge")) == []
    assert book_search.find(conn, Wanted("orchard")) == [1]
    assert book_search.find(conn, Wanted(), most=1) == [2]
    assert book_search.find(conn, Wanted(), before=2) == [1]
    assert book_search.find(conn, Wanted(), before=1) == []
    assert (book_search.count(conn, Wanted()), book_search.count(conn, Wanted("orchard"))) == (2, 1)


def older_file(path, last):
    """A data file as an earlier version left it: the migrations that shipped up to then."""
    path.touch()
    with closing(database.connect(path)) as conn:
        conn.executescript("CREATE TABLE migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL DEFAULT (datetime('now'))) STRICT;")
        for script in sorted((Path(database.__file__).parent / "migrations").glob("*.sql")):
            if script.name[:4] <= last:
                conn.executescript(script.read_text(encoding="utf-8"))
                conn.execute("INSERT INTO migration (name) VALUES (:name)", {"name": script.name})
        for slug, name in (("london-dry-gin", "London dry gin"), ("lemon-juice", "Lemon juice")):
            conn.execute(
                """INSERT INTO ingredient (slug, name, kind, slots, impression, allergens, cautions, aroma, foam, origin)
                VALUES (:slug, :name, 'spirit', '[]', '', '[]', '[]', '{}', '', 'catalogue')""",
                {"slug": slug, "name": name},
            )
        conn.executescript(
            f"""INSERT INTO drink VALUES (1, 'Hedge Sour', 'sour', 'house', '2026-01-01T00:00:00+00:00');
            INSERT INTO trial (id, drink_id, number, parent_trial_id, name, reason, spec, foreseen, kept_at)
            VALUES (1, 1, 1, NULL, 'First', 'to start', '{SPEC}', '{{"served": {{"acid": 0.85}}}}', '2026-01-02T00:00:00+00:00');"""
        )


def test_what_an_older_file_guessed_from_a_class_is_known_by_its_kind_of_source(conn):
    guesses = [
        ("sugar", "estimate", "middle of 74 of the kind liqueur in the catalogue; its label doesn't tell", "median of the kind"),
        ("abv", "estimate", "as in London dry gin", "estimate"),
        ("acid", "label", 'middle of the class "brut"', "class on the label"),
        ("density", "label", "", "label"),
    ]
    old = [
        {"name": name, "value": 1.0, "relative_sd": 0.1, "source": "estimate", "source_kind": kind, "why": why}
        for name, kind, why, _ in guesses
    ]
    script = Path(database.__file__).parent / "migrations" / "0014_guesses_by_their_source.sql"
    for table in ("ingredient_value", "house_value"):
        conn.execute(f"DELETE FROM {table} WHERE slug = 'london-dry-gin'")
        conn.executemany(
            f"""INSERT INTO {table} (slug, name, value, relative_sd, source, source_kind, why)
            VALUES ('london-dry-gin', :name, :value, :relative_sd, :source, :source_kind, :why)""",
            old,
        )
        conn.executescript(script.read_text(encoding="utf-8"))
        rows = conn.execute(f"SELECT name, source_kind FROM {table} WHERE slug = 'london-dry-gin'").fetchall()
        assert {row["name"]: row["source_kind"] for row in rows} == {name: now for name, _, _, now in guesses}
    # The same where a house file of an earlier version is read.
    assert [ValueEntry.model_validate(value).source_kind for value in old] == [now for _, _, _, now in guesses]


def test_an_older_book_is_indexed_when_it_is_migrated(tmp_path):
    older_file(tmp_path / "old.db", "0003")
    database.prepare(tmp_path / "old.db")
    with closing(database.connect(tmp_path / "old.db")) as conn:
        assert book_search.find(conn, Wanted("hedge gin")) == [1]
        assert conn.execute("SELECT count(*) FROM trial_ingredient").fetchone()[0] == 2
        assert drinks.trial(conn, 1).made == "{}"


def test_a_file_of_the_version_before_opens_and_its_trials_and_gathered_specs_read_the_same(tmp_path):
    path = tmp_path / "old.db"
    older_file(path, "0004")
    with closing(database.connect(path)) as conn:
        conn.execute("INSERT INTO gathered_spec VALUES (7, 1, 'A book', :spec, '2026-01-03T00:00:00+00:00')", {"spec": SPEC})
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        kept = drinks.trial(conn, 1)
        assert (kept.name, kept.reason, kept.spec, kept.kept_at) == ("First", "to start", SPEC, "2026-01-02T00:00:00+00:00")
        assert json.loads(kept.forecast) == {"served": {"acid": 0.85}}
        assert [(each.id, each.name, each.spec) for each in spec_clouds.of_drink(conn, 1)] == [(7, "A book", SPEC)]
        with pytest.raises(sqlite3.IntegrityError, match="kept as made"):
            conn.execute("UPDATE trial SET forecast = '{}'")


def test_brief_and_gathered_specs_belong_to_a_drink(conn, book):
    assert briefs.get(conn, 1) == "{}"
    briefs.put(conn, 1, '{"guest": "dry"}')
    briefs.put(conn, 1, '{"guest": "drier"}')
    assert json.loads(briefs.get(conn, 1)) == {"guest": "drier"}
    added = spec_clouds.add(conn, 1, "A book", SPEC)
    assert [each.name for each in spec_clouds.of_drink(conn, 1)] == ["A book"]
    with pytest.raises(RecordNotFound):
        spec_clouds.remove(conn, 2, added)
    spec_clouds.remove(conn, 1, added)
    for act in (
        lambda: briefs.get(conn, 9),
        lambda: briefs.put(conn, 9, "{}"),
        lambda: spec_clouds.add(conn, 9, "x", SPEC),
    ):
        with pytest.raises(RecordNotFound, match="drink 9"):
            act()


def test_what_a_tasting_amends_outlasts_a_new_catalogue(conn):
    before = ingredients.get(conn, "london-dry-gin")
    tastings.add_part(conn, PartTastingRecord("london-dry-gin", "Ada", "{}", amended=True))
    ingredients.amend(conn, "london-dry-gin", {"pine": 3}, "all forest")
    ingredients.replace_catalogue(conn, [before, replace(before, slug="another-gin")])
    after: Ingredient = ingredients.get(conn, "london-dry-gin")
    assert (dict(after.aroma), after.impression) == ({"pine": 3}, "all forest")
    assert after.composition == before.composition
    assert [each.taster for each in tastings.of_part(conn, "london-dry-gin")] == ["Ada"]
    ingredients.remove_amendments(conn)
    ingredients.replace_catalogue(conn, [before])
    assert dict(ingredients.get(conn, "london-dry-gin").aroma) == dict(before.aroma)


def test_a_kept_trial_is_never_rewritten_and_values_stay_in_their_ranges(conn, book):
    with pytest.raises(sqlite3.IntegrityError, match="kept as made"):
        conn.execute("UPDATE trial SET made = '{}' WHERE id = 1")
    with pytest.raises(sqlite3.IntegrityError, match="CHECK"):
        tastings.add(conn, TastingRecord(book[0], "Ada", acid=4))
    with pytest.raises(sqlite3.IntegrityError, match="CHECK"):
        measurements.put_water(conn, book[0], "shake", 9.0)


KILLED = """
    import os, signal, sys
    from pathlib import Path
    from oenomel.store import database, drinks, lineage
    conn = database.connect(Path(sys.argv[1]))
    with database.transaction(conn):
        kept = drinks.keep_trial(conn, 1, 1, "Killed", "", '{"pours": [{"ingredient": "vodka"}]}', "{}")
        lineage.add_parents(conn, kept, [2])
        drinks.put_draft(conn, 1, kept, "{}", 0)
        if sys.argv[2] == "before the end":
            os.kill(os.getpid(), signal.SIGKILL)
    os.kill(os.getpid(), signal.SIGKILL)
"""


@pytest.mark.parametrize(("when", "trials"), [("before the end", 1), ("after it", 2)])
def test_killed_in_the_middle_of_keeping_it_is_all_or_nothing(tmp_path, when, trials):
    path = tmp_path / "book.db"
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        keep(conn, drinks.add(conn, "Hedge Sour", "sour"))
        keep(conn, drinks.add(conn, "Gate Fizz", "fizz"))
    killed = subprocess.run([sys.executable, "-c", textwrap.dedent(KILLED), str(path), when], check=False, env=dict(os.environ))
    assert killed.returncode == -signal.SIGKILL
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        kept = trials == 2
        assert len(drinks.trials(conn, 1)) == trials
        assert bool(lineage.parents(conn, 1)) == kept
        assert (drinks.get_draft(conn, 1) is not None) == kept
        assert bool(book_search.find(conn, Wanted("killed"))) == kept
        assert conn.execute("PRAGMA integrity_check").fetchone()[0] == "ok"


def test_two_windows_that_keep_the_same_draft_both_keep_their_trial(conn, book, golden):
    drinks.put_draft(conn, 1, book[0], SPEC, 0)
    keep(conn, 1, book[0], "Mine")
    drinks.put_draft(conn, 1, book[0], SPEC, 1)
    with golden.raises(RecordConflict):
        drinks.put_draft(conn, 1, book[0], SPEC, 1)
    keep(conn, 1, book[0], "Theirs")
    assert [trial.name for trial in drinks.trials(conn, 1)][-2:] == ["Mine", "Theirs"]
