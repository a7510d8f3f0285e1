"""The data file: migrations, the larder, the book."""

import shutil
import sqlite3
import subprocess
import sys
import time
from contextlib import closing
from dataclasses import replace

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.shelf import Shelved
from oenomel.demo import scenario
from oenomel.errors import DomainError, OutOfRange, RecordConflict, RecordNotFound, StoreError
from oenomel.store import book_search, database, drinks, ingredients, shelf
from oenomel.store.book_search import Wanted
from oenomel.store.stock import in_stock


@pytest.fixture
def conn(tmp_path):
    database.prepare(tmp_path / "bar.db")
    with closing(database.connect(tmp_path / "bar.db")) as conn:
        yield conn


@pytest.fixture
def trial_id(conn):
    """The first trial of drink 1."""
    with database.transaction(conn):
        drinks.add(conn, "Orchard Sour", "sour")
        return drinks.keep_trial(conn, 1, None, "First", "to start", "{}", "{}")


def test_data_file_is_made_in_a_new_folder_of_its_own_place_and_prepared_twice_without_harm(tmp_path, monkeypatch):
    path = tmp_path / "new" / "folder" / "bar.db"
    monkeypatch.setattr(database, "default_path", lambda: path)
    database.prepare(path)
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        assert conn.execute("PRAGMA journal_mode").fetchone()[0] == "wal"
        assert conn.execute("PRAGMA foreign_keys").fetchone()[0] == 1
        assert [row["name"] for row in conn.execute("SELECT name FROM migration")] == [
            "0001_first_pour.sql",
            "0002_aroma_foam_and_house_references.sql",
            "0003_shelf.sql",
            "0004_notebook.sql",
            "0005_forecast_spec_cloud_and_larder_state.sql",
            "0006_answered_writes_and_devices.sql",
            "0007_words_for_ingredients_and_notes.sql",
            "0008_lots_preparations_and_tonight.sql",
            "0009_originals_and_kinship.sql",
            "0010_batches_and_the_evening.sql",
            "0011_the_tongue.sql",
            "0012_an_evening_put_back_and_answers_packed.sql",
            "0013_what_is_in_stock.sql",
            "0014_guesses_by_their_source.sql",
        ]


def test_every_table_is_strict(conn):
    tables = [
        row
        for row in conn.execute("PRAGMA table_list")
        if row["schema"] == "main" and row["type"] == "table" and not row["name"].startswith("sqlite_")
    ]
    # The index of the book's words keeps its own tables, which can't be declared.
    tables = [row for row in tables if not row["name"].startswith("book_words")]
    assert len(tables) == 44
    assert all(row["strict"] for row in tables)


def test_something_else_and_a_newer_data_file_are_refused_in_words(tmp_path, golden):
    (tmp_path / "letter.txt").write_text("Dear all, " * 200)
    with golden.raises(StoreError):
        database.prepare(tmp_path / "letter.txt")
    with golden.raises(StoreError):
        database.open_read_only(tmp_path / "missing.db")
    database.prepare(tmp_path / "bar.db")
    with closing(database.connect(tmp_path / "bar.db")) as conn:
        conn.execute("INSERT INTO migration (name) VALUES ('9999_from_tomorrow.sql')")
    with golden.raises(StoreError):
        database.prepare(tmp_path / "bar.db")


def test_larder_of_the_store_is_the_catalogue_value_by_value(conn):
    assert dict(ingredients.larder(conn)) == dict(catalogue())


def test_search_wants_every_word_and_takes_odd_characters_as_they_are(conn):
    def slugs(**wanted):
        return [i.slug for i, _ in ingredients.search(conn, **wanted)]

    assert slugs(text="orange liqueur dry")[0] == "orange-liqueur-dry"
    assert set(slugs(kind="sparkling")) == {slug for slug, i in catalogue().items() if i.kind == "sparkling"}
    assert {slug.endswith("juice") for slug in slugs(text="JUICE", slot="sour", kind="juice")[:4]} == {True}
    assert slugs(text="%' OR x=1; --") == slugs(text="%'") == []
    # What is told first of names that fit as well: the more usual, then what stands on the shelf.
    before = slugs(text="syrup")
    shelf.put(conn, Shelved("thyme-syrup", "at hand", None))
    after = slugs(text="syrup")
    assert before[0] == after[0] == "simple-syrup-1-1"
    assert before.index("basil-syrup") < before.index("thyme-syrup")
    assert after.index("vanilla-syrup") < after.index("thyme-syrup") < after.index("basil-syrup")


def test_trial_is_kept_as_made_and_never_rewritten(conn, trial_id):
    with pytest.raises(sqlite3.IntegrityError, match="kept as made"):
        conn.execute("UPDATE trial SET name = 'Another' WHERE id = :id", {"id": trial_id})
    with database.transaction(conn):
        second = drinks.keep_trial(conn, 1, trial_id, "Second", "", "{}", "{}")
    assert [(t.number, t.parent_trial_id, t.name) for t in drinks.trials(conn, 1)] == [(1, None, "First"), (2, trial_id, "Second")]
    assert drinks.get_trial(conn, 1, second).reason == ""


def test_draft_is_saved_over_its_own_revision_and_over_no_other(conn, trial_id, golden):
    assert drinks.get_draft(conn, 1) is None
    assert drinks.put_draft(conn, 1, trial_id, '{"a":1}', 0) == 1
    assert drinks.put_draft(conn, 1, trial_id, '{"a":2}', 1) == 2
    for stale in (0, 1, 3):
        with golden.raises(RecordConflict):
            drinks.put_draft(conn, 1, trial_id, '{"a":3}', stale)
    assert drinks.get_draft(conn, 1).spec == '{"a":2}'


def test_what_is_not_there_is_not_found(conn, trial_id, golden):
    for ask in (
        lambda: drinks.get(conn, 9),
        lambda: drinks.rename(conn, 9, "x"),
        lambda: drinks.get_trial(conn, 1, 9),
        lambda: drinks.put_draft(conn, 1, 9, "{}", 0),
        lambda: drinks.keep_trial(conn, 9, None, "x", "", "{}", "{}"),
        lambda: drinks.keep_trial(conn, 1, 9, "x", "", "{}", "{}"),
        lambda: ingredients.get(conn, "nothing"),
    ):
        with golden.raises(RecordNotFound):
            ask()


def test_transaction_is_all_or_nothing(conn):
    def half() -> None:
        with database.transaction(conn):
            drinks.add(conn, "Half a drink", "sour")
            drinks.add(conn, "No such family", "punch")

    with pytest.raises(sqlite3.IntegrityError):
        half()
    assert book_search.find(conn, Wanted()) == []


def test_demo_is_filled_once_and_reset_on_demand(tmp_path):
    path = tmp_path / "demo.db"
    scenario.prepare(path)
    with closing(database.connect(path)) as conn:
        book = drinks.some(conn, book_search.find(conn, Wanted()))
        assert sorted(d.family for d in book) == ["daisy"] * 3 + ["fizz"] * 4 + ["open"] + ["sour"] * 3
        assert all(len(drinks.trials(conn, d.id)) >= 2 and drinks.trials(conn, d.id)[-1].reason for d in book)
        assert all(d.origin == "demo" for d in book)
        drinks.rename(conn, 1, "Mine")
    scenario.prepare(path)
    with closing(database.connect(path)) as conn:
        assert drinks.get(conn, 1).name == "Mine"
    scenario.prepare(path, reset=True)
    with closing(database.connect(path)) as conn:
        assert drinks.get(conn, 1).name != "Mine"


KEEPER = """
import sys
import time
from pathlib import Path
from oenomel.store import book_search, database, drinks
conn = database.connect(Path(sys.argv[1]))
print("ready", flush=True)
number = 0
while True:
    with database.transaction(conn):
        number += 1
        trial = drinks.keep_trial(conn, 1, None, f"Trial {number}", "", "{}", "{}")
        drinks.put_draft(conn, 1, trial, f'{{"trial": {trial}}}', number - 1)
"""


def test_a_kill_in_the_middle_of_keeping_leaves_trial_and_draft_together(tmp_path):
    path = tmp_path / "bar.db"
    database.prepare(path)
    with closing(database.connect(path)) as conn, database.transaction(conn):
        drinks.add(conn, "Orchard Sour", "sour")
    for _ in range(3):
        with closing(database.connect(path)) as conn:
            conn.execute("DELETE FROM draft")
        with subprocess.Popen([sys.executable, "-c", KEEPER, str(path)], stdout=subprocess.PIPE) as keeper:
            keeper.stdout.readline()
            keeper.stdout.read(0)
            wait_for_trials(path, 5)
            keeper.kill()
        with closing(database.connect(path)) as conn:
            assert conn.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
            latest = drinks.trials(conn, 1)[-1]
            assert drinks.get_draft(conn, 1).parent_trial_id == latest.id
            assert drinks.get_draft(conn, 1).spec == f'{{"trial": {latest.id}}}'


def wait_for_trials(path, more):
    with closing(database.connect(path)) as conn:
        goal = len(drinks.trials(conn, 1)) + more
        deadline = time.monotonic() + 20
        while len(drinks.trials(conn, 1)) < goal:
            assert time.monotonic() < deadline, "the other process keeps nothing"


def test_a_migration_that_fails_leaves_nothing_behind(tmp_path, monkeypatch):
    path = tmp_path / "bar.db"
    scripts = tmp_path / "package" / "migrations"
    scripts.mkdir(parents=True)
    (scripts / "0001_half.sql").write_text("CREATE TABLE half (id INTEGER PRIMARY KEY) STRICT;\nCREATE TABLE half (id INTEGER) STRICT;")
    monkeypatch.setattr(database.resources, "files", lambda _: tmp_path / "package")
    with pytest.raises(StoreError, match="half already exists"):
        database.prepare(path)
    with closing(sqlite3.connect(path)) as conn:
        assert conn.execute("SELECT count(*) FROM migration").fetchone()[0] == 0
        assert conn.execute("SELECT count(*) FROM sqlite_master WHERE name = 'half'").fetchone()[0] == 0


def test_two_that_start_at_once_bring_one_new_file_up_to_date_together(tmp_path):
    path = tmp_path / "bar.db"
    start = f"from pathlib import Path; from oenomel.store import database; database.prepare(Path({str(path)!r}))"
    started = [subprocess.Popen([sys.executable, "-c", start], stderr=subprocess.PIPE, text=True) for _ in range(3)]
    assert [(each.communicate(timeout=60)[1], each.returncode) for each in started] == [("", 0)] * 3
    with closing(database.connect(path)) as conn:
        assert conn.execute("SELECT count(*) FROM migration").fetchone()[0] == 14


def test_a_start_that_another_one_overtakes_finds_the_migrations_applied(tmp_path, monkeypatch):
    # The race at its narrowest: the other start runs from end to end while this one looks up what there is to apply. What is applied
    # was once read before that, and this start then fell over the other one's tables.
    path, files, overtaken = tmp_path / "bar.db", database.resources.files, []

    def looked_up(package):
        if not overtaken:
            overtaken.append(package)
            database.prepare(path)
        return files(package)

    monkeypatch.setattr(database.resources, "files", looked_up)
    database.prepare(path)
    assert overtaken
    with closing(database.connect(path)) as conn:
        assert conn.execute("SELECT count(*) FROM migration").fetchone()[0] == 14


def test_a_larder_that_is_held_is_read_anew_when_another_connection_changes_it(tmp_path):
    path = tmp_path / "bar.db"
    database.prepare(path)
    with closing(database.connect(path)) as here, closing(database.connect(path)) as there:
        held = ingredients.larder(here)
        assert ingredients.larder(there) is held
        assert ingredients.some(here, ["lime-juice"])["lime-juice"] is ingredients.some(there, ["lime-juice"])["lime-juice"]
        shelf.put(there, Shelved("lime-juice", "at hand", 6.5))
        assert ingredients.get(here, "lime-juice").label("price_per_litre") == 6.5
        ingredients.put(there, replace(held["lime-juice"], name="Lime juice of today"))
        assert ingredients.get(here, "lime-juice").name == ingredients.larder(here)["lime-juice"].name == "Lime juice of today"
        assert "moon-dust" not in ingredients.some(here, ["moon-dust"])
        ingredients.put(there, replace(held["lime-juice"], slug="moon-dust", origin="house"))
        assert "moon-dust" in ingredients.some(here, ["moon-dust"])


def test_catalogue_of_an_older_version_is_brought_up_to_date_and_nothing_kept_is_lost(tmp_path):
    path = tmp_path / "bar.db"
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        old = replace(catalogue()["lime-juice"], name="Lime juice of an older version", origin="catalogue")
        mine = replace(catalogue()["verjus"], slug="my-verjus", name="Verjus of the cellar", origin="house")
        gone = replace(catalogue()["verjus"], slug="gone", name="What no longer ships", origin="catalogue")
        with database.transaction(conn):
            for ingredient in (old, mine, gone):
                ingredients.put(conn, ingredient)
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        larder = ingredients.larder(conn)
    assert larder["lime-juice"] == catalogue()["lime-juice"]
    assert larder["my-verjus"].origin == "house"
    assert "gone" in larder


def test_a_start_that_finds_the_catalogue_as_it_ships_writes_nothing(empty_file, tmp_path):
    path = tmp_path / "bar.db"
    shutil.copyfile(empty_file, path)

    def state() -> str:
        with closing(database.connect(path)) as conn:
            return ingredients.state(conn)

    before = state()
    database.prepare(path)
    assert state() == before
    with closing(database.connect(path)) as conn, database.transaction(conn):
        ingredients.put(conn, replace(catalogue()["lime-juice"], impression="of an older version"))
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        assert ingredients.get(conn, "lime-juice") == catalogue()["lime-juice"]


def test_shelf_keeps_state_and_price_through_a_new_catalogue(conn):
    shelf.put(conn, Shelved("white-rum", "low", 22.0))
    ingredients.replace_catalogue(conn, catalogue().values())
    assert shelf.all_shelved(conn) == {"white-rum": Shelved("white-rum", "low", 22.0)}
    assert ingredients.get(conn, "white-rum").label("price_per_litre") == 22.0
    shelf.put(conn, Shelved("white-rum", "out", None))
    assert "white-rum" not in in_stock(conn)
    assert ingredients.get(conn, "white-rum").label("price_per_litre") is None
    shelf.remove(conn, "white-rum")
    assert shelf.all_shelved(conn) == {}


def test_shelf_refuses_what_it_does_not_know(conn, golden):
    with pytest.raises(RecordNotFound):
        shelf.put(conn, Shelved("nothing", "low", None))
    with pytest.raises(DomainError, match=r'"lost" isn.t a state of stock'):
        shelf.put(conn, Shelved("white-rum", "lost", None))
    with golden.raises(OutOfRange):
        shelf.put(conn, Shelved("white-rum", "low", -1))


def test_a_bottle_whose_name_is_taken_gets_a_slug_of_its_own(conn):
    rum = catalogue()["white-rum"]
    assert [ingredients.add(conn, replace(rum, name="Ours")).slug for _ in range(2)] == ["white-rum-2", "white-rum-3"]
