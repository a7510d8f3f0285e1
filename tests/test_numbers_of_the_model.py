"""The constants of the rules against the table that holds each with its page; behaviour at edges that nothing else shows."""

import ast
import importlib
import json
import re
import shutil
import tomllib
from collections.abc import Mapping
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from support.drinks import drink

import oenomel
from oenomel.core.batch.rounding import measured_ml
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.shelf import Shelved
from oenomel.core.method import MethodOptions
from oenomel.core.method.garnishes import suggested_garnishes
from oenomel.formats.card.content import card_of
from oenomel.store import book_search, database, drinks, shelf

ROOT = Path(__file__).parents[1]
SOURCE = Path(oenomel.__file__).parent
TABLE = tomllib.loads((ROOT / "tests" / "numbers_of_the_model.toml").read_text(encoding="utf-8"))
PLACES = [*(SOURCE / "core").rglob("*.py"), SOURCE / "formats" / "card" / "content.py", SOURCE / "services" / "originals_inputs.py"]


def plain(value: Any) -> Any:
    """A constant as the table writes it."""
    if isinstance(value, frozenset):
        return sorted(value)
    if isinstance(value, Mapping):
        return {key: plain(each) for key, each in value.items()}
    return [plain(each) for each in value] if isinstance(value, tuple | list) else value


def is_of_numbers(value: Any) -> bool:
    if isinstance(value, Mapping):
        return bool(value) and all(isinstance(key, str) for key in value) and all(map(is_of_numbers, value.values()))
    if isinstance(value, tuple | list):
        return bool(value) and all(map(is_of_numbers, value))
    return isinstance(value, int | float) and not isinstance(value, bool)


def constants(path: Path) -> dict[str, Any]:
    """The numbers, tables of numbers and sets of codes that a module defines, by their names."""
    module = importlib.import_module(".".join(("oenomel", *path.relative_to(SOURCE).with_suffix("").parts)))
    names = [node.id for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))) if isinstance(node, ast.Name)]
    found = {name: getattr(module, name, None) for name in names if re.fullmatch(r"_?[A-Z][A-Z0-9_]*", name)}
    return {name: value for name, value in found.items() if is_of_numbers(value)}


def defined_here(path: Path) -> set[str]:
    targets: list[ast.expr] = []
    for node in ast.parse(path.read_text(encoding="utf-8")).body:
        if isinstance(node, ast.AnnAssign):
            targets.append(node.target)
        elif isinstance(node, ast.Assign):
            targets += node.targets
    flat = [each for target in targets for each in (target.elts if isinstance(target, ast.Tuple) else [target])]
    return {each.id for each in flat if isinstance(each, ast.Name)}


@pytest.mark.parametrize("module", TABLE)
def test_the_constants_of_a_module_are_those_of_the_table_and_their_page_is_there(module):
    entry = dict(TABLE[module])
    page, _, heading = entry.pop("page").partition(", ")
    assert re.search(rf"^##? {re.escape(heading)}$", (ROOT / page).read_text(encoding="utf-8"), re.MULTILINE)
    code = importlib.import_module(f"oenomel.{module}")
    assert {name: plain(getattr(code, name)) for name in entry} == entry


def test_no_constant_of_a_rule_is_missing_in_the_table():
    missing = []
    for path in PLACES:
        name = ".".join(path.relative_to(SOURCE).with_suffix("").parts)
        # Words of recipes have tables of their own.
        if path.name != "__init__.py" and not name.startswith("core.recipe_text"):
            missing += [f"{name}.{each}" for each in constants(path).keys() & defined_here(path) if each not in TABLE.get(name, {})]
    assert missing == []


def test_a_card_shows_a_drink_that_goes_down_easily():
    # Two US standard drinks in a glass that is sweet, and under a fizz's strength: the guest is told.
    easy = forecast_of(drink(("vodka", 90), ("lime-juice", 20), ("simple-syrup-1-1", 45), ("soda-water", 150, "topped"), family="fizz"))
    (told,) = (finding for finding in easy.findings if finding.code == "goes-down-easily")
    assert told.message in card_of(easy, MethodOptions()).cautions


def test_below_five_millilitres_a_batch_is_measured_by_tenths():
    assert [measured_ml(ml, 5) for ml in (2.94, 3.04, 4.64, 4.94, 5.2, 5.6)] == [2.9, 3.0, 4.6, 4.9, 5.0, 6.0]


@pytest.mark.parametrize("state", ["at hand", "low", "out"])
def test_the_book_counts_what_is_out_as_not_in_stock(state, empty_file, tmp_path):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    pour = {"ingredient": "white-rum", "amount": 60, "unit": "ml", "slot": "base"}
    spec = json.dumps({"format": "oenomel/spec", "version": 1, "name": "x", "family": "sour", "pours": [pour]})
    with closing(database.connect(tmp_path / "bar.db")) as conn, database.transaction(conn):
        drink_id = drinks.add(conn, "A sour", "sour")
        drinks.keep_trial(conn, drink_id, None, "First", "", spec, "{}", "{}")
        shelf.put(conn, Shelved("white-rum", state, None))
        found = book_search.find(conn, book_search.Wanted(in_stock=True), most=9)
    assert found == ([] if state == "out" else [drink_id])


def test_what_is_in_stock_counts_more_for_a_garnish_than_how_usual_it_is():
    sour = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    usual = [each.garnish.what for each in suggested_garnishes(sour, catalogue().values())]
    of = {each.in_sentence: slug for slug, each in catalogue().items()}

    def place_if_in_stock(what: str) -> int:
        return [each.garnish.what for each in suggested_garnishes(sour, catalogue().values(), {of[what]})].index(what)

    assert [what for what in usual if what in of and place_if_in_stock(what) < usual.index(what)] == [
        "lime zest",
        "grated nutmeg",
        "grapefruit zest",
        "raspberries",
    ]
