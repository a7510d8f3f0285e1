"""Method and service of a drink: steps, glass, ice, garnish, and the best amount within a range."""

from __future__ import annotations

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.reports.method_reports import (
    GarnishSuggestion,
    GlassReport,
    ServeReport,
    SpanReport,
    StepReport,
)
from oenomel.schemas.routes.method_models import SpansRequest, StepsRequest
from oenomel.schemas.spec_file import SpecFile
from oenomel.services import method as cases

router = idempotent_router("making")


@router.get("/glasses")
def list_glasses() -> list[GlassReport]:
    """List the glasses, smallest first."""
    return cases.list_glasses()


@router.post("/steps", responses=PROBLEMS["bad"])
def list_steps(body: StepsRequest, conn: Connection) -> list[StepReport]:
    """Write the steps of a spec's method."""
    return cases.list_steps(conn, body)


@router.post("/garnishes", responses=PROBLEMS["bad"])
def suggest_garnishes(spec: SpecFile, conn: Connection) -> list[GarnishSuggestion]:
    """Suggest garnishes for a spec, best first, each with a reason."""
    return cases.suggest_garnishes(conn, spec)


@router.post("/serves", responses=PROBLEMS["bad"])
def compare_serves(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> list[ServeReport]:
    """Compare a spec served up, on cubes, on one large cube and on crushed ice."""
    return cases.compare_serves(conn, spec, conditions)


@router.post("/size", responses=PROBLEMS["bad"])
def size_to_glass(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> SpecFile:
    """Scale a spec so that it fills its glass."""
    return cases.size_to_glass(conn, spec, conditions)


@router.post("/ranges", responses=PROBLEMS["bad"])
def follow_ranges(body: SpansRequest, conn: Connection, conditions: HouseConditions) -> list[SpanReport]:
    """Forecast a drink at both ends of each range, and find the amounts nearest to its parent."""
    return cases.follow_ranges(conn, body, conditions)
