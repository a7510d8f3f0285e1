"""Choosing the amounts of many combinations at once: the balancing roles vary over a jigger's marks, the others are fixed
(docs/model/originals.md).
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, FIGURES
from oenomel.core.dilution import Conditions, Tin, water_from_ice
from oenomel.core.families import TypicalRange
from oenomel.core.larder import Ingredient
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.parts import ACCENTS, BALANCING, PARTS, usual_ml
from oenomel.core.originals.space import NONE, ORDER
from oenomel.core.originals.usual_measures import accent_pour, below_overpowering_ml
from oenomel.core.rebalance import Objective, Target
from oenomel.core.rebalance.grid_search import Problems, guess
from oenomel.core.spec import Method

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]

JIGGER_MARKS: Final = (
    5.0, 7.5, 10.0, 15.0, 20.0, 22.5, 25.0, 30.0, 35.0, 37.5, 40.0, 45.0, 50.0, 52.5, 60.0, 75.0, 90.0, 120.0,
)  # fmt: skip
"""Marks of jiggers, by ml and by quarter ounces (common practice)."""

REACHES: Final[Mapping[str, tuple[float, float]]] = {
    "base": (30.0, 60.0),
    "sour": (7.5, 45.0),
    "sweet": (2.5, 30.0),
    "lengthener": (45.0, 120.0),
}
"""Range of a balancing role, [ml]."""

SHAKEN: Final = Method(technique="shake")
AT_ONCE: Final = 4096
TIE_BY_ML: Final = 1e-12
BASE, BASE2 = ORDER.index("base"), ORDER.index("base2")


@dataclass(frozen=True)
class Poured:
    """Combinations with their amounts: ml of each role, shape (n, roles); figures as served, shape (4, n); J; distance from the
    typical range, [steps].
    """

    volumes: Floats
    figures: Floats
    cost: Floats
    distance: Floats


class Pourer:
    """Chooses the amounts of combinations for one set of criteria over one larder."""

    def __init__(self, ingredients: tuple[Ingredient, ...], criteria: Criteria, home: TypicalRange, conditions: Conditions) -> None:
        self.home, self.conditions = home, conditions
        self.goal = Objective(_target(criteria, home)).goal
        axes = np.array([ingredient.composition.axes for ingredient in ingredients])
        # ml; sugar, acid, alcohol a hundredfold; and the tin's, as the search of amounts sums them.
        self.per_ml = np.column_stack([np.ones(len(axes)), axes[:, 1], axes[:, 2], axes[:, 0]])
        self.usual = np.zeros((len(ORDER), len(ingredients)))
        self.most = np.full((len(ORDER), len(ingredients)), np.inf)
        self.in_tin = np.ones((len(ORDER), len(ingredients)), dtype=np.bool_)
        for p, part in enumerate(ORDER):
            for index, one in enumerate(ingredients):
                if PARTS[part].slot not in one.slots and part not in ("base", "base2"):
                    continue
                self.most[p, index] = below_overpowering_ml(one, REACHES.get(part, (0.0, 120.0))[1], criteria.grid_ml)
                self.usual[p, index] = accent_pour(one).liquid_ml if part in ACCENTS else usual_ml(part, one, criteria)
                poured = accent_pour(one) if part in ACCENTS else None
                self.in_tin[p, index] = poured.meets_ice if poured else part != "lengthener" or criteria.form == "long on juice"
        self.marks = {part: _marks(part, criteria) for part in BALANCING}
        halves = {mark for mark in self.marks["base"] if _on_grid(mark / 2, criteria.grid_ml)}
        self.halved = {mark for mark in halves if mark / 2 in JIGGER_MARKS} or halves

    def pour(self, drawn: Ints) -> Poured:
        """Yield combinations at their best amounts, in chunks that fit a processor's cache."""
        parts = [self._pour(drawn[start : start + AT_ONCE]) for start in range(0, len(drawn), AT_ONCE)]
        return Poured(
            np.concatenate([poured.volumes for poured in parts]),
            np.concatenate([part.figures for part in parts], axis=1),
            np.concatenate([poured.cost for poured in parts]),
            np.concatenate([poured.distance for poured in parts]),
        )

    def problems(self, drawn: Ints) -> Problems:
        """Return the search for each combination's amounts, without a cost of changes: an original has no parent."""
        many, parts = len(drawn), len(BALANCING)
        there, fixed_ml = drawn != NONE, self._staying(drawn)
        longest = max(map(len, self.marks.values()))
        values, counts = np.zeros((parts, many, longest)), np.ones((parts, many), dtype=np.int64)
        gives, now = np.zeros((8, parts, many)), np.zeros((parts, many), dtype=np.int64)
        for row, part in enumerate(BALANCING):
            has, marks = there[:, ORDER.index(part)], self.marks[part]
            ladder = np.where(has[:, None], self._ladder(part, drawn), 0.0)
            values[row, :, : len(marks)], values[row, :, len(marks) :] = ladder, ladder[:, -1:]
            counts[row] = np.where(has, len(marks), 1)
            now[row] = np.where(has, len(marks) // 2, 0)
            gives[:4, row] = np.where(has, self._brings(part, drawn).T, 0.0)
            gives[4:, row] = _in_the_tin(gives[:4, row] * self._in_tin(drawn)[:, ORDER.index(part)])
        no_price, tie = np.zeros((parts, many)), np.full((parts, many), TIE_BY_ML)
        fixed, row_numbers = self._sums(drawn, fixed_ml), np.arange(many)
        return Problems(values, counts, now, no_price, tie, gives, fixed, row_numbers, self.goal, SHAKEN, self.conditions)

    def _pour(self, drawn: Ints) -> Poured:
        minima = guess(self.problems(drawn))
        volumes = self._staying(drawn)
        for row, part in enumerate(BALANCING):
            volumes[:, ORDER.index(part)] = minima.volumes[row]
        split = drawn[:, BASE2] != NONE
        volumes[split, BASE] /= 2
        volumes[split, BASE2] = volumes[split, BASE]
        sums = self._sums(drawn, volumes)
        ml = sums[0] + water_from_ice(Tin(sums[4], sums[5], sums[6], sums[7]), SHAKEN, self.conditions)
        figures = np.stack([ml, sums[3] / ml, sums[1] / ml, sums[2] / ml])
        at = np.column_stack([axis.at(figures[FIGURES.index(name)]) for name, axis in AXES.items()])
        return Poured(volumes, figures, minima.J, self.home.distances(at))

    def _staying(self, drawn: Ints) -> Floats:
        """Return the roles with a fixed amount at their usual measure, shape (combinations, roles), [ml]."""
        volumes: Floats = np.where(drawn != NONE, self.usual[np.arange(len(ORDER)), np.maximum(drawn, 0)], 0.0)
        volumes[:, [ORDER.index(part) for part in (*BALANCING, "base2")]] = 0.0
        return volumes

    def _ladder(self, part: str, drawn: Ints) -> Floats:
        """Return the marks of a role, shape (combinations, marks), rising, [ml]: none above its overpowering amount; for a shared base only
        those that can be halved.
        """
        column = ORDER.index(part)
        most = self.most[column, np.maximum(drawn[:, column], 0)]
        ladder = np.repeat(np.array(self.marks[part])[None], len(drawn), axis=0)
        if part == "base":
            split = drawn[:, BASE2] != NONE
            both = 2 * np.minimum(most, self.most[column, np.maximum(drawn[:, BASE2], 0)])
            most = np.where(split, both, most)
            ladder[split] = sorted(mark if mark in self.halved else min(self.halved) for mark in self.marks["base"])
        quiet_ones: Floats = np.minimum(ladder, np.maximum(most, ladder.min(axis=1))[:, None])
        return quiet_ones

    def _brings(self, part: str, drawn: Ints) -> Floats:
        """Return what a ml of a role contributes; for a shared base half of each."""
        brings: Floats = self.per_ml[np.maximum(drawn[:, ORDER.index(part)], 0)]
        if part != "base":
            return brings
        shared = (brings + self.per_ml[np.maximum(drawn[:, BASE2], 0)]) / 2
        both: Floats = np.where((drawn[:, BASE2] != NONE)[:, None], shared, brings)
        return both

    def _in_tin(self, drawn: Ints) -> NDArray[np.bool_]:
        return self.in_tin[np.arange(len(ORDER)), np.maximum(drawn, 0)]

    def _sums(self, drawn: Ints, volumes: Floats) -> Floats:
        brings = self.per_ml[np.maximum(drawn, 0)] * volumes[:, :, None]
        tin = brings * self._in_tin(drawn)[:, :, None]
        return np.concatenate([brings.sum(axis=1).T, _in_the_tin(tin.sum(axis=1).T)])


def _in_the_tin(sums: Floats) -> Floats:
    """Convert ml and a hundredfold sugar, acid and alcohol to ml, ml of alcohol, g of sugar and g of acid."""
    return np.stack([sums[0], sums[3] / 100, sums[1] / 100, sums[2] / 100])


def _marks(part: str, criteria: Criteria) -> tuple[float, ...]:
    low, high = REACHES[part]
    on_grid = [mark for mark in JIGGER_MARKS if low <= mark <= high and _on_grid(mark, criteria.grid_ml)]
    if len(on_grid) < 3:
        steps = np.arange(np.ceil(low / criteria.grid_ml), np.floor(high / criteria.grid_ml) + 1) * criteria.grid_ml
        on_grid = [float(step) for step in steps if step > 0]
    return tuple(on_grid)


def _on_grid(ml: float, grid_ml: float) -> bool:
    return abs(ml / grid_ml - round(ml / grid_ml)) < 1e-9


def _target(criteria: Criteria, home: TypicalRange) -> Target:
    """Return the target: the middle of the typical range, moved by the palate and the wished sweetness as far as it stays typical,
    with the wished strength.
    """
    off = np.array(criteria.off) + np.array([{"dry": -1.0, "sweet": 1.0}.get(criteria.sweetness, 0.0), 0.0, 0.0])
    middle = home.points.mean(axis=0)
    if off.any():
        off = off * next((t for t in np.linspace(1, 0, 21) if home.distances((middle + t * off)[None])[0] <= WELL_WITHIN), 0.0)
    centre = dict(home.centre(off))
    if criteria.abv is not None and "abv" in centre:
        low, high = criteria.abv
        # Well inside the band: a jigger's marks don't hit its edge.
        inside = min(0.5 * (high - low), 0.6)
        centre["abv"] = min(max(centre["abv"], low + inside), high - inside)
    return Target(volume_ml=home.volume_ml, **centre)


WELL_WITHIN: Final = 0.5
"""How far a palate may move the target from the schools, [steps], so that the drink stays in the typical range."""
