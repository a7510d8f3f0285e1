"""Bodies and queries of the rules router."""

from __future__ import annotations

from oenomel.core.balance import Axis
from oenomel.core.larder import SlotName
from oenomel.core.spec import Ice, Technique
from oenomel.schemas.base import Report


class RulesReport(Report):
    """The ruler of each axis and from how many steps on a difference can be tasted, seconds of the techniques that go by the clock,
    who may join a drink, allergens, the slots, how a garnish is put there, what a piece of ice weighs, [g], and the colours and seasons
    that can be wished for.
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
