"""The event plan: tasks backwards from the hour, ticks, the calendar and the shopping list."""

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
    """Return the planned event: its drinks and batches, what must be bought, and its tasks backwards from the hour."""
    return cases.get_evening(conn, conditions)


@router.put("/evening", responses=PROBLEMS["write"])
def put_evening(body: EveningEntry, conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Replace the event plan; refused where its hour has passed, or a drink or batch doesn't exist."""
    return cases.put_evening(conn, body, conditions)


@router.patch("/evening", responses=PROBLEMS["write"])
def change_evening(body: EveningChange, conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Change one field of the event plan, whatever another window changes meanwhile; the first field creates the plan, at the usual
    hour.
    """
    return cases.change_evening(conn, body, conditions)


@router.delete("/evening", status_code=HTTPStatus.NO_CONTENT, responses={422: PROBLEMS["bad"][422]})
def forget_evening(conn: Connection) -> None:
    """Delete the event plan with its ticks; it can be restored until the next one is created."""
    cases.forget_evening(conn)


@router.post("/evening/back", responses=PROBLEMS["write"])
def put_evening_back(conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Restore the event plan that was deleted last, with its ticks; refused with 409 where a new one exists."""
    return cases.put_evening_back(conn, conditions)


@router.put("/evening/ticks", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def tick_off(body: TickEntry, conn: Connection) -> None:
    """Tick a task or a line of the shopping list, or remove the tick."""
    cases.tick_off(conn, body)


@router.get("/evening/calendar", responses=PROBLEMS["missing"])
def export_calendar(conn: Connection, conditions: HouseConditions) -> ExportReport:
    """Export the tasks as an iCalendar file."""
    return cases.export_calendar(conn, conditions)


@router.get("/evening/list", responses=PROBLEMS["missing"])
def export_list(conn: Connection, asked: Annotated[ListQuery, Query()]) -> ExportReport:
    """Export the shopping list, as a table or a text."""
    return cases.export_list(conn, asked)
