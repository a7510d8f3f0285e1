"""The pourable drink nearest to wished levels, by which every next trial is poured (docs/model/trials.md, "What to try next")."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, profile_as_made
from oenomel.core.dilution import Conditions
from oenomel.core.larder import Ingredient
from oenomel.core.rebalance import MOST_FREE, Budget, Objective, Target, correctors_for, rebalance, that_can_move, usually_free
from oenomel.core.rebalance.solver import Residual
from oenomel.core.rebalance.target import Weights
from oenomel.core.spec import GRID_ML, Drink, grid_of, usual_bounds
from oenomel.errors import NothingFree

Floats = NDArray[np.float64]

Answered = tuple[Drink, tuple[Residual, ...], tuple[str, ...]]
"""A pourable drink, its differences from the wish, and notes."""

JOIN_FROM_STEPS: Final = 0.7
"""Distance of an axis above which correctors are tried, [steps]."""

VOLUME_COUNTS: Final = 0.4
"""Weight of the volume in answering a complaint: the taster asked for a taste, not a volume."""

SAME_J: Final = 1e-6


def answer(
    drink: Drink,
    wished: Floats,
    larder: Mapping[str, Ingredient],
    conditions: Conditions,
    grid_ml: float = GRID_ML,
    *,
    volume_ml: float | None = None,
    volume_counts: float = VOLUME_COUNTS,
    free: Sequence[int] | None = None,
    joining: bool = True,
    budget: Budget | None = None,
) -> Answered:
    """Return the pourable drink nearest to ``wished``, shape (3,), [steps]: by its own pours first, with correctors where these leave
    an axis off.

    Parameters
    ----------
    volume_ml : float, optional   volume wanted; the present one by default
    volume_counts : float         weight of that in J
    free : sequence of int        pours that may move; by default those of `moving`
    joining : bool                whether correctors may join

    Raises
    ------
    NothingFree
        No pour can move, and none can join.
    """
    volume = profile_as_made(drink, conditions).volume_ml if volume_ml is None else volume_ml
    chosen = moving(drink) if free is None else tuple(free)
    aim = Objective(target_at(wished, volume), Weights(volume_ml=volume_counts), grid_ml, bounds=_never_louder(drink, chosen, grid_ml))
    try:
        own = rebalance(drink, aim, chosen, conditions=conditions, budget=budget)
    except NothingFree:
        own = None
    reached = own is not None and all(abs(residual.steps) <= JOIN_FROM_STEPS for residual in own.left if residual.axis in AXES)
    if joining and not reached:
        helped = rebalance(drink, aim, chosen, correctors_for(drink, larder), conditions, budget)
        # Without any of them the drink is the same, but only the second search knows that correctors were tried.
        if own is None or helped.costs.total <= own.costs.total + SAME_J:
            own = helped
    if own is None:
        raise NothingFree
    # An unreachable wish is reported only where correctors were tried; else it is near enough, or one pour only was asked for.
    return own.drink, own.left, own.notes if joining and not reached else ()


def _never_louder(drink: Drink, chosen: Sequence[int], grid_ml: float) -> dict[int, tuple[float, float]]:
    """Return bounds, [ml], for pours with an overpowering amount: no answer raises them to it, except the base."""
    bounds = {}
    for index in chosen:
        pour = drink.pours[index]
        loud = pour.ingredient.label("loud_above_ml")
        low, high = usual_bounds(pour, grid_of(pour.ingredient, pour.unit, grid_ml))
        if loud is not None and pour.slot != "base" and high > loud:
            bounds[index] = (low, max(pour.liquid_ml, loud))
    return bounds


def moving(drink: Drink) -> tuple[int, ...]:
    """Return the pours that may move: the usual ones, and a lengthener, which makes a long drink weaker."""
    long = [i for i, pour in enumerate(drink.pours) if pour.slot == "lengthener" and pour.liquid_ml > 0]
    return tuple(sorted({*usually_free(drink), *that_can_move(drink, long)}))[:MOST_FREE]


def target_at(wished: Floats, volume_ml: float) -> Target:
    """Convert coordinates in steps, shape (3,), to a target with some ml."""
    levels = [max(axis.floor, float(axis.level_at(n))) for n, axis in zip(wished, AXES.values(), strict=True)]
    sugar, acid, abv = levels
    return Target(min(sugar, 150.0), min(acid, 150.0), min(abv, 95.0), volume_ml)
