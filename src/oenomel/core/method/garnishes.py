"""Garnishes that suit a drink, each with its reason: an echo of a pour, or an aroma that pairs with the whole (docs/model/method.md, weak
evidence).
"""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass
from typing import Final

from oenomel.core.larder import Ingredient
from oenomel.core.larder.aroma import kinship, likeness
from oenomel.core.method.prepare import PEEL
from oenomel.core.spec import Drink, Garnish
from oenomel.core.wording import listed

MOST_SUGGESTED: Final = 6
HOWS: Final = ("on the rim", "expressed and discarded", "expressed and dropped in", "grated", "in the drink", "on the foam", "on a pick")
"""Most garnishes suggested, and usual placements."""

_LOUD: Final = 2
_ECHOES: Final = 1.0
_IN_STOCK: Final = 0.3
_USUAL: Final = 0.1
_OIL: Final = 0.1
_ALIKE: Final = 0.35
_SLICED: Final = ("quince", "apple", "pear", "cucumber", "pineapple")
"""Aromas of fruit that can be sliced, where the larder has no garnish with that aroma."""


@dataclass(frozen=True, slots=True)
class SuggestedGarnish:
    """A garnish with its reason, and whether it is in stock."""

    garnish: Garnish
    in_stock: bool


def suggested_garnishes(drink: Drink, larder: Iterable[Ingredient], in_stock: Collection[str] = ()) -> list[SuggestedGarnish]:
    """Suggest garnishes for a drink, best first: at most six, no two of which smell alike."""
    pours = [pour.ingredient for pour in drink.pours if pour.liquid_ml > 0 and pour.ingredient.aroma]
    offered = [item for item in larder if "garnish" in item.slots and item.aroma]
    already = {garnish.what.lower() for garnish in drink.serve.garnish}
    ranked = sorted(offered, key=lambda each: (-_score(each, pours, in_stock), each.name))
    suggestions = [*_slices(pours, offered, already)]
    seen: set[str] = set()
    for ingredient in ranked:
        if len(suggestions) >= MOST_SUGGESTED:
            break
        # Two garnishes with the same aroma are no choice.
        if ingredient.in_sentence.lower() in already or _main(ingredient) in seen or ingredient.slug in {pour.slug for pour in pours}:
            continue
        seen.add(_main(ingredient))
        suggestions.append(
            SuggestedGarnish(
                Garnish(ingredient.in_sentence, _how(ingredient, drink), _why(ingredient, pours), _instead(ingredient, offered)),
                ingredient.slug in in_stock,
            )
        )
    return suggestions[:MOST_SUGGESTED]


def _score(garnish: Ingredient, pours: list[Ingredient], in_stock: Collection[str]) -> float:
    echo = max((weight for pour in pours if (weight := pour.aroma.get(_main(garnish), 0)) >= _LOUD), default=0) / 3 * _ECHOES
    nose = _OIL if PEEL.search(garnish.name) else 0.0
    return echo + (kinship(garnish, pours) or 0.0) + (_IN_STOCK if garnish.slug in in_stock else 0.0) + nose - _USUAL * garnish.rank


def _main(ingredient: Ingredient) -> str:
    """Return an ingredient's strongest aroma."""
    return max(ingredient.aroma, key=lambda tag: ingredient.aroma[tag])


def _why(garnish: Ingredient, pours: list[Ingredient]) -> str:
    echoed = [pour.in_sentence for pour in pours if pour.aroma.get(_main(garnish), 0) >= _LOUD]
    if echoed:
        return f"echoes the {listed(echoed[:2])}"
    kin = max(pours, key=lambda pour: kinship(garnish, [pour]) or 0.0, default=None)
    return f"pairs with the {kin.in_sentence}" if kin else "for the aroma"


def _how(garnish: Ingredient, drink: Drink) -> str:
    if PEEL.search(garnish.name):
        return "expressed and discarded"
    foams = any(pour.ingredient.foam == "firm" for pour in drink.pours)
    return "on the foam" if foams and garnish.kind == "plant" and "leaf" in garnish.in_sentence else ""


def _instead(garnish: Ingredient, offered: list[Ingredient]) -> str:
    """Return the garnish with the most similar aroma, as a substitute."""
    alike = max(
        (ingredient for ingredient in offered if ingredient.slug != garnish.slug), key=lambda each: likeness(garnish, each), default=None
    )
    return alike.in_sentence if alike and likeness(garnish, alike) >= _ALIKE else ""


def _slices(pours: list[Ingredient], offered: list[Ingredient], already: Collection[str]) -> Iterable[SuggestedGarnish]:
    mains = {_main(ingredient) for ingredient in offered}
    for fruit in _SLICED:
        echoed = [pour.in_sentence for pour in pours if pour.aroma.get(fruit, 0) >= _LOUD]
        if echoed and fruit not in mains and f"thin slice of {fruit}" not in already:
            yield SuggestedGarnish(Garnish(f"thin slice of {fruit}", "on the rim", f"echoes the {listed(echoed[:2])}"), False)
