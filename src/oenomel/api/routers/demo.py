"""Reset the demo; this router is there only while the demo is served."""

from __future__ import annotations

from oenomel.api.deps import Connection
from oenomel.api.idempotent_router import idempotent_router
from oenomel.demo import scenario
from oenomel.schemas.routes.drinks_models import DrinkSummary, PageQuery
from oenomel.services.drinks import list_drinks

router = idempotent_router("demo")


@router.post("/demo/reset")
def reset_demo(conn: Connection) -> list[DrinkSummary]:
    """Reset the demo, and return its book."""
    scenario.reset(conn)
    return list_drinks(conn, PageQuery())
