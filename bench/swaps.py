"""Measures the search, the board and the correctors against their targets, plain enumeration and scipy's general optimisers."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from functools import partial
from typing import TypeVar

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import differential_evolution, minimize

from oenomel.api.search_queue import SECONDS, WORK
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import forecast_of
from oenomel.core.larder import Composition, Ingredient, SlotName, catalogue
from oenomel.core.rebalance import Budget, Objective, Target, rebalance
from oenomel.core.rebalance.grid_search import Problems, cost_of, minimise
from oenomel.core.rebalance.variants import Variant, problems_of
from oenomel.core.spec import Drink, Pour
from oenomel.core.swaps import Board, swap_board

__all__ = ["SearchTimes", "board_times", "search_times", "seven_time", "worst_time"]

T = TypeVar("T")

PROBLEMS = 40
BOARDS = 7
CORRECTORS = ("simple-syrup-1-1", "simple-syrup-2-1", "lemon-juice", "citric-acid-solution", "vodka", "still-water")


@dataclass(frozen=True)
class SearchTimes:
    """Times in ms of one rebalance, and what others take and reach on the same problems."""

    median: float
    p95: float
    enumeration: float
    evolution: float
    simplex: float
    evolution_over: float
    simplex_over: float


def search_times() -> SearchTimes:
    """Sours and daisies that were changed at random, brought back with four free pours."""
    mine, plain, evolved, walked, over = [], [], [], [], []
    for problems in _problems():
        spent, found = _timed(partial(minimise, problems))
        mine.append(spent)
        best = float(found.J[0])
        spent, enumerated = _timed(partial(_enumerated, problems))
        plain.append(spent)
        assert abs(enumerated - best) < 1e-9
        spent, by_evolution = _timed(partial(_evolved, problems))
        evolved.append(spent)
        spent, by_simplex = _timed(partial(_walked, problems))
        walked.append(spent)
        over.append((by_evolution - best, by_simplex - best))
    evolution_over, simplex_over = np.array(over).mean(axis=0).tolist()
    return SearchTimes(
        statistics.median(mine),
        sorted(mine)[int(0.95 * len(mine))],
        statistics.median(plain),
        statistics.median(evolved),
        statistics.median(walked),
        evolution_over,
        simplex_over,
    )


def board_times() -> dict[str, float]:
    """Return a board of 500 liqueurs (median, 95th percentile, first rows), of 10,000 (all, exact top 100), correctors for twenty
    rows; ms.
    """
    drink = _daisy()
    aim = _aim(drink)
    whole, first = [], []
    for seed in range(BOARDS):
        larder = _larder(500, seed)
        spent, until_first = _board(swap_board(drink, 1, larder, aim))
        whole.append(spent)
        first.append(until_first)
    large = _larder(10_000, 1)
    all_of_them, _ = _board(swap_board(drink, 1, large, aim))
    parts = swap_board(drink, 1, large, aim)
    top_100, _ = _timed(lambda: [next(parts) for _ in range(2)])
    shown = [row.candidate.key for row in next(swap_board(drink, 1, _larder(500, 0), aim)).rows]
    joining = [catalogue()[slug] for slug in CORRECTORS]
    joined = [_timed(lambda: list(swap_board(drink, 1, _larder(500, 0), aim, only=shown, correctors=joining)))[0] for _ in range(3)]
    return {
        "board": statistics.median(whole),
        "board p95": max(whole),
        "first": statistics.median(first),
        "all 10,000": all_of_them,
        "top 100": top_100,
        "correctors": statistics.median(joined),
    }


def _board(parts: Iterator[Board]) -> tuple[float, float]:
    start = time.perf_counter()
    next(parts)
    first = 1000 * (time.perf_counter() - start)
    for _ in parts:
        pass
    return 1000 * (time.perf_counter() - start), first


def _daisy(rng: np.random.Generator | None = None) -> Drink:
    larder = catalogue()
    usual: dict[str, tuple[SlotName, float]] = {
        "london-dry-gin": ("base", 45.0),
        "orange-liqueur-sweet": ("liqueur", 22.5),
        "lemon-juice": ("sour", 22.5),
        "simple-syrup-1-1": ("sweet", 7.5),
    }
    times = [1.0 if rng is None else float(rng.choice([0.5, 0.75, 1, 1.25, 1.5])) for _ in usual]
    pours = tuple(Pour(larder[slug], each * ml, slot=slot) for (slug, (slot, ml)), each in zip(usual.items(), times, strict=True))
    return Drink("Daisy", "daisy", pours)


def _aim(drink: Drink) -> Objective:
    served = forecast_of(drink).served
    return Objective(Target(served.sugar, served.acid, served.abv, served.volume_ml))


def _larder(number: int, seed: int) -> dict[str, Ingredient]:
    """So many liqueurs that could do the job, from dry to crème."""
    rng = np.random.default_rng(seed)
    like = catalogue()["orange-liqueur-dry"]
    made = {}
    for index in range(number):
        abv, sugar, acid = rng.uniform((15, 10, 0), (45, 50, 1)).tolist()
        composition = Composition(abv=abv, sugars={"sucrose": sugar}, acids={"citric": acid})
        made[f"liqueur-{index}"] = replace(like, slug=f"liqueur-{index}", composition=composition)
    return made


def _problems() -> Iterator[Problems]:
    rng = np.random.default_rng(2)
    aim = _aim(_daisy())
    for _ in range(PROBLEMS):
        yield problems_of([Variant(_daisy(rng), (0, 1, 2, 3))], aim, Conditions())


def _cost(problems: Problems, volumes: NDArray[np.float64]) -> NDArray[np.float64]:
    """J of drinks, shape (pours, drinks), with the price of the changes."""
    sums = problems.fixed + np.einsum("sf,fn->sn", problems.gives[:, :, 0], volumes)
    now = problems.values[np.arange(len(volumes)), 0, problems.now[:, 0]][:, None]
    moved = np.abs(volumes - now)
    price = (problems.change_price * (moved > 1e-6) + problems.ml_price * moved).sum(axis=0)
    cost: NDArray[np.float64] = cost_of(sums, problems.goal, problems.method, problems.conditions) + price
    return cost


def _enumerated(problems: Problems) -> float:
    ladders = [problems.values[pour, 0, : problems.counts[pour, 0]] for pour in range(len(problems.counts))]
    grids = np.meshgrid(*ladders, indexing="ij")
    return float(_cost(problems, np.array([grid.ravel() for grid in grids])).min())


def _evolved(problems: Problems) -> float:
    """Differential evolution over the rungs."""
    bounds = [(0, count - 1) for count in problems.counts[:, 0].tolist()]
    pour = np.arange(len(bounds))[:, None]

    def cost(rungs: NDArray[np.float64]) -> NDArray[np.float64]:
        index = np.rint(rungs.reshape(len(bounds), -1)).astype(int)
        return np.minimum(_cost(problems, problems.values[pour, 0, index]), 1e6)

    whole = [True] * len(bounds)
    found = differential_evolution(cost, bounds, integrality=whole, rng=1, vectorized=True, updating="deferred", polish=False)
    return float(found.fun)


def _walked(problems: Problems) -> float:
    """Nelder–Mead over any volumes, rounded to the grid."""
    most = problems.values[:, 0, -1]
    start = problems.values[np.arange(len(most)), 0, problems.now[:, 0]]
    bounds = [(0.0, float(high)) for high in most]
    found = minimize(lambda v: float(_cost(problems, v[:, None])[0]), start, method="Nelder-Mead", bounds=bounds)
    rounded = np.minimum(np.rint(found.x / 2.5) * 2.5, np.floor(most / 2.5) * 2.5)
    return float(_cost(problems, rounded[:, None])[0])


def _timed(work: Callable[[], T]) -> tuple[float, T]:
    start = time.perf_counter()
    result = work()
    return 1000 * (time.perf_counter() - start), result


def seven_time() -> float:
    """Seven free pours to the proved minimum, [ms]; median of five."""
    drink, aim = _seven(), Objective(Target(8, 0.85, 15, 150))
    spent = [_timed(lambda: rebalance(drink, aim, range(7))) for _ in range(5)]
    assert all(answer.proved for _, answer in spent)
    return statistics.median(each for each, _ in spent)


def worst_time() -> float:
    """Seven free pours and six correctors with the budget of a screen, [ms]; median of five."""
    drink, aim = _seven(), Objective(Target(8, 0.85, 15, 150))
    joining = [catalogue()[slug] for slug in CORRECTORS]
    return statistics.median(_timed(lambda: rebalance(drink, aim, range(7), joining, budget=Budget(WORK, SECONDS)))[0] for _ in range(5))


def _seven() -> Drink:
    larder = catalogue()
    slots = {"london-dry-gin": 45, "apple-brandy": 15, "lime-juice": 22.5, "verjus": 10, "honey-syrup": 15, "ginger-liqueur": 15}
    pours = [Pour(larder[slug], ml, slot=larder[slug].slots[0]) for slug, ml in (*slots.items(), ("elderflower-liqueur", 10))]
    return Drink("Seven pours", "sour", tuple(pours))
