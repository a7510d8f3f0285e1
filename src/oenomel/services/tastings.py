"""Tasting sheets, ingredients tasted alone, what to try next, and palates."""

from __future__ import annotations

import sqlite3
from typing import Annotated

from pydantic import Field

from oenomel.core.balance import profile_as_made
from oenomel.core.dilution import Conditions
from oenomel.core.families import typical_range_for
from oenomel.core.larder import aromas
from oenomel.core.rebalance import Budget
from oenomel.core.trials.next_trial import may_join, proposals
from oenomel.core.trials.palate import learn, palate_axes
from oenomel.core.trials.tasting import verdict_words
from oenomel.schemas.base import Plain
from oenomel.schemas.reports.trial_reports import (
    NextReport,
    PalateReport,
    next_report,
)
from oenomel.schemas.requests.tasting_requests import WordsEntry, verdict_of
from oenomel.schemas.routes.tastings_models import (
    AromaReport,
    FlightEntry,
    FlightReport,
    IngredientNoteEntry,
    IngredientNoteReport,
    NextRequest,
    TasterReport,
)
from oenomel.services.resolve import typical_ranges_for
from oenomel.services.stored_sensory import tongue_of
from oenomel.services.stored_trials import kept_trials, palate_of, sheets_of, tasted_of
from oenomel.services.trials import sheet_report
from oenomel.store import drinks, ingredients, tastings
from oenomel.store.database import transaction
from oenomel.store.stock import in_stock
from oenomel.store.tastings import PartTastingRecord, TastingRecord


def list_aromas() -> list[AromaReport]:
    """List the words for aromas."""
    return [AromaReport(tag=tag, group=aroma.group) for tag, aroma in aromas().items()]


def keep_sheets(conn: sqlite3.Connection, body: FlightEntry) -> FlightReport:
    """Save tasting sheets, all of them or none; a hidden trial is shown again."""
    records = [
        TastingRecord(**{**sheet.model_dump(exclude={"words"}), "words": sheet.words.model_dump_json(exclude_defaults=True)})
        for sheet in body.sheets
    ]
    with transaction(conn):
        kept = [tastings.add(conn, record) for record in records]
        sheets_by_id = {
            sheet.id: sheet
            for trial in {r.trial_id for r in records}
            for sheet in tastings.of_drink(conn, drinks.trial(conn, trial).drink_id)
        }
    return FlightReport(sheets=[sheet_report(sheets_by_id[sheet_id]) for sheet_id in kept])


def list_tasters(conn: sqlite3.Connection) -> list[TasterReport]:
    """List the tasters of this bar."""
    return [TasterReport(taster=name, sheets=sheets, last=last) for name, sheets, last in tastings.tasters(conn)]


def get_palate(conn: sqlite3.Connection, taster: Annotated[Plain, Field(max_length=100)] = "") -> PalateReport:
    """Return a taster's palate, or the bar's for an empty name, and the sheets it was learnt from."""
    tasted = tasted_of(conn, taster)
    why = [
        f"{trial.name} ({record.tasted_at[:10]}{'' if taster else f', {record.taster}'}): {impression or 'only words'}."
        for record, trial, _ in tasted
        for impression in [verdict_words(verdict_of(sheet_report(record)))]
    ]
    if len(tasted) >= tastings.MOST_SHEETS:
        why.append(f"Only the newest {tastings.MOST_SHEETS} tasting notes count.")
    palate = learn([tasting for _, _, tasting in tasted], tongue=tongue_of(conn, taster))
    return PalateReport(taster=taster, sheets=palate.sheets, sessions=palate.sessions, axes=list(palate_axes(palate)), why=why)


def list_part_tastings(conn: sqlite3.Connection, slug: str) -> list[IngredientNoteReport]:
    """List the tastings of an ingredient alone, oldest first."""
    ingredients.get(conn, slug)
    return [
        IngredientNoteReport(
            id=record.id,
            taster=record.taster,
            tasted_at=record.tasted_at,
            words=WordsEntry.model_validate_json(record.words),
            amended=record.amended,
        )
        for record in tastings.of_part(conn, slug)
    ]


def taste_part(conn: sqlite3.Connection, slug: str, body: IngredientNoteEntry) -> list[IngredientNoteReport]:
    """Save a tasting of an ingredient alone, and update its aroma and impression where they were given."""
    amends = body.aroma is not None or body.impression is not None
    with transaction(conn):
        present = ingredients.get(conn, slug)
        tastings.add_part(conn, PartTastingRecord(slug, body.taster, body.words.model_dump_json(exclude_defaults=True), amends))
        if amends:
            aroma = present.aroma if body.aroma is None else body.aroma
            ingredients.amend(conn, slug, aroma, present.impression if body.impression is None else body.impression)
    return list_part_tastings(conn, slug)


def take_sheet_back(conn: sqlite3.Connection, tasting_id: int) -> None:
    """Delete a tasting sheet."""
    with transaction(conn):
        tastings.remove(conn, tasting_id)


def propose_next(
    conn: sqlite3.Connection, drink_id: int, trial_id: int, body: NextRequest, conditions: Conditions, budget: Budget
) -> NextReport:
    """Propose two or three trials to try next, after the tasting sheets of this one."""
    drinks.get_trial(conn, drink_id, trial_id)
    kept = {kept_trial.record.id: kept_trial for kept_trial in kept_trials(conn, drinks.trials(conn, drink_id))}
    present = kept[trial_id]
    sheets = sheets_of(tastings.of_drink(conn, drink_id), {key: trial.drink for key, trial in kept.items()})
    palate = None if body.palate is None else palate_of(conn, body.palate, but=drink_id)
    larder = ingredients.larder(conn)
    homes = typical_ranges_for(conn, present.drink.family)
    home = typical_range_for(present.drink, profile_as_made(present.drink, conditions), homes)
    joining = may_join(larder, in_stock(conn))
    standing, all_proposals = proposals(
        sheets, present.drink, trial_id, joining, home, palate, conditions, body.grid, budget, tongue_of(conn, body.palate)
    )
    figures = [profile_as_made(proposal.drink, conditions) for proposal in all_proposals]
    return next_report(present.spec, present.drink, standing, all_proposals, figures)


def reset_palate(conn: sqlite3.Connection, taster: str) -> None:
    """Learn a palate from new sheets only; the old ones stay with their trials."""
    with transaction(conn):
        tastings.reset_palate(conn, taster)
