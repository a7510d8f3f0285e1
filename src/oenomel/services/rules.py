"""Constants of the trade and of the model that the screens need."""

from __future__ import annotations

from oenomel.core.balance import AXES, TASTED_STEPS
from oenomel.core.dilution.curves import REFERENCE_SECONDS
from oenomel.core.glass.colour import COLOURS
from oenomel.core.larder.ingredient import ALLERGENS, SLOTS
from oenomel.core.method.garnishes import HOWS
from oenomel.core.originals.usual_measures import seasons
from oenomel.core.rebalance.solver import CORRECTORS
from oenomel.core.spec.technique import PIECE_G
from oenomel.schemas.routes.rules_models import RulesReport


def get_rules() -> RulesReport:
    """Return the constants that the screens need."""
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
