"""Cost of a drink and of a preparation; ingredients without a price are named."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from oenomel.core.larder import Ingredient
from oenomel.core.preparations import Outcome
from oenomel.core.preparations.goods import Good
from oenomel.core.spec import Drink
from oenomel.core.wording import listed

FREE_KINDS = frozenset({"water"})
"""Kinds without a cost: tap water; soda has a price like any bottle."""


@dataclass(frozen=True, slots=True)
class PartCost:
    """Cost of one ingredient, by its price per litre or kilogram (``per``); None where unknown."""

    name: str
    cost: float | None
    slug: str
    per: Literal["litre", "kg"]
    price: float | None


@dataclass(frozen=True, slots=True)
class Cost:
    """Cost in the bar's currency, as far as prices are known, by ingredient; ``missing`` lists those without a price."""

    total: float
    parts: tuple[PartCost, ...]
    missing: tuple[str, ...]

    @property
    def words(self) -> str:
        """Sentence about missing prices; empty where none is missing."""
        return f"Without {listed(self.missing)}: no price given." if self.missing else ""


def cost_of_drink(drink: Drink) -> Cost:
    """Compute the cost of a drink's pours, from the price per litre of each."""
    poured = [pour for pour in drink.pours if pour.volume_ml > 0 and pour.stage != "garnish"]
    return _summed([_by_the_litre(pour.ingredient, pour.volume_ml) for pour in poured])


def cost_of_preparation(outcome: Outcome, price_per_kg: Mapping[str, float]) -> Cost:
    """Compute the cost of a preparation, from prices per kilogram of goods (by slug) and per litre of ingredients."""
    parts = []
    for line in outcome.preparation.lines:
        if isinstance(line.what, Good):
            price = 0.0 if line.what.role == "water" else price_per_kg.get(line.what.slug)
            parts.append(PartCost(line.what.name, _times(price, line.grams), line.what.slug, "kg", price))
        else:
            parts.append(_by_the_litre(line.what, line.grams / line.what.composition.density_g_per_ml))
    return _summed(parts)


def pour_cost_words(cost: Cost, price: float | None) -> str:
    """Describe the pour cost as a share of the drink's price; empty without a price.

    >>> pour_cost_words(Cost(2.2, (), ()), 11.0)
    '20% of its price'
    """
    if not price:
        return ""
    return f"{'at least ' if cost.missing else ''}{100 * cost.total / price:.0f}% of its price"


def _by_the_litre(ingredient: Ingredient, ml: float) -> PartCost:
    price = ingredient.label("price_per_litre")
    if price is None and ingredient.kind in FREE_KINDS and not ingredient.is_sparkling:
        price = 0.0
    return PartCost(ingredient.name, _times(price, ml), ingredient.slug, "litre", price)


def _times(price: float | None, amount: float) -> float | None:
    """Return the cost of some grams or millilitres, from the price of a thousand."""
    return None if price is None else price * amount / 1000


def _summed(parts: list[PartCost]) -> Cost:
    missing = tuple(dict.fromkeys(part.name for part in parts if part.cost is None))
    return Cost(sum(part.cost or 0.0 for part in parts), tuple(parts), missing)
