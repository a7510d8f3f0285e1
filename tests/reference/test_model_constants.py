"""Constants that a forecast rests on, each shown by what it does at its edge.

Where nothing is published the figure is a house rule or an estimate of the model, and marked so here.
"""

from dataclasses import replace

import pytest
from drinks import drink
from scipy.stats import norm

from oenomel.core.catalogue import catalogue
from oenomel.core.composition import Composition, estimated_density
from oenomel.core.conditions import Conditions
from oenomel.core.dilution import is_extrapolated, water_ratio
from oenomel.core.drink import Drink, Method, Pour
from oenomel.core.ingredient import Ingredient
from oenomel.core.perception import AXES, degree, steps_between
from oenomel.core.prediction import compare, predict
from oenomel.core.uncertainty import Z80
from oenomel.errors import ImpossibleComposition, OutOfRange


def exact(**values: object) -> Ingredient:
    return Ingredient("exact", "Exact", "other", Composition(**values))


def test_eighty_percent_of_a_normal_distribution_lies_within_the_half_width():
    assert pytest.approx(norm.ppf(0.9), rel=1e-12) == Z80


@pytest.mark.parametrize(("axis", "floor"), [("sugar", 0.3), ("acid", 0.03), ("abv", 0.5)])
def test_levels_below_the_floor_count_as_the_floor(axis, floor):
    # House rule of the model: nobody tells 0.1 from 0.2 g of sugar.
    assert float(steps_between(floor / 9, floor, AXES[axis])) == 0
    assert float(steps_between(floor * 1.01, floor / 9, AXES[axis])) == pytest.approx(float(steps_between(101, 100, AXES[axis])), rel=1e-9)


@pytest.mark.parametrize(
    ("edge", "below", "above"),
    [
        (0.5, "hard to tell apart, even side by side", "perhaps, side by side"),
        (1.0, "perhaps, side by side", "likely, side by side; not from memory"),
        (2.0, "likely, side by side; not from memory", "clear"),
        (4.0, "clear", "another drink"),
    ],
)
def test_words_change_exactly_at_the_edges_of_the_model(edge, below, above):
    assert (degree(edge - 1e-9).verdict, degree(edge).verdict) == (below, above)


def test_masking_is_told_from_two_steps_of_the_other_axis():
    # House rule: a quarter of the other's steps, told from half a step on.
    def acid_sentence(sugar_steps: float) -> str:
        def sour(sugar: float) -> Drink:
            sweet_and_sour = exact(abv=20, sugars={"sucrose": sugar}, acids={"citric": 1})
            return Drink("s", "sour", (Pour(sweet_and_sour, 100),), method=Method(ice="none"))

        return next(a for a in compare(sour(8 * 1.17**sugar_steps), sour(8)).axes if a.axis == "acid").sentence

    assert acid_sentence(1.99) == ""
    assert "softer" in acid_sentence(2.01)
    assert "sharper" in acid_sentence(-2.01)


@pytest.mark.parametrize(("technique", "ratio"), [("build", 0.15), ("roll", 0.30), ("swizzle", 0.50), ("blend", 0.80)])
def test_estimated_techniques_take_the_water_that_the_house_guesses(technique, ratio):
    # Estimates, nothing published: marked so in every forecast that rests on them.
    assert float(water_ratio(0.25, Method(technique))) == ratio
    forecast = predict(drink(("vodka", 60), ("lime-juice", 20), ("simple-syrup-1-1", 20), method=Method(technique)))
    assert forecast.dilution.model == "estimate"
    assert "dilution-estimated" in {finding.code for finding in forecast.findings}


def test_curves_are_trusted_from_a_tenth_to_thirty_five_percent():
    assert [is_extrapolated(a, Method(), Conditions()) for a in (0.0999, 0.10, 0.35, 0.3501)] == [True, False, False, True]


def test_density_of_cream_and_of_saline_follow_from_fat_and_salt():
    # Cream: milk fat 0.93 g/ml. Saline: 20 g of salt in 100 ml weigh 113 g (CRC Handbook, sodium chloride, from memory).
    assert estimated_density(Composition(fat=36, protein=2.8, sugars={"lactose": 2.9})) == pytest.approx(0.994, abs=0.003)
    assert estimated_density(Composition(fat=93)) == pytest.approx(0.93, abs=1e-6)
    assert estimated_density(Composition(salt=20)) == pytest.approx(1.130, abs=0.001)


def test_most_that_a_composition_can_hold():
    # House limits: 100 g of sugar and acid in 70 ml; 106 ml of parts in 100 ml; 20 g/l of carbon dioxide.
    Composition(sugars={"sucrose": 142.8})
    with pytest.raises(OutOfRange):
        Composition(sugars={"sucrose": 142.9})
    Composition(abv=44, sugars={"sucrose": 99.9})
    with pytest.raises(ImpossibleComposition, match="don't fit"):
        Composition(abv=44.2, sugars={"sucrose": 100})
    Composition(co2=20)
    with pytest.raises(OutOfRange):
        Composition(co2=20.1)


def test_milk_sugar_is_a_fifth_as_sweet_as_sucrose():
    # House default of the model: fructose 1.2, glucose 0.7, lactose 0.2.
    served = predict(Drink("m", "open", (Pour(exact(sugars={"lactose": 10}), 50),), method=Method(ice="none"))).served
    assert served.sucrose_equivalents == pytest.approx(2.0)


def test_a_still_wine_s_carbon_dioxide_bursts_no_tin():
    assert [exact(co2=grams).is_sparkling for grams in (2.0, 2.01)] == [False, True]
    assert catalogue()["sparkling-brut"].is_sparkling


@pytest.mark.parametrize(
    ("amount_ml", "code"),
    [(88, None), (89, "strong-serve")],
)
def test_two_standard_drinks_are_told(amount_ml, code):
    # 88.7 ml at 40 % hold 28 g of alcohol, two US standard drinks of 14 g (NIAAA).
    found = predict(drink(("vodka", amount_ml), family="open")).findings
    assert [f.code for f in found if f.code == "strong-serve"] == ([code] if code else [])


@pytest.mark.parametrize(("acid_g", "code"), [(0.0999, "no-acid"), (0.1001, None)])
def test_under_a_tenth_of_a_gram_nothing_is_sour(acid_g, code):
    # House rule of the model, as is the quarter of a daisy's sugar below.
    pour = Pour(exact(acids={"citric": acid_g}), 100)
    found = predict(Drink("s", "sour", (pour,), method=Method(ice="none"))).findings
    assert [f.code for f in found if f.code == "no-acid"] == ([code] if code else [])


@pytest.mark.parametrize(("liqueur_g", "code"), [(24.9, "little-liqueur"), (25.1, None)])
def test_a_daisy_takes_a_quarter_of_its_sugar_from_a_liqueur(liqueur_g, code):
    pours = (
        Pour(exact(sugars={"sucrose": liqueur_g}), 100, slot="liqueur"),
        Pour(replace(exact(sugars={"sucrose": 100 - liqueur_g}), slug="syrup"), 100, slot="sweet"),
    )
    found = predict(Drink("d", "daisy", pours, method=Method(ice="none"))).findings
    assert [f.code for f in found if f.code == "little-liqueur"] == ([code] if code else [])
