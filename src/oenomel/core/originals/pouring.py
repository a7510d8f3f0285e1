"""Pours many combinations toward home at once: the balancing parts move over a jigger's marks, the rest stay (model.md §7 and §11)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, FIGURES
from oenomel.core.families import Home
from oenomel.core.ice import Conditions, Tin, water_from_ice
from oenomel.core.larder import Ingredient
from oenomel.core.originals.measures import accent_pour, quiet
from oenomel.core.originals.parts import BALANCING, PARTS, usual_ml
from oenomel.core.originals.space import NONE, ORDER
from oenomel.core.originals.wish import Wish
from oenomel.core.spec import Method
from oenomel.core.swaps import Aim, Problems, Target, guess

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]

JIGGER_MARKS: Final = (
    5.0, 7.5, 10.0, 15.0, 20.0, 22.5, 25.0, 30.0, 35.0, 37.5, 40.0, 45.0, 50.0, 52.5, 60.0, 75.0, 90.0, 120.0,
)  # fmt: skip
"""What jiggers have marks for, by ml and by quarters of an ounce (common practice)."""

REACHES: Final[Mapping[str, tuple[float, float]]] = {
    "base": (30.0, 60.0),
    "sour": (7.5, 45.0),
    "sweet": (0.0, 30.0),
    "lengthener": (45.0, 120.0),
}
"""Between what a balancing part may be poured, [ml]."""

SHAKEN: Final = Method(technique="shake")
AT_ONCE: Final = 4096


@dataclass(frozen=True)
class Poured:
    """Combinations as poured: ml of each part, shape (n, parts); figures as served, shape (4, n); J; distance from home, [steps]."""

    volumes: Floats
    figures: Floats
    cost: Floats
    distance: Floats


class Pourer:
    """Pours combinations of one wish over one larder."""

    def __init__(self, ingredients: tuple[Ingredient, ...], wish: Wish, home: Home, conditions: Conditions) -> None:
        self.home, self.conditions = home, conditions
        self.goal = Aim(_target(wish, home)).goal
        axes = np.array([each.composition.axes for each in ingredients])
        # ml; sugar, acid, alcohol a hundredfold; and the tin's, as the search of amounts sums them.
        self.per_ml = np.column_stack([np.ones(len(axes)), axes[:, 1], axes[:, 2], axes[:, 0]])
        self.usual = np.zeros((len(ORDER), len(ingredients)))
        self.most = np.full((len(ORDER), len(ingredients)), np.inf)
        self.in_tin = np.ones((len(ORDER), len(ingredients)), dtype=np.bool_)
        for p, part in enumerate(ORDER):
            for place, each in enumerate(ingredients):
                if PARTS[part].slot not in each.slots and part not in ("base", "base2"):
                    continue
                self.most[p, place] = quiet(each, REACHES.get(part, (0.0, 120.0))[1], wish.grid_ml)
                self.usual[p, place] = accent_pour(each).liquid_ml if part == "accent" else usual_ml(part, each, wish)
                poured = accent_pour(each) if part == "accent" else None
                self.in_tin[p, place] = poured.meets_ice if poured else part != "lengthener" or wish.form == "long on juice"
        self.marks = {part: _marks(part, wish) for part in BALANCING}
        self.halved = {mark for mark in self.marks["base"] if mark / 2 in JIGGER_MARKS and _on_grid(mark / 2, wish.grid_ml)}

    def pour(self, drawn: Ints) -> Poured:
        """Combinations at what balances them best, in chunks that fit a processor's cache."""
        parts = [self._pour(drawn[start : start + AT_ONCE]) for start in range(0, len(drawn), AT_ONCE)]
        return Poured(
            np.concatenate([each.volumes for each in parts]),
            np.concatenate([each.figures for each in parts], axis=1),
            np.concatenate([each.cost for each in parts]),
            np.concatenate([each.distance for each in parts]),
        )

    def _pour(self, drawn: Ints) -> Poured:
        many = len(drawn)
        there = drawn != NONE
        volumes = np.where(there, self.usual[np.arange(len(ORDER)), np.maximum(drawn, 0)], 0.0)
        for part in (*BALANCING, "base2"):
            volumes[:, ORDER.index(part)] = 0.0
        in_tin = self.in_tin[np.arange(len(ORDER)), np.maximum(drawn, 0)]
        fixed = self._sums(drawn, volumes, in_tin)
        longest = max(map(len, self.marks.values()))
        values, counts = np.zeros((len(BALANCING), many, longest)), np.ones((len(BALANCING), many), dtype=np.int64)
        gives, now = np.zeros((8, len(BALANCING), many)), np.zeros((len(BALANCING), many), dtype=np.int64)
        split = there[:, ORDER.index("base2")]
        for row, part in enumerate(BALANCING):
            column = ORDER.index(part)
            has, place = there[:, column], np.maximum(drawn[:, column], 0)
            marks, most = self.marks[part], self.most[column, place]
            ladder = np.repeat(np.array(marks)[None], many, axis=0)
            if part == "base":
                most = np.where(split, np.minimum(most, self.most[column, np.maximum(drawn[:, ORDER.index("base2")], 0)]) * 2, most)
                ladder[split] = [mark if mark in self.halved else min(self.halved) for mark in marks]
            ladder = np.minimum(np.sort(ladder, axis=1), np.maximum(most, ladder.min(axis=1))[:, None])
            ladder[~has] = 0.0
            values[row, :, : len(marks)], values[row, :, len(marks) :] = ladder, ladder[:, -1:]
            counts[row] = np.where(has, len(marks), 1)
            now[row] = np.where(has, len(marks) // 2, 0)
            brings = self.per_ml[place]
            if part == "base":
                second = self.per_ml[np.maximum(drawn[:, ORDER.index("base2")], 0)]
                brings = np.where(split[:, None], (brings + second) / 2, brings)
            gives[:4, row] = np.where(has, brings.T, 0.0)
            gives[4:, row] = _in_the_tin(gives[:4, row] * in_tin[:, column])
        found = guess(Problems(values, counts, now, np.zeros((len(BALANCING), many)), np.full((len(BALANCING), many), 1e-12), gives, fixed,
                               np.arange(many), self.goal, SHAKEN, self.conditions))  # fmt: skip
        free = found.volumes.T
        for row, part in enumerate(BALANCING):
            volumes[:, ORDER.index(part)] = free[:, row]
        base, base2 = ORDER.index("base"), ORDER.index("base2")
        volumes[split, base2] = volumes[split, base] / 2
        volumes[split, base] /= 2
        sums = self._sums(drawn, volumes, in_tin)
        ml = sums[0] + water_from_ice(Tin(sums[4], sums[5], sums[6], sums[7]), SHAKEN, self.conditions)
        figures = np.stack([ml, sums[3] / ml, sums[1] / ml, sums[2] / ml])
        at = np.column_stack([axis.at(figures[FIGURES.index(name)]) for name, axis in AXES.items()])
        return Poured(volumes, figures, found.J, self.home.distances(at))

    def _sums(self, drawn: Ints, volumes: Floats, in_tin: NDArray[np.bool_]) -> Floats:
        brings = self.per_ml[np.maximum(drawn, 0)] * volumes[:, :, None]
        return np.concatenate([brings.sum(axis=1).T, _in_the_tin((brings * in_tin[:, :, None]).sum(axis=1).T)])


def _in_the_tin(sums: Floats) -> Floats:
    """ml, ml of alcohol, g of sugar and of acid, from ml and a hundredfold sugar, acid and alcohol."""
    return np.stack([sums[0], sums[3] / 100, sums[1] / 100, sums[2] / 100])


def _marks(part: str, wish: Wish) -> tuple[float, ...]:
    low, high = REACHES[part]
    on_grid = [mark for mark in JIGGER_MARKS if low <= mark <= high and _on_grid(mark, wish.grid_ml)]
    if len(on_grid) < 3:
        steps = np.arange(np.ceil(low / wish.grid_ml), high / wish.grid_ml + 1) * wish.grid_ml
        on_grid = [float(each) for each in steps if each > 0]
    # Only a daisy may go without its syrup.
    return (0.0, *on_grid) if part == "sweet" and wish.family == "daisy" else tuple(on_grid)


def _on_grid(ml: float, grid_ml: float) -> bool:
    return abs(ml / grid_ml - round(ml / grid_ml)) < 1e-9


def _target(wish: Wish, home: Home) -> Target:
    """Home, moved by the palate and the sweet tooth as far as it stays a home, with the strength wished for."""
    off = np.array(wish.off) + np.array([{"dry": -1.0, "sweet": 1.0}.get(wish.sweetness, 0.0), 0.0, 0.0])
    middle = home.points.mean(axis=0)
    if off.any():
        off = off * next((t for t in np.linspace(1, 0, 21) if home.distances((middle + t * off)[None])[0] <= WELL_WITHIN), 0.0)
    centre = dict(home.centre(off))
    if wish.abv is not None and "abv" in centre:
        low, high = wish.abv
        # Well inside the band: a jigger's marks don't hit its edge.
        inside = min(0.5 * (high - low), 0.6)
        centre["abv"] = min(max(centre["abv"], low + inside), high - inside)
    return Target(volume_ml=home.volume_ml, **centre)


WELL_WITHIN: Final = 0.5
"""How far from a home's own schools a palate may move what is aimed at, [steps]: a drink poured there still stands at home."""
