"""The stillroom against tables and libraries: sugar, salt and fruit in water, titration, honey and agave."""

import pytest
from support.kitchen import preparation
from support.sucrose import true_density

from oenomel.core.larder.composition import EQUIVALENT_WEIGHTS
from oenomel.core.lots.titration import titrated_acid
from oenomel.core.preparations.adjustment import to_acid, to_brix
from oenomel.core.preparations.goods import all_goods
from oenomel.core.preparations.outcome import prepared


@pytest.mark.parametrize(
    ("sugar", "water", "unit", "brix"),
    [
        (1, 1, "kg", 50.0),
        (1.5, 1, "kg", 60.0),
        (2, 1, "kg", 66.667),
        # By the US cup: 200 g of granulated sugar, 237 g of water (common practice, USDA measures).
        (1, 1, "cup", 100 * 200 / 437),
        (1.5, 1, "cup", 100 * 300 / 537),
        (2, 1, "cup", 62.8),
    ],
)
def test_syrups_by_weight_and_by_the_cup_are_those_of_the_sucrose_table(sugar, water, unit, brix):
    made = prepared(preparation("syrup", ("sugar", sugar, unit), ("water", water, unit)))
    assert made.brix == pytest.approx(brix, abs=0.05)
    # Debian's `units`, table brix: NIST Circular 440, Table 114.
    assert made.density == pytest.approx(true_density(made.brix), rel=0.001)
    assert made.composition.sugar == pytest.approx(made.brix * true_density(made.brix), rel=0.001)


@pytest.mark.parametrize("by_weight", [5, 10, 15, 20, 23])
def test_saline_weighs_what_the_library_says(by_weight):
    from CoolProp.CoolProp import PropsSI

    made = prepared(preparation("saline", ("salt", by_weight, "g"), ("water", 100 - by_weight, "g")))
    assert made.density == pytest.approx(PropsSI("D", "T", 293.15, "P", 101325, f"INCOMP::MNA[{by_weight / 100}]") / 1000, rel=0.001)
    assert made.composition.salt == pytest.approx(by_weight * made.density, rel=1e-9)


@pytest.mark.parametrize(
    ("fruit", "water", "sugars"),
    # USDA FoodData Central, standard reference rows, per 100 g (from memory): raspberries 167755, pineapple 169124, strawberries 167762.
    [("raspberries", 85.75, 4.42), ("pineapple", 86.0, 9.85), ("strawberries", 90.95, 4.89)],
)
def test_fruit_holds_what_its_row_of_the_food_table_tells(fruit, water, sugars):
    good = all_goods()[fruit]
    assert good.water == pytest.approx(water, abs=0.01)
    assert sum(good.sugars.values()) == pytest.approx(sugars, abs=0.02)


def test_fruit_that_nobody_described_is_the_middle_of_fruits():
    # docs/model/batch.md: 8 % sugar, 1.2 % acid, 85 % water.
    good = all_goods()["fruit"]
    assert (good.water, sum(good.sugars.values()), sum(good.acids.values())) == pytest.approx((85, 8, 1.2))


def test_a_titration_worked_by_hand_comes_to_the_same_acid():
    import chemicals

    # 10.0 ml of lemon juice take 78.1 ml of 0.1 M lye: 7.81 mmol of citric acid's three groups in 10 ml.
    by_hand = 78.1e-3 * 0.1 / 3 * chemicals.MW("77-92-9") / 10 * 100
    assert titrated_acid(10, 78.1).acid == pytest.approx(by_hand, rel=0.001)
    assert EQUIVALENT_WEIGHTS["citric"] == pytest.approx(chemicals.MW("77-92-9") / 3, abs=0.01)


def test_honey_and_agave_bring_what_the_food_table_says():
    # USDA: honey 82.1 g of sugars in 100 g, 1.433 g/ml; agave syrup 68.0 g, 1.400 g/ml. A US cup of honey weighs 340 g.
    honey = prepared(preparation("thinned honey", ("honey", 3, "cup"), ("water", 1, "cup")))
    assert honey.pot.put_in[0].sum() == pytest.approx(3 * 340, rel=0.005)
    assert honey.brix == pytest.approx(100 * 0.821 * 1020 / (1020 + 237), rel=0.01)
    agave = prepared(preparation("syrup", ("agave syrup", 100, "ml"), ("water", 100, "ml")))
    assert agave.brix == pytest.approx(100 * 0.68 * 140 / (140 + 99.8), rel=0.02)


def test_what_the_trade_weighs_in_is_told_as_the_trade_says_it():
    # Common practice: orange to lime's acid takes 32 g of citric and 20 g of malic acid a litre.
    from oenomel.core.larder.catalogue_loader import catalogue

    larder = catalogue()
    found = to_acid(larder["orange-juice"].composition, larder["lime-juice"].composition.acids, 1000, "lime juice")
    assert {each.what: round(each.grams) for each in found.additions} == {"citric acid": 32, "malic acid": 20}
    # 62.5 g more sugar in 437 g at 200 g: (200 + x) / (437 + x) = 1/2 wants 37; thicker than that by hand.
    assert to_brix(437, 200, 50).additions[0].grams == pytest.approx((0.5 * 437 - 200) / 0.5)


def test_a_raspberry_syrup_by_the_cup_is_far_from_the_class_of_its_name():
    # The case of the trade: berries, sugar and water by the cup, strained and not boiled down, hold about 38 g of sugar in 100 ml where
    # the catalogue's class, of equal weights of sugar and juice, has 58.
    made = prepared(preparation("fruit syrup", ("raspberries", 2, "cup"), ("sugar", 1, "cup"), ("water", 1, "cup"), steps=("strain",)))
    assert made.composition.sugar == pytest.approx(37, abs=2)
