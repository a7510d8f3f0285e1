"""The larder looked after: what is known of each ingredient, set right, retired, carried as a table."""

from __future__ import annotations

from fastapi import Response

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.routes.larder_models import (
    HouseValues,
    LarderDetail,
    LarderLine,
    RetiredEntry,
    SetRightEntry,
    TableEntry,
    TableReport,
)
from oenomel.services import larder as cases

router = idempotent_router("larder")


@router.get("/larder")
def list_larder(conn: Connection) -> list[LarderLine]:
    """Return every ingredient at a glance, by name."""
    return cases.list_larder(conn)


@router.get("/larder/table", responses={200: {"content": {"text/csv": {"schema": {"type": "string"}}}}})
def write_table(conn: Connection) -> Response:
    """Return the larder as a table (CSV)."""
    text = cases.write_table(conn)
    head = {"content-disposition": 'attachment; filename="larder.csv"'}
    return Response(text, media_type="text/csv; charset=utf-8", headers=head)


@router.post("/larder/table", responses=PROBLEMS["write"])
def read_table(body: TableEntry, conn: Connection) -> TableReport:
    """Take a table in, all of it or nothing, and say what that changed."""
    return cases.read_table(conn, body)


@router.get("/larder/{slug}", responses=PROBLEMS["missing"])
def get_larder_detail(slug: str, conn: Connection) -> LarderDetail:
    """Return one ingredient with all that is known of it."""
    return cases.get_larder_detail(conn, slug)


@router.patch("/larder/{slug}", responses=PROBLEMS["write"])
def set_values_right(slug: str, body: SetRightEntry, conn: Connection) -> LarderDetail:
    """Put what the bar knows better over an ingredient's own values."""
    return cases.set_values_right(conn, slug, body)


@router.put("/larder/{slug}/values", responses=PROBLEMS["write"])
def put_house_values(slug: str, body: HouseValues, conn: Connection) -> LarderDetail:
    """Put exactly these values over an ingredient's own: so a change is undone."""
    return cases.put_house_values(conn, slug, body)


@router.put("/larder/{slug}/retired", responses=PROBLEMS["write"])
def retire_ingredient(slug: str, body: RetiredEntry, conn: Connection) -> LarderDetail:
    """Take an ingredient out of what is offered, or back in; trials keep it."""
    return cases.retire_ingredient(conn, slug, body)
