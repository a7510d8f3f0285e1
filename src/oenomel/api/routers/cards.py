"""Printed drinks: one card, two trials side by side, a card for the station, a whole list."""

from __future__ import annotations

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.routes.cards_models import CardReport, CardRequest, ListRequest
from oenomel.services import cards as cases

router = idempotent_router("cards")


@router.post("/cards", responses=PROBLEMS["write"])
def write_card(body: CardRequest, conn: Connection, conditions: HouseConditions) -> CardReport:
    """Return the card of a drink, or of two of its trials with the differences marked."""
    return cases.write_card(conn, body, conditions)


@router.post("/list-sheet", responses=PROBLEMS["write"])
def write_list(body: ListRequest, conn: Connection, conditions: HouseConditions) -> CardReport:
    """Return a list of drinks on one sheet."""
    return cases.write_list(conn, body, conditions)
