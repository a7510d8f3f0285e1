"""Tonight: the evening worked backwards, ticked off, and taken along as a calendar and a list."""

from __future__ import annotations

import sqlite3
from datetime import UTC, datetime, timedelta
from http import HTTPStatus
from typing import Annotated, Any, Final, Literal

from fastapi import Query
from pydantic import Field, ValidationError

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.revisions import check_was
from oenomel.api.routers.import_export import ExportReport
from oenomel.core.dilution import Conditions
from oenomel.core.larder import slug_for
from oenomel.errors import ChangedElsewhere, DomainError, RecordNotFound, SpecError
from oenomel.formats.calendar_file import calendar_of
from oenomel.formats.shopping_csv import ListFormat, shopping_list
from oenomel.schemas.base import Entry, Plain, RowId
from oenomel.schemas.reports.batch_reports import EveningReport
from oenomel.schemas.requests.assumptions import AssumptionsQuery
from oenomel.schemas.requests.batch_requests import EveningEntry
from oenomel.schemas.spec_file import spec_error
from oenomel.services.event import evening_report, kept_evening, usual_evening
from oenomel.services.resolve import conditions_for
from oenomel.store import batches, drinks, events
from oenomel.store.database import transaction

router = room("evening")

FARTHEST = timedelta(days=366)


Value = Annotated[Plain, Field(max_length=200)] | Annotated[float, Field(ge=0, le=2**53, allow_inf_nan=False)] | None


class TickEntry(Entry):
    """Something of the evening that is done, or isn't: a task or a line of the list, by its key."""

    what: Annotated[Plain, Field(pattern=r"^(task|bought) .{1,380}$", max_length=400)]
    done: bool


class EveningChange(Entry):
    """One thing of the evening that is told otherwise: its ``name``, ``at`` or ``hands``; or of the drink ``drink_id`` its ``serves``,
    ``service``, ``batch_id`` or ``container_ml``, or whether it ``pours`` it at all (0 or its serves).

    ``was`` is what the window showed of it: refused with 409 where it was changed elsewhere since.
    """

    what: Literal["name", "at", "hands", "serves", "service", "batch_id", "container_ml", "pours"]
    drink_id: RowId | None = None
    to: Value
    was: Value = None


class ListQuery(AssumptionsQuery):
    """What is supposed of the ice, and the format of the list."""

    wanted: ListFormat = "text"


@router.get("/evening")
def get_evening(conn: Connection, conditions: HouseConditions) -> EveningReport:
    """The evening that is ahead: its batches, what it takes, its tasks from the hour backwards."""
    return evening_report(conn, conditions)


@router.put("/evening", responses=PROBLEMS["write"])
def put_evening(body: EveningEntry, conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Tells of the evening; refused where its hour has passed, or a drink or a batch isn't there."""
    with transaction(conn):
        return _put(conn, body, conditions)


def _put(conn: sqlite3.Connection, evening: EveningEntry, conditions: Conditions, kept_at: str = "") -> EveningReport:
    """Keeps an evening; the hour that it has already may have passed."""
    at = kept_at if kept_at and evening.at == kept_at else _hour(evening.at).isoformat(timespec="seconds")
    for place, each in enumerate(evening.drinks):
        drinks.get(conn, each.drink_id)
        if each.batch_id is not None and batches.get(conn, each.batch_id).drink_id != each.drink_id:
            raise SpecError(f"drinks[{place}].batch_id", "that batch is of another drink")
    if len({each.drink_id for each in evening.drinks}) < len(evening.drinks):
        raise SpecError("drinks", "one of them stands there twice: tell all its serves in one line")
    events.put(conn, evening.model_copy(update={"at": at}).model_dump_json())
    return evening_report(conn, conditions)


@router.patch("/evening", responses=PROBLEMS["write"])
def change_evening(body: EveningChange, conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Tells one thing of the evening otherwise and leaves the rest as it is, whatever another window tells meanwhile; the first thing that
    is told begins one, at the usual hour.
    """
    with transaction(conn):
        kept = kept_evening(conn) or usual_evening()
        told = kept.model_dump()
        line = next((each for each in told["drinks"] if each["drink_id"] == body.drink_id), None)
        place = told if body.what in ("name", "at", "hands") else line
        if body.what == "pours":
            _put_on_or_off(told["drinks"], line, body)
        elif place is None:
            raise ChangedElsewhere("The evening", "without that drink")
        else:
            check_was(
                {"it": body.was} if "was" in body.model_fields_set else None, {"it": place[body.what]}, {"it": body.to}, _SAID[body.what]
            )
            place[body.what] = body.to
        try:
            changed = EveningEntry.model_validate(told)
        except ValidationError as error:
            raise spec_error(error.errors()[0]) from error
        return _put(conn, changed, conditions, kept.at)


def _put_on_or_off(lines: list[dict[str, Any]], line: dict[str, Any] | None, change: EveningChange) -> None:
    if not change.to:
        lines[:] = [each for each in lines if each is not line]
    elif line is None:
        lines.append({"drink_id": change.drink_id, "serves": change.to})


@router.delete("/evening", status_code=HTTPStatus.NO_CONTENT, responses={422: PROBLEMS["bad"][422]})
def forget_evening(conn: Connection) -> None:
    """Takes it off with its ticks: the next one begins. Until then it can be put back."""
    with transaction(conn):
        events.remove(conn)


@router.post("/evening/back", responses=PROBLEMS["write"])
def put_evening_back(conn: Connection, conditions: HouseConditions) -> EveningReport:
    """Puts the evening that was taken off last back, with its ticks; refused with 409 where another one has begun since."""
    with transaction(conn):
        events.put_back(conn)
        return evening_report(conn, conditions)


@router.put("/evening/ticks", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def tick_off(body: TickEntry, conn: Connection) -> None:
    """Ticks something off, or takes the tick back."""
    with transaction(conn):
        events.tick(conn, body.what, done=body.done)


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


_SAID: Final = {
    "name": "What it is called", "at": "The hour", "hands": "Pairs of hands", "serves": "Its serves", "service": "How it is made",
    "batch_id": "The bottle that it is poured from", "container_ml": "Its container",
}  # fmt: skip


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
