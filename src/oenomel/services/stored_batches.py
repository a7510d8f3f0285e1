"""Stored batches as the core takes them: composition, fillings and descriptions."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterable, Sequence
from datetime import UTC, datetime
from typing import Any

from oenomel.core.batch import Batch, batch_of
from oenomel.core.batch.corrections import TASTE_ML, serves_in
from oenomel.core.batch.solera_shares import Filling, contents_of, descent_words, shares
from oenomel.core.dilution import Conditions
from oenomel.core.larder import Composition
from oenomel.core.spec import Pour
from oenomel.moments import TEN_YEARS, moment_of
from oenomel.schemas.base import LevelsReport
from oenomel.schemas.reports.batch_reports import DescentReport, KeptBatchReport, KeptBatchSummary, LabelReport, LogReport, PouredReport
from oenomel.schemas.requests.batch_requests import BatchEntry, PouredEntry, poured_spec, wish_of
from oenomel.schemas.spec_file import CompositionEntry, InlineIngredient
from oenomel.schemas.spec_to_drink import composition_entry, inline_ingredient
from oenomel.services.readable import read_or_none
from oenomel.services.resolve import resolve
from oenomel.store import batches, drinks, ingredients
from oenomel.store.batches import BatchRecord

__all__ = ["batch_now", "contents_text", "pours_of", "remaining_composition", "report_of", "summaries", "the_older"]


def batch_now(conn: sqlite3.Connection, entry: BatchEntry, conditions: Conditions) -> Batch:
    """Plan a batch from a request; raises SpecError, DomainError."""
    wish = wish_of(entry)
    (drink,) = resolve(conn, entry.of_its_lots)
    return batch_of(drink, wish, conditions)


def pours_of(conn: sqlite3.Connection, poured: Sequence[PouredEntry]) -> list[Pour]:
    """Return the contents of a batch as pours; raises SpecError that names an unknown ingredient."""
    (drink,) = resolve(conn, poured_spec(list(poured)))
    return [pour.at(entry.ml) for pour, entry in zip(drink.pours, poured, strict=True)]


def contents_text(pours: Sequence[Pour]) -> str:
    """Return the composition of a batch per 100 ml, as stored."""
    return composition_entry(contents_of(pours)).model_dump_json(exclude_defaults=True)


def remaining_composition(record: BatchRecord) -> Composition:
    """Return the composition of a stored batch per 100 ml."""
    return inline_ingredient(_bottle(record)).composition


def the_older(record: BatchRecord, ml: float) -> PouredEntry:
    """Return some ml of an older batch as a pour of a new one."""
    return PouredEntry(ingredient=_bottle(record), ml=ml)


def summaries(conn: sqlite3.Connection, records: Iterable[BatchRecord]) -> list[KeptBatchSummary]:
    """Return stored batches in short, the newest first; unreadable ones are skipped."""
    names, every = dict(drinks.names(conn)), {batch.id: batch for batch in batches.all_batches(conn)}
    reports = (read_or_none(_summary_report, record, names, every) for record in reversed(list(records)))
    return [report for report in reports if report is not None]


def report_of(conn: sqlite3.Connection, batch_id: int) -> KeptBatchReport:
    """Return a batch in full; raises RecordNotFound."""
    record = batches.get(conn, batch_id)
    names, every = dict(drinks.names(conn)), {batch.id: batch for batch in batches.all_batches(conn)}
    has = remaining_composition(record)
    poured = [PouredEntry.model_validate(load) for load in json.loads(record.poured)]
    slugs = {entry.ingredient for entry in poured if isinstance(entry.ingredient, str)}
    known = {slug: ingredient.name for slug, ingredient in ingredients.some(conn, slugs).items()}
    return KeptBatchReport(
        **_summary(record, names, every),
        container_ml=record.container_ml,
        sugar=has.sugar,
        acid=has.acid,
        recipe=LevelsReport.model_validate_json(record.recipe),
        poured=[PouredReport(name=_name(entry, known), ml=entry.ml, lot=entry.lot or "") for entry in poured],
        log=[LogReport.model_validate(log_record) for log_record in batches.log(conn, batch_id)],
        descends=[_descent(every[key], share) for key, share in shares(_fillings(every), record.id)],
        label=LabelReport.model_validate_json(record.label),
        note=record.note,
        taste=f"Pour {TASTE_ML:.0f} ml over two cubes, wait a minute and taste.",
    )


def _summary_report(record: BatchRecord, names: dict[int, str], every: dict[int, BatchRecord]) -> KeptBatchSummary:
    return KeptBatchSummary(**_summary(record, names, every))


def _summary(record: BatchRecord, names: dict[int, str], every: dict[int, BatchRecord]) -> dict[str, Any]:
    same = (
        "id", "name", "drink_id", "made_at", "made_by", "use_by", "used_up_at", "volume_ml", "left_ml", "serve_ml"
    )  # fmt: skip
    return {
        **{name: getattr(record, name) for name in same},
        "drink": names[record.drink_id],
        "past": record.used_up_at is None and moment_of(record.use_by, TEN_YEARS) < datetime.now(UTC),
        "service": json.loads(record.wish)["service"],
        "serves_left": serves_in(record.left_ml, record.serve_ml),
        "abv": remaining_composition(record).abv,
        "wood": bool(record.wood),
        "descent": descent_words({key: one_batch.name for key, one_batch in every.items()}, shares(_fillings(every), record.id)),
    }


def _descent(record: BatchRecord, share: float) -> DescentReport:
    return DescentReport(
        id=record.id, name=record.name, made_at=record.made_at, share=share, new_ml=_new_ml(record), kept_ml=record.older_ml
    )  # fmt: skip


def _fillings(every: dict[int, BatchRecord]) -> dict[int, Filling]:
    return {key: Filling(key, _new_ml(record), record.older_id, record.older_ml) for key, record in every.items()}


def _new_ml(record: BatchRecord) -> float:
    return record.volume_ml - record.older_ml


def _bottle(record: BatchRecord) -> InlineIngredient:
    return InlineIngredient(name=record.name, kind="other", composition=CompositionEntry.model_validate_json(record.contents))


def _name(entry: PouredEntry, known: dict[str, str]) -> str:
    return entry.ingredient.name if isinstance(entry.ingredient, InlineIngredient) else known.get(entry.ingredient, entry.ingredient)
