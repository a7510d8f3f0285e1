"""The preparation file and the larder's table: what they hold goes out and comes back, and what can't be is named by its place."""

import csv
import io
import json

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.kitchen import KNOWN

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.shelf import Shelved
from oenomel.core.preparations.outcome import prepared
from oenomel.errors import SpecError
from oenomel.formats.larder_table import COLUMNS, read_larder_table, write_larder_table
from oenomel.schemas.preparation_file import PreparationFile, parse_preparation, preparation_of, preparation_report

FILE = {
    "format": "oenomel/preparation",
    "version": 1,
    "name": "Gate syrup",
    "kind": "syrup",
    "lines": [{"what": "sugar", "amount": "1 1/2", "unit": "cup"}, {"what": "water", "amount": 1, "unit": "cup"}],
}


def parsed(**change):
    return parse_preparation(json.dumps({**FILE, **change}))


def test_every_key_is_read_and_written_as_it_was():
    inline = {"name": "Pressed medlar", "kind": "juice", "composition": {"sugars": {"fructose": 9}, "acids": {"malic": 1}, "density": 1.04}}
    whole = {
        **FILE,
        "kind": "cordial",
        "lines": [
            {"what": inline, "amount": 500, "unit": "g"},
            {"what": "sugar", "amount": 2, "unit": "cup", "g_per_cup": 210},
            {"what": "lemon peel", "amount": 3, "unit": "piece"},
        ],
        "steps": [
            {"do": "simmer", "minutes": 10, "evaporated_g": 40},
            {"do": "strain", "discard": ["lemon peel"]},
            {"do": "cool", "minutes": 30},
        ],
        "final": {"weight_g": 850, "brix": 48},
    }
    file = parse_preparation(json.dumps(whole))
    assert json.loads(file.model_dump_json(exclude_unset=True)) == whole
    made = prepared(preparation_of(file, KNOWN))
    assert made.brix == pytest.approx(48)
    assert made.yield_g == pytest.approx(850)
    assert made.pot.put_in[1].sum() == pytest.approx(420)


@pytest.mark.parametrize("word", ["raspberries", "Raspberries", "fresh raspberries", "pulp", "solids"])
def test_what_is_thrown_away_is_named_as_it_was_written_or_by_another_word_for_it(word):
    lines = [{"what": "raspberries", "amount": 300, "unit": "g"}, *FILE["lines"]]
    told = preparation_of(parsed(kind="fruit syrup", lines=lines, steps=[{"do": "strain", "discard": [word]}]), KNOWN)
    assert told.steps[0].discard == (0,)


def test_the_report_holds_what_the_formats_promise():
    report = preparation_report(prepared(preparation_of(parsed(), KNOWN))).model_dump()
    assert {"composition", "brix", "density", "yield_ml", "yield_g", "keeps_days", "cautions", "why"} <= report.keys()
    # One and a half to one by the cup: 300 g in 537 g.
    assert report["brix"] == pytest.approx(100 * 300 / 537, abs=0.01)
    assert report["composition"]["spread"]["sugars"]["sucrose"] > 0.02
    assert report["totals"][0]["name"] == "sugar"


@pytest.mark.parametrize(
    "change",
    [
        {"format": "oenomel/spec"},
        {"version": 3},
        {"kind": "potion"},
        {"lines": []},
        {"lines": [{"what": "sugar", "amount": -1, "unit": "g"}]},
        {"lines": [{"what": "sugar", "amount": "much", "unit": "g"}]},
        {"lines": [{"what": "sugar", "amount": 1, "unit": "stone"}]},
        {"lines": [{"what": "sugar", "amount": 1, "unit": "g", "spoon": 1}]},
        {"final": {"brix": 0}},
        {"flavour": "rose"},
    ],
)
def test_what_is_no_preparation_is_refused_by_its_place(change, golden):
    with pytest.raises(SpecError) as refused:
        parsed(**change)
    golden(str(refused.value))


def test_text_that_is_no_json_is_refused(golden):
    with pytest.raises(SpecError, match="line 1, column 2: not JSON"):
        parse_preparation("{nothing")
    with golden.raises(SpecError):
        parse_preparation("[" * 100_000)


@given(st.builds(dict), st.integers())
def test_nothing_but_a_preparation_is_read(told, number):
    for each in (told, number, [told], None):
        with pytest.raises(SpecError):
            parse_preparation(json.dumps(each))


def test_the_larder_s_table_comes_back_as_it_went_out():
    larder = list(catalogue().values())
    shelved = {"lime-juice": Shelved("lime-juice", "low", 11.0)}
    table = write_larder_table(larder, shelved, {"lime-juice": 400.0}, ["verjus"])
    rows = {row.slug: row for row in read_larder_table(table)}
    assert len(rows) == len(larder)
    for each in larder:
        row = rows[each.slug]
        assert (row.name, row.kind) == (each.name, each.kind)
        assert row.figures["sugar"] == each.composition.sugar
        assert row.figures["abv"] == each.composition.abv
    lime = rows["lime-juice"]
    assert (lime.state, lime.figures["price_per_litre"], lime.figures["par_ml"], lime.retired) == ("low", 11.0, 400.0, None)
    assert rows["verjus"].retired is True


def test_no_cell_of_the_table_is_a_formula():
    from dataclasses import replace

    odd = replace(catalogue()["lime-juice"], name="=1+1", slug="odd")
    (row,) = csv.DictReader(io.StringIO(write_larder_table([odd], {}, {}, [])))
    assert row["name"] == "'=1+1"
    assert read_larder_table(write_larder_table([odd], {}, {}, []))[0].name == "=1+1"


@pytest.mark.parametrize(
    "text",
    [
        "slug;kind\nx;juice\n",
        "name,colour\nLime,green\n",
        "name,sugar\nLime,2,9\n",
        "name,sugar\n,2\n",
        "name,sugar\nLime,-2\n",
        "name,state\nLime,gone\n",
        "",
    ],
)
def test_a_table_that_can_not_be_is_refused_by_its_line(text, golden):
    with pytest.raises(SpecError) as refused:
        read_larder_table(text)
    golden(str(refused.value))
    assert "retired" in COLUMNS


def test_a_file_without_defaults_is_as_short_as_it_was_told():
    file = PreparationFile.model_validate(FILE)
    assert json.loads(file.model_dump_json(exclude_unset=True)) == FILE
