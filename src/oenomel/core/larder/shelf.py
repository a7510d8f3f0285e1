"""Stock on the shelf, and the inventory."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final, Literal, get_args

ShelfState = Literal["at hand", "low", "out"]
SHELF_STATES: Final[tuple[ShelfState, ...]] = get_args(ShelfState)


@dataclass(frozen=True, slots=True)
class Shelved:
    """An ingredient on the shelf: in stock, low or out, and its price per litre where known."""

    slug: str
    state: ShelfState
    price_per_litre: float | None


@dataclass(frozen=True, slots=True)
class Inventory:
    """Shelf entries by slug, and the slugs of everything in stock: on the shelf and not out, or in an open lot."""

    shelved: Mapping[str, Shelved]
    in_stock: frozenset[str]
