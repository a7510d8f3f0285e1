"""Budgets: work is spent once, shares come off the whole, and a client that left ends a search."""

import math

from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.rebalance.budget import Budget


@given(st.integers(0, 10**6), st.lists(st.tuples(st.floats(0, 1), st.integers(0, 10**5)), max_size=5))
def test_what_a_share_spends_comes_off_the_whole(work, shares):
    whole = Budget(work)
    for of, spent in shares:
        before = whole.left
        part = whole.share(of)
        assert part.left == int(before * of)
        part.spend(spent)
        assert (part.left, whole.left) == (int(before * of) - spent, before - spent)
        assert part.spent == (part.left <= 0)
    assert whole.spent == (whole.left <= 0)
    assert not whole.stopped_by_others


def test_time_that_is_up_and_a_client_that_left_end_a_search_with_work_left():
    assert Budget(seconds=-1).spent
    left = []
    budget = Budget(seconds=math.inf, stopped=lambda: bool(left))
    share = budget.share(0.5)
    assert not budget.spent
    assert not share.spent
    left.append("the client")
    assert budget.spent
    assert share.stopped_by_others
