"""Up to three different ways to rebalance a drink, so that people can choose (docs/model/rebalance.md)."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from typing import Final

from oenomel.core.balance.aroma_share import part_words
from oenomel.core.dilution import Conditions
from oenomel.core.larder import Ingredient
from oenomel.core.rebalance.budget import Budget
from oenomel.core.rebalance.identity_cost import DEAR, price_of
from oenomel.core.rebalance.solver import Move, Rebalanced, best_of, rebalanced_as, that_can_move, usually_free, with_correctors
from oenomel.core.rebalance.target import Objective
from oenomel.core.rebalance.variants import Variant
from oenomel.core.spec import Drink
from oenomel.core.wording import capital, listed

NO_WORSE_BY: Final = 1.0
"""Most that a way's J may exceed the least (docs/model/rebalance.md)."""

LEAST_PART: Final = 1 / 12
TWICE_FROM: Final = 0.95
"""Fraction of a pour below which a change isn't described, and from which it is called twice as much."""

MISSED: Final = 0.3
"""Identity cost from which a pour would be missed if all of it went; a plain syrup wouldn't."""

AS_NEAR: Final = 0.1
"""Difference of J below which two ways are equally near."""


@dataclass(frozen=True)
class Alternative:
    """One way to rebalance: its result, a line on what distinguishes it, and its identity cost."""

    answer: Rebalanced
    title: str
    cost: str


def alternatives_of(
    drink: Drink,
    aim: Objective,
    first: Rebalanced,
    free: Collection[int] | None = None,
    correctors: Sequence[Ingredient] = (),
    conditions: Conditions | None = None,
    budget: Budget | None = None,
) -> tuple[Alternative, ...]:
    """Return up to three ways, the least J first; the others come nearly as close and move other pours.

    Parameters
    ----------
    first : Rebalanced                    the answer of least J, as `rebalance` found it
    free : collection of int, optional    pours that may move, as `rebalance` takes them
    correctors : sequence of Ingredient   of which one may join the way that leaves the most expensive pour alone (`correctors_for`)
    """
    conditions, budget = conditions or Conditions(), budget or Budget()
    chosen = usually_free(drink) if free is None else that_can_move(drink, free)
    rebalanced_drinks = [first]
    if first.moves:
        start = Variant(drink, chosen)
        cut = first.costs.total + NO_WORSE_BY
        alone = [replace(start, free=(index,)) for index in chosen]
        dearest = _dearest(drink, first.moves)
        others = tuple(index for index in chosen if index != dearest)
        kept = with_correctors(replace(start, free=others), correctors, at_most=1)
        for variants in (alone, kept):
            answer = _least(variants, aim, conditions, cut, budget)
            if answer is not None and all(_who(answer) != _who(other) for other in rebalanced_drinks):
                rebalanced_drinks.append(answer)
    return tuple(
        Alternative(rebalanced_drink, _title(drink, rebalanced_drink, rebalanced_drinks), _cost(drink, rebalanced_drink))
        for rebalanced_drink in rebalanced_drinks
    )


def _least(variants: Sequence[Variant], aim: Objective, conditions: Conditions, cut: float, budget: Budget) -> Rebalanced | None:
    """Return the best of these answers that moves anything, if its J is under the cut."""
    if not variants or not variants[0].free:
        return None
    (drink,), minima = best_of(variants, aim, conditions, cut, budget, answered=True)
    if drink is None:
        return None
    answer = rebalanced_as(variants[int(minima.problem[0])], drink, aim, conditions, bool(minima.proved[0]), minima.evaluated)
    return answer if answer.moves and answer.costs.total < cut else None


def _who(answer: Rebalanced) -> frozenset[object]:
    """Return which pours an answer moves."""
    return frozenset(move.ingredient.slug if move.joined else move.pour for move in answer.moves)


def _dearest(drink: Drink, moves: Sequence[Move]) -> int | None:
    """Return the moved pour with the largest identity cost."""
    own = [move for move in moves if not move.joined]
    if not own:
        return None
    return max(own, key=lambda move: price_of(drink.pours[move.pour]) * _part(move)).pour


def _part(move: Move) -> float:
    """Return a move as a fraction of its pour."""
    return abs(move.after_ml - move.before_ml) / move.before_ml if move.before_ml > 0 else 1.0


def _title(drink: Drink, way: Rebalanced, ways: Sequence[Rebalanced]) -> str:
    """Return what distinguishes a way from the others: nearest, one pour only, or what it keeps, adds and leaves out."""
    if not way.moves:
        return "No change needed" if way.reached else "Nothing comes closer"
    joined = [move.ingredient.in_sentence for move in way.moves if move.joined]
    if len(way.moves) == 1:
        return capital(f"add {joined[0]}") if joined else f"Only change the {way.moves[0].ingredient.in_sentence}"
    # Pours that the other ways move and this one leaves unchanged, if they define the drink.
    own = {move.pour for move in way.moves if not move.joined}
    kept = [i for i in {m.pour for other in ways for m in other.moves if not m.joined} - own if price_of(drink.pours[i]) >= DEAR]
    out = [move.ingredient.in_sentence for move in way.moves if move.after_ml == 0]
    nearest = _off(way) <= min(map(_off, ways)) + AS_NEAR
    words = (
        *(["closest" if nearest else "no new ingredient"] if way is ways[0] else []),
        *([f"keep the {listed([drink.pours[i].ingredient.in_sentence for i in sorted(kept)])}"] if kept else []),
        *([f"add {listed(joined)}"] if joined else []),
        *([f"drop {listed(out)}"] if out else []),
    )
    return capital(", ".join(words) or f"change {len(way.moves)} ingredients")


def _off(way: Rebalanced) -> float:
    """Return the distance of a way from the target, in J."""
    return way.costs.sugar + way.costs.acid + way.costs.abv + way.costs.volume_ml


def _cost(drink: Drink, way: Rebalanced) -> str:
    """Describe the identity cost of a way."""
    costs_in_words = [
        _moved(move)
        for move in way.moves
        if not move.joined and _part(move) >= LEAST_PART and price_of(drink.pours[move.pour]) >= (DEAR if move.after_ml else MISSED)
    ]
    return f"Changes the character: {listed(costs_in_words)}." if costs_in_words else "Keeps the character."


def _moved(move: Move) -> str:
    """Describe how much less or more of a pour, as a fraction of it."""
    name, part = move.ingredient.in_sentence, _part(move)
    if move.after_ml == 0:
        return f"no {name}"
    if move.after_ml < move.before_ml:
        return f"{part_words(part)} less {name}"
    if part > TWICE_FROM:
        return f"twice as much {name}"
    return f"half as much {name} again" if part_words(part) == "half" else f"{part_words(part)} more {name}"
