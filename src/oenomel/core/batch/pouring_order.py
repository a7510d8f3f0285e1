"""The order in which a batch is poured: spirit before water, dense syrup stirred until dissolved, a third of the water held back."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Final, Literal

from oenomel.core.batch.rounding import measured_ml
from oenomel.core.larder import SOLIDS_ML_PER_G, Ingredient, SlotName
from oenomel.core.spec import Pour

WATER_HELD_BACK: Final = 1 / 3
"""Share of the water held back until the batch was tasted, because it can't be taken out again (docs/model/batch.md)."""

DENSE_G_PER_100ML: Final = 40.0
"""Sugar from which a syrup sinks and must be stirred, [g/100 ml] (house rule)."""

BRINGS_G: Final = {"sugar": 15.0, "acid": 1.5, "abv": 15.0}
"""Sugar or acid, [g/100 ml], or strength, [% v/v], from which an ingredient is poured for it (house rule)."""

_AFTER: Final = {
    "spirit": 0, "zero-proof": 0, "liqueur": 1, "fortified": 1, "aromatised": 1, "wine": 1, "beer": 1, "cider": 1, "bitters": 2,
    "juice": 3, "vinegar": 3, "syrup": 4, "honey": 4, "sugar": 4, "seasoning": 5,
}  # fmt: skip
_LAST: Final = 6
_WATER: Final = 7


@dataclass(frozen=True, slots=True)
class PourLine:
    """One pour into the batch: ingredient, amount, [ml], and a note on how it is done. ``taste_first`` marks the water that was held
    back.
    """

    ingredient: Ingredient
    ml: float
    how: str
    slot: SlotName = "other"
    taste_first: bool = False

    @property
    def words(self) -> str:
        """The line as a sentence."""
        return f"{measured_amount(self.ingredient, self.ml)} of {self.ingredient.in_sentence}{f': {self.how}' if self.how else ''}."

    @property
    def brings(self) -> Literal["abv", "sugar", "acid", "water", "other"]:
        """Property for which the ingredient is poured: the one it holds most of, compared with a usual drink."""
        if self.is_water:
            return "water"
        composition = self.ingredient.composition
        shares: dict[Literal["abv", "sugar", "acid"], float] = {
            "sugar": composition.sugar / BRINGS_G["sugar"],
            "acid": composition.acid / BRINGS_G["acid"],
            "abv": composition.abv / BRINGS_G["abv"],
        }
        most = max(shares, key=shares.__getitem__)
        return most if shares[most] >= 1 else "other"

    @property
    def is_water(self) -> bool:
        """True if the ingredient is water."""
        return is_water(self.ingredient)


def is_water(ingredient: Ingredient) -> bool:
    """Check whether an ingredient is plain still water, which is poured last."""
    return ingredient.kind == "water" and not ingredient.is_sparkling and ingredient.composition.sugar == 0


def measured_amount(ingredient: Ingredient, ml: float) -> str:
    """Return an amount as it is measured: dry ingredients by the gram."""
    return f"{ml / SOLIDS_ML_PER_G:g} g" if ingredient.composition.solid else f"{round(ml, 2):g} ml"


def in_order(pours: Iterable[Pour], water: Ingredient, water_ml: float, grid_ml: float) -> tuple[PourLine, ...]:
    """Order the pours of a batch: equal ingredients together, the strong first, water last, in two portions where those can be measured."""
    amounts: dict[str, tuple[Pour, float]] = {}
    for pour in sorted(pours, key=_pouring_rank):
        first, ml = amounts.get(pour.ingredient.slug, (pour, 0.0))
        amounts[pour.ingredient.slug] = (first, ml + pour.volume_ml)
    lines = [
        PourLine(first.ingredient, ml, _how(first.ingredient), first.slot)
        for first, ml in amounts.values()
        if not is_water(first.ingredient) and ml > 0
    ]
    all_water = water_ml + sum(ml for first, ml in amounts.values() if is_water(first.ingredient))
    return (*lines, *_water_lines(water, round(all_water, 6), grid_ml))


def _pouring_rank(pour: Pour) -> int:
    if is_water(pour.ingredient):
        return _WATER
    if pour.slot == "base" and pour.ingredient.composition.abv > 0:
        return 0
    return _AFTER.get(pour.ingredient.kind, _LAST)


def _how(ingredient: Ingredient) -> str:
    if ingredient.composition.solid:
        return "stir until it is gone"
    if ingredient.composition.sugar >= DENSE_G_PER_100ML:
        return "it sinks, so stir until the bottom is clear"
    return ""


def _water_lines(water: Ingredient, ml: float, grid_ml: float) -> tuple[PourLine, ...]:
    if ml <= 0:
        return ()
    back = measured_ml(WATER_HELD_BACK * ml, grid_ml)
    if ml < 2 * grid_ml or not 0 < back < ml:
        return (PourLine(water, ml, "last: you can't take it out again"),)
    first = round(ml - back, 6)
    return (
        PourLine(water, first, f"{back:g} ml, hold it back until you've tasted"),
        PourLine(water, back, "after tasting over ice: all, some or none", taste_first=True),
    )
