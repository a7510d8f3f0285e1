"""A batch on ice and an evening of thirty tasks, in the core."""

from __future__ import annotations

import random
import statistics
import time
from collections.abc import Callable

from oenomel.core.batch import BatchWish, batch_of
from oenomel.core.event.schedule import Task, schedule
from oenomel.core.larder import catalogue
from oenomel.core.spec import Drink, Pour


def service_times() -> dict[str, float]:
    """Return a batch over ice, the slowest of its services; the plan of thirty tasks for three pairs of hands; one forecast
    beside; [ms].
    """
    larder = catalogue()
    parts = (("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    drink = Drink("Sour", "sour", tuple(Pour(larder[slug], ml, slot=larder[slug].slots[0]) for slug, ml in parts))
    chance = random.Random(3)
    tasks = [
        Task(f"t{n}", "Do", chance.randint(2, 40), chance.choice([0, 60]), needs=tuple(f"t{m}" for m in range(max(0, n - 3), n, 2)))
        for n in range(30)
    ]
    return {
        "batch": _median_ms(lambda: batch_of(drink, BatchWish("ice", serves=40)).minutes, 30),
        "plan": _median_ms(lambda: schedule(tasks, 3), 100),
        "made singly": _median_ms(lambda: batch_of(drink, BatchWish("shaken", serves=40)).minutes, 30),
    }


def _median_ms(work: Callable[[], object], times: int) -> float:
    spent = []
    for _ in range(times):
        start = time.perf_counter()
        work()
        spent.append(1000 * (time.perf_counter() - start))
    return statistics.median(spent)
