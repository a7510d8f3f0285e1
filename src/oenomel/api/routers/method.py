"""Method and serve of a drink: its steps, its glass, the ice it is served on, and the best amount within a range."""

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
    """Return the glasses of the list, smallest first."""
    return cases.list_glasses()


@router.post("/steps", responses=PROBLEMS["bad"])
def list_steps(body: StepsRequest, conn: Connection) -> list[StepReport]:
    """Describe how a spec is made, step by step."""
    return cases.list_steps(conn, body)


@router.post("/garnishes", responses=PROBLEMS["bad"])
def suggest_garnishes(spec: SpecFile, conn: Connection) -> list[GarnishSuggestion]:
    """Garnishes that would suit a spec, the best first, each with its reason."""
    return cases.suggest_garnishes(conn, spec)


@router.post("/serves", responses=PROBLEMS["bad"])
def compare_serves(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> list[ServeReport]:
    """Return a spec served up, on cubes, on one large cube and on crushed ice."""
    return cases.compare_serves(conn, spec, conditions)


@router.post("/size", responses=PROBLEMS["bad"])
def size_to_glass(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> SpecFile:
    """Return the spec with every amount changed by the same factor, so that it fills its glass."""
    return cases.size_to_glass(conn, spec, conditions)


@router.post("/ranges", responses=PROBLEMS["bad"])
def follow_ranges(body: SpansRequest, conn: Connection, conditions: HouseConditions) -> list[SpanReport]:
    """Return what each pour with a range makes of the drink at its two ends, and where it comes nearest to the parent."""
    return cases.follow_ranges(conn, body, conditions)
