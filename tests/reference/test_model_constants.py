"""Constants that a forecast rests on, each shown by what it does at its edge.

Where nothing is published the figure is a house rule or an estimate of the model, and marked so here.
"""

import math
from dataclasses import replace

import numpy as np
import pytest
from scipy.optimize import brentq
from scipy.stats import norm
from support.drinks import drink

from oenomel.core.balance.perception import AXES, degree, steps_between
from oenomel.core.balance.profile import body_word
from oenomel.core.balance.uncertainty import Z80
from oenomel.core.dilution.curves import is_extrapolated, water_from_ice, water_ratio
from oenomel.core.dilution.heat_balance import Tin
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.composition import Composition, estimated_density
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.larder.solutions import freezing_point_c, heat_capacity_j_per_k, water_g
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Method
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


@pytest.mark.parametrize("edge", [0.5, 1.0, 2.0, 4.0])
def test_words_change_exactly_at_the_edges_of_the_model(edge):
    before, after = [0.0, 0.5, 1.0, 2.0, 4.0], [0.5, 1.0, 2.0, 4.0, 9.0]
    at = after.index(edge)
    assert degree(edge - 1e-9).verdict == degree(before[at]).verdict != degree(edge).verdict == degree(after[at + 1] - 1e-9).verdict


def test_masking_is_told_from_two_steps_of_the_other_axis():
    # House rule: a quarter of the other's steps, told from half a step on.
    def acid_sentence(sugar_steps: float) -> str:
        def sour(sugar: float) -> Drink:
            sweet_and_sour = exact(abv=20, sugars={"sucrose": sugar}, acids={"citric": 1})
            return Drink("s", "sour", (Pour(sweet_and_sour, 100),), method=Method(ice="none"))

        return next(a for a in compare(sour(8 * 1.17**sugar_steps), sour(8)).axes if a.axis == "acid").sentence

    assert acid_sentence(1.99) == ""
    assert acid_sentence(2.01) != ""
    assert "sharper" in acid_sentence(-2.01)


@pytest.mark.parametrize(("technique", "ratio"), [("build", 0.15), ("roll", 0.30), ("swizzle", 0.50), ("blend", 0.80)])
def test_estimated_techniques_take_the_water_that_the_house_guesses(technique, ratio):
    # Estimates, nothing published: marked so in every forecast that rests on them.
    assert float(water_ratio(0.25, Method(technique))) == ratio
    forecast = forecast_of(drink(("vodka", 60), ("lime-juice", 20), ("simple-syrup-1-1", 20), method=Method(technique)))
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
    served = forecast_of(Drink("m", "open", (Pour(exact(sugars={"lactose": 10}), 50),), method=Method(ice="none"))).served
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
    found = forecast_of(drink(("vodka", amount_ml), family="open")).findings
    assert [f.code for f in found if f.code == "strong-serve"] == ([code] if code else [])


@pytest.mark.parametrize(("acid_g", "code"), [(0.0999, "no-acid"), (0.1001, None)])
def test_under_a_tenth_of_a_gram_nothing_is_sour(acid_g, code):
    # House rule of the model, as is the quarter of a daisy's sugar below.
    pour = Pour(exact(acids={"citric": acid_g}), 100)
    found = forecast_of(Drink("s", "sour", (pour,), method=Method(ice="none"))).findings
    assert [f.code for f in found if f.code == "no-acid"] == ([code] if code else [])


@pytest.mark.parametrize(("liqueur_g", "code"), [(24.9, "little-liqueur"), (25.1, None)])
def test_a_daisy_takes_a_quarter_of_its_sugar_from_a_liqueur(liqueur_g, code):
    pours = (
        Pour(exact(sugars={"sucrose": liqueur_g}), 100, slot="liqueur"),
        Pour(replace(exact(sugars={"sucrose": 100 - liqueur_g}), slug="syrup"), 100, slot="sweet"),
    )
    found = forecast_of(Drink("d", "daisy", pours, method=Method(ice="none"))).findings
    assert [f.code for f in found if f.code == "little-liqueur"] == ([code] if code else [])


@pytest.mark.parametrize(
    ("ice", "grams", "wet", "follows"),
    # docs/model/dilution.md: 300 g of wet ice with 2 % of surface water, φ = 0.3. Large and crushed are estimates of the
    # house.
    [("cubes", 300, 0.02, 0.3), ("large", 135, 0.01, 0.15), ("crushed", 300, 0.05, 0.8)],
)
def test_heat_balance_is_the_model_s_equation_with_the_model_s_defaults(ice, grams, wet, follows):
    # L = 333.6 (CRC Handbook, from memory), c = 2.05 and 4.2 J/gK; a tin of 250 g of which 40 % follows, steel 0.5 J/gK; 22 °C.
    water, alcohol, sugar, acid = 80.0, 19.0, 14.0, 1.4
    capacity = float(heat_capacity_j_per_k(water, alcohol, sugar + acid)) + 250 * 0.4 * 0.5
    surface, solid = wet * grams, (1 - wet) * grams
    low, high = 0.0, solid
    for _ in range(80):
        melted = (low + high) / 2
        end = float(freezing_point_c(water + surface + melted, alcohol, sugar, acid))
        there = capacity * (22 - end) + surface * 4.2 * (0 - end) + follows * (solid - melted) * 2.05 * (0 - end)
        low, high = (low, melted) if melted * (333.6 + 2.05 * end) > there else (melted, high)
    made = Method(ice=ice)
    # The same parts as a tin: its volume is what holds this much water.
    volume = brentq(lambda ml: float(water_g(ml, alcohol / 0.78924, sugar + acid)) - water, 50, 200)
    tin = Tin(*(np.array(x) for x in (volume, alcohol / 0.78924, sugar, acid)))
    heat = Conditions(dilution="heat balance")
    assert float(water_from_ice(tin, made, heat)) == pytest.approx((low + surface) / 0.9982, rel=1e-6)
    # A usual stir reaches seven tenths of the melt (the ratio of the two published curves at 25 to 30 %), and all of the wet.
    stirred = float(water_from_ice(tin, Method("stir", ice=ice), heat))
    assert stirred == pytest.approx((0.7 * low + surface) / 0.9982, rel=1e-6)


@pytest.mark.parametrize(("ice", "sd"), [("cubes", 0.08), ("large", 0.15), ("crushed", 0.15)])
def test_doubt_of_the_ice_and_what_of_it_two_shakes_share(ice, sd):
    # docs/model/balance.md, "Uncertainty": 8 %, of which 5 % are each shake's own; other ice is further from the curve (house estimate).
    forecast = forecast_of(drink(("vodka", 60), ("lime-juice", 20), ("simple-syrup-1-1", 20), method=Method(ice=ice)))
    water = forecast.dilution.water_ml
    moves = {unknown[0]: move[0] for unknown, move in forecast.doubt.effects.items()}
    assert moves["this ice"] == pytest.approx(0.05 * water, rel=1e-9)
    assert moves["ice"] == pytest.approx((sd**2 - 0.05**2) ** 0.5 * water, rel=1e-9)


@pytest.mark.parametrize(
    ("body", "word"), [(6.49, "thin"), (6.51, "light"), (10.49, "light"), (10.51, "round"), (15.99, "round"), (16.01, "rich")]
)
def test_words_for_body_change_where_the_house_says(body, word):
    assert body_word(body) == word


def test_body_counts_protein_and_fat_three_times_and_gum_ten_times():
    # House estimates; hand-worked for 100 ml.
    liquid = Drink("b", "open", (Pour(exact(sugars={"sucrose": 4}, protein=1, fat=0.5, gum=0.2), 100),), method=Method(ice="none"))
    assert forecast_of(liquid).served.body == pytest.approx(4 + 3 * 1 + 3 * 0.5 + 10 * 0.2)


def test_times_of_a_float_and_of_the_room_are_those_of_the_house():
    # Estimates: a float is e⁻¹ apart after six minutes; 150 ml take 0.30 W/K from a room of 22 °C.
    floated = drink(("vodka", 100), ("aged-rum", 30, "floated"), method=Method(ice="none"), family="open")
    course = forecast_of(floated).course
    assert course.top.sugar[6] - course.below.sugar[6] == pytest.approx((course.top.sugar[0] - course.below.sugar[0]) / math.e, rel=1e-9)
    still = Drink("w", "open", (Pour(catalogue()["still-water"], 150, stage="topped"),), method=Method(ice="none"))
    warmed = forecast_of(still).course.temperature_c
    by_hand = 22 - (22 - 5) * math.exp(-0.30 * 600 / (150 * 0.9982 * 4.19))
    assert float(warmed[10]) == pytest.approx(by_hand, abs=0.01)


@pytest.mark.parametrize(
    ("code", "below", "above"),
    # House rules at their edges: what crystallises, a slip of three times the usual, a spirit that lights, a drink hardly sweet.
    [
        ("beyond-dissolving", ("sucrose", 88.7), ("sucrose", 88.9)),
        ("flammable", ("abv", 49.9), ("abv", 50.1)),
    ],
)
def test_finding_begins_at_the_edge_that_the_house_set(code, below, above):
    for (name, value), fires in ((below, False), (above, True)):
        part = exact(abv=value) if name == "abv" else exact(sugars={name: value})
        found = {f.code for f in forecast_of(Drink("e", "open", (Pour(part, 20),), method=Method(ice="none"))).findings}
        assert (code in found) is fires


@pytest.mark.parametrize(("times", "fires"), [(2.99, False), (3.01, True)])
def test_slip_begins_at_three_times_the_usual_measure(times, fires):
    made = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5 * times))
    assert ("slip-of-measure" in {f.code for f in forecast_of(made).findings}) is fires
