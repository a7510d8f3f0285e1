"""Rebalancing: the pourable amounts that bring a drink to a target, and their reasons (docs/model/rebalance.md)."""

from __future__ import annotations

import itertools
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, FIGURES, TASTED_STEPS, Change, can_be_tasted, changes_between, in_words
from oenomel.core.dilution import Conditions
from oenomel.core.larder import SOLIDS_ML_PER_G, Ingredient
from oenomel.core.rebalance.budget import Budget
from oenomel.core.rebalance.grid_search import Minima, minimise
from oenomel.core.rebalance.target import Objective, figures_of, off_target, weight_in_j
from oenomel.core.rebalance.variants import (
    CHANGE_COSTS,
    JOIN_COSTS,
    STEP_COSTS,
    Variant,
    character_per_ml,
    grid_in,
    laid_out,
    poured_so,
    rungs_of_each,
    without_idle,
)
from oenomel.core.spec import ML_PER_UNIT, Drink, Pour, Unit, grid_of
from oenomel.core.wording import listed
from oenomel.errors import DomainError, EmptyDrink, NothingFree

Floats = NDArray[np.float64]

FREE_SLOTS: Final = ("base", "sour", "sweet", "liqueur")
"""Slots whose pours may move by default."""

MOST_FREE: Final = 7
"""Most free pours: more make it another drink."""

MOST_CORRECTORS: Final = 12
CORRECTORS: Final = ("simple-syrup-1-1", "simple-syrup-2-1", "lemon-juice", "citric-acid-solution", "vodka", "still-water")
"""Most correctors added, and the correctors: sweet, sour, strong and water, plain and concentrated where there are both."""

SPIRIT_ABV: Final = 36.0
WEAK_ABV: Final = 2.0
"""Strength of a spirit, and the strength up to which a drink counts as non-alcoholic here, [% v/v] (house rules)."""

JOIN_AT_MOST: Final = 2

LEAST_TO_JOIN: Final = JOIN_COSTS + CHANGE_COSTS
"""Largest J at which no corrector can pay for itself."""

MOST_RUNGS: Final = 400_000
"""Most amounts evaluated at once, over all pours of all variants: about 40 MB."""

WHOLE_SEARCH: Final = 0.6
"""Share of a budget for all free pours at once; the rest is for any four of them."""

NOT_PROVED: Final = "Not every option was tried: a better one is possible."


@dataclass(frozen=True, slots=True)
class Costs:
    """The terms of J: each axis's and the volume's distance, the number of changed pours, how far they moved, added correctors, and
    identity.
    """

    sugar: float
    acid: float
    abv: float
    volume_ml: float
    changed: float
    moved: float
    joined: float
    character: float

    @property
    def total(self) -> float:
        """The sum, J."""
        return self.sugar + self.acid + self.abv + self.volume_ml + self.changed + self.moved + self.joined + self.character


@dataclass(frozen=True, slots=True)
class Move:
    """Change of one pour, [ml]; ``joined`` for a pour that was added, ``unit`` is the one it is measured in. Its effect is a `Change`."""

    pour: int
    ingredient: Ingredient
    before_ml: float
    after_ml: float
    joined: bool
    unit: Unit

    @property
    def amount(self) -> float:
        """Size of the change, in the pour's unit."""
        piece = self.ingredient.piece_ml or 1.0
        one = {"g": SOLIDS_ML_PER_G, "piece": piece, "leaf": piece}.get(self.unit) or ML_PER_UNIT[self.unit]
        return abs(self.after_ml - self.before_ml) / one


@dataclass(frozen=True, slots=True)
class Residual:
    """Difference between a drink and its target on one axis: in steps (for drawing), and in words."""

    axis: str
    value: float
    target: float
    steps: float
    words: str

    @property
    def felt(self) -> bool:
        """True if the difference can be tasted side by side."""
        return can_be_tasted(self.steps)


@dataclass(frozen=True)
class Rebalanced:
    """A rebalanced drink: its pours, J and its terms, the moves with their effects, the remaining differences, and notes.

    ``proved`` is false where the budget ran out and J is only the best found.
    """

    drink: Drink
    costs: Costs
    moves: tuple[Move, ...]
    changes: tuple[Change, ...]
    left: tuple[Residual, ...]
    notes: tuple[str, ...]
    proved: bool
    evaluated: int

    @property
    def reached(self) -> bool:
        """True if no remaining difference can be tasted."""
        return not any(residual.felt for residual in self.left)


def rebalance(
    drink: Drink,
    aim: Objective,
    free: Collection[int] | None = None,
    correctors: Sequence[Ingredient] = (),
    conditions: Conditions | None = None,
    budget: Budget | None = None,
) -> Rebalanced:
    """Return the amounts that bring a drink closest to a target: the true minimum of J over the pourable amounts.

    Parameters
    ----------
    free : collection of int, optional    pours that may move; by default those of base, sour, sweet and liqueur
    correctors : sequence of Ingredient   of which up to two may join
    budget : Budget, optional             what the search may take; where it is spent, the answer is the best found, and says so

    Raises
    ------
    EmptyDrink
        No pour adds any liquid.
    NothingFree
        No pour may move, and none may join that isn't in the drink already.
    DomainError
        More pours are free than can be searched together.
    """
    conditions, budget = conditions or Conditions(), budget or Budget()
    if sum(pour.liquid_ml for pour in drink.pours) == 0:
        raise EmptyDrink
    chosen = usually_free(drink) if free is None else that_can_move(drink, free)
    if len(chosen) > MOST_FREE:
        raise DomainError(f"{len(chosen)} ingredients can change, and at most {MOST_FREE} can be compared: lock some")
    variants = with_correctors(Variant(drink, chosen), correctors)
    if not variants[0].free:
        raise NothingFree
    variant, volumes, minima = _searched(variants, aim, conditions, budget)
    answer = rebalanced_as(variant, poured_so(variant, volumes), aim, conditions, bool(minima.proved[0]), minima.evaluated)
    notes = (
        *(() if answer.proved else (NOT_PROVED,)),
        *_coarse(drink, chosen, aim),
        *_out_of_reach(drink, aim, chosen, answer.left, correctors, conditions, budget),
    )
    return replace(answer, notes=notes)


def rebalanced_as(variant: Variant, result: Drink, aim: Objective, conditions: Conditions, proved: bool, evaluated: int) -> Rebalanced:
    """Return the result of a variant, without notes."""
    clean = without_idle(variant, result)
    before = variant.drink.with_pours(tuple(pour for i, pour in enumerate(variant.drink.pours) if i not in variant.joins))
    return Rebalanced(
        clean,
        costs_of(variant, result, aim, conditions),
        moves_of(variant, result),
        changes_between(clean, before, conditions),
        residuals_of(result, aim, conditions),
        (),
        proved,
        evaluated,
    )


def correctors_for(drink: Drink, larder: Mapping[str, Ingredient]) -> list[Ingredient]:
    """Return the correctors a bartender would reach for with this drink: one of a kind, unless its own pours already do the same.

    For a drink with citrus an acid, for one without it lemon; for one with syrup a richer syrup; a spirit where there is something
    strong but none of its strength; no water where a sparkling pour lengthens the drink.
    """
    poured = [pour for pour in drink.pours if pour.liquid_ml > 0]
    strongest = max((pour.ingredient.composition.abv for pour in poured), default=0.0)
    sours, sweetens = (any(pour.slot == slot for pour in poured) for slot in ("sour", "sweet"))
    sparkles = any(pour.ingredient.is_sparkling for pour in poured)
    slugs = (
        "simple-syrup-2-1" if sweetens else "simple-syrup-1-1",
        "citric-acid-solution" if sours else "lemon-juice",
        *(("vodka",) if WEAK_ABV < strongest < SPIRIT_ABV else ()),
        *(() if sparkles else ("still-water",)),
    )
    poured_slugs = {pour.ingredient.slug for pour in drink.pours}
    return [larder[slug] for slug in slugs if slug in larder and slug not in poured_slugs]


def usually_free(drink: Drink) -> tuple[int, ...]:
    """Return the pours that may move by default; the last of very many stay."""
    return that_can_move(drink, [i for i, pour in enumerate(drink.pours) if pour.slot in FREE_SLOTS])[:MOST_FREE]


def with_correctors(variant: Variant, correctors: Sequence[Ingredient], at_most: int = JOIN_AT_MOST) -> list[Variant]:
    """Return a variant for each pair of correctors, of which none, one or both may be added, or at most one; those already in the
    drink don't count.
    """
    if len(correctors) > MOST_CORRECTORS:
        raise DomainError(f"{len(correctors)} correctors are too many: name at most {MOST_CORRECTORS}")
    if not correctors:
        return [variant]
    poured_slugs = {pour.ingredient.slug for pour in variant.drink.pours}
    fresh = [corrector for corrector in correctors if corrector.slug not in poured_slugs]
    variants = []
    for pair in itertools.combinations(fresh, min(at_most, len(fresh))) if fresh else [()]:
        start = len(variant.drink.pours)
        joining = tuple(Pour(ingredient, 0.0, slot=next(iter(ingredient.slots), "other")) for ingredient in pair)
        added = tuple(range(start, start + len(pair)))
        drink = replace(variant.drink, pours=(*variant.drink.pours, *joining))
        variants.append(replace(variant, drink=drink, free=(*variant.free, *added), joins=frozenset(added), start=()))
    return variants


def best_of(
    variants: Sequence[Variant],
    aim: Objective,
    conditions: Conditions,
    cut: float | Floats = np.inf,
    budget: Budget | None = None,
    *,
    answered: bool = False,
) -> tuple[list[Drink | None], Minima]:
    """Return the least J of each group of variants, and its drink; None where all J of a group are over ``cut``.

    All variants have the same number of free pours and the same method. ``answered``: each group has an answer already, so that the
    search may end when the budget is spent.
    """
    minima = _minima(variants, aim, conditions, cut, budget or Budget(), answered)
    drinks = [
        None if problem < 0 else poured_so(variants[problem], minima.volumes[:, group])
        for group, problem in enumerate(minima.problem.tolist())
    ]
    return drinks, minima


def costs_of(variant: Variant, result: Drink, aim: Objective, conditions: Conditions) -> Costs:
    """Return the terms of J for a drink made from a variant."""
    off = off_target(figures_of([result], aim.by_sucrose_equivalents, conditions), aim)
    squares = {name: float(steps[0] ** 2) * weight_in_j(name, aim) for name, steps in off.items()}
    moved = changed = joined = character = 0.0
    for index in variant.free:
        before, after = variant.drink.pours[index].liquid_ml, result.pours[index].liquid_ml
        if abs(after - before) > 1e-9:
            changed += CHANGE_COSTS
            moved += STEP_COSTS * abs(after - before) / grid_in(variant, index, aim)
            joined += JOIN_COSTS if index in variant.joins else 0.0
            character += character_per_ml(variant, index, aim) * abs(after - before)
    sugar, acid, abv, volume_ml = (squares.get(name, 0.0) for name in (*AXES, "volume_ml"))
    return Costs(sugar, acid, abv, volume_ml, changed, moved, joined, character)


def residuals_of(drink: Drink, aim: Objective, conditions: Conditions) -> tuple[Residual, ...]:
    """Return the differences between a drink and the target, on each axis that counts, and in volume (in steps of a tenth)."""
    figures = figures_of([drink], aim.by_sucrose_equivalents, conditions)
    return tuple(
        Residual(
            name, float(figures[FIGURES.index(name), 0]), getattr(aim.target, name), float(steps[0]), _residual_words(name, float(steps[0]))
        )
        for name, steps in off_target(figures, aim).items()
    )


def _residual_words(name: str, steps: float) -> str:
    if name == "volume_ml":
        return "about as large" if abs(steps) < 1 else "larger" if steps > 0 else "smaller"
    return in_words(steps, AXES[name])


def _searched(variants: Sequence[Variant], aim: Objective, conditions: Conditions, budget: Budget) -> tuple[Variant, Floats, Minima]:
    """Return the variant with the minimum, and its volumes; where a proof exceeds the budget, at least the best over any four of its
    pours.
    """
    minima = _minima(variants, aim, conditions, np.inf, budget.share(WHOLE_SEARCH))
    best = variants[int(minima.problem[0])], minima.volumes[:, 0], minima
    if minima.proved.all():
        return best
    fours = _any_four(variants)
    fewer = _minima(fours, aim, conditions, float(minima.J[0]), budget, answered=True)
    evaluated = minima.evaluated + fewer.evaluated
    if fewer.problem[0] >= 0 and fewer.J[0] < minima.J[0]:
        variant = fours[int(fewer.problem[0])]
        return variant, fewer.volumes[:, 0], replace(fewer, proved=minima.proved, evaluated=evaluated)
    return *best[:2], replace(minima, evaluated=evaluated)


def _minima(
    variants: Sequence[Variant], aim: Objective, conditions: Conditions, cut: float | Floats, budget: Budget, answered: bool = False
) -> Minima:
    """Return the least J of each group, searched in batches whose rungs fit the memory; a later batch must be better than those before."""
    groups = 1 + max(variant.group for variant in variants)
    best = np.full(groups, cut) if np.isscalar(cut) else np.array(cut, dtype=np.float64)
    costs, problem = np.full(groups, np.inf), np.full(groups, -1)
    volumes, rungs = np.zeros((len(variants[0].free), groups)), np.zeros((len(variants[0].free), groups), dtype=np.int64)
    proved, evaluated = np.ones(groups, dtype=np.bool_), 0
    laddered = rungs_of_each(variants, aim)
    longest = max(len(rung.values) for ladders in laddered for rung in ladders) if variants[0].free else 1
    at_once = max(1, MOST_RUNGS // (longest * max(1, len(variants[0].free))))
    for start in range(0, len(variants), at_once):
        batch = variants[start : start + at_once]
        inside = sorted({variant.group for variant in batch})
        if budget.spent and (answered or np.isfinite(costs[inside]).all()):
            proved[inside] = False
            continue
        positions = {group: position for position, group in enumerate(inside)}
        numbered = [variant.in_group(positions[variant.group]) for variant in batch]
        minima = minimise(laid_out(numbered, laddered[start : start + at_once], aim, conditions), best[inside], budget)
        evaluated += minima.evaluated
        for index, group in enumerate(inside):
            proved[group] &= minima.proved[index]
            if minima.problem[index] >= 0 and minima.J[index] < costs[group]:
                costs[group] = minima.J[index]
                best[group] = min(best[group], costs[group])
                problem[group] = start + minima.problem[index]
                rungs[:, group], volumes[:, group] = minima.rungs[:, index], minima.volumes[:, index]
    return Minima(costs, problem, rungs, volumes, proved, evaluated)


def _any_four(variants: Sequence[Variant]) -> list[Variant]:
    """Return variants with each four of the free pours; each four once, whatever correctors there are."""
    fours: dict[frozenset[object], Variant] = {}
    for variant in variants:
        for four in itertools.combinations(variant.free, min(4, len(variant.free))):
            who = frozenset(variant.drink.pours[i].ingredient.slug if i in variant.joins else i for i in four)
            fours.setdefault(who, replace(variant, free=four, start=()))
    return list(fours.values())


def that_can_move(drink: Drink, among: Collection[int] | None = None) -> tuple[int, ...]:
    """Return the pours whose amount can be chosen: not the rim, the garnish, a rinse, or a sugar cube left to dissolve."""
    chosen = range(len(drink.pours)) if among is None else set(among)
    movable = ("mixed", "glass", "topped", "floated")
    return tuple(sorted(i for i in chosen if drink.pours[i].stage in movable and not drink.pours[i].dissolves_later))


def moves_of(variant: Variant, result: Drink) -> tuple[Move, ...]:
    """Return the pours whose amount differs between a variant and its result."""
    pairs = zip(variant.drink.pours, result.pours, strict=True)
    return tuple(
        Move(i, after.ingredient, before.liquid_ml, after.liquid_ml, i in variant.joins, _measured_by(after))
        for i, (before, after) in enumerate(pairs)
        if abs(after.liquid_ml - before.liquid_ml) > 1e-9
    )


def _measured_by(pour: Pour) -> Unit:
    """Return the unit of a pour's change: dashes, grams of dry ingredients, pieces; else millilitres, shown in the screen's unit."""
    if pour.ingredient.composition.solid:
        return "g"
    return pour.unit if pour.unit in ("dash", "drop") or (pour.unit in ("piece", "leaf") and pour.ingredient.piece_ml) else "ml"


def _coarse(drink: Drink, free: Collection[int], aim: Objective) -> tuple[str, ...]:
    """Return the free pours that are smaller than a step of their grid."""
    small = [(drink.pours[i], grid_of(drink.pours[i].ingredient, drink.pours[i].unit, aim.grid_ml)) for i in free]
    return tuple(
        f"{pour.liquid_ml:g} ml {pour.ingredient.in_sentence} is below the smallest mark, {grid:g} ml. "
        f"It stays, is dropped or becomes {grid:g} ml."
        for pour, grid in small
        if 0 < pour.liquid_ml < grid
    )


def _out_of_reach(
    drink: Drink,
    aim: Objective,
    free: Collection[int],
    residuals: Sequence[Residual],
    correctors: Sequence[Ingredient],
    conditions: Conditions,
    budget: Budget,
) -> tuple[str, ...]:
    """Describe how near an unreachable target is, and which locked pour would help most."""
    felt = [one_residual for one_residual in residuals if one_residual.felt and one_residual.axis != "volume_ml"]
    if not felt:
        return ()
    near = f"This is as close as it gets: still {listed([one_residual.words for one_residual in felt])}."
    locked = [i for i in that_can_move(drink) if i not in free and drink.pours[i].liquid_ml > 0]
    if locked and len(free) < MOST_FREE:
        variants = [Variant(drink, (*free, i), group=number) for number, i in enumerate(locked)]
        freed, _ = best_of(variants, aim, conditions, budget=budget)
        worst = [
            max(abs(residual.steps) for residual in residuals_of(other, aim, conditions) if residual.axis != "volume_ml")
            for other in freed
            if other
        ]
        best = int(np.argmin(worst))
        if worst[best] < max(abs(one_residual.steps) for one_residual in felt) - TASTED_STEPS / 2:
            name = drink.pours[locked[best]].ingredient.in_sentence
            how = "rebalances it" if worst[best] < TASTED_STEPS else "brings it closer"
            return (near, f"Unlocking the {name} {how}.")
    help_ = "" if correctors else " Add syrup, citrus, spirit or water."
    return (f"{near} No other ingredient of this drink helps.{help_}",)
