"""Originals: twenty out of five hundred ingredients beside ten thousand forecasts, the first glass, and another wish of the same sample."""

from __future__ import annotations

import statistics
import time
from dataclasses import replace

from oenomel.core.larder import Larder, catalogue
from oenomel.core.originals import Ground, Wish, originals

INGREDIENTS = 500
SEEDS = 5


def originals_times() -> dict[str, float]:
    """Medians over some seeds: the first handful, the whole, and the answer to a changed wish; [ms]."""
    shipped = catalogue()
    more = {f"{slug}-too": replace(each, slug=f"{slug}-too", name=f"{each.name} too") for slug, each in shipped.items() if each.rank < 3}
    larder = Larder({**shipped, **dict(list(more.items())[: INGREDIENTS - len(shipped)])})
    ground = Ground(larder)
    first, whole, again = [], [], []
    for seed in range(SEEDS):
        wish = Wish("sour", count=20, seed=seed)
        start = time.perf_counter()
        parts = originals(ground, wish)
        next(parts)
        first.append(time.perf_counter() - start)
        list(parts)
        whole.append(time.perf_counter() - start)
        start = time.perf_counter()
        list(originals(ground, replace(wish, season="autumn")))
        again.append(time.perf_counter() - start)
    return {name: 1000 * statistics.median(times) for name, times in (("first", first), ("whole", whole), ("again", again))}
