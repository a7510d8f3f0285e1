"""Ingredients to buy and to prepare before drinks can be poured."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass

from oenomel.core.larder import Ingredient
from oenomel.core.larder.fruit import fruit_of
from oenomel.core.spec import Drink


@dataclass(frozen=True, slots=True)
class ToGet:
    """Names of what is bought and of what is prepared; what is pressed of fruit is in neither: fruit is counted by the piece."""

    to_buy: tuple[str, ...]
    to_prepare: tuple[str, ...]


def to_get(drinks: Iterable[Drink], in_stock: Collection[str]) -> ToGet:
    """Return what has to be bought and prepared for drinks: the ingredients that aren't in stock, tap water apart."""
    poured: dict[str, Ingredient] = {pour.ingredient.slug: pour.ingredient for drink in drinks for pour in drink.pours}
    missing = [each for slug, each in poured.items() if slug not in in_stock and fruit_of(each.slug) is None]
    prepared = [each for each in missing if "home-made" in each.cautions]
    return ToGet(tuple(sorted(each.name for each in missing if each not in prepared)), tuple(sorted(each.name for each in prepared)))
