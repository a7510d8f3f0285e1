"""Trials of a drink: tasting sheets, readings, brief, and gathered specs."""

from __future__ import annotations

import json
import sqlite3

from oenomel.core.dilution import Conditions
from oenomel.core.forecast import forecast_of
from oenomel.core.trials import Reading
from oenomel.core.trials.brief import Brief, check_brief
from oenomel.core.trials.lineage import origins
from oenomel.core.trials.readings import beside_forecast
from oenomel.core.trials.side_by_side import compare_trials
from oenomel.core.trials.spec_cloud import spec_cloud_of
from oenomel.errors import DomainError
from oenomel.schemas.reports.forecast_reports import forecast_report
from oenomel.schemas.reports.trial_reports import (
    BrokenSpecReport,
    MeasuredDilutionReport,
    NotebookReport,
    NotebookTrial,
    ParentRef,
    SheetReport,
    SideBySideReport,
    SpecCloudReport,
    beside_report,
    kept_figures,
    sheet_words,
    side_by_side_report,
    spec_cloud_report,
)
from oenomel.schemas.requests.tasting_requests import BriefEntry, WordsEntry
from oenomel.schemas.requests.trial_conditions import circumstances_of
from oenomel.schemas.routes.trials_models import ChosenTrials, CloudSpecEntry, MarkEntry
from oenomel.schemas.spec_file import parse_spec
from oenomel.schemas.spec_to_drink import plain_spec
from oenomel.services.resolve import resolve, typical_ranges_for
from oenomel.services.revisions import check_revision, revision_of
from oenomel.services.stored_trials import KeptTrial, kept_trials, readable_trials
from oenomel.store import briefs, drinks, lineage, measurements, spec_clouds, tastings
from oenomel.store.database import transaction
from oenomel.store.tastings import TastingRecord


def get_notebook(conn: sqlite3.Connection, drink_id: int) -> NotebookReport:
    """Return a drink's trials with how they were made, tasted and measured, and how they meet the brief."""
    record = drinks.get(conn, drink_id)
    brief = BriefEntry.model_validate_json(briefs.get(conn, drink_id))
    return NotebookReport(
        drink_id=drink_id, name=record.name, family=record.family, brief=brief,
        brief_revision=revision_of(briefs.get(conn, drink_id)), trials=_trials(conn, drink_id, brief),
        gathered=len(spec_clouds.of_drink(conn, drink_id)),
    )  # fmt: skip


def write_brief(conn: sqlite3.Connection, drink_id: int, body: BriefEntry, read: str | None = None) -> NotebookReport:
    """Save the brief of a drink; refused with 409 where it was changed since it was read."""
    _brief(body)
    with transaction(conn):
        check_revision(read, "The brief", briefs.get(conn, drink_id))
        briefs.put(conn, drink_id, body.model_dump_json())
    return get_notebook(conn, drink_id)


def mark_trial(conn: sqlite3.Connection, drink_id: int, trial_id: int, body: MarkEntry) -> NotebookReport:
    """Mark a trial as finished or shelved, or hide it; nothing is deleted."""
    with transaction(conn):
        lineage.mark(conn, drink_id, trial_id, body.mark)
    return get_notebook(conn, drink_id)


def lay_side_by_side(conn: sqlite3.Connection, drink_id: int, body: ChosenTrials, conditions: Conditions) -> SideBySideReport:
    """Compare two to four trials as poured, each with the first; differences first."""
    chosen = kept_trials(conn, [drinks.get_trial(conn, drink_id, trial) for trial in body.trials])
    trials = [circumstances_of(f"trial {one_trial.record.number}", one_trial.drink, one_trial.made) for one_trial in chosen]
    return side_by_side_report(
        compare_trials(trials, conditions, typical_ranges_for(conn, *{one_trial.drink.family for one_trial in chosen}))
    )


def get_spec_cloud(conn: sqlite3.Connection, drink_id: int, conditions: Conditions) -> SpecCloudReport:
    """Return the specs gathered for a drink, and their median; both empty below two specs."""
    drinks.get(conn, drink_id)
    shown, broken = [], []
    for record in spec_clouds.of_drink(conn, drink_id):
        try:
            spec = plain_spec(parse_spec(record.spec))
            (drink,) = resolve(conn, spec)
            own = record.id, record.name, spec
            alone = spec_cloud_report(spec_cloud_of([drink], conditions), [drink], [own])
            shown.append((drink, own, alone.points[0]))
        except DomainError as error:
            # Such a spec is refused today; one that an earlier version accepted can be deleted.
            broken.append(BrokenSpecReport(id=record.id, name=record.name, why=str(error)))
    shown_drinks = [drink for drink, _, _ in shown]
    try:
        report = spec_cloud_report(spec_cloud_of(shown_drinks, conditions), shown_drinks, [one_spec for _, one_spec, _ in shown])
    except DomainError as error:
        apart = [point for _, _, point in shown]
        report = SpecCloudReport(points=apart, middle=None, middle_figures=None, sentence=f"{str(error)[0].upper()}{str(error)[1:]}.")
    return report.model_copy(update={"broken": broken})


def add_cloud_spec(conn: sqlite3.Connection, drink_id: int, body: CloudSpecEntry, conditions: Conditions) -> SpecCloudReport:
    """Add somebody's spec to a drink's gathered specs; refused where it can't be drunk, or the median would pour nothing."""
    (drink,) = resolve(conn, body.spec)
    with transaction(conn):
        beside = get_spec_cloud(conn, drink_id, conditions)
        spec_cloud_of([*resolve(conn, *(point.spec for point in beside.points)), drink], conditions)
        spec_clouds.add(conn, drink_id, body.name, body.spec.model_dump_json(exclude_unset=True))
    return get_spec_cloud(conn, drink_id, conditions)


def remove_cloud_spec(conn: sqlite3.Connection, drink_id: int, spec_id: int, conditions: Conditions) -> SpecCloudReport:
    """Delete a gathered spec."""
    with transaction(conn):
        spec_clouds.remove(conn, drink_id, spec_id)
    return get_spec_cloud(conn, drink_id, conditions)


def sheet_report(record: TastingRecord) -> SheetReport:
    """Build the report of a stored sheet, with its verdict in words."""
    fields = {name: getattr(record, name) for name in SheetReport.model_fields if name not in ("words", "verdict")}
    sheet = SheetReport(**fields, words=WordsEntry.model_validate(json.loads(record.words)), verdict="")
    return sheet.model_copy(update={"verdict": sheet_words(sheet)})


def _trials(conn: sqlite3.Connection, drink_id: int, brief: BriefEntry) -> list[NotebookTrial]:
    kept = readable_trials(conn, drinks.trials(conn, drink_id))
    further, marks = lineage.parents(conn, drink_id), lineage.marks(conn, drink_id)
    sheets, readings = tastings.of_drink(conn, drink_id), measurements.of_drink(conn, drink_id)
    wanted = {trial.record.id: _parent_ids(trial, further) for trial in kept}
    parents = {
        trial.record.id: trial for trial in readable_trials(conn, drinks.some_trials(conn, (i for ids in wanted.values() for i in ids)))
    }
    names = {record.id: record.name for record in drinks.some(conn, {parent.record.drink_id for parent in parents.values()})}
    reports = []
    for one_trial in kept:
        trial_id = one_trial.record.id
        forecast = forecast_of(one_trial.drink, one_trial.conditions)
        own = [reading for reading in readings if reading.trial_id == trial_id]
        beside = beside_forecast([Reading(r.quantity, r.point, r.value) for r in own], forecast)
        water = measurements.water_of(conn, trial_id)
        born_of = [parents[i] for i in wanted[trial_id] if i in parents]
        figures, low, high = kept_figures(json.loads(one_trial.record.forecast) or forecast_report(forecast).model_dump())
        reports.append(
            NotebookTrial(
                id=trial_id,
                number=one_trial.record.number,
                name=one_trial.record.name,
                reason=one_trial.record.reason,
                kept_at=one_trial.record.kept_at,
                spec=one_trial.spec,
                made=one_trial.made,
                mark=marks.get(trial_id, ""),
                parents=[_parent(parent, names) for parent in born_of],
                origins=list(origins(one_trial.drink, [parent.drink for parent in born_of])),
                figures=figures,
                has_strength=forecast.has_strength,
                low=low,
                high=high,
                sheets=[sheet_report(sheet) for sheet in sheets if sheet.trial_id == trial_id],
                readings=[beside_report(b, reading.id, reading.device) for b, reading in zip(beside, own, strict=True)],
                water=None if water is None else MeasuredDilutionReport(ratio=water[0], how=water[1]),
                checks=list(check_brief(_brief(brief), forecast)),
            )
        )
    return reports


def _parent_ids(trial: KeptTrial, further: dict[int, list[int]]) -> list[int]:
    first = [trial.record.parent_trial_id] if trial.record.parent_trial_id is not None else []
    return [*first, *(i for i in further.get(trial.record.id, []) if i not in first)]


def _parent(parent: KeptTrial, names: dict[int, str]) -> ParentRef:
    record = parent.record
    return ParentRef(trial_id=record.id, drink_id=record.drink_id, drink=names[record.drink_id], number=record.number, name=record.name)


def _brief(entry: BriefEntry) -> Brief:
    return Brief(**{**entry.model_dump(), "avoid": tuple(entry.avoid)})
