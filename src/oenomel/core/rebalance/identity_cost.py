"""Identity cost: changing what defines a drink costs much, changing what only balances it costs little (docs/model/rebalance.md)."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Final

from oenomel.core.larder import SlotName
from oenomel.core.spec import Pour

PRICES: Final[Mapping[SlotName, float]] = {
    "liqueur": 1.2, "accent": 1.2, "texture": 0.8, "seasoning": 0.8, "base": 0.6, "other": 0.5, "sour": 0.3, "lengthener": 0.2,
    "sweet": 0.1,
}  # fmt: skip
"""Cost in J of doubling or removing a pour, by slot."""

AROMATIC_SWEET: Final = 0.4
"""Cost of a sweetener with an aroma of its own."""

DEAR: Final = 0.6
"""Cost from which a pour defines a drink."""


def price_of(pour: Pour) -> float:
    """Return what doubling or removing a pour costs in J."""
    if pour.slot == "sweet" and pour.ingredient.aroma:
        return AROMATIC_SWEET
    return PRICES.get(pour.slot, PRICES["other"])


def price_per_ml(pour: Pour) -> float:
    """Return the cost of each millilitre moved; 0 for a pour that isn't in the drink yet."""
    now = pour.liquid_ml
    return price_of(pour) / now if now > 0 else 0.0
