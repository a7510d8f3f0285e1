"""Names in any script are their own drinks, and a large house is taken in again soon."""

import json
import sqlite3
import time
from contextlib import closing

import pytest
from support.notebook_spec import ORCHARD

from oenomel.core.larder.ingredient import SourcedValue
from oenomel.errors import SpecError
from oenomel.formats.drinks_table import rows_of, safe_cell, table_of
from oenomel.formats.house_files import NamedText, house_of
from oenomel.schemas.house_file import house_text
from oenomel.schemas.spec_file import SpecFile
from oenomel.services.import_export.comparison import look_at
from oenomel.services.import_export.folder import export_house
from oenomel.services.import_export.gather import gather_house
from oenomel.services.import_export.importer import take_in
from oenomel.services.import_export.prepared_trials import prepare_trials
from oenomel.store import database, drinks, ingredients

MANY = 150


@pytest.fixture
def conn(tmp_path, empty_file):
    path = tmp_path / "bar.db"
    path.write_bytes(empty_file.read_bytes())
    with closing(database.connect(path)) as opened:
        yield opened


def read(conn, *files):
    return house_of([NamedText(f"{at}.json", json.dumps(each)) for at, each in enumerate(files)], ingredients.names(conn),
                    ingredients.larder(conn).__getitem__)  # fmt: skip


def take(conn, house):
    with database.transaction(conn):
        return take_in(conn, house, {})


def names(conn):
    return sorted(name for _, name in drinks.names(conn))


def test_names_without_latin_letters_are_drinks_of_their_own(conn):
    told = [{**ORCHARD, "name": name} for name in ("木", "水", "🍋", "Été Sour", "Ete sour!", "ete  sour!")]
    told[1] = {**told[1], "pours": told[1]["pours"][:2]}
    told[4] = {**told[4], "pours": told[4]["pours"][:2]}
    items = take(conn, read(conn, *told))
    assert names(conn) == sorted(["木", "水", "🍋", "Été Sour", "Ete sour!"])
    assert all(item.state == "new" for item in items if item.kind == "drink")
    again = look_at(conn, read(conn, *told)).items
    assert {item.state for item in again} == {"same"}
    house = gather_house(conn)
    assert len({each.id for each in house.drinks}) == 5
    assert {item.state for item in look_at(conn, house).items} == {"same"}


def test_a_drink_that_was_renamed_is_known_by_the_trial_that_it_began_with(conn):
    take(conn, read(conn, {**ORCHARD, "name": "Orchard Sour"}))
    house = gather_house(conn)
    ((drink_id, _),) = drinks.names(conn)
    drinks.rename(conn, drink_id, "Windfall Sour")
    take(conn, house)
    assert names(conn) == ["Windfall Sour"]


def test_a_house_that_is_there_already_is_taken_in_without_holding_the_file(conn):
    spec = [{**ORCHARD, "name": f"Drink {number}"} for number in range(MANY)]
    take(conn, read(conn, *spec))
    asked = []
    house = house_of(
        [NamedText("house.json", house_text(gather_house(conn)))], ingredients.names(conn), ingredients.larder(conn).__getitem__
    )
    look = look_at(conn, house)
    assert {item.state for item in look.items} == {"same"}
    conn.set_trace_callback(asked.append)
    start = time.thread_time()
    with database.transaction(conn):
        take_in(conn, house, {}, look=look)
    held = time.thread_time() - start
    conn.set_trace_callback(None)
    # In work, whatever the clock says: what is asked while the file is held doesn't grow with what is there.
    assert len(asked) < 100
    assert held < 0.3
    assert len(drinks.names(conn)) == MANY


def test_what_another_window_wrote_meanwhile_is_looked_at_again(conn, tmp_path):
    house = read(conn, {**ORCHARD, "name": "Orchard Sour"})
    look = look_at(conn, house)
    with closing(database.connect(tmp_path / "bar.db")) as other:
        take(other, house)
    with database.transaction(conn):
        items = take_in(conn, house, {}, look=look)
    assert [item.state for item in items if item.kind == "drink"] == ["same"]
    assert names(conn) == ["Orchard Sour"]


def test_a_table_keeps_semicolons_and_full_width_signs_within_their_cells():
    assert safe_cell("＝1+1") == "'＝1+1"
    text = table_of([SpecFile.model_validate({**ORCHARD, "name": "Orchard; =1+1"})], {})
    assert '"Orchard; =1+1"' in text
    with pytest.raises(SpecError, match="too long"):
        rows_of('ingredient,amount\n"' + "x" * 140_000)


def test_a_house_on_a_medium_that_can_not_be_written_is_exported(conn, tmp_path, monkeypatch):
    take(conn, read(conn, {**ORCHARD, "name": "Orchard Sour"}))
    connect = sqlite3.connect

    def refuses(target, *args, **kwargs):
        if str(target).startswith(f"file://{tmp_path}") and "bar.db" in str(target):
            error = sqlite3.OperationalError("unable to open database file")
            error.sqlite_errorcode = sqlite3.SQLITE_CANTOPEN
            raise error
        return connect(target, *args, **kwargs)

    monkeypatch.setattr(sqlite3, "connect", refuses)
    with closing(database.open_read_only(tmp_path / "bar.db")) as read_only:
        assert export_house(read_only, tmp_path / "out") == 1


def test_new_trials_are_worked_out_before_the_file_is_held(conn, monkeypatch):
    house = read(conn, *({**ORCHARD, "name": f"Drink {number}"} for number in range(3)))
    look = look_at(conn, house)
    prepared = prepare_trials(conn, house, look)
    monkeypatch.delattr("oenomel.services.import_export.importer.stored_trial")
    with database.transaction(conn):
        take_in(conn, house, {}, look=look, prepared=prepared)
    assert names(conn) == ["Drink 0", "Drink 1", "Drink 2"]


def test_a_trial_is_worked_out_again_where_an_ingredient_changed_meanwhile(conn):
    house = read(conn, {**ORCHARD, "name": "Orchard Sour"})
    look = look_at(conn, house)
    prepared = prepare_trials(conn, house, look)
    slug = ORCHARD["pours"][0]["ingredient"]
    with database.transaction(conn):
        ingredients.set_right(conn, slug, [SourcedValue("abv", 25, 0.01, "my label", "label")])
        take_in(conn, house, {}, look=look, prepared=prepared)
    (trial,) = drinks.trials(conn, drinks.names(conn)[0][0])
    (before,) = prepared.trials.values()
    weaker, stronger = (json.loads(forecast)["served"]["abv"] for forecast in (trial.forecast, before.forecast))
    assert weaker < 0.8 * stronger
