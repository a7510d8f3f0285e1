"""Tonight: the evening worked backwards, ticked off, and taken along as a calendar and a list."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from http import HTTPStatus
from typing import Annotated

from fastapi import Query
from pydantic import Field

from oenomel.api.errors import PROBLEMS
from oenomel.api.reading.evening import evening_report
from oenomel.api.reading.house import Connection, HouseConditions, SupposedQuery, conditions_for
from oenomel.api.room import room
from oenomel.api.routers.carrying import ExportReport
from oenomel.core.larder import slug_for
from oenomel.errors import DomainError, RecordNotFound, SpecError
from oenomel.interchange.formats.calendar import calendar_of
from oenomel.interchange.formats.shopping_list import ListFormat, shopping_list
from oenomel.interchange.models import Entry, Plain
from oenomel.interchange.reports.service import EveningReport
from oenomel.interchange.requests.service import EveningEntry
from oenomel.store import batches, drinks, evenings
from oenomel.store.database import transaction

router = room("evening")

FARTHEST = timedelta(days=366)


class TickEntry(Entry):
    """Something of the evening that is done, or isn't: a task or a line of the list, by its key."""

    what: Annotated[Plain, Field(pattern=r"^(task|bought) .{1,380}$", max_length=400)]
    done: bool


class ListQuery(SupposedQuery):
    """What is supposed of the ice, and the format of the list."""

    wanted: ListFormat = "text"


@router.get("/evening")
def get_evening(conn: Connection, conditions: HouseConditions) -> EveningReport:
    """The evening that is ahead: its batches, what it takes, its tasks from the hour backwards."""
    return evening_report(conn, conditions)


@router.put("/evening", responses=PROBLEMS["write"])
def put_evening(body: EveningEntry, conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Tells of the evening; refused where its hour has passed, or a drink or a batch isn't there."""
    at = _hour(body.at)
    with transaction(conn):
        for place, each in enumerate(body.drinks):
            drinks.get(conn, each.drink_id)
            if each.batch_id is not None and batches.get(conn, each.batch_id).drink_id != each.drink_id:
                raise SpecError(f"drinks[{place}].batch_id", "that batch is of another drink")
        if len({each.drink_id for each in body.drinks}) < len(body.drinks):
            raise SpecError("drinks", "one of them stands there twice: tell all its serves in one line")
        evenings.put(conn, body.model_copy(update={"at": at.isoformat(timespec="seconds")}).model_dump_json())
        return evening_report(conn, conditions)


@router.delete("/evening", status_code=HTTPStatus.NO_CONTENT, responses={422: PROBLEMS["bad"][422]})
def forget_evening(conn: Connection) -> None:
    """Forgets it with its ticks: the next one begins."""
    with transaction(conn):
        evenings.remove(conn)


@router.put("/evening/ticks", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def tick_off(body: TickEntry, conn: Connection) -> None:
    """Ticks something off, or takes the tick back."""
    with transaction(conn):
        evenings.tick(conn, body.what, done=body.done)


@router.get("/evening/calendar", responses=PROBLEMS["missing"])
def export_calendar(conn: Connection, conditions: HouseConditions) -> ExportReport:
    """Its tasks as an iCalendar file."""
    report, name = _told(evening_report(conn, conditions))
    return ExportReport(text=calendar_of(name, report.tasks, datetime.now(UTC)), file_name=f"{slug_for(name)}.ics")


@router.get("/evening/list", responses=PROBLEMS["missing"])
def export_list(conn: Connection, asked: Annotated[ListQuery, Query()]) -> ExportReport:
    """What it takes, as a table or a text."""
    report, name = _told(evening_report(conn, conditions_for(conn, asked)))
    ending = "csv" if asked.wanted == "csv" else "txt"
    return ExportReport(text=shopping_list(report.bought, asked.wanted), file_name=f"{slug_for(name)}-list.{ending}")


def _told(report: EveningReport) -> tuple[EveningReport, str]:
    if report.evening is None:
        raise RecordNotFound("evening", 1)
    return report, report.evening.name


def _hour(told: str) -> datetime:
    try:
        at = datetime.fromisoformat(told).astimezone(UTC)
    except (ValueError, OverflowError) as error:
        raise SpecError("at", f'"{told}" is no time: write it like 2026-11-28T19:00') from error
    now = datetime.now(UTC)
    if at < now:
        raise DomainError("that hour has passed: a plan is worked backwards from one that is to come")
    if at > now + FARTHEST:
        raise DomainError("that is more than a year ahead: tell it when it is nearer")
    return at
