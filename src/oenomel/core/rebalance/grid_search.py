"""The true minimum of J over the pourable amounts, for many drinks at once (docs/model/rebalance.md).

A pour can take the values of a ladder: multiples of its grid, or what it is now. Enumerating them takes half a million drinks for four
free pours. Here boxes of the ladder are shrunk, dropped or split by bounds that J can't undercut, until few points are left, and those
are evaluated:

- J is at most what the best drink found so far has. That bounds each axis and the volume, which bounds the pours: every such bound is
  drawn as a plane in the pours, because the water from the ice lies between two planes (a curve's water is concave in the pours: under
  its tangent, over its chord).
- For any m, n² ≥ 2mn − m². With m = n at the middle of a box, J is at least a sum of logarithms, and each of those lies over a tangent
  or a chord. This bound is wrong by the square of the box's size only, so few boxes are left near the minimum.

By the heat balance the water is not concave; its planes are then laid around the corners of a box with a margin, which is no proof. A
test holds both against plain enumeration.
"""

from __future__ import annotations

import itertools
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.dilution import Conditions, Tin, dilution_model, water_and_slopes, water_from_ice
from oenomel.core.rebalance.branch_and_bound import Plane, last_boxes, log_of, points_of
from oenomel.core.rebalance.budget import BOX_WORK, Budget
from oenomel.core.spec import Method

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]

SUMS: Final = ("ml", "sugar", "acid", "alcohol", "tin ml", "tin alcohol", "tin sugar", "tin acid")
"""Sums over the pours: ml; the sugar, acid and alcohol of `Goal` times 100; in the tin ml, ml of alcohol, g of sugar and acid."""

FEW_POINTS: Final = 64
"""Points of a box up to which it is evaluated instead of split."""

POINTS_AT_ONCE: Final = 40_000  # they fit a processor's cache
FEW_BOXES: Final = 64
MOST_POINTS_OF_A_BOX: Final = 1000
"""Points evaluated at once; and for few boxes, whose overhead exceeds their arithmetic, larger boxes that are split in four."""

MARGIN: Final = 0.5
"""Margin on both sides of the heat balance's planes, as a share of the water's curvature in a box."""

FAR: Final = 1e4  # a J further than this is as good as none
SLACK: Final = 1e-11  # by which a bound has to be exceeded to drop a box: no rounding error drops the minimum
SHELF_ML: Final = 100_000.0  # more than any pour
BOXES_AT_ONCE: Final = 4096  # bounded together: a search that grows holds a stack of the others, not the arithmetic of all

SO_FEW: Final = 1500
"""Number of drinks up to which evaluating all is faster than a search: two pours on an ordinary grid."""


@dataclass(frozen=True)
class Goal:
    """Target from which J measures a drink's distance.

    Parameters
    ----------
    levels : ndarray, shape (3,)     logarithms of the target's sugar, acid and strength, each at least its floor
    floors : ndarray, shape (3,)     levels below count as these
    step : ndarray, shape (3,)       ln(1 + k), one noticeable step
    weights : ndarray, shape (3,)    of n²
    volume : float                   logarithm of the target's volume in ml
    volume_step, volume_weight : float
    """

    levels: Floats
    floors: Floats
    step: Floats
    weights: Floats
    volume: float
    volume_step: float
    volume_weight: float


@dataclass(frozen=True)
class Problems:
    """Searches with the same number of free pours, one method and one target.

    Parameters
    ----------
    values : ndarray, shape (pours, problems, ladder), [ml]   rising; shorter ladders repeat their last value
    counts : ndarray, shape (pours, problems)                 how many of them count
    now : ndarray, shape (pours, problems)                    index of what is poured now
    change_price : ndarray, shape (pours, problems)           what J pays for a pour that changes at all
    ml_price : ndarray, shape (pours, problems)               and for each ml that it moves
    gives : ndarray, shape (8, pours, problems)               what a ml of a pour adds to each of `SUMS`
    fixed : ndarray, shape (8, problems)                      those sums without the free pours
    group : ndarray, shape (problems,)                        problems of one group compete: only the best of them is sought
    start : ndarray, shape (pours, problems), optional        rungs that an earlier search without proof came to
    """

    values: Floats
    counts: Ints
    now: Ints
    change_price: Floats
    ml_price: Floats
    gives: Floats
    fixed: Floats
    group: Ints
    goal: Goal
    method: Method
    conditions: Conditions
    start: Ints | None = None


@dataclass(frozen=True)
class Minima:
    """The best drink of each group: J (infinite where none is under the cut), its problem, rungs and volumes of shape (pours, groups),
    whether it is proved, and the number of drinks evaluated.
    """

    J: Floats
    problem: Ints
    rungs: Ints
    volumes: Floats
    proved: NDArray[np.bool_]
    evaluated: int


def cost_of(sums: Floats, goal: Goal, method: Method, conditions: Conditions) -> Floats:
    """Return J without the identity cost, shape (drinks,), from all of `SUMS` or a curve's first six; infinite for an empty glass."""
    ml = sums[0] + water_from_ice(_tin(sums), method, conditions)
    empty = ml <= 0
    ml = np.where(empty, 1.0, ml)
    off = (np.log(ml) - goal.volume) / goal.volume_step
    cost: Floats = goal.volume_weight * off * off
    for axis in range(3):
        level = np.maximum(sums[1 + axis] / ml, goal.floors[axis])
        n = (np.log(level) - goal.levels[axis]) / goal.step[axis]
        cost += goal.weights[axis] * n * n
    cost[empty] = np.inf
    return cost


def _tin(sums: Floats) -> Tin:
    """Return the contents of the tin. A curve needs its strength only, so its sugar and acid may be missing."""
    if len(sums) == len(SUMS):
        return Tin(sums[4], sums[5], sums[6], sums[7])
    return Tin(sums[4], sums[5], sums[4], sums[4])


def minimise(problems: Problems, cut: float | Floats = np.inf, budget: Budget | None = None) -> Minima:
    """Return the least J of each group, where it is at most ``cut`` (one for all, or one each).

    A search that takes more than its budget ends with the best found, which is then not ``proved``.
    """
    search = _Search(problems, cut, budget or Budget())
    if not search.weigh_all():
        search.start()
        search.prove()
    return search.minima()


def guess(problems: Problems) -> Minima:
    """Return a good J of each group without a proof: the end of a descent from a good start."""
    search = _Search(problems, np.inf, Budget())
    search.start()
    search.proved[:] = False
    return search.minima()


class _Search:
    """The best drinks so far, and the boxes that may hold a better one."""

    def __init__(self, problems: Problems, cut: float | Floats, budget: Budget) -> None:
        self.of, self.budget = problems, budget
        self.pours, self.number, self.ladder = problems.values.shape
        groups = int(problems.group.max()) + 1
        self.best = np.full(groups, cut + 1e-9)
        self.best_problem = np.full(groups, -1)
        self.best_index = np.zeros((self.pours, groups), dtype=np.int64)
        self.proved = np.ones(groups, dtype=bool)
        self.evaluated = 0
        self.by_tin = dilution_model(problems.method, problems.conditions) == "heat balance"
        sums = len(SUMS) if self.by_tin else len(SUMS) - 2
        self.gives, self.fixed = problems.gives[:sums], problems.fixed[:sums]
        # What each rung of each ladder adds to each sum and to the price, so that a drink is a few look-ups.
        rungs = self.gives[:, :, :, None] * problems.values
        rungs[:, 0] += self.fixed[:, :, None]
        self.now_value = np.take_along_axis(problems.values, problems.now[:, :, None], 2)[:, :, 0]
        moved = np.abs(problems.values - self.now_value[:, :, None])
        self.price = np.where(moved > 0, problems.change_price[:, :, None] + problems.ml_price[:, :, None] * moved, 0.0)
        self.rungs = np.concatenate([rungs, self.price[None]]).reshape(sums + 1, -1)
        # All ladders in one sorted array, each offset above the one before: one search finds the rung of every bound.
        self.shelf = (problems.values + SHELF_ML * np.arange(self.pours * self.number).reshape(self.pours, -1, 1)).ravel()
        self.pour = np.arange(self.pours)[:, None]
        # The tin's strength lies between the weakest and the strongest pour.
        ml, alcohol = (np.concatenate([self.gives[row], self.fixed[row : row + 1]]) for row in (4, 5))
        self.weakest = np.divide(alcohol, ml, out=np.ones_like(ml), where=ml > 0).min(axis=0)
        self.strongest = np.divide(alcohol, ml, out=np.zeros_like(ml), where=ml > 0).max(axis=0)

    # Evaluating

    def offer(self, owner: Ints, low: Ints, high: Ints) -> None:
        """Evaluate every drink of these boxes, shape (pours, boxes), and keep the best of each group."""
        sizes = (high - low + 1).prod(axis=0)
        ends = np.cumsum(sizes)
        start = 0
        while start < len(owner):
            done = ends[start - 1] if start else 0
            stop = max(start + 1, int(np.searchsorted(ends, done + POINTS_AT_ONCE, side="right")))
            part = slice(start, stop)
            self._offer(owner[part], low[:, part], high[:, part])
            start = stop

    def _offer(self, owner: Ints, low: Ints, high: Ints) -> None:
        # Pour by pour, so that drinks with the same first amounts are summed once.
        box, sums, trail = np.arange(len(owner)), np.zeros((len(self.rungs), len(owner))), []
        for pour in range(self.pours):
            width = (high[pour] - low[pour] + 1)[box]
            before = np.repeat(np.arange(len(box)), width)
            first = (pour * self.number + owner[box]) * self.ladder + low[pour][box] - (np.cumsum(width) - width)
            rung = first[before] + np.arange(len(before))
            sums = sums.take(before, axis=1) + self.rungs.take(rung, axis=1)
            box = box[before]
            trail.append((before, rung))
        self.evaluated += len(box)
        self.budget.spend(len(box))
        costs = cost_of(sums[:-1], self.of.goal, self.of.method, self.of.conditions) + sums[-1]
        group = self.of.group[owner]
        better = np.flatnonzero(costs < self.best[group][box])
        # Where a group is written several times the last wins: it must be the least.
        point = better[np.argsort(-costs[better], kind="stable")]
        owner, group = owner[box[point]], group[box[point]]
        self.best[group], self.best_problem[group] = costs[point], owner
        for pour in reversed(range(self.pours)):
            before, rung = trail[pour]
            self.best_index[pour, group] = rung[point] % self.ladder
            point = before[point]

    def weigh_all(self) -> bool:
        """Evaluate all drinks where they are few, and return whether that was done."""
        if self.of.start is not None or self.of.counts.prod(axis=0, dtype=float).sum() > SO_FEW:
            return False
        self.offer(np.arange(self.number), np.zeros_like(self.of.counts), self.of.counts - 1)
        return True

    # A good first drink

    def start(self) -> None:
        """Evaluate the present drink and those around the continuous minimum, then descend on the grid."""
        everyone = np.arange(self.number)
        if self.of.start is not None:
            self.offer(everyone, self.of.start, self.of.start)
            return
        self.offer(everyone, self.of.now, self.of.now)
        low, high = self._around(self._continuous())
        self.offer(everyone, low, high)
        groups = np.flatnonzero(self.best_problem >= 0)
        for _ in range(6):
            before = self.best[groups].copy()
            owner, at = self.best_problem[groups], self.best_index[:, groups]
            self.offer(owner, np.maximum(at - 1, 0), np.minimum(at + 1, self.of.counts[:, owner] - 1))
            groups = groups[self.best[groups] < before]
            if len(groups) == 0:
                return

    def _continuous(self) -> Floats:
        """Return volumes close to the target without a grid, shape (pours, problems), by a few damped Gauss–Newton steps."""
        goal, of = self.of.goal, self.of
        least, most = of.values[:, :, 0], of.values[:, :, -1]
        v = self.now_value
        root = np.sqrt([goal.volume_weight, *goal.weights]) / np.array([goal.volume_step, *goal.step])
        for _ in range(4):
            sums = self.fixed + (self.gives * v).sum(axis=1)
            water, by_tin = water_and_slopes(_tin(sums), of.method, of.conditions)
            ml = np.maximum(sums[0] + water, 1e-3)
            grows = self.gives[0] + sum(by * self.gives[4 + row] for row, by in enumerate(by_tin) if by is not None)
            residual, slopes = np.empty((4, self.number)), np.empty((4, self.pours, self.number))
            residual[0], slopes[0] = np.log(ml) - goal.volume, grows / ml
            for axis in range(3):
                amount = np.maximum(sums[1 + axis], goal.floors[axis] * ml)
                residual[1 + axis] = np.log(amount / ml) - goal.levels[axis]
                slopes[1 + axis] = self.gives[1 + axis] / amount - grows / ml
            residual *= root[:, None]
            slopes *= root[:, None, None]
            normal = np.einsum("afk,agk->kfg", slopes, slopes) + 1e-5 * np.eye(self.pours)
            wanted = -np.einsum("afk,ak->kf", slopes, residual)
            v = np.clip(v + np.linalg.solve(normal, wanted[:, :, None])[:, :, 0].T, least, most)
        return v

    def _around(self, v: Floats) -> tuple[Ints, Ints]:
        """Return the rungs just below and just above volumes."""
        high = np.minimum((self.of.values < v[:, :, None]).sum(axis=2), self.of.counts - 1)
        return np.maximum(high - 1, 0), high

    # Proof

    def prove(self) -> None:
        """Shrink, split and evaluate boxes until none could hold a better drink, or the budget is spent."""
        open_ = [(np.arange(self.number), np.zeros_like(self.of.counts), self.of.counts - 1)]
        while open_:
            if self.budget.spent:
                self.proved[np.unique(self.of.group[np.concatenate([owner for owner, _, _ in open_])])] = False
                return
            owner, low, high = last_boxes(open_, BOXES_AT_ONCE)
            self.budget.spend(BOX_WORK * len(owner))
            before = points_of(low, high)
            owner, low, high, effect, kept = self._shrink(owner, low, high)
            points = points_of(low, high)
            few = points <= (FEW_POINTS if len(points) > FEW_BOXES else MOST_POINTS_OF_A_BOX)
            self.offer(owner[few], low[:, few], high[:, few])
            # A box that has shrunk a lot is worth shrinking again before it is split.
            again = ~few & (points < 0.3 * before[kept])
            split = ~few & ~again
            parts = self._parts(owner[split], low[:, split], high[:, split], effect[:, split])
            for more in ((owner[again], low[:, again], high[:, again]), parts):
                if len(more[0]):
                    open_.append(more)

    def minima(self) -> Minima:
        """Return the best of each group."""
        hit = self.best_problem >= 0
        volumes = self.of.values[self.pour, np.maximum(self.best_problem, 0), self.best_index]
        return Minima(np.where(hit, self.best, np.inf), self.best_problem, self.best_index, volumes, self.proved, self.evaluated)

    def _parts(self, owner: Ints, low: Ints, high: Ints, effect: Floats) -> tuple[Ints, Ints, Ints]:
        """Return each box cut in half across the pour that changes the drink most in it; if boxes are few, across the next one too."""
        for _ in range(2 if len(owner) <= FEW_BOXES else 1):
            box = np.arange(len(owner))
            across = np.where(high > low, effect, -1.0).argmax(axis=0)
            wide = high[across, box] > low[across, box]
            middle = np.where(wide, (low[across, box] + high[across, box]) // 2, high[across, box])
            below, above = high.copy(), low.copy()
            below[across, box], above[across, box] = middle, middle + 1
            effect[across, box] = 0.0
            low, high = np.concatenate([low, above[:, wide]], axis=1), np.concatenate([below, high[:, wide]], axis=1)
            owner, effect = np.concatenate([owner, owner[wide]]), np.concatenate([effect, effect[:, wide]], axis=1)
        return owner, low, high

    def _shrink(self, owner: Ints, low: Ints, high: Ints) -> tuple[Ints, Ints, Ints, Floats, Ints]:
        """Return the boxes that may still hold something better, shrunk; how many steps each pour changes the drink within them; and
        their indices.
        """
        price_low, price_high = (self.price[self.pour, owner, at] for at in (low, high))
        now, now_value = self.of.now[:, owner], self.now_value[:, owner]
        stays = (low <= now) & (now <= high)
        cheapest = np.where(stays, 0.0, np.minimum(price_low, price_high))
        box = _Box(self, owner, low, high, cheapest.sum(axis=0))
        slopes, constants = box.planes()
        smallest = np.minimum(slopes * box.least, slopes * box.most)
        # The last plane is J's own bound, and a change has its price there.
        by_j = slopes[-1]
        smallest[-1] = np.minimum(by_j * box.least + price_low, by_j * box.most + price_high)
        smallest[-1] = np.where(stays, np.minimum(smallest[-1], by_j * now_value), smallest[-1])
        total = smallest.sum(axis=1) + constants
        alive = (total <= SLACK * (1 + np.abs(constants))).all(axis=0)
        room = smallest - total[:, None]
        rises, falls = slopes > 1e-12, slopes < -1e-12
        bound = room / np.where(rises | falls, slopes, 1.0)
        shortest = np.where(falls, bound, -np.inf)[:-1].max(axis=0)
        tallest = np.where(rises, bound, np.inf)[:-1].min(axis=0)
        # Away from the present amounts each ml costs: J's plane is steeper there.
        per_ml, slack = self.of.ml_price[:, owner], room[-1] - self.of.change_price[:, owner]
        below, above = high < now, low > now
        to_tallest, to_shortest = by_j + np.where(below, -per_ml, per_ml), by_j + np.where(above, per_ml, -per_ml)
        tall = (slack + (to_tallest - by_j) * now_value) / np.where(to_tallest > 1e-12, to_tallest, 1.0)
        short = (slack + (to_shortest - by_j) * now_value) / np.where(to_shortest < -1e-12, to_shortest, 1.0)
        tall = np.where(to_tallest > 1e-12, np.where(stays, np.maximum(tall, now_value), tall), np.inf)
        short = np.where(to_shortest < -1e-12, np.where(stays, np.minimum(short, now_value), short), -np.inf)
        shortest, tallest = np.maximum(shortest, short), np.minimum(tallest, tall)
        low, high = self._rungs_within(owner, low, high, shortest, tallest)
        kept = np.flatnonzero(alive & (low <= high).all(axis=0))
        return owner[kept], low[:, kept], high[:, kept], box.effect[:, kept], kept

    def _rungs_within(self, owner: Ints, low: Ints, high: Ints, shortest: Floats, tallest: Floats) -> tuple[Ints, Ints]:
        """Return boxes cut back to the rungs between two volumes."""
        ladder = self.pour * self.number + owner
        lowest, highest = (np.clip(volume, -1.0, SHELF_ML - 2) + ladder * SHELF_ML for volume in (shortest - 1e-6, tallest + 1e-6))
        first = np.searchsorted(self.shelf, lowest, side="left") - ladder * self.ladder
        last = np.searchsorted(self.shelf, highest, side="right") - ladder * self.ladder - 1
        return np.maximum(low, first), np.minimum(high, last)


class _Box:
    """Bounds of many boxes at once; the last axis of every array is the box."""

    def __init__(self, search: _Search, owner: Ints, low: Ints, high: Ints, cheapest: Floats) -> None:
        of = search.of
        self.search, self.goal, self.owner = search, of.goal, owner
        self.gives, self.fixed = search.gives.take(owner, axis=2), search.fixed.take(owner, axis=1)
        self.least, self.most = of.values[search.pour, owner, low], of.values[search.pour, owner, high]
        self.middle = (self.least + self.most) / 2
        self.best = np.minimum(search.best[of.group[owner]], FAR)
        # The least cost of its changes reduces what the axes may be off.
        self.reach = np.sqrt(np.maximum(self.best - cheapest, 0.0))
        self.low, self.high = (self.fixed + (self.gives * v).sum(axis=1) for v in (self.least, self.most))
        self.mid = (self.low + self.high) / 2
        water_over, water_under = self._water_by_corners() if search.by_tin else self._water_by_curve()
        # The drink's volume lies between two planes: slopes in the pours, shape (pours, boxes), and constants.
        self.over = Plane(self.gives[0] + water_over.slope, self.fixed[0] + water_over.at)
        self.under = Plane(self.gives[0] + water_under.slope, self.fixed[0] + water_under.at)
        far = self._reach(self.goal.volume_weight) * self.goal.volume_step
        lowest, highest = self._least(self.under), self._most(self.over)
        self.ml_low = np.maximum(np.maximum(lowest, np.exp(self.goal.volume - far)), 1e-6)
        self.ml_high = np.maximum(np.minimum(highest, np.exp(self.goal.volume + far)), self.ml_low)
        self.ml_mid = np.maximum(self.over.at + (self.over.slope * self.middle).sum(axis=0), 1e-6)
        self.effect = np.zeros_like(self.least)

    def planes(self) -> tuple[Floats, Floats]:
        """Return planes that are at most 0 wherever a drink is better than the best so far: slopes (planes, pours, boxes) and
        constants; the last bounds J itself without the identity cost.
        """
        goal = self.goal
        slopes = [self.under.slope, -self.over.slope]
        constants = [self.under.at - self.ml_high, self.ml_low - self.over.at]
        # Coefficient of ln(volume) in J's bound.
        m = (np.log(self.ml_mid) - goal.volume) / goal.volume_step
        by_volume = 2 * goal.volume_weight * m / goal.volume_step
        cut = Plane(np.zeros_like(self.least), -by_volume * goal.volume - goal.volume_weight * m * m - self.best)
        effect = goal.volume_weight * (self.over.slope / self.ml_mid / goal.volume_step) ** 2
        for axis in range(3):
            weight, step, floor = goal.weights[axis], goal.step[axis], goal.floors[axis]
            if weight == 0:
                continue
            amount = Plane(self.gives[1 + axis], self.fixed[1 + axis])
            far = self._reach(weight) * step
            highest, lowest = np.exp(goal.levels[axis] + far), np.exp(goal.levels[axis] - far)
            # A level under the floor counts as the floor, so nothing is asked of it then.
            lowest = np.where(lowest > floor, lowest, 0.0)
            slopes += [amount.slope - highest * self.over.slope, lowest * self.under.slope - amount.slope]
            constants += [amount.at - highest * self.over.at, lowest * self.under.at - amount.at]
            q_low = np.maximum(self.low[1 + axis], lowest * self.ml_low)
            q_high = np.maximum(np.minimum(self.high[1 + axis], highest * self.ml_high), q_low)
            q_mid = np.clip(self.mid[1 + axis], np.maximum(q_low, 1e-9), np.maximum(q_high, 1e-9))
            # Where a level may fall under the floor in the box, n² is only bounded by how near it can come to 0.
            clear = (q_low >= floor * self.ml_high) & (q_low > 0)
            nearest = (np.log(np.maximum(q_low / self.ml_high, floor)) - goal.levels[axis]) / step
            farthest = (np.log(np.maximum(q_high / self.ml_low, floor)) - goal.levels[axis]) / step
            m = np.where(clear, (np.log(q_mid / self.ml_mid) - goal.levels[axis]) / step, 0.0)
            by_amount = 2 * weight * m / step
            cut.add(by_amount, *log_of(amount, by_amount, np.maximum(q_low, 1e-9), q_mid, np.maximum(q_high, 1e-9)))
            cut.at += np.where(
                clear, -by_amount * goal.levels[axis] - weight * m * m, weight * np.maximum(0, np.maximum(nearest, -farthest)) ** 2
            )
            by_volume = by_volume - by_amount
            effect = effect + weight * ((amount.slope / np.maximum(q_mid, floor * self.ml_mid) - self.over.slope / self.ml_mid) / step) ** 2
        volume = np.where(by_volume >= 0, 1.0, 0.0)
        bound = Plane(volume * self.under.slope + (1 - volume) * self.over.slope, volume * self.under.at + (1 - volume) * self.over.at)
        cut.add(by_volume, *log_of(bound, by_volume, self.ml_low, np.clip(self.ml_mid, self.ml_low, self.ml_high), self.ml_high))
        self.effect = np.sqrt(effect) * (self.most - self.least)
        return np.array([*slopes, cut.slope]), np.array([*constants, cut.at])

    def _reach(self, weight: float) -> Floats:
        """Return how many steps an axis of this weight can be off in a better drink."""
        return self.reach / np.sqrt(weight) if weight > 0 else np.full_like(self.reach, 50.0)

    def _least(self, plane: Plane) -> Floats:
        least: Floats = plane.at + np.minimum(plane.slope * self.least, plane.slope * self.most).sum(axis=0)
        return least

    def _most(self, plane: Plane) -> Floats:
        most: Floats = plane.at + np.maximum(plane.slope * self.least, plane.slope * self.most).sum(axis=0)
        return most

    def _water_by_curve(self) -> tuple[Plane, Plane]:
        """Return planes over and under the water of a concave curve: its tangent at the middle, its chord between the weakest and
        strongest tin.
        """
        of = self.search.of
        low, middle, high = (_tin(volumes) for volumes in (self.low, self.mid, self.high))
        _, (by_ml, by_alcohol, *_) = water_and_slopes(middle, of.method, of.conditions)
        weakest, strongest = self.search.weakest[self.owner], self.search.strongest[self.owner]
        weakest = np.maximum(weakest, np.divide(low.alcohol_ml, high.volume_ml, out=np.zeros_like(weakest), where=high.volume_ml > 0))
        strongest = np.minimum(strongest, np.divide(high.alcohol_ml, low.volume_ml, out=np.ones_like(weakest), where=low.volume_ml > 0))
        strongest = np.maximum(weakest, strongest)
        one, none = np.ones_like(weakest), np.zeros_like(weakest)
        at_weakest, at_strongest = (water_from_ice(Tin(one, a, none, none), of.method, of.conditions) for a in (weakest, strongest))
        apart = strongest - weakest
        chord = np.divide(at_strongest - at_weakest, apart, out=np.zeros_like(apart), where=apart > 1e-9)
        alone = np.minimum(at_weakest - chord * weakest, at_strongest - chord * strongest)
        over = Plane(by_ml * self.gives[4] + by_alcohol * self.gives[5], by_ml * self.fixed[4] + by_alcohol * self.fixed[5])
        return over, Plane(alone * self.gives[4] + chord * self.gives[5], alone * self.fixed[4] + chord * self.fixed[5])

    def _water_by_corners(self) -> tuple[Plane, Plane]:
        """Return planes around the water of the heat balance: its slope at the middle, corrected for curvature, and a margin."""
        of, pours = self.search.of, len(self.least)
        middle = _tin(self.mid)
        water, by_sums = water_and_slopes(middle, of.method, of.conditions)
        slope = sum(by * self.gives[4 + row] for row, by in enumerate(by_sums) if by is not None) + np.zeros_like(self.least)
        half = (self.most - self.least) / 2
        signs = np.array([*itertools.product((-1.0, 1.0), repeat=pours), *np.eye(pours), *-np.eye(pours)])
        moved = signs.T[:, :, None] * half[:, None]
        sums = self.mid[:, None] + np.einsum("sfb,fcb->scb", self.gives, moved)
        bent = water_from_ice(_tin(sums), of.method, of.conditions) - water - (slope[:, None] * moved).sum(axis=0)
        corners, alone = bent[: 2**pours], bent[2**pours : 2**pours + pours] + bent[2**pours + pours :]
        together = corners - alone.sum(axis=0) / 2
        highest = np.maximum(alone, 0).sum(axis=0) / 2 + np.maximum(together.max(axis=0), 0)
        lowest = np.minimum(alone, 0).sum(axis=0) / 2 + np.minimum(together.min(axis=0), 0)
        slack = MARGIN * (highest - lowest) + 1e-6
        at = water - (slope * self.middle).sum(axis=0)
        return Plane(slope, at + highest + slack), Plane(slope, at + lowest - slack)
