"""Water from the ice: the schools, their times, their doubt."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.dilution.curves import (
    CONSTANT_RATIOS,
    dilution_model,
    dilution_relative_sd,
    is_extrapolated,
    shaken_water_ratio,
    stirred_water_ratio,
    water_ratio,
)
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.spec.technique import TECHNIQUES, Method
from oenomel.errors import OutOfRange

USUAL = Conditions()
strengths = st.floats(0, 0.6)
seconds = st.floats(0, 600)


@given(strengths, seconds, seconds, st.sampled_from(["shake", "stir"]))
def test_longer_never_takes_less_water_and_nothing_passes_the_plateau(a, one, other, technique):
    shorter, longer = (float(water_ratio(a, Method(technique, seconds=s))) for s in sorted([one, other]))
    assert 0 <= shorter <= longer
    assert longer <= 1.0524 * float(shaken_water_ratio(a)) + 1e-12


@given(strengths)
def test_reference_time_is_the_curve_itself(a):
    assert float(water_ratio(a, Method("shake"))) == pytest.approx(float(shaken_water_ratio(a)), rel=1e-12)
    assert float(water_ratio(a, Method("shake", seconds=12))) == pytest.approx(float(shaken_water_ratio(a)), rel=1e-12)
    assert float(water_ratio(a, Method("stir", seconds=30))) == pytest.approx(float(stirred_water_ratio(a)), rel=1e-12)


@given(st.lists(strengths, min_size=1, max_size=20), st.sampled_from(TECHNIQUES))
def test_many_drinks_at_once_are_the_same_as_one_by_one(many, technique):
    method = Method(technique)
    at_once = water_ratio(np.array(many), method)
    assert at_once.shape == (len(many),)
    assert at_once.tolist() == [float(water_ratio(a, method)) for a in many]


@pytest.mark.parametrize("a", [-0.01, 1.01, math.nan, math.inf])
def test_strength_that_cannot_be_is_refused(a, golden):
    for curve in (shaken_water_ratio, stirred_water_ratio):
        with golden.raises(OutOfRange):
            curve([0.2, a])


@pytest.mark.parametrize(("technique", "seconds_longer"), [("build", 60), ("roll", 60), ("swizzle", 60), ("blend", 60)])
def test_techniques_without_a_curve_are_constant_estimates(technique, seconds_longer):
    assert dilution_model(Method(technique), USUAL) == "estimate"
    ratios = {float(water_ratio(a, Method(technique, seconds=s))) for a in (0.05, 0.2, 0.5) for s in (5, seconds_longer, None)}
    assert ratios == {CONSTANT_RATIOS[technique]}
    assert float(dilution_relative_sd(0.2, Method(technique), USUAL)) == 0.40


@pytest.mark.parametrize(
    ("a", "method", "extrapolated", "sd"),
    # Model: 8 % where the curve is trusted, 25 % below a strength of 0.10, nothing where there is no ice.
    [
        (0.20, Method(), False, 0.08),
        (0.10, Method(), False, 0.08),
        (0.099, Method(), True, 0.25),
        (0.36, Method(), True, 0.08),
        (0.36, Method("stir"), True, 0.08),
        (0.05, Method("build"), False, 0.40),
        (0.05, Method(ice="none"), False, 0.0),
        (0.05, Method(seconds=0), False, 0.0),
    ],
)
def test_doubt_of_the_water_and_where_the_curve_is_a_guess(a, method, extrapolated, sd):
    assert is_extrapolated(a, method, USUAL) is extrapolated
    assert float(dilution_relative_sd(a, method, USUAL)) == sd
