"""The demo, put back to how it was at first; this router is there only while the demo is served."""

from __future__ import annotations

from oenomel.api.deps import Connection
from oenomel.api.idempotent_router import room
from oenomel.api.routers.drinks import DrinkSummary, PageQuery, list_drinks
from oenomel.demo import scenario
from oenomel.store.database import transaction

router = room("demo")


@router.post("/demo/reset")
def reset_demo(conn: Connection) -> list[DrinkSummary]:
    """Puts the demo back, and answers with its book."""
    with transaction(conn):
        scenario.restore(conn)
    return list_drinks(conn, PageQuery())
