"""Variants of a drink and their arrays for the search (docs/model/rebalance.md)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Final, NamedTuple

import numpy as np
from numpy.typing import NDArray

from oenomel.core.dilution import Conditions
from oenomel.core.rebalance.grid_search import SUMS, Problems
from oenomel.core.rebalance.identity_cost import price_per_ml
from oenomel.core.rebalance.target import Objective, sugar_counted
from oenomel.core.spec import Drink, Pour, grid_of, usual_bounds
from oenomel.core.spec.jigger import MORE_ML, ladder
from oenomel.errors import DomainError

Floats = NDArray[np.float64]

CHANGE_COSTS: Final = 0.05
STEP_COSTS: Final = 0.01
JOIN_COSTS: Final = 0.25
"""Costs in J of each changed pour, each step of the grid, and each added corrector (docs/model/rebalance.md)."""

LONGEST_LADDER: Final = 4000
"""Most amounts that one pour may choose from."""

MOST_TIMES_A_POUR: Final = 100
"""Largest factor of a bound over the present amount; for a new pour 100 ml."""

TIE_BY_CHANGE: Final = 1e-10
TIE_BY_ML: Final = 1e-12
"""Tie-breakers in J: fewer changes, then less volume moved."""


@dataclass(frozen=True, slots=True)
class Variant:
    """A drink whose amounts are searched: its free pours, those that would be added, and its group.

    Variants of one group compete; ``grids`` are steps of pours with a step of their own, such as a blend of two. ``start`` are the
    rungs found by a search without proof, if there was one.
    """

    drink: Drink
    free: tuple[int, ...]
    joins: frozenset[int] = frozenset()
    group: int = 0
    grids: Mapping[int, float] = field(default_factory=dict)
    start: tuple[int, ...] = ()

    def in_group(self, group: int) -> Variant:
        """Return the variant in another group."""
        return Variant(self.drink, self.free, self.joins, group, self.grids, self.start)


def without_idle(variant: Variant, result: Drink) -> Drink:
    """Return the result of a variant without the correctors that weren't used."""
    if not variant.joins:
        return result
    return result.with_pours(tuple(p for i, p in enumerate(result.pours) if i not in variant.joins or p.volume_ml > 0))


def poured_so(variant: Variant, volumes: Floats) -> Drink:
    """Return the variant's drink with these volumes of its free pours."""
    pours = list(variant.drink.pours)
    for index, volume in zip(variant.free, volumes.tolist(), strict=True):
        pours[index] = pours[index].at(round(volume, 9))
    return variant.drink.with_pours(tuple(pours))


def problems_of(variants: Sequence[Variant], aim: Objective, conditions: Conditions) -> Problems:
    """Return the search problems of variants that have the same number of free pours."""
    return laid_out(variants, rungs_of_each(variants, aim), aim, conditions)


def laid_out(variants: Sequence[Variant], rungs: Sequence[Sequence[Rungs]], aim: Objective, conditions: Conditions) -> Problems:
    """Return the search problems for ladders that are built already."""
    pours, number = len(variants[0].free), len(variants)
    gives, fixed = np.zeros((len(SUMS), pours, number)), np.zeros((len(SUMS), number))
    grids, dear = np.ones((pours, number)), np.zeros((pours, number))
    joins = np.zeros((pours, number))
    # Variants of one board share most of their pours.
    brings: dict[int, Floats] = {}
    for k, variant in enumerate(variants):
        of = variant.drink.pours
        for index, pour in enumerate(of):
            if id(pour) not in brings:
                brings[id(pour)] = np.array(_gives(pour, aim.by_sucrose_equivalents))
            if index not in variant.free and pour.liquid_ml:
                fixed[:, k] += pour.liquid_ml * brings[id(pour)]
        for row, index in enumerate(variant.free):
            gives[:, row, k] = brings[id(of[index])]
            joins[row, k] = index in variant.joins
            grids[row, k], dear[row, k] = rungs[k][row].grid, rungs[k][row].dear
    longest = max(len(rung.values) for ladders in rungs for rung in ladders) if pours else 1
    values = np.empty((pours, number, longest))
    counts, now = np.ones((pours, number), dtype=np.int64), np.zeros((pours, number), dtype=np.int64)
    for k, ladders in enumerate(rungs):
        for row, rung in enumerate(ladders):
            length = len(rung.values)
            values[row, k, :length], values[row, k, length:] = rung.values, rung.values[-1]
            counts[row, k], now[row, k] = length, rung.now
    change_price = CHANGE_COSTS + TIE_BY_CHANGE + JOIN_COSTS * joins
    ml_price = STEP_COSTS / grids + dear + TIE_BY_ML
    group = np.array([variant.group for variant in variants])
    start = np.array([variant.start for variant in variants]).T if pours and all(variant.start for variant in variants) else None
    return Problems(
        values, counts, now, change_price, ml_price, gives, fixed, group, aim.goal, variants[0].drink.method, conditions, start
    )  # fmt: skip


class Rungs(NamedTuple):
    """Amounts that a free pour may take, [ml], the index of the present one, the step between them, and the identity cost per ml."""

    values: Floats
    now: int
    grid: float
    dear: float


def rungs_of_each(variants: Sequence[Variant], aim: Objective) -> list[list[Rungs]]:
    """Build the ladder of each free pour of each variant; equal pours share one."""
    known: dict[tuple[int, int, bool, float | None], Rungs] = {}
    rungs = []
    for variant in variants:
        ladders = []
        for index in variant.free:
            key = id(variant.drink.pours[index]), index, index in variant.joins, variant.grids.get(index)
            if key not in known:
                known[key] = _rungs_of(variant, index, aim)
            ladders.append(known[key])
        rungs.append(ladders)
    return rungs


def _rungs_of(variant: Variant, index: int, aim: Objective) -> Rungs:
    """Return the ladder of one free pour of a variant, counted before it is built.

    Raises
    ------
    DomainError
        A bound is out of all proportion, or the grid too fine for it.
    """
    pour, grid = variant.drink.pours[index], grid_in(variant, index, aim)
    low, high = aim.bounds.get(index, (0.0, MORE_ML) if index in variant.joins else usual_bounds(pour, grid))
    if index in aim.bounds and high > MOST_TIMES_A_POUR * max(pour.liquid_ml, 1.0):
        raise DomainError(f"up to {high:g} ml of {pour.ingredient.name} is more than a hundred times its amount: use narrower bounds")
    if (high - low) / grid > LONGEST_LADDER:
        raise DomainError(
            f"{high - low:g} ml of {pour.ingredient.name} in steps of {grid:g} ml are over {LONGEST_LADDER} amounts: "
            "use a coarser grid, or narrower bounds"
        )
    return Rungs(*ladder(pour.liquid_ml, grid, low, high), grid, character_per_ml(variant, index, aim))


def _gives(pour: Pour, by_sucrose_equivalents: bool) -> tuple[float, ...]:
    """Return what a ml of the pour adds to each of `SUMS`."""
    abv, sugar, acid = pour.ingredient.composition.axes
    tin = 1.0 if pour.meets_ice else 0.0
    counted = sugar_counted(pour.ingredient, by_sucrose_equivalents)
    return 1.0, counted, acid, abv, tin, tin * abv / 100, tin * sugar / 100, tin * acid / 100


def character_per_ml(variant: Variant, index: int, aim: Objective) -> float:
    """Return the identity cost of moving a pour by a ml; 0 for a corrector."""
    return price_per_ml(variant.drink.pours[index]) if aim.character and index not in variant.joins else 0.0


def grid_in(variant: Variant, index: int, aim: Objective) -> float:
    """Return the step between the amounts of one of a variant's pours, [ml]."""
    if index in variant.grids:
        return variant.grids[index]
    pour = variant.drink.pours[index]
    return grid_of(pour.ingredient, pour.unit, aim.grid_ml)
