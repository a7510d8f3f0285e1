"""Constants of the trade and of the model that the screens need."""

from __future__ import annotations

from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.routes.rules_models import RulesReport
from oenomel.services import rules as cases

router = idempotent_router("rules")


@router.get("/rules")
def get_rules() -> RulesReport:
    """Return the constants that the screens need."""
    return cases.get_rules()
