"""Maintain the larder: correct and retire ingredients, export and import them as a table."""

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
    """List every ingredient with its main values, by name."""
    return cases.list_larder(conn)


@router.get("/larder/table", responses={200: {"content": {"text/csv": {"schema": {"type": "string"}}}}})
def write_table(conn: Connection) -> Response:
    """Export the larder as a table (CSV)."""
    text = cases.write_table(conn)
    head = {"content-disposition": 'attachment; filename="larder.csv"'}
    return Response(text, media_type="text/csv; charset=utf-8", headers=head)


@router.post("/larder/table", responses=PROBLEMS["write"])
def read_table(body: TableEntry, conn: Connection) -> TableReport:
    """Import a table of ingredients, all of it or nothing, and return what changed."""
    return cases.read_table(conn, body)


@router.get("/larder/{slug}", responses=PROBLEMS["missing"])
def get_larder_detail(slug: str, conn: Connection) -> LarderDetail:
    """Return one ingredient with every value and its source."""
    return cases.get_larder_detail(conn, slug)


@router.patch("/larder/{slug}", responses=PROBLEMS["write"])
def set_values_right(slug: str, body: SetRightEntry, conn: Connection) -> LarderDetail:
    """Override some of an ingredient's values by the bar's own."""
    return cases.set_values_right(conn, slug, body)


@router.put("/larder/{slug}/values", responses=PROBLEMS["write"])
def put_house_values(slug: str, body: HouseValues, conn: Connection) -> LarderDetail:
    """Replace all of the bar's own values for an ingredient by these; used to undo."""
    return cases.put_house_values(conn, slug, body)


@router.put("/larder/{slug}/retired", responses=PROBLEMS["write"])
def retire_ingredient(slug: str, body: RetiredEntry, conn: Connection) -> LarderDetail:
    """Stop offering an ingredient, or offer it again; trials keep it."""
    return cases.retire_ingredient(conn, slug, body)
