"""Candidates for a pour's place, and the ingredients left out, each with a reason (docs/model/swaps.md)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

from oenomel.core.balance import AXES, TASTED_STEPS, steps_between
from oenomel.core.larder import Ingredient, SlotName, is_non_alcoholic
from oenomel.core.larder.composition import PROPERTIES
from oenomel.core.spec import Drink, Pour
from oenomel.core.wording import with_article

SPLITS: Final = (1.0, 0.5, 0.25)
"""Shares of a base that are replaced: all, a half, or a quarter."""

HELPERS: Final[Mapping[str, tuple[str, str, SlotName]]] = {
    "liqueur": ("sugar", "simple-syrup-1-1", "sweet"),
    "sour": ("acid", "citric-acid-solution", "sour"),
}
"""Ingredients poured beside a candidate that brings less: syrup with a drier liqueur, an acid with a softer juice. By slot: what it
brings, the ingredient, and its slot.
"""

VEGAN_NOT: Final = frozenset({"egg", "dairy", "honey"})
LEAST_OF: Final[Mapping[str, tuple[str, float, str]]] = {
    "base": ("abv", 10.0, "Too weak for a base."),
    "sour": ("acid", 0.4, "Almost no acid."),
    "sweet": ("sugar", 15.0, "Not sweet enough."),
    "liqueur": ("sugar", 8.0, "Too dry and thin for a liqueur."),
}


@dataclass(frozen=True, slots=True)
class Filters:
    """Filters of a board: ``in_stock`` are the slugs in stock, None for any; ``most_price`` a litre; ``kinds`` empty for any."""

    in_stock: frozenset[str] | None = None
    avoid_allergens: frozenset[str] = frozenset()
    vegan: bool = False
    without_alcohol: bool = False
    most_price: float | None = None
    kinds: frozenset[str] = frozenset()


@dataclass(frozen=True, slots=True)
class Candidate:
    """One candidate: an ingredient, the share of the pour it replaces, and what is poured beside it, if anything."""

    ingredient: Ingredient
    share: float = 1.0
    helper: Ingredient | None = None

    def loses_bubbles(self, pour: Pour) -> bool:
        """Check whether the candidate is still where the pour's bubbles matter."""
        return pour.ingredient.is_sparkling and not self.ingredient.is_sparkling

    @property
    def key(self) -> str:
        """Key of the candidate in a board."""
        beside = f"+{self.helper.slug}" if self.helper else ""
        return f"{self.ingredient.slug}{beside}" + ("" if self.share == 1 else f"@{self.share:g}")


@dataclass(frozen=True, slots=True)
class ExcludedIngredient:
    """An ingredient left out, with the reason."""

    ingredient: Ingredient
    reason: str


def candidates_for(
    drink: Drink, index: int, larder: Mapping[str, Ingredient], filters: Filters
) -> tuple[list[Candidate], list[ExcludedIngredient]]:
    """Return the candidates in the order of the larder, and the ingredients left out with the reasons."""
    pour = drink.pours[index]
    candidates, left_out = [], []
    for ingredient in larder.values():
        if ingredient.slug == pour.ingredient.slug:
            continue
        reason = _unfit(ingredient, pour) or _unwanted(ingredient, filters)
        if reason:
            left_out.append(ExcludedIngredient(ingredient, reason))
            continue
        candidates += [Candidate(ingredient, share) for share in (SPLITS if pour.slot == "base" else (1.0,))]
        helper = _helper(ingredient, pour, larder)
        if helper is not None and not any(other.ingredient.slug == helper.slug for other in drink.pours):
            candidates.append(Candidate(ingredient, helper=helper))
    return candidates, left_out


def _helper(ingredient: Ingredient, pour: Pour, larder: Mapping[str, Ingredient]) -> Ingredient | None:
    """Return an acid or spirit poured beside a juice or a liqueur that brings noticeably less of what the slot needs."""
    if pour.slot not in HELPERS or ingredient.kind not in ("juice", "liqueur"):
        return None
    brings, slug, _ = HELPERS[pour.slot]
    had, has = (getattr(one_ingredient.composition, brings) for one_ingredient in (pour.ingredient, ingredient))
    steps = steps_between(has, had, AXES[brings])
    return larder.get(slug) if slug != ingredient.slug and steps < -TASTED_STEPS else None


def _unfit(ingredient: Ingredient, pour: Pour) -> str:
    """Explain why an ingredient can't replace this pour; empty where it can."""
    if ingredient.is_sparkling and pour.stage == "mixed":
        return "Sparkling: it can't go in a closed shaker."
    if "hot" in ingredient.cautions and "hot" not in pour.ingredient.cautions:
        return "Hot, and this is a cold drink."
    slot = pour.slot if pour.slot != "other" else ""
    known = any(name in ingredient.values for name in PROPERTIES) or any(ingredient.composition.vector)
    if slot in ingredient.slots or (not slot and ingredient.kind == pour.ingredient.kind):
        plain = known or ingredient.kind in ("water", "sparkling")
        return "" if plain else "Composition not known: add its label, or measure it."
    if slot in LEAST_OF and known:
        brings, least, reason = LEAST_OF[slot]
        if getattr(ingredient.composition, brings) < least:
            return reason
    return f"Not used as {_article(slot)}." if slot else f"Too different from {pour.ingredient.in_sentence}."


def _article(slot: str) -> str:
    words = {"sweet": "the sweet part", "sour": "the sour part", "texture": "texture", "seasoning": "seasoning", "garnish": "garnish"}
    return words.get(slot, with_article(slot))


def _unwanted(ingredient: Ingredient, filters: Filters) -> str:
    """Return which filter an ingredient fails; empty where none."""
    allergens = sorted(filters.avoid_allergens.intersection(ingredient.allergens))
    price = ingredient.label("price_per_litre")
    checks: tuple[tuple[bool, str], ...] = (
        (filters.in_stock is not None and ingredient.slug not in (filters.in_stock or ()), "Not in stock."),
        (bool(allergens), f"Contains {' and '.join(allergens)}."),
        (filters.vegan and (ingredient.kind in VEGAN_NOT or bool({"egg", "milk"} & set(ingredient.allergens))), "Not vegan."),
        (filters.without_alcohol and not is_non_alcoholic(ingredient.composition.abv), "Contains alcohol."),
        (bool(filters.kinds) and ingredient.kind not in filters.kinds, "Another kind."),
        (filters.most_price is not None and price is None, "No price given."),
        (filters.most_price is not None and (price or 0) > (filters.most_price or 0), "Too expensive."),
    )
    return next((reason for fails, reason in checks if fails), "")
