"""Amounts as they are said, and compositions that can't be."""

import math

import pytest

from oenomel.core.larder.catalogue_loader import Larder, catalogue, read_ingredients
from oenomel.core.larder.composition import Composition
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.spec.units import UNITS, parse_amount, to_ml
from oenomel.errors import DomainError, NotAnAmount, OutOfRange, SpecError, UnknownIngredient, UnknownUnit

SYRUP = catalogue()["simple-syrup-1-1"]
MINT = catalogue()["mint"]


@pytest.mark.parametrize(
    ("text", "amount"),
    [("3/4", 0.75), ("1 1/2", 1.5), ("22.5", 22.5), ("22,5", 22.5), (".5", 0.5), ("1½", 1.5), ("¾", 0.75), (" 2 ", 2), (60, 60), (0, 0)],
)
def test_amount_is_read_as_it_is_written(text, amount):
    assert parse_amount(text) == amount


@pytest.mark.parametrize("text", ["3/0", "abc", "", "1/2/3", "1e3", "0x10", "١", "1 2", "1,5000000", "--1", True, "1.2.3", "9" * 40])
def test_what_is_no_amount_is_refused_and_quoted(text, golden):
    with golden.raises(NotAnAmount):
        parse_amount(text)


@pytest.mark.parametrize("value", [-1, "-1", "−3/4", math.nan, math.inf, -math.inf, pytest.param(10**400, id="googol")])
def test_negative_and_boundless_amounts_are_refused(value, golden):
    with golden.raises(OutOfRange):
        parse_amount(value)


# Common practice; the cup is NIST Handbook 44's. A gram of 1:1 syrup is 1/1.2295 ml.
ML = {"ml": 1, "cl": 10, "oz": 30, "barspoon": 5, "tsp": 5, "tbsp": 15, "cup": 236.588, "splash": 30, "dash": 0.8, "drop": 0.05}


@pytest.mark.parametrize("unit", UNITS)
def test_every_unit_resolves_to_its_millilitres(unit):
    expected = {**ML, "g": 1 / 1.2295, "piece": 0, "leaf": 0, "part": 20}[unit]
    assert to_ml(2, unit, SYRUP, part_ml=20) == pytest.approx(2 * expected)


def test_settings_and_pieces_change_what_a_unit_is(golden):
    assert to_ml(1, "oz", SYRUP, ounce_ml=29.5735) == 29.5735
    assert to_ml(1, "piece", catalogue()["egg-white"]) == 30
    assert to_ml(8, "leaf", MINT) == 0
    with golden.raises(DomainError):
        to_ml(1, "part", SYRUP)
    with pytest.raises(UnknownUnit):
        to_ml(1, "pint", SYRUP)
    with pytest.raises(OutOfRange, match="10000"):
        to_ml(10_001, "ml", SYRUP)


def test_tablespoon_of_dry_sugar_stands_for_three_quarters_of_an_ounce_of_syrup():
    # Common practice: 12 to 14 g of sugar either way; a level teaspoon and a cube are 4 g.
    sugar = catalogue()["caster-sugar"]
    grams = to_ml(1, "tbsp", sugar) * sugar.composition.sugar / 100
    assert grams == pytest.approx(12, rel=0.01)
    assert 22.5 * SYRUP.composition.sugar / 100 == pytest.approx(grams, rel=0.16)
    cube = catalogue()["sugar-cube"]
    assert to_ml(1, "piece", cube) * cube.composition.sugar / 100 == pytest.approx(4, rel=1e-3)


def test_unknown_slug_is_named_with_its_neighbour(golden):
    with golden.raises(UnknownIngredient):
        catalogue()["lime-jiuce"]
    with golden.raises(UnknownIngredient):
        Larder({"a": Ingredient("a", "A", "other", Composition())})["zzz"]


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("[a", "not TOML"),
        ('[a]\nname="A"\nkind="juice"\nsmell=1', "a.smell: unknown key"),
        ('[a]\nname="A"\nkind="juce"', "a.kind"),
        ('[a]\nname="A"\nkind="juice"\nabv=[1,2]', "a.abv: needs"),
        ('[a]\nname="A"\nkind="juice"\nabv=[1,0.1,"hearsay","x"]', "hearsay"),
        ('[a]\nname="A"\nkind="juice"\nabv=[200,0.1,"estimate","x"]', "a: abv is 200"),
        ('[a]\nname="A"\nkind="juice"\naroma={ sunshine = 2 }', 'a.aroma: "sunshine" is not one of'),
        ('[a]\nname="A"\nkind="juice"\naroma={ lemon = 4 }', "a.aroma.lemon: needs a weight"),
        ('[a]\nname="A"\nkind="juice"\nbitterness=6', "a.bitterness: is 6, outside 0 to 5"),
        ('[a]\nname="A"\nkind="juice"\nfoam="soapy"', "a.foam"),
        ('[a]\nname="A"\nkind="juice"\nacids.formic=[1,0.1,"estimate","x"]', "a.formic: unknown key"),
    ],
)
def test_wrong_larder_file_is_refused_with_the_place(text, words):
    with pytest.raises(SpecError, match=words.replace(".", r"\.")):
        read_ingredients(text, origin="house")
