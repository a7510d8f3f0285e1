"""Batches: plan, make, serve, correct and finish."""

from __future__ import annotations

import json
import sqlite3
from dataclasses import asdict, replace
from datetime import UTC, datetime, timedelta

from oenomel.core.balance import AXES
from oenomel.core.batch import Batch
from oenomel.core.batch.bottle_label import label_of
from oenomel.core.batch.corrections import Correction, back_to, corrections, wanted_steps
from oenomel.core.dilution import Conditions
from oenomel.core.event import ForTheEvening, shopping
from oenomel.core.larder import Ingredient
from oenomel.core.lots.lot import LotReading, lot_of
from oenomel.core.spec import Pour
from oenomel.core.wording import counted
from oenomel.errors import DomainError, RecordNotFound, SpecError
from oenomel.formats.card.content import day_words
from oenomel.moments import TEN_YEARS, moment_of
from oenomel.schemas.base import LevelsReport
from oenomel.schemas.reports.batch_reports import (
    BatchReport,
    CorrectionsReport,
    KeptBatchReport,
    KeptBatchSummary,
    batch_report,
    correction_report,
    label_report,
    poured_entry,
)
from oenomel.schemas.requests.batch_requests import AdditionEntry, BatchEntry, PouredEntry
from oenomel.schemas.requests.trial_conditions import MadeEntry
from oenomel.schemas.routes.batches_models import BatchChange, BottleReading, MakeEntry, PouredTrial, SaidOfBottle, ServedEntry
from oenomel.schemas.spec_to_drink import composition_entry
from oenomel.services.inventory import crates_of, stock_of
from oenomel.services.lots import checked_time
from oenomel.services.open_lots import with_lots_named
from oenomel.services.revisions import check_was
from oenomel.services.stored_batches import (
    batch_now,
    contents_text,
    pours_of,
    remaining_composition,
    report_of,
    summaries,
    the_older,
)
from oenomel.services.stored_event import poured_trial
from oenomel.store import batches, drinks, lots
from oenomel.store.batches import BatchRecord, LogRecord
from oenomel.store.clock import now
from oenomel.store.database import transaction


def get_poured(conn: sqlite3.Connection, drink_id: int) -> PouredTrial:
    """Return the trial of a drink that a batch is made of: the newest finished one, else the newest."""
    drinks.get(conn, drink_id)
    trial_and_spec = poured_trial(conn, drink_id)
    if trial_and_spec is None:
        raise RecordNotFound("trial of drink", drink_id)
    trial, spec = trial_and_spec
    return PouredTrial(number=trial.number, name=trial.name, spec=spec)


def work_out_batch(conn: sqlite3.Connection, body: BatchEntry, conditions: Conditions) -> BatchReport:
    """Plan a batch: order of pouring, water, container, a serve compared with a single drink, and what must be bought."""
    return _report(conn, batch_now(conn, body, conditions), conditions)


def list_batches(conn: sqlite3.Connection, every: bool = False) -> list[KeptBatchSummary]:
    """List batches with something left, newest first; with ``every`` the finished ones too."""
    return summaries(conn, batches.all_batches(conn) if every else batches.open_batches(conn))


def make_batch(conn: sqlite3.Connection, body: MakeEntry, conditions: Conditions) -> KeptBatchReport:
    """Save a batch that was made, with its measured amounts and lots, and what was left of an older one."""
    with transaction(conn):
        drink = drinks.get(conn, body.drink_id)
        spec, _ = with_lots_named(conn, body.batch.of_its_lots, MadeEntry())
        entry = body.batch.model_copy(update={"spec": spec})
        batch = batch_now(conn, entry, conditions)
        poured = body.poured or [poured_entry(line.ingredient, line.ml, line.slot) for line in batch.lines]
        # The number of serves asked for, whatever amounts went in.
        serve_ml = sum(one_pour.ml for one_pour in poured) / batch.scale
        log, older, older_ml = "", None if body.older_id is None else batches.get(conn, body.older_id), body.older_ml or 0.0
        if older is not None:
            if not older_ml:
                raise SpecError("older_ml", "how much of the older batch is left in it, in ml?")
            poured = [*poured, the_older(older, older_ml)]
            log = f", with {older_ml:.0f} ml of {older.name}"
        pours = pours_of(conn, poured)
        volume = sum(pour.volume_ml for pour in pours)
        made_at = checked_time(body.made_at, "made_at") if body.made_at else now()
        today = day_words(datetime.fromisoformat(made_at).astimezone().date())
        report = _report(conn, batch, conditions)
        record = BatchRecord(
            drink_id=drink.id,
            name=body.name or batches.unused_name(conn, f"{drink.name}, {today}"),
            made_at=made_at,
            use_by=(moment_of(made_at) + min(timedelta(hours=batch.keeping.hours), TEN_YEARS)).isoformat(timespec="seconds"),
            spec=spec.model_dump_json(exclude_unset=True),
            wish=entry.model_dump_json(exclude={"spec", "today"}),
            poured=json.dumps([one_pour.model_dump(mode="json", exclude_unset=True) for one_pour in poured]),
            contents=contents_text(pours),
            recipe=report.bottle.model_dump_json(),
            label=label_report(label_of(batch, serve_ml)).model_dump_json(),
            serve_ml=serve_ml,
            volume_ml=volume,
            left_ml=volume,
            container_ml=batch.container_ml,
            made_by=body.made_by,
            older_id=body.older_id,
            older_ml=0.0 if older is None else older_ml,
            wood=int(body.wood),
            note=body.note,
        )
        batch_id = batches.add(conn, record)
        batches.note(conn, LogRecord(batch_id, "made", f"{volume:.0f} ml made{log}"))
        if older is not None:
            batches.serve(conn, older, older_ml)
            batches.note(conn, LogRecord(older.id, "kept over", f"{older_ml:.0f} ml refilled into {record.name}"))
        return report_of(conn, batch_id)


def get_batch(conn: sqlite3.Connection, batch_id: int) -> KeptBatchReport:
    """Return one batch: what is left, its composition, the older batches in it, its log and its label."""
    return report_of(conn, batch_id)


def change_batch(conn: sqlite3.Connection, batch_id: int, body: BatchChange) -> KeptBatchReport:
    """Change what is left of a batch, its name, its date, or whether it is finished."""
    with transaction(conn):
        record = batches.get(conn, batch_id)
        changes = body.model_dump(exclude_none=True, exclude={"used_up", "use_by", "was"})
        if body.use_by is not None:
            changes["use_by"] = _use_by(body.use_by, record)
        if body.used_up is not None:
            changes["used_up_at"] = max(now(), record.made_at) if body.used_up else None
        check_was(body.was, asdict(record), changes, record.name)
        batches.change(conn, replace(record, **changes))
        if body.left_ml is not None:
            batches.note(conn, LogRecord(batch_id, "set right", f"{body.left_ml:.0f} ml left"))
        return report_of(conn, batch_id)


def remove_batch(conn: sqlite3.Connection, batch_id: int) -> None:
    """Delete a batch that was saved by mistake."""
    with transaction(conn):
        batches.remove(conn, batch_id)


def serve_from_batch(conn: sqlite3.Connection, batch_id: int, body: ServedEntry) -> KeptBatchReport:
    """Record a serve from a batch; refused where less is left."""
    if (body.serves is None) == (body.ml is None):
        raise SpecError("serves", "enter the serves or ml poured")
    with transaction(conn):
        record = batches.get(conn, batch_id)
        ml = body.ml if body.serves is None else body.serves * record.serve_ml
        batches.serve(conn, record, ml or 0.0)
        words = f"{counted(body.serves, 'serve')} poured" if body.serves else f"{ml:.0f} ml poured"
        batches.note(conn, LogRecord(batch_id, "served", words))
        return report_of(conn, batch_id)


def correct_by_taste(conn: sqlite3.Connection, batch_id: int, body: SaidOfBottle) -> CorrectionsReport:
    """Return what to add after a tasting, an axis at a time; nothing is written."""
    record = batches.get(conn, batch_id)
    result: list[Correction] = []
    for axis in AXES:
        complaint = getattr(body, axis)
        if complaint:
            result += corrections(
                _remaining_pours(conn, record), axis, wanted_steps(complaint), body.grid, getattr(remaining_composition(record), axis)
            )
    words = "" if result else "Tastes right. No change needed."
    return CorrectionsReport(words=words, notes=[], corrections=[correction_report(correction) for correction in result])


def correct_by_reading(conn: sqlite3.Connection, batch_id: int, body: BottleReading) -> CorrectionsReport:
    """Take a reading of a batch and return what brings it back to its recipe; nothing where the difference can't be tasted."""
    with transaction(conn):
        record = batches.get(conn, batch_id)
        bottle = Ingredient(slug="bottle", name=record.name, kind="other", composition=remaining_composition(record))
        read = lot_of(bottle, [LotReading(body.what, body.value, body.sd)], record.name)
        record = replace(record, contents=composition_entry(read.ingredient.composition).model_dump_json(exclude_defaults=True))
        batches.change(conn, record)
        unit = {"brix": " °Bx", "acid": " g acid/100 ml", "abv": "% ABV"}[body.what]
        batches.note(conn, LogRecord(batch_id, "read", f"{body.value:g}{unit} read"))
        axis = {"brix": "sugar", "acid": "acid", "abv": "abv"}[body.what]
        recipe = LevelsReport.model_validate_json(record.recipe)
        words, options = back_to(
            _remaining_pours(conn, record), axis, getattr(recipe, axis), getattr(remaining_composition(record), axis), body.grid
        )
        return CorrectionsReport(words=words, notes=list(read.notes), corrections=[correction_report(correction) for correction in options])


def add_to_batch(conn: sqlite3.Connection, batch_id: int, body: AdditionEntry) -> KeptBatchReport:
    """Record what was added to a batch."""
    with transaction(conn):
        record = batches.get(conn, batch_id)
        if record.left_ml <= 0:
            raise DomainError(f"{record.name} is empty: log a new batch instead")
        added = pours_of(conn, body.poured)
        # What was served is gone: what is left has the old proportions, plus what is added now.
        share, ml = record.left_ml / record.volume_ml, sum(pour.volume_ml for pour in added)
        poured = [*(entry.model_copy(update={"ml": entry.ml * share}) for entry in _poured(record)), *body.poured]
        later = replace(
            record,
            poured=json.dumps([entry.model_dump(mode="json", exclude_unset=True) for entry in poured]),
            contents=contents_text(pours_of(conn, [the_older(record, record.left_ml), *body.poured])),
            volume_ml=record.left_ml + ml,
            left_ml=record.left_ml + ml,
            older_ml=record.older_ml * share,
        )
        batches.change(conn, later)
        added_in_words = ", ".join(f"{pour.volume_ml:g} ml of {pour.ingredient.in_sentence}" for pour in added)
        batches.note(conn, LogRecord(batch_id, "added", f"{added_in_words} added" + (f": {body.words}" if body.words else "")))
        return report_of(conn, batch_id)


def _poured(record: BatchRecord) -> list[PouredEntry]:
    return [PouredEntry.model_validate(load) for load in json.loads(record.poured)]


def _remaining_pours(conn: sqlite3.Connection, record: BatchRecord) -> list[Pour]:
    """Return what is left in the batch, in the proportions of its pours."""
    return [pour.at(pour.volume_ml * record.left_ml / record.volume_ml) for pour in pours_of(conn, _poured(record))]


def _use_by(text: str, record: BatchRecord) -> str:
    try:
        time = datetime.fromisoformat(text).astimezone(UTC)
        moment_of(time.isoformat(), TEN_YEARS)
    except (ValueError, OverflowError) as error:
        raise SpecError("use_by", f'"{text}" isn\'t a time within ten years: enter one like 2026-11-27T23:00') from error
    if time < moment_of(record.made_at):
        raise SpecError("use_by", "that is before the batch was made")
    return time.isoformat(timespec="seconds")


def _report(conn: sqlite3.Connection, batch: Batch, conditions: Conditions) -> BatchReport:
    serves = max(1, round(batch.scale))
    of = ForTheEvening(batch.drink, serves, serves, batch.wish.service)
    return batch_report(batch, shopping([of], stock_of(conn, [batch.drink]), crates_of(lots.open_lots(conn)), conditions))
