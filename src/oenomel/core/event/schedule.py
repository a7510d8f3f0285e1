"""Schedule tasks backwards from the hour: each as late as possible, no two in one pair of hands (docs/model/batch.md, service plan)."""

from __future__ import annotations

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.errors import DomainError, OutOfRange

MOST_HANDS: Final = 12
MOST_TASKS: Final = 500


@dataclass(frozen=True, slots=True)
class Task:
    """A task before the event.

    Parameters
    ----------
    minutes : float          of work for one pair of hands, rounded up to whole ones
    waits : float            minutes of cooling, chilling or freezing after that before the next task, or the hour
    before : float           minutes before the hour by which it must be ready, waiting included
    needs : tuple of str     keys of tasks that have to be ready first
    about : str              what it is about: a drink's name, a preparation, empty for all
    """

    key: str
    words: str
    minutes: float
    waits: float = 0.0
    before: float = 0.0
    needs: tuple[str, ...] = ()
    about: str = ""
    why: str = ""

    def __post_init__(self) -> None:
        object.__setattr__(self, "minutes", float(math.ceil(self.minutes)))


@dataclass(frozen=True, slots=True)
class PlannedTask:
    """A task with its times, in minutes before the hour (negative): begun, hands free, and ready."""

    task: Task
    begins: float
    ends: float
    ready: float
    hand: int


def schedule(tasks: Sequence[Task], hands: int = 1) -> tuple[PlannedTask, ...]:
    """Schedule every task as late as possible: ready before the tasks that need it and before the hour, never more at once than hands.

    Raises
    ------
    OutOfRange
        The number of hands is impossible.
    DomainError
        A task needs a missing one, or itself.
    """
    if not 1 <= hands <= MOST_HANDS:
        raise OutOfRange("the number of staff", hands, 1, MOST_HANDS)
    if len(tasks) > MOST_TASKS:
        raise OutOfRange("the number of tasks", len(tasks), 0, MOST_TASKS)
    by_key = {task.key: task for task in tasks}
    if len(by_key) < len(tasks):
        raise DomainError("two tasks have one key")
    followers: dict[str, list[str]] = {key: [] for key in by_key}
    for task in tasks:
        for need in task.needs:
            if need not in by_key:
                raise DomainError(f'"{task.words}" needs "{need}", which nobody does')
            followers[need].append(task.key)
    planned: dict[str, PlannedTask] = {}
    busy: list[list[tuple[float, float]]] = [[] for _ in range(hands)]
    open_tasks = list(tasks)
    while open_tasks:
        free = [task for task in open_tasks if all(follower in planned for follower in followers[task.key])]
        if not free:
            raise DomainError("tasks need each other in a circle")
        # The task that can be latest is placed first, so that followers are placed before what they need.
        task = max(free, key=lambda each: (_latest(each, followers, planned), -each.minutes))
        planned[task.key] = _placed(task, _latest(task, followers, planned), busy)
        open_tasks.remove(task)
    return tuple(sorted(planned.values(), key=lambda each: (each.begins, each.ends, each.hand)))


def _latest(task: Task, followers: dict[str, list[str]], planned: dict[str, PlannedTask]) -> float:
    """Return the latest minute at which its work must be done."""
    return min([-task.before, *(planned[follower].begins for follower in followers[task.key])]) - task.waits


def _placed(task: Task, latest: float, busy: list[list[tuple[float, float]]]) -> PlannedTask:
    """Return the latest start before a time at which a pair of hands is free for long enough."""
    ends = sorted({latest, *(begins for intervals in busy for begins, _ in intervals if begins < latest)}, reverse=True)
    for end, (hand, taken) in itertools.product(ends, enumerate(busy)):
        begins = end - task.minutes
        if all(end <= other_begins or begins >= other_ends for other_begins, other_ends in taken):
            taken.append((begins, end))
            return PlannedTask(task, begins, end, end + task.waits, hand)
    raise AssertionError  # there is always room before everything else


def is_late(planned: PlannedTask, now: float, *, done: bool) -> bool:
    """Check whether a task should be done by now, in minutes before the hour, and isn't ticked."""
    return not done and planned.ends < now
