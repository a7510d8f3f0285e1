"""Needs of service: ingredients below par, preparations to make, and fruit to buy, from pars, stock and expected serves."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from math import ceil
from typing import Final

from oenomel.core.larder import FRUIT, Ingredient
from oenomel.core.larder.fruit import FruitNeed, FruitToBuy, Pressing, fruit_of, fruit_to_buy, garnish_of_fruit, piece_yield
from oenomel.core.spec import Drink

ROUND_ML: Final = 50.0
"""Step to which amounts to prepare are rounded, [ml]."""

USUAL_SERVES: Final = 10
"""Default number of serves for buying and preparing (house rule; the screen says so)."""

CRATE_LASTS_H: Final = 72.0
"""Hours for which a pressing describes the present crate (house rule: a crate is gone in three days)."""


@dataclass(frozen=True, slots=True)
class StockLevel:
    """Stock of an ingredient: ml in lots that can still be poured, or None where unknown."""

    ingredient: Ingredient
    on_hand_ml: float | None
    par_ml: float | None
    is_prepared: bool


@dataclass(frozen=True, slots=True)
class ToPrepare:
    """Something to make or to buy: the amount, and the reason."""

    ingredient: Ingredient
    ml: float
    is_prepared: bool
    words: str


def poured_tonight(drinks: Iterable[tuple[Drink, int]]) -> dict[str, float]:
    """Return the millilitres of each ingredient that the expected serves need, by slug."""
    result: dict[str, float] = {}
    for drink, serves in drinks:
        for pour in drink.pours:
            if pour.volume_ml > 0 and pour.stage not in ("rim", "garnish"):
                result[pour.ingredient.slug] = result.get(pour.ingredient.slug, 0.0) + serves * pour.volume_ml
    return result


def to_prepare(standing: Iterable[StockLevel], tonight: Mapping[str, float]) -> list[ToPrepare]:
    """Return what is below par or short for tonight, the largest gap for tonight first."""
    result = []
    for level in standing:
        # Juice of fruit that is bought by the piece is told as fruit.
        if fruit_of(level.ingredient.slug) or (level.on_hand_ml is None and level.par_ml is None):
            continue
        has, needs = level.on_hand_ml or 0.0, tonight.get(level.ingredient.slug, 0.0)
        short = max(level.par_ml or 0.0, needs) - has
        if short <= 0:
            continue
        ml = ROUND_ML * ceil(short / ROUND_ML)
        against = f"{needs:.0f} ml needed" if needs >= (level.par_ml or 0.0) else f"par {level.par_ml:.0f} ml"
        left_over = "none left" if has == 0 else f"{has:.0f} ml left"
        result.append(ToPrepare(level.ingredient, ml, level.is_prepared, f"{left_over}, {against}"))
    return sorted(result, key=lambda each: (-each.ml, each.ingredient.name))


def fruit_tonight(
    drinks: Sequence[tuple[Drink, int]], crates: Mapping[str, Sequence[Pressing]], pressed_ml: Mapping[str, float]
) -> list[FruitToBuy]:
    """Count the fruit for the expected serves, garnish included, each piece once; juice in stock is subtracted.

    Parameters
    ----------
    crates : mapping of fruit name to pressings of today's crate
    pressed_ml : mapping of juice slug to what stands there, [ml]
    """
    poured = poured_tonight(drinks)
    garnish: dict[str, list[int]] = {name: [0, 0, 0] for name in FRUIT}
    for drink, serves in drinks:
        for piece in drink.serve.garnish:
            cut = garnish_of_fruit(piece.what)
            if cut is not None:
                fruit, need = cut
                for index, count in enumerate((need.wheels, need.wedges, need.zests)):
                    garnish[fruit.name][index] += serves * count
    result = []
    for name, fruit in FRUIT.items():
        juice = max(0.0, poured.get(fruit.juice, 0.0) - pressed_ml.get(fruit.juice, 0.0))
        need = FruitNeed(juice, *garnish[name])
        if juice > 0 or any(garnish[name]):
            result.append(fruit_to_buy(fruit, need, piece_yield(fruit, crates.get(name, ()))))
    return result
