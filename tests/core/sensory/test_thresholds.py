"""A taster's own step out of triangles: what it means, what it learns, when it stops."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.sensory.thresholds import TriangleAnswer, most_informative, threshold_of, updated, worth_going_on
from oenomel.errors import DomainError, OutOfRange

DISTANCES = [0.4, 0.6, 0.8, 1.1, 1.4, 1.7, 2.0, 2.5, 3.0, 3.6, 4.2]
answers = st.lists(st.builds(TriangleAnswer, st.sampled_from(DISTANCES), st.booleans()), max_size=25)


def test_before_the_first_triangle_a_tongue_is_about_as_fine_as_the_usual_one():
    known = threshold_of([])
    # The prior of docs/model/sensory.md: log-normal around one step, sd 0.5; 80 % between exp(∓1.2816·0.5).
    assert known.steps == pytest.approx(1.0, abs=1e-9)
    assert known.interval80 == pytest.approx((math.exp(-0.6408), math.exp(0.6408)), rel=2e-2)
    assert known.log_sd == pytest.approx(0.5, abs=2e-3)


def test_at_nothing_a_triangle_is_found_one_time_in_three_and_at_ones_own_step_half_of_what_can_be_told():
    known = threshold_of([])
    assert float(known.right_at(1e-9)) == pytest.approx(1 / 3, abs=1e-6)
    # P(α) = 1/3 + 2/3·0.96/2 for every slope; a tongue whose step is known to be 1 can't be had, so the mean over the grid is near it.
    assert float(known.right_at(1.0)) == pytest.approx(1 / 3 + 0.64 / 2, abs=0.02)
    assert float(known.right_at(8.0)) == pytest.approx(1 / 3 + 0.64, abs=0.02)


@given(answers)
def test_chances_stay_chances_and_the_order_of_the_answers_does_not_matter(told):
    known, turned = threshold_of(told), threshold_of(told[::-1])
    assert known.chances.sum() == pytest.approx(1)
    assert (known.chances >= 0).all()
    np.testing.assert_allclose(known.chances, turned.chances, atol=1e-12)
    low, high = known.interval80
    assert low <= known.steps <= high
    assert (known.triangles, known.right) == (len(told), sum(each.right for each in told))


@given(answers, st.sampled_from(DISTANCES))
def test_as_far_as_somebody_tastes_at_all_a_found_triangle_makes_his_step_finer_and_a_missed_one_coarser(told, steps):
    known = threshold_of(told)
    found, missed = (updated(known, TriangleAnswer(steps, right)) for right in (True, False))
    assert _mean(found) <= _mean(known) + 1e-12 <= _mean(missed) + 2e-12
    # What is missed may also have been guessed, and what is found less likely so.
    assert found.guesses <= known.guesses <= missed.guesses + 1e-12


def _mean(known):
    """Mean of the logarithm of the step, of who tastes."""
    places = known.chances[0].sum(axis=0)
    return float(places @ np.arange(len(places)) / places.sum())


@given(answers)
def test_the_next_distance_is_expected_to_leave_least_unknown(told):
    known = threshold_of(told)
    chosen = most_informative(known, DISTANCES)

    def left(steps):
        right = float(known.right_at(steps))
        return sum(
            chance * _entropy(updated(known, TriangleAnswer(steps, answer))) for answer, chance in ((True, right), (False, 1 - right))
        )

    assert left(DISTANCES[chosen]) <= min(left(each) for each in DISTANCES) + 1e-6


def _entropy(known):
    places = known.chances.sum(axis=(0, 1))
    return -float(places @ np.log(np.maximum(places, 1e-300)))


def test_it_is_worth_going_on_at_first_and_not_for_ever():
    assert worth_going_on(threshold_of([]), DISTANCES)
    many = threshold_of([TriangleAnswer(steps, n % 5 < 3) for n in range(60) for steps in (0.8, 1.1, 1.4)])
    assert not worth_going_on(many, DISTANCES)


def test_two_liquids_that_are_no_question_are_refused(golden):
    for steps in (0.0, -1.0, 9.0, math.nan):
        with golden.raises(OutOfRange):
            TriangleAnswer(steps, right=True)
    with golden.raises(DomainError):
        most_informative(threshold_of([]), [])
