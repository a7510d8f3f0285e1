"""The search for original drinks: draw, filter, choose amounts, score, and pick a diverse handful (docs/model/originals.md)."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.diversify import RELEVANCE, Bench, most_of, picked
from oenomel.core.originals.parts import plan_of
from oenomel.core.originals.result import Original, Weighed, drink_of, original_of
from oenomel.core.originals.scoring import BALANCE_COUNTS, balance_of, before_pouring, satisfies, score_upper_bound
from oenomel.core.originals.search_context import ROUNDED, SearchContext, Sifted
from oenomel.core.originals.space import ORDER, SAMPLE, Space
from oenomel.core.rebalance import Budget
from oenomel.core.wording import listed
from oenomel.errors import DomainError

POURED_AT_ONCE: Final = 2048
MOST_POURED: Final = 16_384
POOL: Final = 1500
"""Combinations that get amounts at a time and in all; and the number of best ones that the handful is picked from."""

WISH_WORK: Final = 6_000_000
"""Budget of one search, of a whole menu too, in the unit of `rebalance.Budget`: a second and a half on a quiet machine of 2024."""

DRAW_WORK: Final = 20
POUR_WORK: Final = {"curve": 100, "heat balance": 2_500}
PRESENT_WORK: Final = 24_000
"""Work of drawing one combination, of choosing its amounts by each school of dilution, and of forecasting and describing one original.
It is charged even where an earlier search has left the result, so that the same criteria have the same answer at any time.
"""

EXPLAIN_SHARE: Final = 0.3
"""Share of the budget kept for finding out which criterion excludes everything, until a drink is found."""

FIRST_LOOK: Final = 12
FIRST_SHARE: Final = 0.2
"""Every how many combinations are looked at first, for a quick first handful, and its share of the budget."""

ALIKE_RELEVANCE: Final = 0.95
"""Weight of the score in a search for similar drinks, which need less diversity."""


@dataclass(frozen=True, slots=True)
class Selection:
    """Result of a search: the new drinks, best first, how many combinations exist, were looked at and got amounts, and notes.

    ``done`` is false for the first handful, ``ended`` true where the budget ended the search early.
    """

    originals: tuple[Original, ...]
    combinations: int
    looked_at: int
    poured: int
    notes: tuple[str, ...]
    done: bool
    ended: bool = False


def originals(
    context: SearchContext, criteria: Criteria, known: Sequence[str] = (), at_least: int = SAMPLE, budget: Budget | None = None
) -> Iterator[Selection]:
    """Yield a first handful at once, then the handful of the whole sample, or the best found within the budget.

    Parameters
    ----------
    known : sequence of str    names that are given already
    at_least : int             how many combinations are drawn
    budget : Budget            `WISH_WORK` where none is given; the first handful takes `FIRST_SHARE` of it at most

    Raises
    ------
    DomainError
        No drink meets the criteria; the message says how many would with one of them dropped.
    """
    budget = budget or Budget(WISH_WORK)
    drawn = context.has_drawn(criteria, at_least)
    whole = context.sift(criteria, at_least if drawn else at_least // FIRST_LOOK)
    if not (drawn or whole.space.is_drawn_whole):
        first = _handful(context, criteria, whole, known, budget.share(FIRST_SHARE), done=False)
        if first.originals:
            yield first
    yield handful_of(context, criteria, known, at_least, budget)


def handful_of(
    context: SearchContext, criteria: Criteria, known: Sequence[str] = (), at_least: int = SAMPLE, budget: Budget | None = None
) -> Selection:
    """Return the handful of the whole sample, without a first one; parameters and errors as of ``originals``."""
    budget = budget or Budget(WISH_WORK)
    selection = _handful(context, criteria, context.sift(criteria, at_least), known, budget, done=True)
    if not selection.originals:
        raise DomainError(_nothing(context, criteria, selection, budget))
    return selection


def _handful(context: SearchContext, criteria: Criteria, sifted: Sifted, known: Sequence[str], budget: Budget, *, done: bool) -> Selection:
    budget.spend(DRAW_WORK * sifted.looked_at)
    each_takes = POUR_WORK[context.conditions.dilution]
    to_present = min(criteria.count * PRESENT_WORK, budget.left // 2)
    to_explain = max(to_present, int(EXPLAIN_SHARE * budget.left))
    pourings = context.pourings(criteria, sifted)
    eligible, preference = before_pouring(context, criteria, sifted)
    promise = score_upper_bound(sifted, preference)
    order = np.flatnonzero(eligible)
    order = order[np.lexsort((order, -promise[order].round(ROUNDED)))]
    score = np.full(len(promise), -np.inf)
    reached = 0
    # An upper bound is the score with a perfect balance: once enough drinks score above the best bound left, no other can pass them.
    most, ended = min(len(order), MOST_POURED), False
    while reached < most:
        kept_back = to_present if (score > -np.inf).any() else to_explain
        affordable = (budget.left - kept_back) // each_takes
        if reached and (affordable <= 0 or budget.stopped_by_others):
            ended = True
            break
        rows = order[reached : min(most, reached + min(POURED_AT_ONCE, max(affordable, LEAST_POURED)))]
        budget.spend(each_takes * len(rows))
        pourings.pour(rows)
        reached += len(rows)
        kept = rows[satisfies(context, criteria, sifted, pourings.at, rows)]
        score[kept] = promise[kept] - BALANCE_COUNTS * (1 - balance_of(pourings.at.cost[kept]))
        best = np.sort(score[score > -np.inf])[::-1]
        if len(best) >= POOL and reached < len(order) and best[criteria.count - 1] >= promise[order[reached]]:
            break
    ranked = np.flatnonzero(score > -np.inf)
    ranked = ranked[np.lexsort((ranked, -score[ranked].round(ROUNDED)))]
    bench = Bench(
        drawn=sifted.drawn[ranked[:POOL]],
        score=score[ranked[:POOL]].round(ROUNDED),
        marks=context.marks(sifted.drawn[ranked[:POOL]]),
        exempt=_exempt(context, criteria, sifted.space),
        relevance=ALIKE_RELEVANCE if criteria.like else RELEVANCE,
    )
    names = list(known)
    result: list[Original] = []
    seen: set[frozenset[str]] = set()

    def holds_up(index: int) -> bool:
        row = int(ranked[index])
        budget.spend(PRESENT_WORK)
        nearest = context.book[sifted.nearest[row]] if context.book else None
        parts = sifted.space.slugs(sifted.drawn[row].tolist())
        # A different sweetener alone doesn't make another drink.
        if frozenset(parts.values()) in seen:
            return False
        drink = drink_of(context.ingredients, sifted.drawn[row], pourings.at.volumes[row], criteria, context.larder)
        weighed = Weighed(parts, float(sifted.kinship[row]), float(sifted.novelty[row]), nearest, float(score[row]))
        original = original_of(context, drink, criteria, weighed, names)
        if original is None:
            return False
        result.append(original)
        seen.add(frozenset(parts.values()))
        names.append(original.drink.name)
        return True

    notes = picked(bench, criteria.count, holds_up, lambda: bool(result) and budget.spent)
    ended = ended or (len(result) < criteria.count and budget.spent)
    if ended and len(result) < criteria.count:
        notes.append(f"The {len(result)} best of the {reached:,} most likely combinations. Wish for less to find more.")
    result.sort(key=lambda each: -round(each.score, ROUNDED))
    return Selection(tuple(result), sifted.space.size, sifted.looked_at, reached, tuple(notes), done, ended)


def _exempt(context: SearchContext, criteria: Criteria, space: Space) -> NDArray[np.bool_]:
    """Return which ingredients may be in any number of drinks, shape (roles, ingredients): sours, those asked for, and those in a role
    that has too few others to fill a handful.
    """
    exempt = np.zeros((len(ORDER), len(context.ingredients)), dtype=np.bool_)
    exempt[ORDER.index("sour")] = True
    asked = {*criteria.must, *criteria.may, *criteria.like, *criteria.soon}
    exempt[:, [ingredient.slug in asked for ingredient in context.ingredients]] = True
    players: dict[str, set[int]] = {}
    for cell in space.cells:
        for digit in cell.digits:
            for column, part in enumerate(digit.parts):
                players.setdefault(part, set()).update(digit.choices[:, column].tolist())
    for part in plan_of(criteria).always:
        who = players.get(part, set())
        if len(who) * most_of(criteria.count) < criteria.count:
            exempt[ORDER.index(part), list(who)] = True
    return exempt


COUNTED_BY: Final = 1500
COUNT_WORK: Final = 1_200_000
LEAST_POURED: Final = 24
"""Combinations drawn for a count, its work, and the least number that get amounts."""


@dataclass(frozen=True, slots=True)
class CombinationCount:
    """Number of combinations that criteria leave: on paper, and roughly how many make sense, meet the criteria and are balanced."""

    combinations: int
    balanced: int


def combinations_left(context: SearchContext, criteria: Criteria, work: int = COUNT_WORK) -> CombinationCount:
    """Count the combinations that criteria leave, by a sample of at most ``work``: the second number is an estimate, exact for a small
    space.
    """
    try:
        sifted = context.sift(criteria, COUNTED_BY)
    except DomainError:
        return CombinationCount(0, 0)
    if not sifted.looked_at:
        return CombinationCount(0, 0)
    eligible, _ = before_pouring(context, criteria, sifted)
    rows = np.flatnonzero(eligible)
    affordable = max(LEAST_POURED, min(COUNTED_BY, work // POUR_WORK[context.conditions.dilution]))
    tried = rows[:: max(1, math.ceil(len(rows) / affordable))]
    pourings = context.pourings(criteria, sifted)
    pourings.pour(tried)
    kept = satisfies(context, criteria, sifted, pourings.at, tried).sum() / max(len(tried), 1)
    share = len(rows) / sifted.looked_at * kept
    return CombinationCount(sifted.space.size, round(share * sifted.space.size))


def what_would_open(context: SearchContext, criteria: Criteria, work: int = WISH_WORK) -> list[tuple[str, int]]:
    """Return for each single criterion how many more combinations dropping it would open, the most first; ``work`` bounds the whole
    count.
    """
    dropped = criteria.dropped()
    openings = [(called, combinations_left(context, less, work // len(dropped)).balanced) for called, less in dropped]
    return sorted(((called, many) for called, many in openings if many), key=lambda each: (-each[1], each[0]))


def _nothing(context: SearchContext, criteria: Criteria, selection: Selection, budget: Budget) -> str:
    opening = [f"{called} ({about(many)} left)" for called, many in what_would_open(context, criteria, max(budget.left, 0))[:3]]
    if selection.ended and not opening:
        return f"no drink among the {selection.poured:,} most likely meets every wish: remove one"
    if opening:
        return f"no drink meets every wish. Remove one: {listed(opening, 'or')}"
    return "no drink meets these wishes, even without one of them: remove several, or add to your stock"


def about(count: int) -> str:
    """Return an estimated count, rounded to two figures.

    >>> about(310_460_221), about(4_180), about(12)
    ('about 310 million', 'about 4.2 thousand', '12')
    """
    for size, word in ((10**9, "billion"), (10**6, "million"), (10**3, "thousand")):
        if count >= size:
            return f"about {float(f'{count / size:.2g}'):g} {word}"
    return str(count)
