"""What has to be bought and prepared before drinks can be poured."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass
from typing import Final

from oenomel.core.larder import Ingredient, fruit_of
from oenomel.core.spec import Drink

FROM_THE_TAP: Final = frozenset({"still-water"})


@dataclass(frozen=True, slots=True)
class ToGet:
    """Names of what is bought and of what is prepared; what is pressed of fruit is in neither: fruit is counted by the piece."""

    to_buy: tuple[str, ...]
    to_prepare: tuple[str, ...]


def to_get(drinks: Iterable[Drink], at_hand: Collection[str]) -> ToGet:
    """What of these drinks isn't at hand."""
    poured: dict[str, Ingredient] = {pour.ingredient.slug: pour.ingredient for drink in drinks for pour in drink.pours}
    missing = [each for slug, each in poured.items() if slug not in at_hand and slug not in FROM_THE_TAP and fruit_of(each.slug) is None]
    prepared = [each for each in missing if "home-made" in each.cautions]
    return ToGet(tuple(sorted(each.name for each in missing if each not in prepared)), tuple(sorted(each.name for each in prepared)))
