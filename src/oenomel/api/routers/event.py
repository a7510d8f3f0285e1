"""Tonight: the evening worked backwards, ticked off, and taken along as a calendar and a list."""

from __future__ import annotations

from http import HTTPStatus
from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.reports.batch_reports import EveningReport
from oenomel.schemas.requests.batch_requests import EveningEntry
from oenomel.schemas.routes.event_models import EveningChange, ListQuery, TickEntry
from oenomel.schemas.routes.import_export_models import ExportReport
from oenomel.services import event as cases

router = idempotent_router("evening")


@router.get("/evening")
def get_evening(conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Return the evening that is ahead: its batches, what it takes, its tasks from the hour backwards."""
    return cases.get_evening(conn, conditions)


@router.put("/evening", responses=PROBLEMS["write"])
def put_evening(body: EveningEntry, conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Change the evening; refused where its hour has passed, or a drink or a batch isn't there."""
    return cases.put_evening(conn, body, conditions)


@router.patch("/evening", responses=PROBLEMS["write"])
def change_evening(body: EveningChange, conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Change one thing of the evening and leave the rest as it is, whatever another window tells meanwhile; the first thing that is
    told begins one, at the usual hour.
    """
    return cases.change_evening(conn, body, conditions)


@router.delete("/evening", status_code=HTTPStatus.NO_CONTENT, responses={422: PROBLEMS["bad"][422]})
def forget_evening(conn: Connection) -> None:
    """Take it off with its ticks: the next one begins. Until then it can be put back."""
    cases.forget_evening(conn)


@router.post("/evening/back", responses=PROBLEMS["write"])
def put_evening_back(conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Put the evening that was taken off last back, with its ticks; refused with 409 where another one has begun since."""
    return cases.put_evening_back(conn, conditions)


@router.put("/evening/ticks", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def tick_off(body: TickEntry, conn: Connection) -> None:
    """Tick something off, or take the tick back."""
    cases.tick_off(conn, body)


@router.get("/evening/calendar", responses=PROBLEMS["missing"])
def export_calendar(conn: Connection, conditions: HouseConditions) -> ExportReport:
    """Return its tasks as an iCalendar file."""
    return cases.export_calendar(conn, conditions)


@router.get("/evening/list", responses=PROBLEMS["missing"])
def export_list(conn: Connection, asked: Annotated[ListQuery, Query()]) -> ExportReport:
    """Return what it takes, as a table or a text."""
    return cases.export_list(conn, asked)
