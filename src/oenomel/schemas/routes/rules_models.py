"""Bodies and queries of the rules router."""

from __future__ import annotations

from oenomel.core.balance import Axis
from oenomel.core.larder import SlotName
from oenomel.core.spec import Ice, Technique
from oenomel.schemas.base import Report


class RulesReport(Report):
    """Noticeable differences of each axis and the threshold for a difference, usual seconds of each technique, correctors, allergens,
    slots, placements of a garnish, weight of a piece of ice, [g], and the colours and seasons to search by.
    """

    axes: dict[str, Axis]
    tasted_steps: float
    reference_seconds: dict[Technique, float]
    correctors: list[str]
    allergens: list[str]
    slots: list[SlotName]
    garnish_hows: list[str]
    ice_piece_g: dict[Ice, float]
    colours: list[str]
    seasons: list[str]
