"""Target of rebalancing, and a drink's distance from it (docs/model/rebalance.md)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, FIGURES, steps_between
from oenomel.core.balance.levels import levels_of
from oenomel.core.balance.profile import AS_SUCROSE
from oenomel.core.dilution import Conditions
from oenomel.core.larder import SUGAR_COLUMNS, Ingredient
from oenomel.core.rebalance.grid_search import Goal
from oenomel.core.spec import GRID_ML, Drink
from oenomel.errors import DomainError, EmptyDrink, OutOfRange

Floats = NDArray[np.float64]

FINEST_GRID_ML: Final = 0.25
COARSEST_GRID_ML: Final = 60.0
"""Finest and coarsest grid, [ml]: a quarter of a millilitre, two ounces."""

VOLUME_WEIGHT: Final = 0.25
VOLUME_STEP: Final = math.log(1.10)
"""Weight of the volume in J, and its step: a tenth (docs/model/rebalance.md)."""


@dataclass(frozen=True, slots=True)
class Target:
    """Target values as served: g of sugar and acid per 100 ml, % v/v, ml. An axis that is None doesn't count.

    Raises
    ------
    OutOfRange
    DomainError
        Every value is None.
    """

    sugar: float | None = None
    acid: float | None = None
    abv: float | None = None
    volume_ml: float | None = None

    def __post_init__(self) -> None:
        for name, high in (("sugar", 150.0), ("acid", 150.0), ("abv", 100.0), ("volume_ml", 20_000.0)):
            value = getattr(self, name)
            if value is not None and not 0 <= value <= high:
                raise OutOfRange(f"the target's {name}", value, 0, high)
        if self.volume_ml == 0:
            raise EmptyDrink
        if all(getattr(self, name) is None for name in (*AXES, "volume_ml")):
            raise DomainError("the target needs sugar, acid, abv or volume_ml")


@dataclass(frozen=True, slots=True)
class Weights:
    """Weight of each axis in J; 1 is usual, 0 leaves the axis alone."""

    sugar: float = 1.0
    acid: float = 1.0
    abv: float = 1.0
    volume_ml: float = 1.0

    def __post_init__(self) -> None:
        for name in (*AXES, "volume_ml"):
            if not 0 <= getattr(self, name) <= 100:
                raise OutOfRange(f"the weight of {name}", getattr(self, name), 0, 100)


@dataclass(frozen=True)
class Objective:
    """Objective of rebalancing: the target, and how differences from it count.

    Parameters
    ----------
    target : Target
    weights : Weights
    grid_ml : float                      smallest step of the jigger; dashes, pieces and grams have their own
    by_sucrose_equivalents : bool        whether sweetness counts by kind of sugar instead of by weight; the target's sugar too
    bounds : mapping of pour to (low, high), [ml]   where other than the usual ones
    character : bool                     whether moving what the drink is known by has its price
    """

    target: Target
    weights: Weights = field(default_factory=Weights)
    grid_ml: float = GRID_ML
    by_sucrose_equivalents: bool = False
    bounds: Mapping[int, tuple[float, float]] = field(default_factory=dict)
    character: bool = True

    def __post_init__(self) -> None:
        if not FINEST_GRID_ML <= self.grid_ml <= COARSEST_GRID_ML:
            raise OutOfRange("the grid in ml", self.grid_ml, FINEST_GRID_ML, COARSEST_GRID_ML)
        counted = [*AXES, "volume_ml"]
        if not any(getattr(self.target, name) is not None and getattr(self.weights, name) > 0 for name in counted):
            raise DomainError("no weight is over 0: weigh at least one figure of the target")
        for low, high in self.bounds.values():
            if not 0 <= low <= high <= 2000:
                raise DomainError(f"bounds from {low:g} to {high:g} ml can't be poured: use 0 to 2000 ml, the lower one first")

    @property
    def goal(self) -> Goal:
        """The objective as the grid search takes it."""
        wished = [getattr(self.target, name) for name in AXES]
        weights = [0.0 if level is None else getattr(self.weights, name) for name, level in zip(AXES, wished, strict=True)]
        floors = np.array([axis.floor for axis in AXES.values()])
        volume = self.target.volume_ml
        return Goal(
            levels=np.log(np.maximum([level or 0.0 for level in wished], floors)),
            floors=floors,
            step=np.array([axis.step for axis in AXES.values()]),
            weights=np.array(weights),
            volume=math.log(volume or 1.0),
            volume_step=VOLUME_STEP,
            volume_weight=VOLUME_WEIGHT * self.weights.volume_ml if volume else 0.0,
        )


def off_target(figures: Floats, aim: Objective) -> dict[str, Floats]:
    """Return the distance of drinks from the target, in steps (of a tenth for the volume), shape (drinks,), on each axis that counts.

    Parameters
    ----------
    figures : ndarray, shape (4, drinks), in the order of `FIGURES`
    """
    off: dict[str, Floats] = {}
    for name, axis in AXES.items():
        wished = getattr(aim.target, name)
        if wished is not None and getattr(aim.weights, name) > 0:
            off[name] = steps_between(figures[FIGURES.index(name)], wished, axis)
    if aim.target.volume_ml is not None and aim.weights.volume_ml > 0:
        off["volume_ml"] = np.log(np.maximum(figures[0], 1e-9) / aim.target.volume_ml) / VOLUME_STEP
    return off


def tongue_cost(off: Mapping[str, Floats], aim: Objective) -> Floats:
    """Return J without the identity cost, shape (drinks,), from `off_target`."""
    cost: Floats = np.sum([weight_in_j(name, aim) * steps**2 for name, steps in off.items()], axis=0)
    return cost


def weight_in_j(name: str, aim: Objective) -> float:
    """Return the weight of an axis's squared steps in J."""
    weight: float = getattr(aim.weights, name)
    return VOLUME_WEIGHT * weight if name == "volume_ml" else weight


def figures_of(drinks: Sequence[Drink], by_sucrose_equivalents: bool, conditions: Conditions) -> Floats:
    """Return the figures as served of drinks made by one method, shape (4, drinks) in the order of `FIGURES`."""
    pours = max(len(drink.pours) for drink in drinks)
    volumes, in_tin = np.zeros((pours, len(drinks))), np.zeros((pours, len(drinks)))
    axes = np.zeros((pours, 3, len(drinks)))
    counted = np.zeros((pours, len(drinks)))
    for column, drink in enumerate(drinks):
        for row, pour in enumerate(drink.pours):
            volumes[row, column], in_tin[row, column] = pour.liquid_ml, pour.meets_ice
            axes[row, :, column] = pour.ingredient.composition.axes
            counted[row, column] = sugar_counted(pour.ingredient, by_sucrose_equivalents)
    figures = levels_of(volumes, axes, in_tin, drinks[0].method, conditions).figures
    sugar = (volumes * counted).sum(axis=0)
    figures[FIGURES.index("sugar")] = np.divide(sugar, figures[0], out=np.zeros_like(sugar), where=figures[0] > 0)
    return figures


def sugar_counted(ingredient: Ingredient, by_sucrose_equivalents: bool) -> float:
    """Return the sugar in g per 100 ml, by weight or as sucrose equivalents."""
    if by_sucrose_equivalents:
        return float(np.array(ingredient.composition.vector[SUGAR_COLUMNS]) @ AS_SUCROSE)
    return ingredient.composition.sugar
