"""Schedule tasks backwards from the hour: each as late as possible, no two in one pair of hands."""

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.event.schedule import MOST_HANDS, Task, is_late, schedule
from oenomel.errors import DomainError, OutOfRange


@st.composite
def plans(draw):
    """Tasks that need only earlier ones, so that there is no circle."""
    many = draw(st.integers(1, 30))
    return [
        Task(
            f"t{n}",
            f"Task {n}",
            draw(st.floats(0.5, 90)),
            draw(st.sampled_from([0.0, 0.0, 15.0, 180.0])),
            draw(st.sampled_from([0.0, 0.0, 5.0, 30.0])),
            tuple(f"t{each}" for each in sorted(draw(st.sets(st.integers(0, n - 1), max_size=3)))) if n else (),
        )
        for n in range(many)
    ]


@given(tasks=plans(), hands=st.integers(1, 4))
def test_nothing_begins_before_what_it_needs_and_everything_is_ready_before_it_is_needed(tasks, hands):
    planned = {each.task.key: each for each in schedule(tasks, hands)}
    assert planned.keys() == {task.key for task in tasks}
    for each in planned.values():
        assert each.ends - each.begins == each.task.minutes
        assert each.ready == each.ends + each.task.waits
        assert each.ready <= -each.task.before
        assert all(planned[need].ready <= each.begins for need in each.task.needs)
    # No hand does two things at once.
    for hand in range(hands):
        of = sorted((each.begins, each.ends) for each in planned.values() if each.hand == hand)
        assert all(before[1] <= after[0] for before, after in itertools.pairwise(of))


def test_more_hands_begin_later_and_one_alone_does_one_thing_after_another():
    tasks = [Task(f"t{n}", "Cut", 10) for n in range(6)]
    begins = {hands: min(each.begins for each in schedule(tasks, hands)) for hands in (1, 2, 3, 6)}
    assert begins == {1: -60, 2: -30, 3: -20, 6: -10}


@pytest.mark.parametrize(
    ("tasks", "hands", "error", "words"),
    [
        ([Task("a", "A", 5, needs=("b",)), Task("b", "B", 5, needs=("a",))], 1, DomainError, "circle"),
        ([Task("a", "A", 5, needs=("z",))], 1, DomainError, "nobody does"),
        ([Task("a", "A", 5), Task("a", "B", 5)], 1, DomainError, "one key"),
        ([Task("a", "A", 5)], 0, OutOfRange, "staff"),
        ([Task("a", "A", 5)], MOST_HANDS + 1, OutOfRange, "staff"),
    ],
)
def test_a_plan_that_can_not_be_is_refused(tasks, hands, error, words):
    with pytest.raises(error, match=words):
        schedule(tasks, hands)


def test_what_should_be_out_of_hand_is_late_until_it_is_ticked():
    (planned,) = schedule([Task("a", "A", 10, before=60)])
    assert (planned.begins, planned.ends) == (-70, -60)
    assert not is_late(planned, -61, done=False)
    assert is_late(planned, -59, done=False)
    assert not is_late(planned, -59, done=True)
