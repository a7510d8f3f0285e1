"""Ingredients to buy and preparations to make for some drinks."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass

from oenomel.core.larder import Ingredient
from oenomel.core.larder.fruit import fruit_of
from oenomel.core.spec import Drink


@dataclass(frozen=True, slots=True)
class ToGet:
    """Names of ingredients to buy and of preparations to make; fruit juice is in neither, because fruit is counted by the piece."""

    to_buy: tuple[str, ...]
    to_prepare: tuple[str, ...]


def to_get(drinks: Iterable[Drink], in_stock: Collection[str]) -> ToGet:
    """Return what drinks need that isn't in stock; tap water isn't counted."""
    poured: dict[str, Ingredient] = {pour.ingredient.slug: pour.ingredient for drink in drinks for pour in drink.pours}
    missing = [ingredient for slug, ingredient in poured.items() if slug not in in_stock and fruit_of(ingredient.slug) is None]
    prepared = [ingredient for ingredient in missing if "home-made" in ingredient.cautions]
    return ToGet(
        tuple(sorted(ingredient.name for ingredient in missing if ingredient not in prepared)),
        tuple(sorted(ingredient.name for ingredient in prepared)),
    )
