"""Kept trials as the core sees them: as really poured, with whose sheets, and without counting one drink's sheets twice."""

import json
from contextlib import closing

import numpy as np
import pytest

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.trials.palate import learn
from oenomel.demo import scenario
from oenomel.services.stored_trials import kept_trials, palate_of, sheets_of, tasted_of
from oenomel.store import database, drinks, lineage, shelf, tastings
from oenomel.store.tastings import TastingRecord

HEDGE, MEDLAR, POTTING = 1, 7, 10


@pytest.fixture
def conn(tmp_path):
    scenario.prepare(tmp_path / "demo.db")
    with closing(database.connect(tmp_path / "demo.db")) as open_connection:
        yield open_connection


def test_a_trial_is_the_drink_that_was_really_poured(conn):
    first = drinks.trials(conn, HEDGE)[0]
    pours = json.loads(first.spec)["pours"]
    really = json.dumps({"poured": [{**pours[0], "amount": 50}, *pours[1:]]})
    kept_id = drinks.keep_trial(conn, HEDGE, first.id, "Short", "a slip", first.spec, "{}", really)
    (kept,) = kept_trials(conn, [drinks.trial(conn, kept_id)])
    assert kept.drink.pours[0].volume_ml == 50
    assert json.loads(kept.record.spec)["pours"][0]["amount"] == 60


def test_sheets_of_one_day_are_one_sitting_of_a_drink_and_of_each_taster_of_a_palate(conn):
    kept = {each.record.id: each.drink for each in kept_trials(conn, drinks.trials(conn, MEDLAR))}
    sheets = sheets_of(tastings.of_drink(conn, MEDLAR), kept)
    assert len(sheets) == 9
    assert {sheet.session for sheet in sheets} == {"2026-10-12", "2026-10-19", "2026-10-20"}
    house = tasted_of(conn, "")
    assert {tasted.session.split()[0] for _, _, tasted in house} == {"Odile", "Tam", "Wren"}


def test_a_sheet_of_a_trial_that_is_not_asked_about_is_left_out(conn):
    records = tastings.of_drink(conn, MEDLAR)
    assert sheets_of(records, {}) == []


def test_an_open_form_teaches_no_palate_since_it_has_no_home(conn):
    drinks_tasted = {trial.drink_id for _, trial, _ in tasted_of(conn, "Odile")}
    assert POTTING not in drinks_tasted
    assert MEDLAR in drinks_tasted


def test_a_drink_s_own_sheets_do_not_count_twice_when_it_is_asked_about(conn):
    everything, without = palate_of(conn, "Odile"), palate_of(conn, "Odile", but=MEDLAR)
    assert without.sheets == everything.sheets - sum(sheet.taster == "Odile" for sheet in tastings.of_drink(conn, MEDLAR))
    assert (without.sd > everything.sd - 1e-9).all()


def test_a_trial_out_of_view_goes_on_teaching_the_palate(conn):
    before = palate_of(conn, "Tam")
    lineage.mark(conn, MEDLAR, drinks.trials(conn, MEDLAR)[0].id, "hidden")
    assert palate_of(conn, "Tam").mean == pytest.approx(before.mean)


def test_where_a_drink_stands_is_told_from_the_middle_of_its_own_family_s_home(conn):
    tastings.add(conn, TastingRecord(drinks.trials(conn, HEDGE)[0].id, "Newcomer", acid=1))
    ((_, _, tasted),) = tasted_of(conn, "Newcomer")
    assert tasted.said == (None, 1, None)
    assert np.abs(tasted.x).max() < 3
    assert palate_of(conn, "Newcomer").mean == pytest.approx(learn([tasted]).mean)


def test_what_a_trial_costs_is_told_by_the_shelf(conn):
    first = drinks.trials(conn, HEDGE)[0]
    # 60 ml of gin at 24 a litre, 22.5 ml of lemon at 9, 15 ml of honey syrup at 7, by hand: 1.44 + 0.2025 + 0.105.
    (kept,) = kept_trials(conn, [first])
    assert forecast_of(kept.drink).cost == pytest.approx(1.7475)
    shelf.remove(conn, "lemon-juice")
    (kept,) = kept_trials(conn, [first])
    assert forecast_of(kept.drink).cost is None
