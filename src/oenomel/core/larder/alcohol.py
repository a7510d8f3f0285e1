"""Strengths that matter to a guest's safety: non-alcoholic, and flammable."""

from __future__ import annotations

from typing import Final

__all__ = ["FLAMMABLE_ABV", "NON_ALCOHOLIC_ABV", "is_flammable", "is_non_alcoholic"]

NON_ALCOHOLIC_ABV: Final = 0.5
"""Most alcohol of a drink or an ingredient that is called non-alcoholic, [% v/v] (common practice on labels; local rules decide)."""

FLAMMABLE_ABV: Final = 50.0
"""Strength from which a spirit's vapour catches fire at the warmth of a bar, [% v/v]: its flash point is then about 24 °C (handbook,
from memory).
"""


def is_non_alcoholic(abv: float) -> bool:
    """Check whether a strength in % v/v counts as non-alcoholic; at half a per cent a label still says so.

    >>> is_non_alcoholic(0.5), is_non_alcoholic(0.6)
    (True, False)
    """
    return abv <= NON_ALCOHOLIC_ABV


def is_flammable(abv: float) -> bool:
    """Check whether a spirit of a strength in % v/v must be kept from flames.

    >>> is_flammable(40), is_flammable(50)
    (False, True)
    """
    return abv >= FLAMMABLE_ABV
