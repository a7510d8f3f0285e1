"""Laws of the pot: how lines are written and in which order changes nothing, more sugar is sweeter, longer on the fire thicker."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.kitchen import preparation

from oenomel.core.preparations.mass_balance import cook, matter_of, volume_ml_of
from oenomel.core.preparations.outcome import prepared
from oenomel.core.preparations.preparation import KitchenStep

GRAMS = st.floats(20, 1500)
FRUIT = st.sampled_from(["raspberries", "quince", "rhubarb", "pineapple", "sour cherries", "fruit"])
COOKED = (KitchenStep("simmer", 10), KitchenStep("strain"))


def figures(made):
    return made.brix, made.density, made.yield_g, made.composition.sugar, made.composition.acid


@given(FRUIT, GRAMS, GRAMS, GRAMS, st.randoms())
def test_the_order_of_the_lines_changes_nothing(fruit, berries, sugar, water, shuffled):
    lines = [(fruit, berries, "g"), ("sugar", sugar, "g"), ("water", water + sugar, "g")]
    other = list(lines)
    shuffled.shuffle(other)
    one, two = (prepared(preparation("fruit syrup", *each, steps=COOKED)) for each in (lines, other))
    assert figures(one) == pytest.approx(figures(two), rel=1e-9)


@given(GRAMS, GRAMS, st.floats(0.1, 0.9))
def test_sugar_in_two_spoons_is_the_same_sugar(sugar, water, share):
    water = max(water, sugar / 2)
    whole = prepared(preparation("syrup", ("sugar", sugar, "g"), ("water", water, "g")))
    parts = prepared(preparation("syrup", ("sugar", share * sugar, "g"), ("water", water, "g"), ("sugar", (1 - share) * sugar, "g")))
    assert figures(whole) == pytest.approx(figures(parts), rel=1e-9)


@given(GRAMS, st.floats(1.0, 500.0))
def test_more_sugar_is_never_thinner(sugar, more):
    water = 2 * sugar
    thin, thick = (prepared(preparation("syrup", ("sugar", grams, "g"), ("water", water, "g"))) for grams in (sugar, sugar + more))
    assert thick.brix > thin.brix
    assert thick.density > thin.density
    assert thick.composition.sugar > thin.composition.sugar


@given(FRUIT, st.floats(1, 30), st.floats(1, 30))
def test_longer_on_the_fire_is_thicker_and_less(fruit, minutes, more):
    lines = (fruit, 300, "g"), ("sugar", 300, "g"), ("water", 400, "g")
    steps = [(KitchenStep("simmer", each), KitchenStep("strain")) for each in (minutes, minutes + more)]
    short, long = (prepared(preparation("fruit syrup", *lines, steps=each)) for each in steps)
    assert long.brix > short.brix
    assert long.yield_g < short.yield_g
    # The sugar that is left differs only by what the pulp takes along.
    assert long.pot.liquid.sum() < short.pot.liquid.sum()


@given(FRUIT, GRAMS)
def test_a_line_weighs_what_it_weighs_whatever_it_is_made_of(fruit, grams):
    for what in (fruit, "honey", "london dry gin", "lime juice", "sugar", "mint", "whole milk", "simple syrup 1:1"):
        line = preparation("syrup", (what, grams, "g")).lines[0]
        assert matter_of(line).sum() == pytest.approx(grams, rel=1e-9)
        assert np.all(matter_of(line) >= -1e-12)


@given(st.floats(0.0, 66.0))
def test_the_volume_of_a_syrup_is_its_weight_by_its_density(brix):
    made = prepared(preparation("syrup", ("sugar", max(brix, 0.01), "g"), ("water", 100 - brix, "g")))
    assert made.yield_ml * made.density == pytest.approx(made.yield_g, rel=1e-12)
    assert made.composition.sugar == pytest.approx(made.brix * made.density, rel=1e-9)
    assert volume_ml_of(2 * made.pot.liquid) == pytest.approx(2 * made.yield_ml, rel=1e-9)


@given(FRUIT)
def test_the_interval_of_a_fruit_syrup_holds_what_other_punnets_would_give(fruit):
    # The fruit's own sugar a quarter more or less: within twice the interval that is told.
    lines = (fruit, 400, "g"), ("sugar", 300, "g"), ("water", 200, "g")
    written = preparation("fruit syrup", *lines, steps=COOKED)
    told = prepared(written)
    from oenomel.core.preparations.mass_balance import Unsure

    ones = np.ones(3)
    for factor in (0.75, 1.25):
        other = cook(written, Unsure(ones, np.array([factor, 1, 1]), ones))
        assert abs(other.brix - told.brix) <= 2 * told.brix_sd + 1e-9


def test_steps_that_only_wait_change_nothing():
    lines = ("sugar", 300, "g"), ("water", 300, "g")
    plain = prepared(preparation("syrup", *lines))
    waited = prepared(preparation("syrup", *lines, steps=("dissolve", "steep", "skim", "cool")))
    assert figures(plain) == figures(waited)
