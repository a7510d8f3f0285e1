"""The book: drinks, their trials as made, and the draft on the bench."""

from __future__ import annotations

import sqlite3

from oenomel.core.dilution import Conditions
from oenomel.core.forecast import STANDARD, forecast_of
from oenomel.core.larder import Index, Tier
from oenomel.schemas.poured_spec import settled
from oenomel.schemas.reports.forecast_reports import forecast_report
from oenomel.schemas.requests.trial_conditions import MadeEntry, as_poured, with_conditions
from oenomel.schemas.routes.drinks_models import (
    BookCount,
    BookQuery,
    DraftEntry,
    DraftReport,
    DrinkDetail,
    DrinkSummary,
    NewDrink,
    NewName,
    NewNotes,
    NewTrial,
    PageQuery,
    Reference,
    TrialReport,
)
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import plain_spec, same_spec
from oenomel.services.open_lots import with_lots_named
from oenomel.services.resolve import resolve, typical_ranges_for
from oenomel.services.revisions import check_was
from oenomel.store import book_search, drinks, ingredients, lineage, originals, tastings
from oenomel.store.book_search import Wanted
from oenomel.store.database import transaction
from oenomel.store.drinks import DraftRecord, DrinkRecord, TrialRecord


def list_drinks(conn: sqlite3.Connection, asked: PageQuery) -> list[DrinkSummary]:
    """Return a page of the book, newest drink first; `count_drinks` tells how many there are."""
    matches = book_search.find(conn, _book_search_of(asked, ingredients.names(conn)), asked.limit or book_search.MOST_FOUND, asked.before)
    drafts, latest = drinks.drafts(conn, matches), drinks.latest_trials(conn, matches)
    notes = tastings.counts(conn, [trial.id for trial in latest.values()])
    return [
        _summary(record, latest[record.id], drafts.get(record.id), notes.get(latest[record.id].id, 0))
        for record in drinks.some(conn, matches)
    ]


def count_drinks(conn: sqlite3.Connection, asked: BookQuery) -> BookCount:
    """Count the drinks of the book that match a search."""
    return BookCount(drinks=book_search.count(conn, _book_search_of(asked, ingredients.names(conn))))


def add_drink(conn: sqlite3.Connection, body: NewDrink) -> DrinkDetail:
    """Add a drink from a spec, which becomes its first trial."""
    with transaction(conn):
        drink_id = drinks.add(conn, body.name, body.spec.family, notes=body.notes)
        spec = body.spec.model_copy(update={"name": body.name})
        trial_id = _keep(conn, drink_id, None, body.trial_name, body.reason, spec, MadeEntry(), STANDARD)
        lineage.add_parents(conn, trial_id, body.parents)
        if body.wish is not None:
            originals.mark(conn, drink_id, body.wish.model_dump_json())
        return _detail(conn, drink_id)


def get_drink(conn: sqlite3.Connection, drink_id: int) -> DrinkDetail:
    """Return one drink."""
    return _detail(conn, drink_id)


def rename_drink(conn: sqlite3.Connection, drink_id: int, body: NewName) -> DrinkDetail:
    """Rename a drink; its trials keep the name they were made under."""
    with transaction(conn):
        drinks.rename(conn, drink_id, body.name)
    return _detail(conn, drink_id)


def write_notes(conn: sqlite3.Connection, drink_id: int, body: NewNotes) -> DrinkDetail:
    """Save the notes of a drink."""
    with transaction(conn):
        here = drinks.get(conn, drink_id)
        if body.was is not None:
            check_was({"notes": body.was}, {"notes": here.notes}, {"notes": body.notes}, f"The notes of {here.name}")
        drinks.put_notes(conn, drink_id, body.notes)
    return _detail(conn, drink_id)


def keep_trial(conn: sqlite3.Connection, drink_id: int, body: NewTrial, conditions: Conditions) -> DrinkDetail:
    """Save a trial as made with the forecast of that day, and compare the draft with it from then on: both or neither.

    Refused with 409 where another window saved in between; it can then be kept beside.
    """
    with transaction(conn):
        trial_id = _keep(conn, drink_id, body.parent_trial_id, body.name, body.reason, body.spec, body.made, conditions)
        lineage.add_parents(conn, trial_id, [parent for parent in body.parents if parent != body.parent_trial_id])
        if not body.beside:
            drinks.put_draft(conn, drink_id, trial_id, drinks.get_trial(conn, drink_id, trial_id).spec, body.revision)
    return _detail(conn, drink_id)


def set_reference(conn: sqlite3.Connection, drink_id: int, trial_id: int, body: Reference) -> DrinkDetail:
    """Count a trial among the bar's reference specs of its family, or no longer."""
    with transaction(conn):
        drinks.set_reference(conn, drink_id, trial_id, body.counts)
    return _detail(conn, drink_id)


def save_draft(conn: sqlite3.Connection, drink_id: int, body: DraftEntry) -> DraftReport:
    """Save the draft; refused with 409 where another window saved in the meantime."""
    drinks.get(conn, drink_id)
    (drink,) = resolve(conn, body.spec)
    with transaction(conn):
        drinks.put_draft(conn, drink_id, body.parent_trial_id, _text(settled(body.spec, drink)), body.revision)
        record = drinks.get_draft(conn, drink_id)
    assert record is not None
    return _draft(record)


def _book_search_of(asked: BookQuery, names: Index) -> Wanted:
    """Return the store's search for a query; ``names`` gives the ingredients that its words mean."""
    meant = tuple(match.slug for match in names.find(asked.q) if match.tier <= Tier.ANY_ORDER) if asked.q.strip() else ()
    return Wanted(asked.q, meant, asked.family or "", asked.taster, asked.score, in_stock=asked.at_hand)


def _keep(
    conn: sqlite3.Connection,
    drink_id: int,
    parent: int | None,
    name: str,
    reason: str,
    spec: SpecFile,
    entry: MadeEntry,
    conditions: Conditions,
) -> int:
    spec, entry = with_lots_named(conn, spec, entry)
    written, poured = resolve(conn, spec, as_poured(spec, entry))
    forecast = forecast_report(forecast_of(poured, conditions, typical_ranges_for(conn, poured.family))).model_dump_json()
    as_made = with_conditions(entry, conditions).model_dump_json(exclude_defaults=True)
    return drinks.keep_trial(conn, drink_id, parent, name, reason, _text(settled(spec, written)), forecast, as_made)


def _text(spec: SpecFile) -> str:
    return spec.model_dump_json(exclude_unset=True)


def _spec(text: str) -> SpecFile:
    return plain_spec(SpecFile.model_validate_json(text))


def _draft(record: DraftRecord) -> DraftReport:
    return DraftReport(parent_trial_id=record.parent_trial_id, spec=_spec(record.spec), revision=record.revision, saved_at=record.saved_at)


def _trial(record: TrialRecord, references: set[int]) -> TrialReport:
    return TrialReport(
        id=record.id,
        number=record.number,
        parent_trial_id=record.parent_trial_id,
        name=record.name,
        reason=record.reason,
        spec=_spec(record.spec),
        kept_at=record.kept_at,
        reference=record.id in references,
    )


def _summary(record: DrinkRecord, latest: TrialRecord, draft: DraftRecord | None, notes: int) -> DrinkSummary:
    spec = _spec(latest.spec)
    return DrinkSummary(
        id=record.id,
        name=record.name,
        family=record.family,
        origin=record.origin,
        trials=latest.number,
        latest_trial=latest.name,
        latest_reason=latest.reason,
        latest_notes=notes,
        has_draft=draft is not None and not same_spec(_spec(draft.spec), spec),
        ingredients=[p.ingredient if isinstance(p.ingredient, str) else p.ingredient.name for p in spec.pours],
    )


def _detail(conn: sqlite3.Connection, drink_id: int) -> DrinkDetail:
    record = drinks.get(conn, drink_id)
    draft = drinks.get_draft(conn, drink_id)
    references = drinks.reference_ids(conn, drink_id)
    return DrinkDetail(
        id=record.id,
        name=record.name,
        family=record.family,
        origin=record.origin,
        notes=record.notes,
        trials=[_trial(trial, references) for trial in drinks.trials(conn, drink_id)],
        draft=_draft(draft) if draft else None,
    )
