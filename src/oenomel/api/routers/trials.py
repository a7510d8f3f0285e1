"""The notebook of a drink: its trials with all that is known of them, side by side, its brief, and other people's specs."""

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
    """Return all that is known of a drink's trials: how they were made, what was said and measured, and what of the brief they keep."""
    return cases.get_notebook(conn, drink_id)


@router.put("/drinks/{drink_id}/brief", responses=PROBLEMS["write"])
def write_brief(drink_id: RowId, body: BriefEntry, conn: Connection, read: IfMatch = None) -> NotebookReport:
    """Write the brief of a drink; refused with 409 where it was changed since it was read."""
    return cases.write_brief(conn, drink_id, body, read)


@router.put("/drinks/{drink_id}/trials/{trial_id}/mark", responses=PROBLEMS["write"])
def mark_trial(drink_id: RowId, trial_id: RowId, body: MarkEntry, conn: Connection) -> NotebookReport:
    """Mark a trial finished or shelved, or take it out of view; nothing of it is lost."""
    return cases.mark_trial(conn, drink_id, trial_id, body)


@router.post("/drinks/{drink_id}/side-by-side", responses=PROBLEMS["write"])
def lay_side_by_side(drink_id: RowId, body: ChosenTrials, conn: Connection, conditions: HouseConditions) -> SideBySideReport:
    """Return two to four trials as poured, each beside the first; differences first."""
    return cases.lay_side_by_side(conn, drink_id, body, conditions)


@router.get("/drinks/{drink_id}/spec-cloud", responses=PROBLEMS["missing"])
def get_spec_cloud(drink_id: RowId, conn: Connection, conditions: HouseConditions) -> SpecCloudReport:
    """Return the specs gathered for a drink, as a cloud with its middle; below two there is neither."""
    return cases.get_spec_cloud(conn, drink_id, conditions)


@router.post("/drinks/{drink_id}/spec-cloud", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_cloud_spec(drink_id: RowId, body: CloudSpecEntry, conn: Connection, conditions: HouseConditions) -> SpecCloudReport:
    """Add somebody's spec of a drink to its cloud; refused where nothing of it can be drunk, or nothing poured of their middle."""
    return cases.add_cloud_spec(conn, drink_id, body, conditions)


@router.delete("/drinks/{drink_id}/spec-cloud/{spec_id}", responses=PROBLEMS["missing"])
def remove_cloud_spec(drink_id: RowId, spec_id: RowId, conn: Connection, conditions: HouseConditions) -> SpecCloudReport:
    """Take a gathered spec out of the cloud."""
    return cases.remove_cloud_spec(conn, drink_id, spec_id, conditions)
