"""Records that can't be read, shown with their text so that they can be corrected or deleted."""

from __future__ import annotations

from oenomel.api.deps import Connection
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.routes.unreadable_models import UnreadableReport
from oenomel.services import unreadable as cases

router = idempotent_router("unreadable")


@router.get("/unreadable")
def list_unreadable(conn: Connection) -> list[UnreadableReport]:
    """List the lots, batches, preparations, event plans and drinks that can't be read."""
    return cases.list_unreadable(conn)
