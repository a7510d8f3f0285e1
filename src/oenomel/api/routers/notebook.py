"""The notebook of a drink: its trials with all that is known of them, side by side, its brief, and other people's specs."""

from __future__ import annotations

import json
import sqlite3
from http import HTTPStatus
from typing import Annotated, Literal

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field, StringConstraints

from oenomel.api.deps import Connection, HouseConditions, homes_for, resolve
from oenomel.api.errors import PROBLEMS
from oenomel.api.kept import KeptTrial, kept_trials
from oenomel.core.brief import Brief, hold_against
from oenomel.core.lineage import origins
from oenomel.core.many_specs import cloud_of
from oenomel.core.measuring import Measured, beside_foreseen
from oenomel.core.prediction import predict
from oenomel.core.side_by_side import side_by_side
from oenomel.interchange.made_entry import made_of
from oenomel.interchange.notebook_report import (
    BriefEntry,
    CloudReport,
    NotebookReport,
    NotebookTrial,
    ParentRef,
    RowId,
    SheetReport,
    SideBySideReport,
    WaterReport,
    WordsEntry,
    beside_report,
    cloud_report,
    held_report,
    kept_figures,
    sheet_words,
    side_by_side_report,
)  # fmt: skip
from oenomel.interchange.spec_drink import with_plain_amounts
from oenomel.interchange.spec_file import SpecFile, parse_spec
from oenomel.interchange.spec_poured import with_pours_of
from oenomel.store import drinks, gathered, lineage, measurements, tastings
from oenomel.store.database import transaction
from oenomel.store.tastings import TastingRecord

router = APIRouter(tags=["notebook"])

Name = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=200)]


class MarkEntry(BaseModel):
    """What became of a trial; empty for nothing yet, hidden for out of view."""

    model_config = ConfigDict(extra="forbid")

    mark: Literal["", "finished", "shelved", "hidden"]


class ChosenTrials(BaseModel):
    """Trials of one drink to lay side by side, the one that the others are held against first."""

    model_config = ConfigDict(extra="forbid")

    trials: Annotated[list[RowId], Field(min_length=1, max_length=8)]


class GatheredEntry(BaseModel):
    """A spec of the drink from elsewhere, and whose it is."""

    model_config = ConfigDict(extra="forbid")

    name: Name
    spec: SpecFile


@router.get("/drinks/{drink_id}/notebook", responses=PROBLEMS["missing"])
def get_notebook(drink_id: RowId, conn: Connection) -> NotebookReport:
    """All that is known of a drink's trials: how they were made, what was said and measured, and what of the brief they keep."""
    record = drinks.get(conn, drink_id)
    brief = BriefEntry.model_validate_json(gathered.get_brief(conn, drink_id))
    return NotebookReport(
        drink_id=drink_id, name=record.name, family=record.family, brief=brief, trials=_trials(conn, drink_id, brief),
        gathered=len(gathered.list_gathered(conn, drink_id)),
    )  # fmt: skip


@router.put("/drinks/{drink_id}/brief", responses=PROBLEMS["write"])
def write_brief(drink_id: RowId, body: BriefEntry, conn: Connection) -> NotebookReport:
    """Writes the brief of a drink."""
    _brief(body)
    with transaction(conn):
        gathered.put_brief(conn, drink_id, body.model_dump_json())
    return get_notebook(drink_id, conn)


@router.put("/drinks/{drink_id}/trials/{trial_id}/mark", responses=PROBLEMS["write"])
def mark_trial(drink_id: RowId, trial_id: RowId, body: MarkEntry, conn: Connection) -> NotebookReport:
    """Marks a trial finished or shelved, or takes it out of view; nothing of it is lost."""
    with transaction(conn):
        lineage.mark(conn, drink_id, trial_id, body.mark)
    return get_notebook(drink_id, conn)


@router.post("/drinks/{drink_id}/side-by-side", responses=PROBLEMS["write"])
def lay_side_by_side(drink_id: RowId, body: ChosenTrials, conn: Connection, conditions: HouseConditions) -> SideBySideReport:
    """Two to four trials as poured, each beside the first; differences first."""
    chosen = kept_trials(conn, [drinks.get_trial(conn, drink_id, each) for each in body.trials])
    made = [made_of(f"trial {each.record.number}", each.drink, each.made) for each in chosen]
    return side_by_side_report(side_by_side(made, conditions, homes_for(conn, *{each.drink.family for each in chosen})))


@router.get("/drinks/{drink_id}/gathered", responses=PROBLEMS["missing"])
def get_cloud(drink_id: RowId, conn: Connection, conditions: HouseConditions) -> CloudReport:
    """The specs gathered for a drink, as a cloud with its middle; below two there is neither."""
    drinks.get(conn, drink_id)
    records = gathered.list_gathered(conn, drink_id)
    specs = [with_plain_amounts(parse_spec(record.spec)) for record in records]
    if len(specs) < 2:
        found = resolve(conn, *specs)
        points = [
            {"id": r.id, "name": r.name, "spec": spec, "figures": predict(drink, conditions).served, "outlier": False}
            for r, spec, drink in zip(records, specs, found, strict=True)
        ]
        sentence = "Add what books and colleagues pour: from two specs on there is a middle to start from."
        return CloudReport.model_validate({"points": points, "middle": None, "middle_figures": None, "sentence": sentence})
    found = resolve(conn, *specs)
    cloud = cloud_of(found, conditions)
    frame = found.index(next(drink for drink in found if (drink.method, drink.serve) == (cloud.middle.method, cloud.middle.serve)))
    middle = with_pours_of(specs[frame], found[frame], cloud.middle)
    return cloud_report(cloud, [(r.id, r.name, spec) for r, spec in zip(records, specs, strict=True)], middle)


@router.post("/drinks/{drink_id}/gathered", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def gather_spec(drink_id: RowId, body: GatheredEntry, conn: Connection, conditions: HouseConditions) -> CloudReport:
    """Adds somebody's spec of a drink to its cloud."""
    resolve(conn, body.spec)
    with transaction(conn):
        gathered.add(conn, drink_id, body.name, body.spec.model_dump_json(exclude_unset=True))
    return get_cloud(drink_id, conn, conditions)


@router.delete("/drinks/{drink_id}/gathered/{gathered_id}", responses=PROBLEMS["missing"])
def drop_spec(drink_id: RowId, gathered_id: RowId, conn: Connection, conditions: HouseConditions) -> CloudReport:
    """Takes a gathered spec out of the cloud."""
    with transaction(conn):
        gathered.remove(conn, drink_id, gathered_id)
    return get_cloud(drink_id, conn, conditions)


def sheet_report(record: TastingRecord) -> SheetReport:
    """A kept sheet with its verdict in words."""
    told = {name: getattr(record, name) for name in SheetReport.model_fields if name not in ("words", "verdict")}
    sheet = SheetReport(**told, words=WordsEntry.model_validate(json.loads(record.words)), verdict="")
    return sheet.model_copy(update={"verdict": sheet_words(sheet)})


def _trials(conn: sqlite3.Connection, drink_id: int, brief: BriefEntry) -> list[NotebookTrial]:
    kept = kept_trials(conn, drinks.trials(conn, drink_id))
    further, marks = lineage.parents(conn, drink_id), lineage.marks(conn, drink_id)
    sheets, readings = tastings.of_drink(conn, drink_id), measurements.of_drink(conn, drink_id)
    wanted = {each.record.id: _parent_ids(each, further) for each in kept}
    parents = {
        each.record.id: each for each in kept_trials(conn, [drinks.trial(conn, i) for i in {i for ids in wanted.values() for i in ids}])
    }
    names = {each.id: each.name for each in drinks.some(conn, {each.record.drink_id for each in parents.values()})}
    reports = []
    for each in kept:
        trial_id = each.record.id
        prediction = predict(each.drink, each.conditions)
        own = [reading for reading in readings if reading.trial_id == trial_id]
        beside = beside_foreseen([Measured(r.quantity, r.point, r.value) for r in own], prediction)
        water = measurements.water_of(conn, trial_id)
        born_of = [parents[i] for i in wanted[trial_id]]
        figures, low, high = kept_figures(json.loads(each.record.foreseen))
        reports.append(
            NotebookTrial(
                id=trial_id,
                number=each.record.number,
                name=each.record.name,
                reason=each.record.reason,
                kept_at=each.record.kept_at,
                spec=each.spec,
                made=each.made,
                mark=marks.get(trial_id, ""),
                parents=[_parent(parent, names) for parent in born_of],
                origins=list(origins(each.drink, [parent.drink for parent in born_of])),
                figures=figures,
                low=low,
                high=high,
                sheets=[sheet_report(sheet) for sheet in sheets if sheet.trial_id == trial_id],
                readings=[beside_report(b, reading.id, reading.device) for b, reading in zip(beside, own, strict=True)],
                water=None if water is None else WaterReport(ratio=water[0], how=water[1]),
                held=held_report(hold_against(_brief(brief), prediction)),
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
