"""How an ingredient stands on the house's shelf."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final, Literal, get_args

ShelfState = Literal["at hand", "low", "out"]
SHELF_STATES: Final[tuple[ShelfState, ...]] = get_args(ShelfState)


@dataclass(frozen=True, slots=True)
class Shelved:
    """An ingredient on the shelf: at hand, low or out, and its price per litre in the house's own currency where it is told."""

    slug: str
    state: ShelfState
    price_per_litre: float | None

    @property
    def is_at_hand(self) -> bool:
        """Whether it can be poured today; what is low still can."""
        return self.state != "out"
