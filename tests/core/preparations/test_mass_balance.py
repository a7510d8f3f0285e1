"""Grams in are grams out, whatever is done; and what a final measure says is believed as far as it can be."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.kitchen import preparation

from oenomel.core.preparations.mass_balance import MATTER, cook
from oenomel.core.preparations.outcome import prepared
from oenomel.core.preparations.preparation import KitchenStep, scaled
from oenomel.errors import DomainError, ImpossibleMeasurement

RASPBERRY = (("raspberries", 2, "cup"), ("sugar", 1, "cup"), ("water", 1, "cup"))
COOKED = (KitchenStep("simmer", 10), KitchenStep("strain"), KitchenStep("cool"))

WHAT = st.sampled_from(
    ["raspberries", "rhubarb", "quince", "sugar", "water", "honey", "lime juice", "london dry gin", "citric acid", "salt", "mint"]
)
LINES = st.lists(st.tuples(WHAT, st.floats(1, 2000)), min_size=1, max_size=6)
STEPS = st.lists(st.sampled_from(["simmer", "boil", "steep", "strain", "cool", "skim", "dissolve"]), max_size=5)


@given(LINES, STEPS, st.floats(0, 60))
def test_what_goes_in_is_what_is_left_what_went_off_and_what_was_strained_out(lines, done, minutes):
    steps = [KitchenStep(each, minutes if each in ("simmer", "boil") else None) for each in done]
    try:
        pot = cook(preparation("syrup", *((what, grams, "g") for what, grams in lines), steps=steps))
    except DomainError:
        return  # nothing but pulp went in, or all water went off
    gone = np.zeros(len(MATTER))
    gone[0] = pot.evaporated_g
    assert pot.liquid + pot.strained_out + gone == pytest.approx(pot.put_in.sum(axis=0), abs=1e-9)


@given(st.floats(300, 600))
def test_grams_add_up_with_a_final_weight_too_and_it_is_the_weight_that_is_left(weight):
    pot = cook(preparation("fruit syrup", *RASPBERRY, steps=COOKED, weight_g=weight))
    assert pot.weight_g == pytest.approx(weight, rel=1e-6)
    left = pot.liquid.sum() + pot.strained_out.sum() + pot.evaporated_g + pot.lost_g
    assert left == pytest.approx(pot.put_in.sum(), abs=1e-9)


@given(st.floats(0.1, 20))
def test_more_of_everything_is_the_same_syrup(times):
    one = preparation("fruit syrup", *RASPBERRY, steps=COOKED, brix=48)
    more = prepared(scaled(one, times))
    assert more.brix == pytest.approx(48, abs=1e-6)
    assert more.yield_g == pytest.approx(times * prepared(one).yield_g, rel=1e-6)


def test_each_final_measure_overrides_what_was_supposed_and_they_agree():
    supposed = prepared(preparation("fruit syrup", *RASPBERRY, steps=COOKED))
    by_brix = prepared(preparation("fruit syrup", *RASPBERRY, steps=COOKED, brix=50))
    assert by_brix.brix == pytest.approx(50, abs=1e-6)
    assert by_brix.yield_g < supposed.yield_g
    for measure in ({"weight_g": by_brix.yield_g}, {"volume_ml": by_brix.yield_ml}):
        again = prepared(preparation("fruit syrup", *RASPBERRY, steps=COOKED, **measure))
        assert again.brix == pytest.approx(50, abs=1e-3)
    # What was read is surer than what was supposed.
    assert by_brix.composition.relative_sd("sugars") < supposed.composition.relative_sd("sugars")


def test_what_is_weighed_without_a_fire_was_left_behind_and_changes_no_strength(golden):
    cold = ("rhubarb", 500, "g"), ("sugar", 400, "g"), ("lemon juice", 100, "ml")
    whole = prepared(preparation("cordial", *cold, steps=("steep", "strain")))
    part = prepared(preparation("cordial", *cold, steps=("steep", "strain"), weight_g=700))
    assert part.brix == pytest.approx(whole.brix)
    assert part.yield_g == pytest.approx(700)
    golden(part.why)


def test_a_reading_of_what_was_not_heated_says_how_much_water_there_was():
    made = prepared(preparation("syrup", ("sugar", 1, "cup"), ("water", 1, "cup"), brix=47.0))
    assert made.brix == pytest.approx(47.0, abs=1e-6)


@pytest.mark.parametrize(
    "final",
    [
        {"weight_g": 900},
        {"volume_ml": 900},
        {"brix": 20},
        {"weight_g": 20},
    ],
)
def test_a_final_measure_that_can_not_be_is_refused_with_the_sentence(final, golden):
    with golden.raises(ImpossibleMeasurement):
        prepared(preparation("fruit syrup", *RASPBERRY, steps=COOKED, **final))


def test_less_held_back_than_supposed_is_believed_before_a_weight_is_refused():
    # 594 g are left where three tenths of the berries' weight stay in them; pressed harder, a little more runs out.
    pressed = cook(preparation("fruit syrup", *RASPBERRY, steps=(KitchenStep("simmer", 1), KitchenStep("strain")), weight_g=620))
    assert pressed.evaporated_g == pytest.approx(0)
    assert pressed.weight_g == pytest.approx(620, abs=0.01)


def test_sugar_alone_is_no_syrup(golden):
    with golden.raises(DomainError):
        prepared(preparation("syrup", ("sugar", 2, "cup")))


def test_the_cook_s_own_weight_of_a_cup_beats_the_table_s():
    assert cook(preparation("syrup", ("sugar", 1, "cup", 220), ("water", 1, "cup"))).put_in[0].sum() == pytest.approx(220)


def test_an_infusion_keeps_its_alcohol_and_is_thinned_by_the_fruit():
    made = prepared(preparation("infusion", ("london dry gin", 700, "ml"), ("raspberries", 200, "g"), steps=("steep", "strain")))
    gin, share = 700 * 0.41, made.pot.strained_out[1] / made.pot.put_in[0][1]
    assert made.composition.abv * made.yield_ml / 100 == pytest.approx(gin * (1 - share), rel=0.02)
    assert made.composition.abv < 36
    assert made.keeps_days == 60
