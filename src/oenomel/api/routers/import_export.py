"""Export and import of drinks and of the whole bar, the data file, and its copies."""

from __future__ import annotations

from http import HTTPStatus

from fastapi import Request

from oenomel.api.deps import Connection, only_looks
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.api.middleware.body_limit import LARGEST_HOUSE
from oenomel.errors import OnlyLooking
from oenomel.schemas.routes.import_export_models import (
    DataFileReport,
    ExportReport,
    ExportRequest,
    ImportReport,
    ImportRequest,
    LookRequest,
)
from oenomel.services.import_export import files as cases

router = idempotent_router("carrying")


@router.post("/import/look", max_body_size=LARGEST_HOUSE, responses=PROBLEMS["write"])
def look_at_files(body: LookRequest, conn: Connection) -> ImportReport:
    """Compare files with the book: what is new, what is the same, and what differs; nothing is written."""
    return cases.look_at_files(conn, body)


@router.post("/import", max_body_size=LARGEST_HOUSE, responses=PROBLEMS["write"])
def import_files(body: ImportRequest, conn: Connection) -> ImportReport:
    """Import files, all of them or none. No trial in the book is changed."""
    return cases.import_files(conn, body)


@router.post("/export", responses=PROBLEMS["write"])
def export_drinks(body: ExportRequest, conn: Connection) -> ExportReport:
    """Export chosen drinks, or everything the bar has, as one file."""
    return cases.export_drinks(conn, body, LARGEST_HOUSE)


@router.get("/data-file", responses={422: PROBLEMS["bad"][422]})
def get_data_file(request: Request) -> DataFileReport:
    """Return where the data file is, and when it was copied last."""
    return cases.describe_data_file(request.app.state.data, hidden=only_looks(request))


@router.post("/copies", status_code=HTTPStatus.CREATED, responses=PROBLEMS["silent"])
def make_copy(request: Request) -> DataFileReport:
    """Copy the data file now."""
    if only_looks(request):
        raise OnlyLooking
    return cases.make_copy(request.app.state.data)
