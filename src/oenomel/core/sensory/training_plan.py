"""A week's plan for a new colleague: a quarter of an hour a day, with what is done."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

TaskKey = tuple[str, str]
"""A kind of task: "triangle" with its attribute, or "exercise" with its kind."""

_TRIANGLES, _EXERCISES = "triangle", "exercise"

# Five to fifteen minutes a day; each matter once before any comes again; a guess before a glass. The house's own choice.
_WEEK: Final[tuple[tuple[str, tuple[tuple[str, str, int], ...]], ...]] = (
    ("Sweet", ((_TRIANGLES, "sugar", 6), (_EXERCISES, "swap", 3))),
    ("Sharp", ((_TRIANGLES, "acid", 6), (_EXERCISES, "fault", 3))),
    ("Strong", ((_TRIANGLES, "abv", 6), (_EXERCISES, "swap", 3))),
    ("Aroma", ((_TRIANGLES, "smell", 6), (_EXERCISES, "fault", 3))),
    ("Corrections", ((_EXERCISES, "correction", 5), (_EXERCISES, "swap", 3))),
    ("Sweetness and acidity again", ((_TRIANGLES, "sugar", 6), (_TRIANGLES, "acid", 6))),
    ("All together", ((_EXERCISES, "swap", 3), (_EXERCISES, "fault", 3), (_EXERCISES, "correction", 3))),
)


@dataclass(frozen=True, slots=True)
class WeekTask:
    """A task: how often, and how often it was done."""

    what: str
    of: str
    wanted: int
    done: int


@dataclass(frozen=True, slots=True)
class Day:
    """One day of the plan."""

    number: int
    title: str
    tasks: tuple[WeekTask, ...]

    @property
    def done(self) -> bool:
        """True if everything is done."""
        return all(task.done >= task.wanted for task in self.tasks)


def week_plan(done: Mapping[TaskKey, int]) -> tuple[Day, ...]:
    """Return the plan with everything done since it began, counted for the earliest day that needs it.

    >>> [(task.of, task.done, task.wanted) for task in week_plan({("triangle", "sugar"): 8})[5].tasks]
    [('sugar', 2, 6), ('acid', 0, 6)]
    """
    undone = dict(done)
    days = []
    for number, (title, tasks) in enumerate(_WEEK, start=1):
        week_tasks = []
        for what, of, wanted in tasks:
            counted = min(wanted, undone.get((what, of), 0))
            undone[what, of] = undone.get((what, of), 0) - counted
            week_tasks.append(WeekTask(what, of, wanted, counted))
        days.append(Day(number, title, tuple(week_tasks)))
    return tuple(days)
