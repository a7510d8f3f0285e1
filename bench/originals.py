"""Originals: twenty out of five hundred ingredients beside ten thousand forecasts, the first glass, another wish of the same sample,
a wish that nothing meets, and a whole menu.
"""

from __future__ import annotations

import statistics
import time
from contextlib import suppress
from dataclasses import replace

from oenomel.core.dilution import Conditions
from oenomel.core.larder import Larder, catalogue
from oenomel.core.originals import Criteria, SearchContext, originals
from oenomel.core.originals.menu_search import menu_of
from oenomel.errors import DomainError

INGREDIENTS = 500
SEEDS = 5


def originals_times() -> dict[str, float]:
    """Medians over some seeds: the first handful, the whole, and the answer to a changed wish, a refusal, a menu; [ms]."""
    shipped = catalogue()
    more = {f"{slug}-too": replace(each, slug=f"{slug}-too", name=f"{each.name} too") for slug, each in shipped.items() if each.rank < 3}
    larder = Larder({**shipped, **dict(list(more.items())[: INGREDIENTS - len(shipped)])})
    ground = SearchContext(larder)
    by_heat = SearchContext(larder, conditions=Conditions(dilution="heat balance"))
    first, whole, again, nothing, menu = [], [], [], [], []
    for seed in range(SEEDS):
        wish = Criteria("sour", count=20, seed=seed)
        start = time.perf_counter()
        parts = originals(ground, wish)
        next(parts)
        first.append(time.perf_counter() - start)
        list(parts)
        whole.append(time.perf_counter() - start)
        start = time.perf_counter()
        list(originals(ground, replace(wish, season="autumn")))
        again.append(time.perf_counter() - start)
        start = time.perf_counter()
        with suppress(DomainError):
            list(originals(by_heat, Criteria("fizz", abv=(0.0, 0.0), most_cost=0.0, seed=seed)))
        nothing.append(time.perf_counter() - start)
        start = time.perf_counter()
        menu_of(ground, [Criteria(("sour", "daisy", "fizz")[place % 3], seed=seed) for place in range(12)])
        menu.append(time.perf_counter() - start)
    named = {"first": first, "whole": whole, "again": again, "nothing": nothing, "menu": menu}
    return {name: 1000 * statistics.median(times) for name, times in named.items()}
