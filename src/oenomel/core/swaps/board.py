"""Board of swaps: every ingredient that can replace a pour, its effect as it is, and after rebalancing (docs/model/swaps.md)."""

from __future__ import annotations

from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import Final, Literal, NamedTuple, get_args

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, FIGURES, can_be_tasted, in_words, loudness_between
from oenomel.core.balance.aroma_share import Loudness
from oenomel.core.dilution import Conditions
from oenomel.core.glass import air_in, swatch
from oenomel.core.larder import Ingredient
from oenomel.core.larder.aroma import aromas_between, kinship, likeness
from oenomel.core.larder.composition import blend
from oenomel.core.rebalance import MOST_FREE, Budget, Move, Objective, that_can_move, usually_free
from oenomel.core.rebalance.grid_search import guess
from oenomel.core.rebalance.solver import LEAST_TO_JOIN, best_of, costs_of, moves_of, with_correctors
from oenomel.core.rebalance.target import figures_of, off_target, tongue_cost
from oenomel.core.rebalance.variants import Variant, problems_of, without_idle
from oenomel.core.spec import Drink, Pour, grid_of, usual_bounds
from oenomel.core.swaps.candidates import HELPERS, Candidate, ExcludedIngredient, Filters, candidates_for
from oenomel.errors import OutOfRange

Floats = NDArray[np.float64]

Mode = Literal["pour", "hold_sugar", "hold_acid", "hold_abv", "rebalance"]
"""Modes of a swap: the same amount; the amount with the same sugar, acid or alcohol; or with the other free pours rebalanced."""

Ranking = Literal["balance", "aroma", "both"]
RANKINGS: Final[tuple[Ranking, ...]] = get_args(Ranking)
FIRST_ROWS: Final = 20
ROWS_AT_ONCE: Final = 500
SEARCHED_AT_ONCE: Final = 1000
WIDE_AT_ONCE: Final = 30
"""Rankings, and the numbers of rows in a part and of variants searched together, fewer with the user's own bounds, to stay below 200 MB."""

CUT_ABOVE: Final = 600
FURTHEST: Final = 4.0
"""Number of candidates from which a J over 4 isn't searched for: "further than two steps" is enough."""

NO_BUBBLES_COST: Final = 1.0
"""Cost in J of a still candidate in a sparkling pour's place (docs/model/swaps.md)."""

RARE_COSTS: Final = 0.25
UNLIKE_COSTS: Final = 0.4
"""Cost in J for each rank that an ingredient is less usual, and for one of another kind (house rules): of two equal ones the usual comes
first.
"""

HOPELESS_ML: Final = 1000.0


@dataclass(frozen=True)
class RowOutcome:
    """Outcome of a swap: values as served, distance from the target in steps by axis (for drawing), and J.

    Its words and its colour are computed when they are first used, because few of many rows are shown.
    """

    drink: Drink
    figures: Mapping[str, float]
    steps: Mapping[str, float]
    cost: float

    @cached_property
    def words(self) -> tuple[str, ...]:
        """Sentence about what can be tasted of the distance from the target."""
        return tuple(in_words(n, AXES[name]) for name, n in self.steps.items() if can_be_tasted(n))

    @cached_property
    def colour(self) -> str:
        """Colour of the drink as "#rrggbb"."""
        return swatch(self.drink.pours, self.figures["volume_ml"], air=air_in(self.drink))


@dataclass(frozen=True)
class SwapRow:
    """One candidate with its outcomes.

    Parameters
    ----------
    replaced : Ingredient            what it takes the place of
    present : Standing               the drink as it is
    plain : Standing                 with as much of the candidate as of what it replaces
    mended : Standing or None        what the mode makes of it; None where J is over the cut
    moves : tuple of Move            what the mode asks for besides the swap
    notes : tuple of str             what the mode can't do
    likeness, kinship : float        to what it replaces, and with the rest, 0 to 1; no kinship where nothing is told
    proved : bool                    whether no pourable amounts have a smaller J
    loses_bubbles : bool             whether it is still where bubbles are part of the job
    """

    candidate: Candidate
    replaced: Ingredient
    present: RowOutcome
    plain: RowOutcome
    mended: RowOutcome | None
    moves: tuple[Move, ...]
    notes: tuple[str, ...]
    likeness: float
    kinship: float | None
    proved: bool
    loses_bubbles: bool

    @cached_property
    def unseen(self) -> tuple[str, ...]:
        """Changes that the axes don't show."""
        return _unseen(self.replaced, self.candidate.ingredient)

    @cached_property
    def loudness(self) -> tuple[Loudness, ...]:
        """Changes in the loudness of the other pours' aromas that a guest could smell."""
        after = self.mended or self.plain
        volumes = after.figures["volume_ml"], self.present.figures["volume_ml"]
        return tuple(
            one_loudness for one_loudness in loudness_between(after.drink, self.present.drink, *volumes) if one_loudness.is_noticeable
        )

    @property
    def reach(self) -> float:
        """Difficulty of getting the ingredient: low for soda, high for a bottle that few bars have."""
        ingredient = self.candidate.ingredient
        # The bar's own ingredients count as available.
        rare = ingredient.rank - 1 if ingredient.origin == "catalogue" else 0
        return RARE_COSTS * rare + UNLIKE_COSTS * (ingredient.kind != self.replaced.kind)

    def score(self, ranking: str) -> float:
        """Ranking score, the smaller the better, rounded to 1e-9 so that ties stay in the order of names."""
        balance = FURTHEST + 1 if self.mended is None else self.mended.cost
        nose = (1 - self.likeness) + (1 - (0.5 if self.kinship is None else self.kinship)) / 2
        return round({"balance": balance, "aroma": nose, "both": balance + nose + self.reach}[ranking], 9)


@dataclass(frozen=True)
class Board:
    """Part of a board: rows searched since the last part, their number so far and in all; in the first part also what is left out and
    the outcome without a swap.
    """

    rows: tuple[SwapRow, ...]
    searched: int
    total: int
    left_out: tuple[ExcludedIngredient, ...] = ()
    present: RowOutcome | None = None


def joined(parts: Iterable[Board]) -> Board:
    """Join the parts of a board."""
    seen = list(parts)
    return Board(tuple(row for part in seen for row in part.rows), seen[-1].searched, seen[-1].total, seen[0].left_out, seen[0].present)


def swap_board(
    drink: Drink,
    index: int,
    larder: Mapping[str, Ingredient],
    aim: Objective,
    mode: str = "rebalance",
    free: Collection[int] | None = None,
    filters: Filters | None = None,
    conditions: Conditions | None = None,
    only: Collection[str] | None = None,
    correctors: Sequence[Ingredient] = (),
    budget: Budget | None = None,
) -> Iterator[Board]:
    """Yield what could replace a pour, part by part, the likeliest rows first.

    Parameters
    ----------
    only : collection of str, optional     keys of the candidates that are wanted
    correctors : sequence of Ingredient    of which up to two may join each row
    budget : Budget, optional              what all rows may take together; those after are not proved

    Raises
    ------
    OutOfRange
        There is no such pour.
    """
    if not 0 <= index < len(drink.pours):
        raise OutOfRange("the pour's index", index, 0, len(drink.pours) - 1)
    candidates, left_out = candidates_for(drink, index, larder, filters or Filters())
    if only is not None:
        candidates = [candidate for candidate in candidates if candidate.key in only]
    seat = _Seat(drink, index, aim, mode, free, conditions or Conditions(), correctors, budget or Budget())
    candidates = seat.likeliest_first(candidates)
    cut = FURTHEST if len(candidates) > CUT_ABOVE else np.inf
    done = min(FIRST_ROWS, len(candidates))
    yield Board(seat.rows(candidates[:done], cut), done, len(candidates), tuple(left_out), seat.present)
    while done < len(candidates):
        some = candidates[done : done + ROWS_AT_ONCE]
        done += len(some)
        yield Board(seat.rows(some, cut), done, len(candidates))


class _ModeResult(NamedTuple):
    """Result of one mode for a candidate."""

    drink: Drink | None
    moves: tuple[Move, ...] = ()
    notes: tuple[str, ...] = ()
    cost: float = np.inf
    proved: bool = True


class _Seat:
    """A pour's place in its drink, for trying candidates in."""

    def __init__(
        self,
        drink: Drink,
        index: int,
        aim: Objective,
        mode: str,
        free: Collection[int] | None,
        conditions: Conditions,
        correctors: Sequence[Ingredient],
        budget: Budget,
    ) -> None:
        self.drink, self.index, self.aim, self.budget = drink, index, aim, budget
        self.conditions, self.correctors = conditions, correctors
        self.pour = drink.pours[index]
        self.variants: dict[str, Variant] = {}
        # The rim, a garnish and a rinse are swapped without a choice of amount.
        self.can_move = index in that_can_move(drink)
        others = that_can_move(drink, [i for i in (usually_free(drink) if free is None else free) if i != index])
        chosen = sorted([*([index] if self.can_move else []), *others[: MOST_FREE - 1]])
        self.free = tuple(chosen) if mode == "rebalance" else ()
        self.mode = "pour" if mode == "rebalance" and not self.free else mode

    @cached_property
    def present(self) -> RowOutcome:
        """Outcome of the drink without a swap."""
        return self._standings([self.drink], [None])[0]

    def likeliest_first(self, candidates: list[Candidate]) -> list[Candidate]:
        """Order the candidates by a quick search without proof."""
        if self.mode != "rebalance" or len(candidates) <= FIRST_ROWS:
            return candidates
        likely = np.empty(len(candidates))
        for start in range(0, len(candidates), ROWS_AT_ONCE):
            some = candidates[start : start + ROWS_AT_ONCE]
            for places, variants in self._few_alike([self._variant(candidate) for candidate in some], ()):
                numbered = [variant.in_group(number) for number, variant in enumerate(variants)]
                minima = guess(problems_of(numbered, self.aim, self.conditions))
                likely[[start + row for row in places]] = minima.J
                # The proof starts from the unproved result.
                for index, variant, rungs in zip(places, variants, minima.rungs.T.tolist(), strict=True):
                    self.variants[some[index].key] = replace(variant, start=tuple(rungs))
        likely += [NO_BUBBLES_COST * candidate.loses_bubbles(self.pour) for candidate in candidates]
        return [candidates[i] for i in np.argsort(likely, kind="stable")]

    def rows(self, candidates: Sequence[Candidate], cut: float) -> tuple[SwapRow, ...]:
        """Return the rows of some candidates."""
        if not candidates:
            return ()
        variants = [self._variant(candidate) for candidate in candidates]
        still = [candidate.loses_bubbles(self.pour) for candidate in candidates]
        flat = [NO_BUBBLES_COST * flag for flag in still]
        plain = self._standings([self._unblended(v.drink, o) for v, o in zip(variants, candidates, strict=True)], [None] * len(candidates))
        plain = [
            replace(row_outcome, cost=row_outcome.cost + price) if price else row_outcome
            for row_outcome, price in zip(plain, flat, strict=True)
        ]
        mended = (
            self._rebalanced(candidates, variants, np.maximum(cut - np.array(flat), 0.0))
            if self.mode == "rebalance"
            else [self._amount_for(o, v) for o, v in zip(candidates, variants, strict=True)]
        )
        priced = [(outcome.drink, outcome.cost + price) for outcome, price in zip(mended, flat, strict=True) if outcome.drink is not None]
        standings = iter(self._standings([drink for drink, _ in priced], [cost for _, cost in priced]))
        rest = [pour.ingredient for i, pour in enumerate(self.drink.pours) if i != self.index]
        rows, present = [], self.present
        for candidate, before, after, loses in zip(candidates, plain, mended, still, strict=True):
            standing = None if after.drink is None else next(standings)
            rows.append(
                SwapRow(
                    candidate,
                    self.pour.ingredient,
                    present,
                    before,
                    standing,
                    after.moves,
                    after.notes,
                    likeness(self.pour.ingredient, candidate.ingredient),
                    kinship(candidate.ingredient, rest),
                    after.proved,
                    loses,
                )
            )
        return tuple(rows)

    def _rebalanced(self, candidates: Sequence[Candidate], variants: Sequence[Variant], cuts: Floats) -> list[_ModeResult]:
        outcomes = self._searched(candidates, list(enumerate(variants)), cuts, ())
        if self.correctors:
            # No corrector is added where less than its own cost could be gained.
            lacking = [index for index, mended in enumerate(outcomes) if mended.cost > LEAST_TO_JOIN]
            least = [min(mended.cost, cut) for mended, cut in zip(outcomes, cuts.tolist(), strict=True)]
            tried = self._searched(candidates, [(p, variants[p]) for p in lacking], np.array(least), self.correctors)
            outcomes = [
                before._replace(proved=before.proved and after.proved) if after.drink is None else after
                for before, after in zip(outcomes, tried, strict=True)
            ]
        return outcomes

    def _searched(
        self, candidates: Sequence[Candidate], placed: Sequence[tuple[int, Variant]], cuts: Floats, correctors: Sequence[Ingredient]
    ) -> list[_ModeResult]:
        """Return the result of each variant, in the order of the candidates; None where its J is over its cut."""
        outcomes = [_ModeResult(None)] * len(candidates)
        for which, alike in self._few_alike([variant for _, variant in placed], correctors):
            places = [placed[at][0] for at in which]
            if correctors and self.budget.spent:
                for index in places:
                    outcomes[index] = _ModeResult(None, proved=False)
                continue
            competing = [other.in_group(group) for group, variant in enumerate(alike) for other in with_correctors(variant, correctors)]
            drinks, minima = best_of(competing, self.aim, self.conditions, cuts[places], self.budget, answered=bool(correctors))
            for group, (index, drink) in enumerate(zip(places, drinks, strict=True)):
                if drink is None:
                    outcomes[index] = _ModeResult(None, proved=bool(minima.proved[group]))
                    continue
                variant, cost = competing[int(minima.problem[group])], float(minima.J[group])
                unblended = self._unblended(without_idle(variant, drink), candidates[index])
                outcomes[index] = _ModeResult(unblended, moves_of(variant, drink), (), cost, bool(minima.proved[group]))
        return outcomes

    def _few_alike(self, variants: Sequence[Variant], correctors: Sequence[Ingredient]) -> Iterator[tuple[list[int], list[Variant]]]:
        """Yield groups of variants, each small enough for the memory that its correctors need."""
        for places, alike in self._alike(variants):
            most = WIDE_AT_ONCE if self.aim.bounds else SEARCHED_AT_ONCE
            at_once = max(1, most // len(with_correctors(alike[0], correctors)))
            for start in range(0, len(places), at_once):
                yield places[start : start + at_once], alike[start : start + at_once]

    def _alike(self, variants: Sequence[Variant]) -> Iterator[tuple[list[int], list[Variant]]]:
        """Yield variants with equal numbers of free pours and of new correctors, to be searched together."""
        by_shape: dict[tuple[int, int], list[int]] = {}
        for index, variant in enumerate(variants):
            poured_slugs = {pour.ingredient.slug for pour in variant.drink.pours}
            shape = (len(variant.free), sum(corrector.slug not in poured_slugs for corrector in self.correctors))
            by_shape.setdefault(shape, []).append(index)
        for places in by_shape.values():
            yield places, [variants[row] for row in places]

    def _amount_for(self, candidate: Candidate, variant: Variant) -> _ModeResult:
        """Return the amount of a candidate that holds the same contribution as the pour, on the grid; or the same amount."""
        drink, notes = variant.drink, tuple[str, ...]()
        if self.mode != "pour" and self.can_move:
            brings = self.mode.removeprefix("hold_")
            had, has = (
                getattr(ingredient.composition, brings) for ingredient in (self.pour.ingredient, drink.pours[self.index].ingredient)
            )
            grid = self._grid(candidate)
            wanted = self.pour.liquid_ml * had / has if has > 0 else np.inf
            _, most = usual_bounds(self.pour, grid)
            if wanted > most:
                how = f"it needs {wanted:.0f} ml" if wanted < HOPELESS_ML else "it has almost none"
                notes = (f"It can't keep the {AXES[brings].noun}: {how}.",)
            volume = round(min(wanted, most) / grid) * grid
            drink = _with_pour(drink, self.index, drink.pours[self.index].at(volume))
        variant = replace(variant, free=(self.index,))
        unblended = self._unblended(drink, candidate)
        return _ModeResult(unblended, moves_of(variant, drink), notes, costs_of(variant, drink, self.aim, self.conditions).total)

    def _variant(self, candidate: Candidate) -> Variant:
        if candidate.key not in self.variants:
            self.variants[candidate.key] = self._with_candidate(candidate)
        return self.variants[candidate.key]

    def _with_candidate(self, candidate: Candidate) -> Variant:
        """Return the drink with an amount of the candidate in the pour's place, dry ingredients by their sugar; a helper adds what it
        lacks.
        """
        pour, ingredient = self.pour, candidate.ingredient
        volume, unit = pour.liquid_ml if self.can_move else pour.volume_ml, pour.unit
        if ingredient.composition.solid != pour.ingredient.composition.solid and self.can_move:
            had, has = pour.ingredient.composition.sugar, ingredient.composition.sugar
            volume, unit = (volume * had / has if has else volume), "g" if ingredient.composition.solid else "ml"
        elif unit in ("piece", "leaf", "g"):
            unit = "ml" if not ingredient.composition.solid else unit
        if candidate.share < 1:
            ingredient = _blend(pour.ingredient, ingredient, candidate.share)
        grid = self._grid(candidate)
        if ingredient.composition.solid and self.can_move:
            volume = round(volume / grid) * grid
        drink = _with_pour(self.drink, self.index, Pour(ingredient, volume, unit, pour.slot, pour.stage, pour.by_eye))
        free, grids = self.free, {self.index: grid}
        if candidate.helper is not None:
            brings, _, slot = HELPERS[pour.slot]
            missing = volume * (getattr(pour.ingredient.composition, brings) - getattr(ingredient.composition, brings))
            step = grid_of(candidate.helper, "ml", self.aim.grid_ml)
            beside = max(step, round(missing / getattr(candidate.helper.composition, brings) / step) * step)
            drink = drink.with_pours((*drink.pours, Pour(candidate.helper, beside, slot=slot)))
            free = (*free, len(drink.pours) - 1) if free else ()
        return Variant(drink, free[:MOST_FREE], grids=grids)

    def _grid(self, candidate: Candidate) -> float:
        """Return the step of the pour; for a blend one in which each part can be measured."""
        if candidate.share < 1:
            return self.aim.grid_ml / candidate.share
        unit = "ml" if self.pour.unit in ("piece", "leaf") else self.pour.unit
        return grid_of(candidate.ingredient, unit, self.aim.grid_ml)

    def _unblended(self, drink: Drink, candidate: Candidate) -> Drink:
        """Return the drink with a blend as its two pours, the new one after the old."""
        if candidate.share == 1:
            return drink
        whole = drink.pours[self.index]
        old = replace(whole, ingredient=self.pour.ingredient, volume_ml=round(whole.volume_ml * (1 - candidate.share), 9))
        new = replace(whole, ingredient=candidate.ingredient, volume_ml=round(whole.volume_ml * candidate.share, 9))
        return drink.with_pours((*drink.pours[: self.index], old, new, *drink.pours[self.index + 1 :]))

    def _standings(self, drinks: Sequence[Drink], costs: Sequence[float | None]) -> list[RowOutcome]:
        """Return the outcomes of drinks; a J computed here has no identity cost."""
        if not drinks:
            return []
        figures = figures_of(drinks, self.aim.by_sucrose_equivalents, self.conditions)
        off = off_target(figures, self.aim)
        steps = [off.get(name, np.zeros(len(drinks))).tolist() for name in AXES]
        plain = tongue_cost(off, self.aim).tolist()
        standings = []
        for column, (drink, levels, cost) in enumerate(zip(drinks, figures.T.tolist(), costs, strict=True)):
            here = {name: axis[column] for name, axis in zip(AXES, steps, strict=True)}
            standings.append(RowOutcome(drink, dict(zip(FIGURES, levels, strict=True)), here, plain[column] if cost is None else cost))
        return standings


def _with_pour(drink: Drink, index: int, pour: Pour) -> Drink:
    return drink.with_pours((*drink.pours[:index], pour, *drink.pours[index + 1 :]))


def _blend(old: Ingredient, new: Ingredient, share: float) -> Ingredient:
    """Mix two spirits into one pour; contents add by volume."""
    return replace(
        new, slug=f"{old.slug}+{new.slug}", name=f"{old.name} and {new.name}", composition=blend(old.composition, new.composition, share)
    )


def _unseen(before: Ingredient, after: Ingredient) -> tuple[str, ...]:
    """Describe what the axes don't show: impression, aromas gained and lost, bitterness, foam."""
    result = []
    if after.impression:
        result.append(after.impression)
    came, went = aromas_between(before, after)
    if came or went:
        unmeasured = [f"{verb} {' and '.join(tags)}" for verb, tags in (("adds", came), ("loses", went)) if tags]
        result.append(", ".join(unmeasured))
    bitter = (after.label("bitterness") or 0.0) - (before.label("bitterness") or 0.0)
    if abs(bitter) >= 1:
        result.append("more bitter" if bitter > 0 else "less bitter")
    if before.is_sparkling != after.is_sparkling:
        result.append("no bubbles" if before.is_sparkling else "adds bubbles")
    if before.foam != after.foam:
        result.append("no foam" if not after.foam else "foams")
    return tuple(result) or ("taste it first: the figures show no difference",)
