"""Laws of the notebook's sums: measuring undoes foreseeing, the middle is a middle, a cross has nothing of its own."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.depth import examples
from support.drinks import drink, eight_three_three

from oenomel.core.balance.served import profile_as_made
from oenomel.core.dilution.ice_conditions import Conditions, HouseFactor
from oenomel.core.families.typical_range import standard_typical_ranges, steps_of
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.technique import Method
from oenomel.core.trials.lineage import cross, origins
from oenomel.core.trials.next_trial import Sheet, answer, proposals
from oenomel.core.trials.palate import Tasted, learn
from oenomel.core.trials.readings import Reading, beside_forecast, check, forecast_reading, measured_water
from oenomel.core.trials.side_by_side import TrialAsMade, compare_trials
from oenomel.core.trials.spec_cloud import middle_of, spec_cloud_of
from oenomel.core.trials.tasting import Verdict, verdict_words

LARDER = catalogue()
BASES = ("london-dry-gin", "white-rum", "rye-whiskey", "blanco-agave-spirit")
SOURS = ("lemon-juice", "lime-juice", "verjus") if "verjus" in LARDER else ("lemon-juice", "lime-juice")
SWEETS = ("simple-syrup-1-1", "honey-syrup", "orange-liqueur-dry")

amounts = st.sampled_from([10.0, 15.0, 22.5, 30.0, 45.0, 60.0])
sours = st.builds(
    lambda base, sour, sweet, one, two, three: drink((base, one), (sour, two), (sweet, three)),
    st.sampled_from(BASES), st.sampled_from(SOURS), st.sampled_from(SWEETS), amounts, amounts, amounts,
)  # fmt: skip
said = st.integers(-3, 3)
places = st.tuples(*[st.floats(-3, 3)] * 3)


@given(sours, st.floats(0.75, 1.3), st.sampled_from(["volume_ml", "acid", "abv"]))
def test_measuring_what_another_house_foresees_finds_its_factor(made, factor, quantity):
    plain, true = forecast_of(made), forecast_of(made, Conditions(factors={"shake": HouseFactor(factor, 0.01, 9)}))
    readings = [Reading(quantity, point, forecast_reading(quantity, point, true)) for point in ("tin", "strained")]
    assert measured_water(readings, plain).ratio == pytest.approx(factor, rel=1e-6)


@given(sours, st.floats(0.75, 1.3))
def test_a_scale_finds_it_too_but_for_what_alcohol_and_water_contract(made, factor):
    plain, true = forecast_of(made), forecast_of(made, Conditions(factors={"shake": HouseFactor(factor, 0.01, 9)}))
    readings = [Reading("weight_g", point, forecast_reading("weight_g", point, true)) for point in ("tin", "strained")]
    assert measured_water(readings, plain).ratio == pytest.approx(factor, rel=0.02)


@given(sours)
def test_what_is_foreseen_can_always_be_read_and_is_as_foreseen(made):
    plain = forecast_of(made)
    readings = [
        Reading(quantity, point, forecast_reading(quantity, point, plain))
        for quantity in ("volume_ml", "weight_g", "acid", "abv", "temperature_c", "brix")
        for point in ("tin", "strained", "served")
    ]
    for number, reading in enumerate(readings):
        check(reading, plain, readings[:number])
    assert {each.words for each in beside_forecast(readings, plain)} == {"as predicted"}


@given(st.lists(sours, min_size=2, max_size=5))
def test_a_middle_is_poured_of_what_the_specs_pour_and_of_as_much(drinks):
    middle = middle_of(drinks)
    for pour in middle.pours:
        alike = [each for made in drinks for each in made.pours if each.slot == pour.slot]
        assert pour.ingredient.slug in {each.ingredient.slug for each in alike}
        assert min(each.volume_ml for each in alike) <= pour.volume_ml <= max(each.volume_ml for each in alike)
    assert len(spec_cloud_of(drinks, Conditions()).points) == len(drinks)


@given(sours, sours)
def test_a_cross_has_nothing_that_no_parent_has_and_keeps_the_first_s_frame(one, other):
    crossed = cross([one, other])
    assert None not in origins(crossed, [one, other])
    assert crossed.method == one.method
    assert {pour.ingredient.slug for pour in crossed.pours} <= {pour.ingredient.slug for pour in (*one.pours, *other.pours)}


@given(sours)
def test_a_drink_s_pours_all_come_from_its_only_parent_where_nothing_changed(made):
    assert set(origins(made, [made])) == {0}
    assert set(origins(made, [eight_three_three(), made])) <= {0, 1}


@given(sours, sours)
def test_side_by_side_the_other_way_round_turns_every_difference_round(one, other):
    there = compare_trials([TrialAsMade("a", one), TrialAsMade("b", other)], Conditions()).comparisons[0]
    back = compare_trials([TrialAsMade("b", other), TrialAsMade("a", one)], Conditions()).comparisons[0]
    for forth, turned in zip(there.axes, back.axes, strict=True):
        assert forth.steps == pytest.approx(-turned.steps, abs=1e-9)
        assert forth.difference.sign_probability == pytest.approx(turned.difference.sign_probability, abs=1e-9)


@examples(12)
@given(st.lists(st.tuples(places, st.tuples(said, said, said)), min_size=1, max_size=6))
def test_the_order_of_the_sheets_teaches_nothing(rows):
    sheets = [Tasted(np.array(x), y, str(n % 2)) for n, (x, y) in enumerate(rows)]
    one, other = learn(sheets), learn(sheets[::-1])
    assert one.mean == pytest.approx(other.mean, abs=1e-6)
    assert one.sd == pytest.approx(other.sd, abs=1e-6)


@examples(25)
@given(sours, said, said, said)
def test_every_answer_can_be_poured_and_says_what_it_heard(made, sugar, acid, abv):
    _, found = proposals([Sheet(made, Verdict(sugar, acid, abv), 1)], made, 1, LARDER, standard_typical_ranges()["sour", ""])
    for each in found:
        assert (verdict_words(Verdict(sugar, acid, abv)) or "") in each.reasons[0]
        assert 0 <= each.chance <= 1
        assert all(pour.volume_ml >= 0 for pour in each.drink.pours)
        assert profile_as_made(each.drink, Conditions()).volume_ml > 0


@given(sours)
def test_asking_for_where_it_stands_changes_nothing(made):
    same, left, _ = answer(made, steps_of(profile_as_made(made, Conditions())), LARDER, Conditions())
    assert [pour.volume_ml for pour in same.pours] == [pour.volume_ml for pour in made.pours]
    assert max(abs(each.steps) for each in left) < 1e-6


def test_a_bottled_drink_has_no_water_to_calibrate_and_no_ice_in_its_way():
    bottled = drink(("vodka", 60), ("still-water", 30), method=Method("none", ice="none"))
    plain = forecast_of(bottled)
    check(Reading("volume_ml", "strained", 90), plain)
    assert measured_water([Reading("volume_ml", "tin", 90), Reading("volume_ml", "strained", 90)], plain) is None
