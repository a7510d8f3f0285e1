"""The demo scenario: invented, balanced, and told."""

import json
import re
from contextlib import closing
from dataclasses import replace
from importlib import resources

import pytest

from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.shelf import SHELF_STATES
from oenomel.demo import scenario
from oenomel.schemas.spec_file import parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec
from oenomel.store import database, drinks, ingredients, lineage, measurements, shelf, tastings

BOOK = json.loads((resources.files("oenomel.demo") / "house.json").read_text(encoding="utf-8"))["drinks"]


@pytest.fixture(scope="module")
def larder(tmp_path_factory):
    path = tmp_path_factory.mktemp("demo") / "demo.db"
    scenario.prepare(path)
    with closing(database.connect(path)) as conn:
        yield ingredients.larder(conn)


@pytest.mark.parametrize("entry", BOOK, ids=lambda entry: entry["name"])
def test_demo_drink_is_at_home_and_its_riff_is_a_riff(entry, larder):
    parent, *riffs = [drink_from_spec(parse_spec(json.dumps(trial["spec"])), larder) for trial in entry["trials"]]
    assert all(len(trial["reason"]) > 10 for trial in entry["trials"])
    assert riffs
    for drink in (parent, *riffs):
        forecast = forecast_of(drink)
        assert forecast.position is None or forecast.position.words in ("typical", "edge of the typical range")
        assert [finding.code for finding in forecast.findings if finding.severity != "info"] == []
        assert 100 < forecast.served.volume_ml < 280
    for riff in riffs:
        comparison = compare(riff, parent)
        assert comparison.unseen or any(abs(axis.steps) > 0.2 for axis in comparison.axes), "the riff changes nothing that is told"


def test_demo_has_three_of_each_family_and_one_riff_half_done():
    families = [entry["trials"][0]["spec"]["family"] for entry in BOOK]
    assert {family: families.count(family) for family in families} == {"sour": 3, "daisy": 3, "fizz": 4, "open": 1}
    assert sum("draft" in entry for entry in BOOK) == 1
    assert all(2 <= len(entry["trials"]) <= 5 for entry in BOOK)
    assert max(len(entry["trials"]) for entry in BOOK) >= 4


def test_tastings_of_the_demo_disagree_and_its_measurements_can_be():
    trials = [trial for entry in BOOK for trial in entry["trials"]]
    said = [{sheet["acid"] for sheet in trial.get("sheets", [])} for trial in trials]
    assert sum(len(each) > 1 for each in said) >= 5, "tasters who never disagree"
    assert len({sheet["taster"] for trial in trials for sheet in trial.get("sheets", [])}) == 3
    assert sum(bool(trial.get("readings")) for trial in trials) >= 5


def test_what_the_demo_was_told_is_found_again_and_put_back_with_it(tmp_path):
    scenario.prepare(tmp_path / "demo.db")
    with closing(database.connect(tmp_path / "demo.db")) as conn:
        assert [name for name, _, _ in tastings.tasters(conn)] == ["Odile", "Tam", "Wren"]
        assert set(measurements.ratios(conn)) == {"stir"}
        crossed = next(node for node in lineage.tree(conn) if node.name == "Combined")
        assert len(crossed.parents) == 2
        with database.transaction(conn):
            ingredients.amend(conn, "quince-liqueur", {"quince": 1}, "fading")
            tastings.reset_palate(conn, "Tam")
            lineage.mark(conn, 1, 1, "hidden")
            scenario.restore(conn)
        assert dict(ingredients.get(conn, "quince-liqueur").aroma)["quince"] == 3
        assert len(tastings.for_palate(conn, "Tam")) > 5
        assert "hidden" not in lineage.marks(conn, 1).values()


def test_specs_of_the_demo_are_what_the_store_gives_back(tmp_path):
    scenario.prepare(tmp_path / "demo.db")
    with closing(database.connect(tmp_path / "demo.db")) as conn:
        for drink_id, entry in enumerate(BOOK, start=1):
            kept = [json.loads(trial.spec) for trial in drinks.trials(conn, drink_id)]
            assert kept == [trial["spec"] for trial in entry["trials"]]
            forecasts = [json.loads(trial.forecast) for trial in drinks.trials(conn, drink_id)]
            assert all(forecast["served"]["volume_ml"] > 0 for forecast in forecasts)


def test_demo_names_no_brand_and_no_place_but_its_own():
    text = json.dumps(BOOK, ensure_ascii=False)
    assert not re.search(r"[®™]", text)
    assert "http" not in text


def test_putting_the_demo_back_clears_what_the_house_added_and_restores_the_shelf(tmp_path):
    scenario.prepare(tmp_path / "demo.db")
    with closing(database.connect(tmp_path / "demo.db")) as conn:
        before = shelf.all_shelved(conn)
        assert {each.state for each in before.values()} == set(SHELF_STATES)
        rum = ingredients.get(conn, "white-rum")
        bottle = ingredients.add(conn, replace(rum, name="Ours", origin="house"))
        shelf.put(conn, shelf.Shelved(bottle.slug, "low", 12.0))
        shelf.remove(conn, "white-rum")
        with database.transaction(conn):
            scenario.restore(conn)
        assert shelf.all_shelved(conn) == before
        assert bottle.slug not in ingredients.larder(conn)
