"""Mass balance of a preparation: its contents after each step, corrected by the final measure (docs/model/preparations.md)."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.larder import ACIDS, ETHANOL_G_PER_ML, SUGARS, Ingredient
from oenomel.core.larder.composition import density_of
from oenomel.core.preparations.goods import Good
from oenomel.core.preparations.preparation import KitchenStep, Preparation, RecipeLine
from oenomel.errors import DomainError, ImpossibleMeasurement

Floats = NDArray[np.float64]

MATTER: Final = ("water", "alcohol", *SUGARS, *ACIDS, "salt", "protein", "fat", "gum", "pulp")
"""Components of a preparation, in grams; pulp is what doesn't dissolve."""

_AT: Final = {name: index for index, name in enumerate(MATTER)}
SUGAR_OF: Final = slice(_AT[SUGARS[0]], _AT[SUGARS[-1]] + 1)
ACID_OF: Final = slice(_AT[ACIDS[0]], _AT[ACIDS[-1]] + 1)
WATER: Final = _AT["water"]
PULP: Final = _AT["pulp"]

KEPT_IN_SOLIDS: Final = 0.30
KEPT_IN_SOLIDS_SD: Final = 0.30
"""Share of their weight that strained solids retain in liquid, and its relative standard deviation (estimate of
docs/model/preparations.md).
"""

EVAPORATES_G_PER_MIN_L: Final = 8.0
EVAPORATES_SD: Final = 0.40
"""Evaporation from a pot as wide as it is high, [g] a minute and litre (estimate of docs/model/preparations.md), and its relative
standard deviation.
"""

PULP_ML_PER_G: Final = 0.65
"""Volume of a gram of fibre and seed, [ml] (estimate)."""

WEIGHT_ROOM: Final = 0.02
BRIX_ROOM: Final = 3.0
"""How far a final weight may exceed what is possible, as a share, and a reading fall below it, in °Bx, before it is refused: scales and
cups err.
"""


@dataclass(frozen=True)
class Pot:
    """Result of a preparation, by mass.

    Parameters
    ----------
    put_in : ndarray, shape (lines, matter), [g]   what each line brings
    liquid : ndarray, shape (matter,), [g]         what is left in the end
    evaporated_g : float                           water that went off; below nothing where there was more than was written
    strained_out : ndarray, shape (matter,), [g]   what was thrown away, with the liquid it held
    lost_g : float                                 what a final weight or volume says was left behind besides, of the finished liquid
    by_measure : str                               which final measure decided the strength: "weight", "volume", "brix", or nothing
    """

    put_in: Floats
    liquid: Floats
    evaporated_g: float
    strained_out: Floats
    lost_g: float
    by_measure: str

    @property
    def weight_g(self) -> float:
        """Weight of the yield, [g]."""
        return float(self.liquid.sum())

    @property
    def volume_ml(self) -> float:
        """Volume of the yield, [ml at 20 °C]."""
        return volume_ml_of(self.liquid)

    @property
    def brix(self) -> float:
        """Sugar by weight, [%]: 100 · sugar / all."""
        return brix_of(self.liquid)


@dataclass(frozen=True)
class Unsure:
    """Factors that are varied for the uncertainty: on each line's weight, sugar and acid (shape (lines,) each), on liquid kept by
    solids, on evaporation, and on the final measure.
    """

    weights: Floats
    sugars: Floats
    acids: Floats
    held_back: float = 1.0
    evaporation: float = 1.0
    final: float = 1.0


def as_written(preparation: Preparation) -> Unsure:
    """Return factors of one: everything as written."""
    ones = np.ones(len(preparation.lines))
    return Unsure(ones, ones, ones)


def brix_of(liquid: Floats) -> float:
    """Sugar by weight, [%]."""
    whole = float(liquid.sum())
    return 100 * float(liquid[SUGAR_OF].sum()) / whole if whole > 0 else 0.0


def volume_ml_of(liquid: Floats) -> float:
    """Compute the volume of some grams, [ml at 20 °C], by the tables of sugar, salt and alcohol in water."""
    clear = float(liquid.sum()) - float(liquid[PULP])
    pulp_ml = PULP_ML_PER_G * float(liquid[PULP])
    if clear <= 0:
        return pulp_ml
    dissolved = float(liquid[SUGAR_OF].sum() + liquid[ACID_OF].sum() + liquid[_AT["protein"]] + liquid[_AT["gum"]])
    alcohol_ml = float(liquid[_AT["alcohol"]]) / ETHANOL_G_PER_ML
    # The density follows from grams per 100 ml, and those from the volume: a few rounds settle it to 1e-12.
    volume = clear / 1.1
    for _ in range(60):
        per = 100 / volume
        density = density_of(alcohol_ml * per, dissolved * per, float(liquid[_AT["salt"]]) * per, float(liquid[_AT["fat"]]) * per)
        again = clear / density
        if abs(again - volume) <= 1e-12 * volume:
            break
        volume = again
    return again + pulp_ml


def matter_of(line: RecipeLine) -> Floats:
    """Return the components that a line brings, shape (matter,), [g]; their sum is its weight."""
    grams, matter = line.grams, np.zeros(len(MATTER))
    if isinstance(line.what, Good):
        _fill_good(matter, line.what, grams)
    else:
        _fill_ingredient(matter, line.what, grams)
    return matter


def cook(preparation: Preparation, unsure: Unsure | None = None) -> Pot:
    """Compute a preparation step by step.

    Raises
    ------
    ImpossibleMeasurement
        The final measure can't be, beside what went in.
    DomainError
        More goes off or is strained out than there is.

    Notes
    -----
    What dissolves is taken to spread evenly through the liquid. A final weight, volume or °Bx overrides what was assumed to go off; a
    weight without heat tells how much was left behind, and changes no strength.
    """
    unsure = unsure or as_written(preparation)
    put_in = np.array([matter_of(line) for line in preparation.lines])
    put_in[:, SUGAR_OF] *= unsure.sugars[:, None]
    put_in[:, ACID_OF] *= unsure.acids[:, None]
    put_in *= unsure.weights[:, None]
    final = preparation.final

    def after(off: float | None, retained: float = 1.0) -> tuple[Floats, float, Floats]:
        return _worked(preparation, put_in, off, KEPT_IN_SOLIDS * unsure.held_back * retained, unsure.evaporation)

    decided = ""
    if final.brix is not None:
        liquid, off, out = _to_brix(after, final.brix * unsure.final, put_in)
        decided = "brix"
    elif (final.weight_g is not None or final.volume_ml is not None) and _goes_off(preparation):
        wanted, size = (final.weight_g, np.sum) if final.weight_g is not None else (final.volume_ml, volume_ml_of)
        assert wanted is not None
        liquid, off, out = _to_size(after, wanted * unsure.final, size, "weight" if final.weight_g is not None else "volume", put_in)
        decided = "weight" if final.weight_g is not None else "volume"
    else:
        liquid, off, out = after(None)
    if liquid.sum() <= 0 or liquid[WATER] < 0:
        raise DomainError("nothing is left: more evaporates or is strained out than goes in")
    left_behind = _share_lost(preparation, liquid, out, decided)
    return Pot(put_in, liquid * (1 - left_behind), off, out, float(liquid.sum()) * left_behind, decided)


def _fill_good(matter: Floats, good: Good, grams: float) -> None:
    share = grams / 100
    matter[WATER] = good.water * share
    for kinds in (good.sugars, good.acids):
        for kind, amount in kinds.items():
            matter[_AT[kind]] = amount * share
    matter[_AT["salt"]], matter[_AT["gum"]] = good.salt * share, good.gum * share
    matter[PULP] = grams - matter.sum()


def _fill_ingredient(matter: Floats, ingredient: Ingredient, grams: float) -> None:
    composition = ingredient.composition
    share = grams / composition.density_g_per_ml / 100
    matter[_AT["alcohol"]] = composition.abv * ETHANOL_G_PER_ML * share
    for kinds in (composition.sugars, composition.acids):
        for kind, amount in kinds.items():
            matter[_AT[kind]] = amount * share
    for name in ("salt", "protein", "fat", "gum"):
        matter[_AT[name]] = getattr(composition, name) * share
    rest = grams - matter.sum()
    if ingredient.kind == "plant" and composition.sugar + composition.acid == 0:
        # A leaf or a zest of the larder has no composition: it is mostly water, and is strained out.
        matter[WATER], matter[PULP] = 0.8 * rest, 0.2 * rest
    else:
        matter[WATER] = max(rest, 0.0)
        # A stated density may leave no room for the water: then its solids are taken to have the density of the whole.
        if rest < 0:
            matter *= grams / matter.sum()


def is_strained_out(line: RecipeLine) -> bool:
    """Check whether a strainer holds a line back: fruit, greens, spices."""
    return line.what.is_strained_out if isinstance(line.what, Good) else line.what.kind == "plant"


def may_be_strained_out(line: RecipeLine) -> bool:
    """Check whether a strainer or filter can hold a line back: solids, and milk that curdles; nothing that dissolves."""
    return is_strained_out(line) or line.what.kind == "dairy" if isinstance(line.what, Ingredient) else is_strained_out(line)


def _goes_off(preparation: Preparation) -> bool:
    """Check whether a step loses water: it heats, or the loss was weighed."""
    return preparation.is_heated or any(step.evaporated_g for step in preparation.steps)


def _worked(preparation: Preparation, put_in: Floats, off: float | None, retained: float, rate: float) -> tuple[Floats, float, Floats]:
    """Return the liquid, the evaporated water, and what was strained out; ``off`` is the total evaporation, by default that of the
    steps.
    """
    liquid, out, gone = put_in.sum(axis=0), np.zeros(len(MATTER)), 0.0
    firsts = [i for i, step in enumerate(preparation.steps) if step.do in ("simmer", "boil") or step.evaporated_g]
    # Without heating, a reading may still show that there was less water than written.
    if off is not None and not firsts:
        liquid[WATER] -= off
        gone = off
    inside = set(range(len(preparation.lines)))
    for index, step in enumerate(preparation.steps):
        goes = _supposed_off(step, liquid, rate) if off is None else off if firsts[:1] == [index] else 0.0
        if goes:
            liquid[WATER] -= goes
            gone += goes
        thrown = [i for i in _thrown(preparation, step) if i in inside]
        if thrown:
            inside -= set(thrown)
            liquid, away = _strained(liquid, put_in[thrown], retained)
            out += away
    return liquid, gone, out


def _supposed_off(step: KitchenStep, liquid: Floats, rate: float) -> float:
    if step.evaporated_g is not None:
        return step.evaporated_g
    if step.do not in ("simmer", "boil") or not step.minutes:
        return 0.0
    litres = max(volume_ml_of(liquid), 0.0) / 1000
    # Evaporation makes the pot smaller, minute by minute.
    return min(float(liquid[WATER]), 1000 * litres * -math.expm1(-EVAPORATES_G_PER_MIN_L * rate / 1000 * step.minutes))


def _thrown(preparation: Preparation, step: KitchenStep) -> Sequence[int]:
    if step.discard:
        return step.discard
    return [i for i, line in enumerate(preparation.lines) if is_strained_out(line)] if step.do == "strain" else []


def _strained(liquid: Floats, thrown: Floats, retained: float) -> tuple[Floats, Floats]:
    """Return the liquid after straining: without its pulp, and the liquid that this retains."""
    pulp = np.zeros(len(MATTER))
    pulp[PULP] = thrown[:, PULP].sum()
    clear = liquid - pulp
    weight = clear.sum() - clear[PULP]
    share = min(retained * float(thrown.sum()) / weight, 1.0) if weight > 0 else 0.0
    keeps = clear.copy()
    keeps[PULP] = 0.0
    away = pulp + share * keeps
    return liquid - away, away


Worked = Callable[..., tuple[Floats, float, Floats]]


def _to_size(after: Worked, wanted: float, size: Callable[[Floats], float], what: str, put_in: Floats) -> tuple[Floats, float, Floats]:
    """Return the evaporation that leads to the measured size; where that is larger than without any, less liquid was retained."""
    unit = "g" if what == "weight" else "ml"
    most = float(size(after(0.0)[0]))
    if wanted > most:
        squeezed = after(0.0, 0.0)
        most = float(size(squeezed[0]))
        if wanted > most * (1 + WEIGHT_ROOM):
            raise ImpossibleMeasurement(
                f"a final {what} of {wanted:.0f} {unit} is more than went in: {float(size(put_in.sum(axis=0))):.0f} {unit} went in"
                + (f", and {most:.0f} {unit} of it is liquid" if most < float(size(put_in.sum(axis=0))) - 1 else "")
                + ". Weigh it again, without the pot"
            )
        share_held = _root(lambda share: float(size(after(0.0, share)[0])) - wanted, 0.0, 1.0)
        return after(0.0, share_held)
    water = float(put_in[:, WATER].sum())
    off = _root(lambda grams: float(size(after(grams)[0])) - wanted, 0.0, water)
    after_removal = after(off)
    if abs(float(size(after_removal[0])) - wanted) > 1e-6 * wanted + 1e-6:
        raise ImpossibleMeasurement(f"a final {what} of {wanted:.0f} {unit} isn't possible: more than all the water would have evaporated")
    return after_removal


def _to_brix(after: Worked, wanted: float, put_in: Floats) -> tuple[Floats, float, Floats]:
    """Return the evaporation that leads to the measured °Bx; slightly negative where there was more water than written."""
    supposed = brix_of(after(0.0)[0])
    if supposed <= 0:
        raise ImpossibleMeasurement("there is no sugar that a refractometer could read")
    if wanted < supposed - BRIX_ROOM:
        raise ImpossibleMeasurement(
            f"{wanted:g} °Bx is too thin for these ingredients ({supposed:.1f} °Bx before cooking): read it again, or add the extra water"
        )
    water = float(put_in[:, WATER].sum())
    driest = brix_of(after(0.999 * water)[0])
    if wanted > max(driest, supposed):
        raise ImpossibleMeasurement(f"{wanted:g} °Bx can't be reached with these ingredients: read it again")
    off = _root(lambda grams: wanted - brix_of(after(grams)[0]), -0.5 * max(water, 1.0), 0.999 * water)
    return after(off)


def _root(falls: Callable[[float], float], low: float, high: float) -> float:
    """Find the zero of a falling function by bisection; the nearer end where there is none."""
    if falls(low) <= 0:
        return low
    if falls(high) >= 0:
        return high
    for _ in range(200):
        middle = (low + high) / 2
        if middle in (low, high):
            break
        low, high = (middle, high) if falls(middle) > 0 else (low, middle)
    return (low + high) / 2


def _share_lost(preparation: Preparation, liquid: Floats, out: Floats, decided: str) -> float:
    """Return the share of the finished liquid lost in the pot and the strainer, by a final weight or volume that sets no strength."""
    final = preparation.final
    if decided in ("weight", "volume") or (final.weight_g is None and final.volume_ml is None):
        return 0.0
    is_weight = final.weight_g is not None
    is_size, wanted = (float(liquid.sum()), final.weight_g) if is_weight else (volume_ml_of(liquid), final.volume_ml)
    assert wanted is not None
    held_g = float(out.sum() - out[PULP])
    most = is_size + (held_g if is_weight else held_g / max(float(liquid.sum()), 1e-9) * is_size)
    if wanted > most * (1 + WEIGHT_ROOM):
        unit = "g" if is_weight else "ml"
        raise ImpossibleMeasurement(
            f"a final {'weight' if is_weight else 'volume'} of {wanted:.0f} {unit} is more than went in: {most:.0f} {unit} at most. "
            "Weigh it again, without the jar"
        )
    return float(1 - wanted / is_size)
