"""Uncertainty of a forecast: spreads of pours, composition and ice to first order (docs/model/balance.md, "Uncertainty").

Each unknown of a drink has a name, so that two drinks can share it: what is the same in both cancels in their difference.
"""

from __future__ import annotations

import math
from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance.levels import FIGURES, Levels, Slopes, levels_and_slopes
from oenomel.core.balance.levels_scalar import OneDrink
from oenomel.core.balance.pour_table import BY_EYE_UNITS, PourTable, poured
from oenomel.core.dilution import Conditions, dilution_relative_sd
from oenomel.core.dilution.curves import OWN_RELATIVE_SD
from oenomel.core.larder import Ingredient
from oenomel.core.spec import Drink
from oenomel.core.wording import capital

Floats = NDArray[np.float64]

Unknown = tuple[Hashable, ...]
"""Name of an unknown: its kind first."""

Z80: Final = 1.2815515655446004
"""Half-width of a central 80 % interval in standard deviations of a normal distribution."""

SHARE_WORTH_TELLING: Final = 0.005
SECOND_SHARE: Final = 0.2
"""Shares of the variance from which a source is listed, and from which the sentence names a second one."""

_BLOCK: Final = 1024


@dataclass(frozen=True, slots=True)
class Interval:
    """A central 80 % interval, in the unit of its figure."""

    low: float
    high: float


@dataclass(frozen=True, slots=True)
class Driver:
    """A source of uncertainty: its cause, its ingredient or circumstance, its share of the variance (0 to 1), and how to reduce it."""

    cause: str
    subject: str
    share: float
    advice: str


@dataclass(frozen=True, slots=True)
class Drivers:
    """Sources of one figure's uncertainty, the largest share first, and the same in a sentence."""

    told: str
    drivers: tuple[Driver, ...]


@dataclass(frozen=True)
class Uncertainty:
    """Uncertainty of a drink: the change of each figure by one standard deviation of each unknown.

    Parameters
    ----------
    drink : Drink
    figures : ndarray, shape (4,)              as served, in the order of `FIGURES`
    moves : ndarray, shape (unknowns, 4)
    """

    drink: Drink
    figures: Floats
    moves: Floats

    @cached_property
    def unknowns(self) -> tuple[Unknown, ...]:
        """Names of the unknowns, each once; two drinks share an unknown by its name."""
        return tuple(dict.fromkeys(_unknowns(self.drink)))

    @cached_property
    def intervals80(self) -> dict[str, Interval]:
        """80 % intervals of the four figures and of the ratio of sugar to acid, which is computed by its logarithm."""
        half = Z80 * _sd(self.moves)
        intervals = {
            name: Interval(max(0.0, value - width), value + width)
            for name, value, width in zip(FIGURES, self.figures.tolist(), half.tolist(), strict=True)
        }
        sugar, acid = self.figures[2:].tolist()
        if sugar > 0 and acid > 0:
            relative = self.moves[:, 2] / sugar - self.moves[:, 3] / acid
            factor = math.exp(Z80 * math.sqrt(float(relative @ relative)))
            intervals["sugar_acid_ratio"] = Interval(sugar / acid / factor, sugar / acid * factor)
        return intervals

    @cached_property
    def effects(self) -> dict[Unknown, Floats]:
        """Changes of the figures by unknown."""
        return dict(zip(self.unknowns, self.moves, strict=True))

    @cached_property
    def drivers(self) -> dict[str, Drivers]:
        """Sources of each figure's uncertainty."""
        names = {pour.ingredient.slug: pour.ingredient for pour in self.drink.pours}
        causes = [_cause(unknown) for unknown in self.unknowns]
        rows = {cause: row for row, cause in enumerate(dict.fromkeys(causes))}
        variance = np.zeros((len(rows), len(FIGURES)))
        np.add.at(variance, [rows[cause] for cause in causes], self.moves**2)
        total = variance.sum(axis=0)
        shares = np.divide(variance, total, out=np.zeros_like(variance), where=total > 0)
        return {figure: _drivers(tuple(rows), names, column) for figure, column in zip(FIGURES, shares.T.tolist(), strict=True)}


@dataclass(frozen=True, slots=True)
class Difference:
    """Difference of one value between two drinks: its size, its 80 % interval, and the probability of its sign (0.5 to 1).

    Equal drinks differ by exactly zero, with certainty.
    """

    by: float
    interval80: Interval
    sign_probability: float


_ADVICE: Final = {
    "ingredient": "measure today's, or read the label",
    "jigger": "pour to the line, or weigh the pours",
    "by eye": "use a jigger or a spoon for it",
    "ice": "weigh the drink before and after the ice",
}


def doubt_of(drink: Drink, alone: OneDrink) -> Uncertainty:
    """Compute the uncertainty of a drink's figures."""
    moves = alone.moves
    if len({pour.ingredient.slug for pour in drink.pours}) < len(drink.pours):
        again = _repeated(_unknowns(drink))
        for row, same in again:
            moves[same] += moves[row]
        moves = np.delete(moves, [row for row, _ in again], axis=0)
    return Uncertainty(drink, alone.figures, moves)


def half_widths80(drink: Drink, volumes: Floats, conditions: Conditions) -> tuple[Floats, Floats]:
    """Compute the figures and the half-widths of their 80 % intervals for many drinks with the same ingredients.

    Parameters
    ----------
    drink : Drink                                    whose ingredients, measures, stages and method they share
    volumes : ndarray, shape (pours, drinks), [ml]

    Returns
    -------
    figures, half_widths : ndarray, shape (4, drinks)
    """
    again = _repeated(_unknowns(drink))
    figures, half = np.empty((4, volumes.shape[1])), np.empty((4, volumes.shape[1]))
    for start in range(0, volumes.shape[1], _BLOCK):
        block = slice(start, start + _BLOCK)
        pours = poured(drink, volumes[:, block])
        at, grows = levels_and_slopes(pours, drink.method, conditions)
        moves = _moves(drink, at, grows, pours, conditions)
        for row, same in again:
            moves[same] += moves[row]
            moves[row] = 0
        figures[:, block], half[:, block] = at.figures, Z80 * _sd(moves)
    return figures, half


def difference_of(one: Uncertainty, other: Uncertainty) -> dict[str, Difference]:
    """Compute the difference of four figures between two drinks; an unknown that both share cancels."""
    shared = {**dict.fromkeys(one.effects), **dict.fromkeys(other.effects)}
    nothing = np.zeros(len(FIGURES))
    moves = np.array([one.effects.get(unknown, nothing) - other.effects.get(unknown, nothing) for unknown in shared])
    by, sd = one.figures - other.figures, _sd(moves)
    return {
        name: Difference(value, Interval(value - Z80 * width, value + Z80 * width), _sign_probability(value, width))
        for name, value, width in zip(FIGURES, by.tolist(), sd.tolist(), strict=True)
    }


def _unknowns(drink: Drink) -> list[Unknown]:
    """Return the name of each row of `_moves`.

    A pour that is the same in two drinks (ingredient, measure and amount) is the same pour, and one shake of the same tin the
    same shake: what was not touched between parent and riff can't make them differ.
    """
    pours = [("pour", p.ingredient.slug, p.unit, round(p.liquid_ml, 9), p.stage, p.by_eye) for p in drink.pours]
    seen: dict[Unknown, int] = {}
    numbered: list[Unknown] = []
    for pour in pours:
        numbered.append((*pour, seen.get(pour, 0)))
        seen[pour] = seen.get(pour, 0) + 1
    in_tin = frozenset(name for name, pour in zip(numbered, drink.pours, strict=True) if pour.meets_ice)
    return [
        ("jigger",),
        *numbered,
        *(("content", pour.ingredient.slug, pour.ingredient.lot, axis) for pour in drink.pours for axis in ("abv", "sugar", "acid")),
        ("ice", drink.method.technique),
        ("this ice", drink.method, in_tin),
    ]


def _cause(unknown: Unknown) -> tuple[str, str]:
    """Return the cause that an unknown is reported as, and its ingredient."""
    kind = unknown[0]
    if kind == "content":
        return "ingredient", str(unknown[1])
    if kind == "pour" and (unknown[2] in BY_EYE_UNITS or unknown[2] in ("dash", "drop") or unknown[4] == "rinse" or unknown[5]):
        return "by eye", str(unknown[1])
    return ("jigger", "The jigger") if kind in ("jigger", "pour") else ("ice", "Dilution")


def _repeated(unknowns: list[Unknown]) -> list[tuple[int, int]]:
    """Return the rows of unknowns that repeat another row (an ingredient poured twice), each with that row."""
    first: dict[Unknown, int] = {}
    return [(row, first[unknown]) for row, unknown in enumerate(unknowns) if first.setdefault(unknown, row) != row]


def _moves(drink: Drink, at: Levels, grows: Slopes, pours: PourTable, conditions: Conditions) -> Floats:
    """Compute the change of each figure by one standard deviation of each unknown, shape (unknowns, 4, drinks)."""
    shared_sd, own_sd = pours.sds_ml()
    count, drinks = shared_sd.shape
    melt_sd = dilution_relative_sd(at.tin.abv_fraction, drink.method, conditions)
    own_melt_sd = np.minimum(melt_sd, OWN_RELATIVE_SD)
    moves = np.empty((4 * count + 3, 4, drinks))
    np.einsum("pfn,pn->fn", grows.by_volume, shared_sd, out=moves[0])
    np.multiply(grows.by_volume, own_sd[:, None], out=moves[1 : count + 1])
    content = moves[count + 1 : -2].reshape(count, 3, 4, drinks)
    np.multiply(grows.by_content, (pours.axes * pours.spread)[:, :, None], out=content)
    moves[-2] = grows.by_melt * np.sqrt(melt_sd**2 - own_melt_sd**2)
    moves[-1] = grows.by_melt * own_melt_sd
    return moves


def _drivers(causes: Sequence[tuple[str, str]], names: Mapping[str, Ingredient], shares: Sequence[float]) -> Drivers:
    """Return the sources of one figure's uncertainty, the largest first."""
    rows_worth_naming = [row for row, share in enumerate(shares) if share >= SHARE_WORTH_TELLING]
    drivers = []
    for row in sorted(rows_worth_naming, key=lambda row: -shares[row]):
        cause, subject = causes[row]
        subject = names[subject].name if subject in names else subject
        drivers.append(Driver(cause, subject, shares[row], _ADVICE[cause]))
    return Drivers(_in_a_sentence(drivers, {ingredient.name: ingredient.in_sentence for ingredient in names.values()}), tuple(drivers))


def _in_a_sentence(drivers: Sequence[Driver], ingredients: Mapping[str, str]) -> str:
    if not drivers:
        return ""
    first, *others = drivers
    second = f", then {_mid_sentence(others[0], ingredients)}" if others and others[0].share > SECOND_SHARE else ""
    subject = _mid_sentence(first, ingredients)
    return f"Biggest uncertainty: {subject} ({100 * first.share:.0f}%){second}. {capital(first.advice)}."


def _mid_sentence(driver: Driver, ingredients: Mapping[str, str]) -> str:
    """Write the subject of a driver inside a sentence."""
    return ingredients.get(driver.subject, driver.subject[:1].lower() + driver.subject[1:])


def _sd(moves: Floats) -> Floats:
    """Return the standard deviation of each figure from its independent unknowns."""
    sd: Floats = np.sqrt(np.einsum("u...,u...->...", moves, moves))
    return sd


def _sign_probability(value: float, sd: float) -> float:
    if sd == 0:
        return 1.0 if value else 0.5
    return 0.5 * (1 + math.erf(abs(value) / sd / math.sqrt(2)))
