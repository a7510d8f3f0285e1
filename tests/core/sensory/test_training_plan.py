"""A week's plan for a new colleague: a quarter of an hour a day, with what is done."""

import itertools

from oenomel.core.sensory.exercises import EXERCISES
from oenomel.core.sensory.training_plan import week_plan


def test_a_week_counts_what_was_done_for_the_earliest_day_that_asks_for_it():
    begun = week_plan({})
    assert [day.number for day in begun] == list(range(1, 8))
    assert not any(day.done for day in begun)
    wanted = {}
    for task in itertools.chain.from_iterable(day.tasks for day in begun):
        wanted[task.what, task.of] = wanted.get((task.what, task.of), 0) + task.wanted
    assert all(day.done for day in week_plan(wanted))
    # Each matter and each exercise comes in it.
    assert {of for what, of in wanted if what == "triangle"} == {"sugar", "acid", "abv", "smell"}
    assert {of for what, of in wanted if what == "exercise"} == set(EXERCISES)
    first = week_plan({("triangle", "sugar"): 6, ("exercise", "swap"): 3})
    assert [day.done for day in first] == [True] + 6 * [False]
