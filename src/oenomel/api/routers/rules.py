"""Constants of the trade and of the model that the screens draw with, told once."""

from __future__ import annotations

from oenomel.api.room import room
from oenomel.core.balance import AXES, TASTED_STEPS, Axis
from oenomel.core.glass import COLOURS
from oenomel.core.ice import REFERENCE_SECONDS
from oenomel.core.larder import ALLERGENS, SLOTS, SlotName
from oenomel.core.making import HOWS
from oenomel.core.originals import seasons
from oenomel.core.spec import PIECE_G, Ice, Technique
from oenomel.core.swaps import CORRECTORS
from oenomel.interchange.models import Report

router = room("rules")


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


@router.get("/rules")
def get_rules() -> RulesReport:
    """The constants that the screens draw with."""
    return RulesReport(
        axes=dict(AXES),
        tasted_steps=TASTED_STEPS,
        reference_seconds=dict(REFERENCE_SECONDS),
        correctors=list(CORRECTORS),
        allergens=list(ALLERGENS),
        slots=list(SLOTS),
        garnish_hows=list(HOWS),
        ice_piece_g=dict(PIECE_G),
        colours=list(COLOURS),
        seasons=list(seasons()),
    )
