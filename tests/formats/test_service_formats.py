"""The list of an evening in open formats: nothing that a spreadsheet would take for a formula, nothing lost."""

import csv
import io

from oenomel.formats.shopping_csv import shopping_list
from oenomel.schemas.reports.batch_reports import BoughtReport


def line(name, source="shop", **told):
    of = {"group": "bottles", "amount": "1 bottle of 700 ml", "words": "the evening takes 60 ml", "slug": "", "ml": 60.0}
    counted = {"pieces": None, "low": None, "high": None, "cost": None}
    return BoughtReport(**{"key": name, "name": name, "source": source, **of, **counted, **told})


def test_a_name_that_begins_like_a_formula_stays_a_text():
    table = list(csv.reader(io.StringIO(shopping_list([line("=1+1", cost=2.5, done=True), line("Limes", pieces=8)], "csv"))))
    assert table[1][1] == "'=1+1"
    assert table[1][-2:] == ["2.50", "x"]
    assert table[2][5] == "8"


def test_a_text_tells_where_each_thing_comes_from_once(golden):
    text = shopping_list([line("Gin", "open"), line("Rum", "open", done=True), line("Limes")], "text")
    golden(text.splitlines())  # fmt: skip
