"""The family tree: which trial descends from which, across drinks, and how two are crossed."""

from __future__ import annotations

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.spec import FamilyName
from oenomel.schemas.reports.trial_reports import TreeReport
from oenomel.schemas.routes.family_tree_models import CrossRequest
from oenomel.schemas.spec_file import SpecFile
from oenomel.services import family_tree as cases

router = idempotent_router("tree")


@router.get("/tree", responses={422: PROBLEMS["bad"][422]})
def get_tree(conn: Connection, family: FamilyName | None = None) -> TreeReport:
    """Return the trials in view, the newest where there are very many, with the change on each branch."""
    return cases.get_tree(conn, family)


@router.post("/cross", responses=PROBLEMS["write"])
def cross_trials(body: CrossRequest, conn: Connection) -> SpecFile:
    """Cross two or three trials: the first gives the frame, the others the contents of its slots."""
    return cases.cross_trials(conn, body)
