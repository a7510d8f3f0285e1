"""A drink's trials: its history, side by side, its brief, and other people's specs."""

from __future__ import annotations

from http import HTTPStatus

from oenomel.api.deps import Connection, HouseConditions, IfMatch
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.base import RowId
from oenomel.schemas.reports.trial_reports import (
    NotebookReport,
    SideBySideReport,
    SpecCloudReport,
)
from oenomel.schemas.requests.tasting_requests import BriefEntry
from oenomel.schemas.routes.trials_models import ChosenTrials, CloudSpecEntry, MarkEntry
from oenomel.services import trials as cases

router = idempotent_router("notebook")


@router.get("/drinks/{drink_id}/notebook", responses=PROBLEMS["missing"])
def get_notebook(drink_id: RowId, conn: Connection) -> NotebookReport:
    """Return a drink's trials with how they were made, tasted and measured, and how they meet the brief."""
    return cases.get_notebook(conn, drink_id)


@router.put("/drinks/{drink_id}/brief", responses=PROBLEMS["write"])
def write_brief(drink_id: RowId, body: BriefEntry, conn: Connection, read: IfMatch = None) -> NotebookReport:
    """Save the brief of a drink; refused with 409 where it was changed since it was read."""
    return cases.write_brief(conn, drink_id, body, read)


@router.put("/drinks/{drink_id}/trials/{trial_id}/mark", responses=PROBLEMS["write"])
def mark_trial(drink_id: RowId, trial_id: RowId, body: MarkEntry, conn: Connection) -> NotebookReport:
    """Mark a trial as finished or shelved, or hide it; nothing is deleted."""
    return cases.mark_trial(conn, drink_id, trial_id, body)


@router.post("/drinks/{drink_id}/side-by-side", responses=PROBLEMS["write"])
def lay_side_by_side(drink_id: RowId, body: ChosenTrials, conn: Connection, conditions: HouseConditions) -> SideBySideReport:
    """Compare two to four trials as poured, each with the first; differences first."""
    return cases.lay_side_by_side(conn, drink_id, body, conditions)


@router.get("/drinks/{drink_id}/spec-cloud", responses=PROBLEMS["missing"])
def get_spec_cloud(drink_id: RowId, conn: Connection, conditions: HouseConditions) -> SpecCloudReport:
    """Return the specs gathered for a drink, and their median; both empty below two specs."""
    return cases.get_spec_cloud(conn, drink_id, conditions)


@router.post("/drinks/{drink_id}/spec-cloud", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_cloud_spec(drink_id: RowId, body: CloudSpecEntry, conn: Connection, conditions: HouseConditions) -> SpecCloudReport:
    """Add somebody's spec to a drink's gathered specs; refused where it can't be drunk, or the median would pour nothing."""
    return cases.add_cloud_spec(conn, drink_id, body, conditions)


@router.delete("/drinks/{drink_id}/spec-cloud/{spec_id}", responses=PROBLEMS["missing"])
def remove_cloud_spec(drink_id: RowId, spec_id: RowId, conn: Connection, conditions: HouseConditions) -> SpecCloudReport:
    """Delete a gathered spec."""
    return cases.remove_cloud_spec(conn, drink_id, spec_id, conditions)
