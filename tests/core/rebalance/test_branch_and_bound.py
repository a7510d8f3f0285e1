"""Boxes and planes of the search: bounds hold everywhere in a box, and a stack of boxes loses none."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.rebalance.branch_and_bound import Plane, last_boxes, log_of, points_of

positive = st.floats(0.05, 50)


@given(positive, st.floats(1.0, 20.0), st.floats(0, 1), st.sampled_from([-1.0, 1.0]))
def test_the_plane_of_a_logarithm_never_crosses_it(low, times, share, sign):
    high = low * times
    middle = 0.5 * (low + high)
    value = low + share * (high - low)
    # A plane whose value is the point itself: slope 1, constant 0.
    slope, at = log_of(Plane(np.ones((1, 1)), np.zeros(1)), *(np.array([x]) for x in (sign, low, middle, high)))
    bound = float(slope[0, 0] * value + at[0])
    if sign > 0:
        assert bound <= np.log(value) + 1e-9
        assert float(slope[0, 0] * low + at[0]) == pytest.approx(np.log(low))
    else:
        assert bound >= np.log(value) - 1e-9
        assert float(slope[0, 0] * middle + at[0]) == pytest.approx(np.log(middle))


@given(st.lists(st.integers(1, 7), min_size=1, max_size=5), st.integers(1, 40))
def test_boxes_taken_off_a_stack_are_the_last_ones_and_none_is_lost(sizes, most):
    owners = np.split(np.arange(sum(sizes)), np.cumsum(sizes)[:-1])
    stack = [(owner, owner[None, :], owner[None, :] + 1) for owner in owners]
    taken, low, high = last_boxes(stack, most)
    assert len(taken) == min(most, sum(sizes))
    assert sorted([*taken.tolist(), *(n for owner, _, _ in stack for n in owner.tolist())]) == list(range(sum(sizes)))
    assert low.tolist() == [taken.tolist()]
    assert (high - low == 1).all()


@given(st.lists(st.tuples(st.integers(0, 5), st.integers(0, 5)), min_size=1, max_size=4))
def test_points_of_a_box_are_those_that_counting_finds(ends):
    low, high = (np.array([[pick(pair)] for pair in ends]) for pick in (min, max))
    counted = np.prod([len(range(a, b + 1)) for a, b in zip(low[:, 0], high[:, 0], strict=True)])
    assert points_of(low, high).tolist() == [counted]


def test_planes_add_up():
    plane = Plane(np.array([[1.0], [2.0]]), np.array([3.0]))
    plane.add(np.array([2.0]), np.array([[10.0], [0.0]]), np.array([1.0]))
    assert (plane.slope[:, 0].tolist(), plane.at.tolist()) == ([21.0, 2.0], [5.0])
