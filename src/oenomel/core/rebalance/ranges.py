"""The best amount within a pour's range, and the drink at both ends."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from oenomel.core.balance import FIGURES
from oenomel.core.dilution import Conditions
from oenomel.core.rebalance.target import Objective, figures_of, off_target, tongue_cost
from oenomel.core.spec import Drink, grid_of
from oenomel.core.spec.jigger import ladder
from oenomel.errors import OutOfRange

MOST_STOPS: Final = 2000


@dataclass(frozen=True, slots=True)
class Stop:
    """A drink with one pour at some amount, [ml]: its figures as served, in the order of `FIGURES`."""

    pour_ml: float
    figures: dict[str, float]


@dataclass(frozen=True, slots=True)
class Span:
    """Effect of one pour's range: the drink at its low and high end, and the amount nearest to the target."""

    low: Stop
    high: Stop
    best: Stop


def span_of(drink: Drink, pour: int, low_ml: float, high_ml: float, aim: Objective, conditions: Conditions) -> Span:
    """Compute the span of a pour between two amounts; the best is the pourable amount nearest to the target, ends included.

    Raises
    ------
    OutOfRange
        The range holds more than 2000 amounts that can be poured.
    """
    chosen = drink.pours[pour]
    grid = grid_of(chosen.ingredient, chosen.unit, aim.grid_ml)
    if (high_ml - low_ml) / grid > MOST_STOPS:
        raise OutOfRange("the range in steps", (high_ml - low_ml) / grid, 0, MOST_STOPS)
    amounts = np.unique(np.concatenate([ladder(low_ml, grid, low_ml, high_ml)[0], [low_ml, high_ml]]))
    drinks = [
        replace(drink, pours=tuple(replace(p, volume_ml=float(ml)) if i == pour else p for i, p in enumerate(drink.pours)))
        for ml in amounts
    ]
    figures = figures_of(drinks, aim.by_sucrose_equivalents, conditions)
    best = int(np.argmin(tongue_cost(off_target(figures, aim), aim)))
    low, nearest, high = (
        Stop(float(amounts[i]), {name: float(figures[row, i]) for row, name in enumerate(FIGURES)}) for i in (0, best, -1)
    )
    return Span(low, high, nearest)
