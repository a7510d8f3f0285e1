"""Records that can't be read, listed so that they can be deleted."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterator
from dataclasses import asdict
from typing import Final

from oenomel.moments import moment_of
from oenomel.schemas.preparation_file import PreparationFile
from oenomel.schemas.requests.batch_requests import EveningEntry
from oenomel.schemas.routes.unreadable_models import UnreadableReport
from oenomel.schemas.spec_file import parse_spec
from oenomel.services.readable import fault_in
from oenomel.services.resolve import resolve
from oenomel.services.stored_batches import summaries
from oenomel.store import batches, drinks, events, lots, preparations

LONGEST_TEXT: Final = 4000


def list_unreadable(conn: sqlite3.Connection) -> list[UnreadableReport]:
    """List the lots, batches, preparations, event plans and drinks that can't be read."""
    return [*_lots(conn), *_batches(conn), *_preparations(conn), *_evening(conn), *_drinks(conn)]


def _lots(conn: sqlite3.Connection) -> Iterator[UnreadableReport]:
    for lot, why in lots.unreadable(conn):
        yield _unreadable_report("lot", lot.id, lot.name, why, asdict(lot))


def _batches(conn: sqlite3.Connection) -> Iterator[UnreadableReport]:
    for batch, why in batches.unreadable(conn):
        yield _unreadable_report("batch", batch.id, batch.name, why, asdict(batch))
    every = batches.all_batches(conn)
    shown = {summary.id for summary in summaries(conn, every)}
    for batch in every:
        if batch.id not in shown:
            yield _unreadable_report("batch", batch.id, batch.name, "its composition can't be read", asdict(batch))


def _preparations(conn: sqlite3.Connection) -> Iterator[UnreadableReport]:
    for preparation in preparations.all_preparations(conn):
        why = fault_in(PreparationFile.model_validate_json, preparation.content)
        if why:
            yield _unreadable_report("preparation", preparation.slug, preparation.slug, why, preparation.content)


def _evening(conn: sqlite3.Connection) -> Iterator[UnreadableReport]:
    content = events.get(conn)
    if content is None:
        return
    why = fault_in(lambda: moment_of(EveningEntry.model_validate_json(content).at))
    if why:
        yield _unreadable_report("evening", 1, "The event", why, content)


def _drinks(conn: sqlite3.Connection) -> Iterator[UnreadableReport]:
    for trial in drinks.finished(conn):
        why = fault_in(_read, conn, trial.spec)
        if why:
            name = f"{drinks.get(conn, trial.drink_id).name}, trial {trial.number}"
            yield _unreadable_report("drink", trial.drink_id, name, why, trial.spec).model_copy(update={"removable": False})


def _read(conn: sqlite3.Connection, spec: str) -> None:
    resolve(conn, parse_spec(spec))


def _unreadable_report(kind: str, known_by: object, name: str, why: str, text: object) -> UnreadableReport:
    shown = text if isinstance(text, str) else json.dumps(text, ensure_ascii=False)
    return UnreadableReport.model_validate(
        {"kind": kind, "known_by": str(known_by), "name": name, "why": why, "text": shown[:LONGEST_TEXT], "removable": True}
    )
