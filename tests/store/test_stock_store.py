"""Lots, preparations, pars and prices in the data file; what the house sets right lies over the catalogue and outlasts it."""

import shutil
from contextlib import closing
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.gaps import set_right
from oenomel.core.larder.shelf import Shelved
from oenomel.errors import DomainError, OutOfRange, RecordConflict, RecordNotFound
from oenomel.store import database, ingredients, lots, menu_entries, preparations, shelf
from oenomel.store.lots import LotRecord, ReadingRecord
from oenomel.store.menu_entries import OnTheList
from oenomel.store.preparations import PreparationRecord


@pytest.fixture
def conn(tmp_path, empty_file):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    with closing(database.connect(tmp_path / "bar.db")) as conn:
        yield conn


def at(hours):
    return (datetime.now(UTC) - timedelta(hours=hours)).isoformat(timespec="seconds")


def test_today_s_lot_is_the_newest_that_is_not_used_up_also_where_the_clock_was_set_back_since(conn):
    old = lots.add(conn, LotRecord("lime-juice", "old", at(30)))
    new = lots.add(conn, LotRecord("lime-juice", "new", at(2)))
    ahead = lots.add(conn, LotRecord("lime-juice", "by the clock of yesterday", at(-3)))
    assert lots.newest(conn, ["lime-juice", "lemon-juice"])["lime-juice"].id == ahead
    with pytest.raises(DomainError, match="finished before it was made"):
        lots.change(conn, replace(lots.get(conn, ahead), used_up_at=at(1)))
    lots.change(conn, replace(lots.get(conn, ahead), used_up_at=at(-3)))
    assert lots.newest(conn, ["lime-juice", "lemon-juice"])["lime-juice"].id == new
    lots.change(conn, replace(lots.get(conn, new), used_up_at=at(1)))
    assert lots.newest(conn, ["lime-juice"])["lime-juice"].id == old
    assert [each.name for each in lots.open_lots(conn)] == ["old"]
    assert len(lots.all_lots(conn)) == 3


def test_a_lot_that_can_not_be_is_refused(conn, golden):
    lots.add(conn, LotRecord("lime-juice", "one", at(3)))
    with golden.raises(RecordConflict):
        lots.add(conn, LotRecord("lime-juice", "one", at(1)))
    lots.add(conn, LotRecord("lemon-juice", "one", at(1)))
    with golden.raises(DomainError):
        lots.add(conn, LotRecord("lime-juice", "two", at(1), used_up_at=at(5)))
    with golden.raises(DomainError):
        lots.add(conn, LotRecord("lime-juice", "two", at(1), volume_ml=400, left_ml=500))
    with pytest.raises(RecordNotFound):
        lots.add(conn, LotRecord("moon-dust", "two", at(1)))
    assert lots.unused_name(conn, "lime-juice", "one") == "one, 2"
    with pytest.raises(RecordNotFound):
        lots.get(conn, 99)


def test_readings_belong_to_their_lot_and_go_with_it(conn):
    lot = lots.add(conn, LotRecord("lime-juice", "one", at(3)))
    first = lots.add_reading(conn, ReadingRecord(lot, "acid", 5.1, None))
    lots.add_reading(conn, ReadingRecord(lot, "brix", 8.0, 0.2, "refractometer"))
    assert [each.value for each in lots.readings(conn)[lot]] == [5.1, 8.0]
    lots.remove_reading(conn, lot, first)
    assert [each.what for each in lots.readings_of(conn, [lot])[lot]] == ["brix"]
    with pytest.raises(RecordNotFound):
        lots.remove_reading(conn, lot, first)
    with pytest.raises(RecordNotFound):
        lots.add_reading(conn, ReadingRecord(77, "acid", 5.1, None))
    lots.remove(conn, lot)
    assert lots.readings(conn) == {}


def test_what_the_house_sets_right_lies_over_a_new_catalogue_and_is_given_back(conn):
    shipped = ingredients.get(conn, "lime-juice")
    ingredients.set_right(conn, "lime-juice", set_right(shipped, {"acid": 5.2}, "our market").values())
    ingredients.replace_catalogue(conn, catalogue().values())
    assert ingredients.get(conn, "lime-juice").composition.acid == pytest.approx(5.2)
    assert ingredients.larder(conn)["lime-juice"].values["citric"].source == "our market"
    given_back = ingredients.set_right(conn, "lime-juice", [], back=ingredients.house_values(conn)["lime-juice"])
    assert given_back.composition.acid == pytest.approx(shipped.composition.acid)
    ingredients.set_right(conn, "lime-juice", set_right(shipped, {"acid": 5.2}, "our market").values())
    ingredients.retire(conn, "lemon-juice", gone=True)
    ingredients.forget_changes(conn)
    assert ingredients.house_values(conn) == {}
    assert "lemon-juice" in ingredients.offered(conn)


def test_what_is_retired_is_found_nowhere_and_still_there(conn):
    ingredients.retire(conn, "lime-juice", gone=True)
    assert "lime-juice" in ingredients.larder(conn)
    assert "lime-juice" not in ingredients.offered(conn)
    assert all(each.slug != "lime-juice" for each in ingredients.names(conn).find("lime juice"))
    with pytest.raises(RecordNotFound):
        ingredients.retire(conn, "moon-dust", gone=True)


def test_pars_prices_serves_and_the_currency(conn, golden):
    assert menu_entries.currency(conn) == ""
    menu_entries.put_currency(conn, "kr")
    menu_entries.put_currency(conn, "€")
    assert menu_entries.currency(conn) == "€"
    menu_entries.put_par(conn, "lime-juice", 500)
    assert menu_entries.pars(conn) == {"lime-juice": 500}
    menu_entries.put_par(conn, "lime-juice", None)
    assert menu_entries.pars(conn) == {}
    with pytest.raises(OutOfRange):
        menu_entries.put_par(conn, "lime-juice", 0)
    menu_entries.put_good_price(conn, "granulated-sugar", 1.4)
    assert menu_entries.good_prices(conn) == {"granulated-sugar": 1.4}
    for refused in (
        lambda: menu_entries.put_good_price(conn, "granulated-sugar", 0),
        lambda: shelf.put(conn, Shelved("lime-juice", "at hand", 0)),
    ):
        with golden.raises(DomainError):
            refused()
    menu_entries.put_good_price(conn, "granulated-sugar", None)
    assert menu_entries.good_prices(conn) == {}
    with pytest.raises(RecordNotFound):
        menu_entries.put_on_the_list(conn, OnTheList(9, 12.0, 3))


def test_a_preparation_is_known_by_what_it_makes(conn):
    preparations.put(conn, PreparationRecord("simple-syrup-1-1", '{"name": "one"}'))
    preparations.put(conn, PreparationRecord("simple-syrup-1-1", '{"name": "two"}'))
    assert [each.content for each in preparations.all_preparations(conn)] == ['{"name": "two"}']
    preparations.remove(conn, "simple-syrup-1-1")
    with pytest.raises(RecordNotFound):
        preparations.remove(conn, "simple-syrup-1-1")
    with pytest.raises(RecordNotFound):
        preparations.put(conn, PreparationRecord("moon-dust", "{}"))
