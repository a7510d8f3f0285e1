"""Lots: one pressing, bottle or preparation, with readings that are typed, titrated or taken by a device."""

from __future__ import annotations

from http import HTTPStatus
from typing import Annotated

from fastapi import Query, Request

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.lots.titration import Titrated
from oenomel.schemas.base import Plain, RowId
from oenomel.schemas.reports.lot_reports import LotDetail, LotReport
from oenomel.schemas.routes.lots_models import LotChange, LotEntry, LotReadingEntry, LotReadRequest, TitrationEntry
from oenomel.services import lots as cases

router = idempotent_router("lots")


@router.get("/lots", responses=PROBLEMS["bad"])
def list_lots(
    conn: Connection, every: Annotated[bool, Query()] = False, ingredient: Annotated[Plain, Query(max_length=200)] = ""
) -> list[LotReport]:
    """List the open lots, newest first; with ``every`` the finished ones too."""
    return cases.list_lots(conn, every, ingredient)


@router.post("/lots", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_lot(body: LotEntry, conn: Connection) -> LotReport:
    """Add a lot with its readings, and return the composition they give; refused as a whole where one is impossible."""
    return cases.add_lot(conn, body)


@router.get("/lots/{lot_id}", responses=PROBLEMS["missing"])
def get_lot(lot_id: RowId, conn: Connection, conditions: HouseConditions) -> LotDetail:
    """Return one lot, its titration, and which forecasts its readings make more certain."""
    return cases.get_lot(conn, lot_id, conditions)


@router.patch("/lots/{lot_id}", responses=PROBLEMS["write"])
def change_lot(lot_id: RowId, body: LotChange, conn: Connection) -> LotReport:
    """Change what is left of a lot, its name, its time, or whether it is finished."""
    return cases.change_lot(conn, lot_id, body)


@router.delete("/lots/{lot_id}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def remove_lot(lot_id: RowId, conn: Connection) -> None:
    """Delete a lot that was added by mistake; refused where a trial was made with it."""
    cases.remove_lot(conn, lot_id)


@router.post("/lots/{lot_id}/readings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_lot_reading(lot_id: RowId, body: LotReadingEntry, conn: Connection) -> LotReport:
    """Save a reading of a lot; refused with a reason where it is impossible."""
    return cases.add_lot_reading(conn, lot_id, body)


@router.delete("/lots/{lot_id}/readings/{reading_id}", responses=PROBLEMS["write"])
def remove_lot_reading(lot_id: RowId, reading_id: RowId, conn: Connection) -> LotReport:
    """Delete a reading of a lot."""
    return cases.remove_lot_reading(conn, lot_id, reading_id)


@router.post("/titration", responses=PROBLEMS["bad"])
def work_out_titration(body: TitrationEntry) -> Titrated:
    """Compute the acid from a titration."""
    return cases.work_out_titration(body)


@router.post("/lots/{lot_id}/read/{device}", responses=PROBLEMS["write"] | {503: PROBLEMS["silent"][503]})
def read_lot(lot_id: RowId, device: str, body: LotReadRequest, conn: Connection, request: Request) -> LotReadingEntry:
    """Read a lot with a device without saving it. Simulated devices measure a hidden true lot."""
    return cases.read_lot(conn, request.app.state.bench_set, lot_id, device, body)
