"""The event plan: its drinks, what is ticked, its calendar and shopping list."""

from __future__ import annotations

import sqlite3
from datetime import UTC, datetime, timedelta
from typing import Any, Final

from pydantic import ValidationError

from oenomel.core.dilution import Conditions
from oenomel.core.larder import slug_for
from oenomel.errors import ChangedElsewhere, DomainError, RecordNotFound, SpecError
from oenomel.formats.calendar_file import calendar_of
from oenomel.formats.shopping_csv import shopping_list
from oenomel.schemas.reports.batch_reports import EveningReport
from oenomel.schemas.requests.batch_requests import EveningEntry
from oenomel.schemas.routes.event_models import EveningChange, ListQuery, TickEntry
from oenomel.schemas.routes.import_export_models import ExportReport
from oenomel.schemas.spec_file import spec_error
from oenomel.services.resolve import conditions_for
from oenomel.services.revisions import check_was
from oenomel.services.stored_event import (
    evening_report,
    kept_evening,
    usual_evening,
)
from oenomel.store import batches, drinks, events
from oenomel.store.database import transaction

FARTHEST = timedelta(days=366)


_SAID: Final = {
    "name": "The name", "at": "The time", "hands": "The staff", "serves": "The serves", "service": "The way it is made",
    "batch_id": "The bottle", "container_ml": "The container",
}  # fmt: skip


def get_evening(conn: sqlite3.Connection, conditions: Conditions) -> EveningReport:
    """Return the planned event: its drinks and batches, what must be bought, and its tasks backwards from the hour."""
    return evening_report(conn, conditions)


def put_evening(conn: sqlite3.Connection, body: EveningEntry, conditions: Conditions) -> EveningReport:
    """Replace the event plan; refused where its hour has passed, or a drink or batch doesn't exist."""
    with transaction(conn):
        return _put(conn, body, conditions)


def change_evening(conn: sqlite3.Connection, body: EveningChange, conditions: Conditions) -> EveningReport:
    """Change one field of the event plan, whatever another window changes meanwhile; the first field creates the plan, at the usual
    hour.
    """
    with transaction(conn):
        kept = kept_evening(conn) or usual_evening()
        content = kept.model_dump()
        line = next((entry for entry in content["drinks"] if entry["drink_id"] == body.drink_id), None)
        target = content if body.what in ("name", "at", "hands") else line
        if body.what == "pours":
            _put_on_or_off(content["drinks"], line, body)
        elif target is None:
            raise ChangedElsewhere("The event", "without that drink")
        else:
            check_was(
                {"it": body.was} if "was" in body.model_fields_set else None, {"it": target[body.what]}, {"it": body.to}, _SAID[body.what]
            )
            target[body.what] = body.to
        try:
            changed = EveningEntry.model_validate(content)
        except ValidationError as error:
            raise spec_error(error.errors()[0]) from error
        return _put(conn, changed, conditions, kept.at)


def forget_evening(conn: sqlite3.Connection) -> None:
    """Delete the event plan with its ticks; it can be restored until the next one is created."""
    with transaction(conn):
        events.remove(conn)


def put_evening_back(conn: sqlite3.Connection, conditions: Conditions) -> EveningReport:
    """Restore the event plan that was deleted last, with its ticks; refused with 409 where a new one exists."""
    with transaction(conn):
        events.put_back(conn)
        return evening_report(conn, conditions)


def tick_off(conn: sqlite3.Connection, body: TickEntry) -> None:
    """Tick a task or a line of the shopping list, or remove the tick."""
    with transaction(conn):
        events.tick(conn, body.what, done=body.done)


def export_calendar(conn: sqlite3.Connection, conditions: Conditions) -> ExportReport:
    """Export the tasks as an iCalendar file."""
    report, name = _with_title(evening_report(conn, conditions))
    return ExportReport(text=calendar_of(name, report.tasks, datetime.now(UTC)), file_name=f"{slug_for(name)}.ics")


def export_list(conn: sqlite3.Connection, asked: ListQuery) -> ExportReport:
    """Export the shopping list, as a table or a text."""
    report, name = _with_title(evening_report(conn, conditions_for(conn, asked)))
    ending = "csv" if asked.wanted == "csv" else "txt"
    return ExportReport(text=shopping_list(report.bought, asked.wanted), file_name=f"{slug_for(name)}-list.{ending}")


def _put(conn: sqlite3.Connection, evening: EveningEntry, conditions: Conditions, kept_at: str = "") -> EveningReport:
    """Save an event plan; an hour that it had already may have passed."""
    at = kept_at if kept_at and evening.at == kept_at else _hour(evening.at).isoformat(timespec="seconds")
    for index, entry in enumerate(evening.drinks):
        drinks.get(conn, entry.drink_id)
        if entry.batch_id is not None and batches.get(conn, entry.batch_id).drink_id != entry.drink_id:
            raise SpecError(f"drinks[{index}].batch_id", "that batch is another drink")
    if len({drink.drink_id for drink in evening.drinks}) < len(evening.drinks):
        raise SpecError("drinks", "a drink is listed twice: enter all its serves in one line")
    events.put(conn, evening.model_copy(update={"at": at}).model_dump_json())
    return evening_report(conn, conditions)


def _put_on_or_off(lines: list[dict[str, Any]], line: dict[str, Any] | None, change: EveningChange) -> None:
    if not change.to:
        lines[:] = [entry for entry in lines if entry is not line]
    elif line is None:
        lines.append({"drink_id": change.drink_id, "serves": change.to})


def _with_title(report: EveningReport) -> tuple[EveningReport, str]:
    if report.evening is None:
        raise RecordNotFound("evening", 1)
    return report, report.evening.name


def _hour(text: str) -> datetime:
    try:
        at = datetime.fromisoformat(text).astimezone(UTC)
    except (ValueError, OverflowError) as error:
        raise SpecError("at", f'"{text}" isn\'t a time: enter one like 2026-11-28T19:00') from error
    now = datetime.now(UTC)
    if at < now:
        raise DomainError("that time has passed: enter a time to come")
    if at > now + FARTHEST:
        raise DomainError("that is more than a year ahead: plan it later")
    return at
