"""An ingredient of the larder: a generic class, a bottle or a house preparation, with the source of each of its numbers."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Final

from oenomel.core.composition import Composition

__all__ = ["KINDS", "SLOTS", "Ingredient", "SourcedValue"]

KINDS: Final = (
    "spirit", "liqueur", "fortified", "aromatised", "wine", "sparkling", "beer", "cider", "juice", "vinegar", "syrup", "honey", "sugar",
    "egg", "dairy", "plant", "bitters", "seasoning", "water", "zero-proof", "other",
)  # fmt: skip
SLOTS: Final = ("base", "sour", "sweet", "liqueur", "accent", "texture", "lengthener", "seasoning", "edge", "garnish", "other")


@dataclass(frozen=True, slots=True)
class SourcedValue:
    """One composition value with where it comes from.

    Parameters
    ----------
    name : str          a property of `Composition`
    value : float       in that property's unit
    relative_sd : float, [1]
    source : str        the citation, or "estimate"
    source_kind : str   regulation, handbook, food table, published, definition, estimate or invented
    why : str           reasoning of an estimate, or how the value follows from its source; may be empty
    """

    name: str
    value: float
    relative_sd: float
    source: str
    source_kind: str
    why: str = ""


@dataclass(frozen=True, slots=True)
class Ingredient:
    """What can go in a slot.

    ``impression`` is what composition can't see: how the trade describes it, never a figure.
    ``piece_ml`` and ``piece_g`` say what one piece or leaf adds.
    """

    slug: str
    name: str
    kind: str
    composition: Composition
    slots: tuple[str, ...] = ()
    impression: str = ""
    allergens: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()
    piece_ml: float | None = None
    piece_g: float | None = None
    origin: str = "catalogue"
    values: Mapping[str, SourcedValue] = field(default_factory=dict)

    @property
    def is_sparkling(self) -> bool:
        """Whether it holds enough carbon dioxide to burst a closed tin (over 2 g/l, as in still wine at the very most)."""
        return self.composition.co2 > 2.0
