"""The event's tasks as an iCalendar file (RFC 5545)."""

from __future__ import annotations

import hashlib
from collections.abc import Iterable
from datetime import datetime

from icalendar import Calendar, Event

from oenomel.schemas.reports.batch_reports import TaskReport

__all__ = ["calendar_of"]


def calendar_of(name: str, tasks: Iterable[TaskReport], stamped: datetime) -> str:
    """Return the calendar: an event a task, with its description and reason; ``stamped`` is the time of writing."""
    calendar = Calendar()
    calendar.add("prodid", "-//Oenomel//Event plan//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", name)
    for task in tasks:
        event = Event()
        # The same task of the same event keeps its id, so that a calendar moves it instead of adding it again.
        of = hashlib.sha256(repr((name, task.key)).encode()).hexdigest()[:32]
        event.add("uid", f"{of}@oenomel")
        event.add("dtstamp", stamped)
        event.add("dtstart", datetime.fromisoformat(task.begins_at))
        event.add("dtend", datetime.fromisoformat(task.ends_at))
        event.add("summary", task.words)
        if task.why:
            event.add("description", task.why)
        calendar.add_component(event)
    return str(calendar.to_ical(), "utf-8")
