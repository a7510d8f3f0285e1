"""Constants of the trade and of the model that the screens draw with, told once."""

from __future__ import annotations

from oenomel.api.idempotent_router import room
from oenomel.core.balance import AXES, TASTED_STEPS, Axis
from oenomel.core.dilution.curves import REFERENCE_SECONDS
from oenomel.core.glass.colour import COLOURS
from oenomel.core.larder import SlotName
from oenomel.core.larder.ingredient import ALLERGENS, SLOTS
from oenomel.core.method.garnishes import HOWS
from oenomel.core.originals.usual_measures import seasons
from oenomel.core.rebalance.solver import CORRECTORS
from oenomel.core.spec import Ice, Technique
from oenomel.core.spec.technique import PIECE_G
from oenomel.schemas.base import Report

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
