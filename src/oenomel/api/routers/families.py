"""The families: their slots, schools and typical ranges."""

from __future__ import annotations

from oenomel.api.deps import Connection
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.spec import FamilyName
from oenomel.schemas.routes.families_models import FamilyReport
from oenomel.services import families as cases

router = idempotent_router("families")


@router.get("/families")
def list_families(conn: Connection) -> list[FamilyReport]:
    """List the families with their forms, schools and typical ranges, which include the bar's own reference specs."""
    return cases.list_families(conn)


@router.get("/families/{slug}")
def get_family(slug: FamilyName, conn: Connection) -> FamilyReport:
    """Return one family with its forms, schools and typical ranges."""
    return cases.get_family(conn, slug)
