"""Forecasts: one drink, a drink compared with its parent, and typed amounts."""

from __future__ import annotations

from typing import Any

from fastapi import Response

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.forecast.explanations import Checkpoint, ExplainedFigure, Why
from oenomel.schemas.reports.amount_reports import AmountReport
from oenomel.schemas.reports.forecast_reports import (
    CourseReport,
    ForecastReport,
)
from oenomel.schemas.requests.amount_requests import AmountRequest
from oenomel.schemas.routes.forecast_models import ComparedReport, CompareRequest, MendRequest
from oenomel.schemas.spec_file import SpecFile
from oenomel.services import forecast as cases

router = idempotent_router("forecast")


@router.post("/predict", responses=PROBLEMS["bad"])
def predict_drink(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> ForecastReport:
    """Forecast a spec."""
    return cases.predict_drink(conn, spec, conditions)


@router.post("/compare", responses=PROBLEMS["bad"], response_model=ComparedReport)
async def compare_drinks(body: CompareRequest, conn: Connection, conditions: HouseConditions) -> Response:
    """Compare a spec with its parent's; an amount that is being typed is read first, so that a keystroke is one request."""
    # Every key press waits for this: the way to a worker thread and back, and to validate a second time what a report was made of, would
    # double what it takes.
    return Response(cases.compare_drinks(conn, body, conditions).model_dump_json(), media_type="application/json")


@router.post("/course", responses=PROBLEMS["bad"])
def follow_in_the_glass(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> CourseReport:
    """Forecast how a drink changes over twenty minutes in its glass."""
    return cases.follow_in_the_glass(conn, spec, conditions)


@router.post("/why/{point}/{figure}", responses=PROBLEMS["bad"])
def explain_figure(point: Checkpoint, figure: ExplainedFigure, spec: SpecFile, conn: Connection, conditions: HouseConditions) -> Why:
    """Explain how a figure of a spec is computed: in the tin, after the ice, before topping, or as served."""
    return cases.explain_figure(conn, point, figure, spec, conditions)


@router.post("/mend", responses=PROBLEMS["write"])
def mend_spec(body: MendRequest, conn: Connection, conditions: HouseConditions) -> SpecFile:
    """Apply the fix of a finding to a spec."""
    return cases.mend_spec(conn, body, conditions)


@router.post("/amount", responses=PROBLEMS["bad"])
def read_amount(body: AmountRequest, conn: Connection, conditions: HouseConditions) -> AmountReport:
    """Read a typed amount such as "3/4 oz", "half a lime", "half the gin" or "top to the line"."""
    return cases.read_amount(conn, body, conditions)


@router.get("/spec-schema")
def get_spec_schema() -> dict[str, Any]:
    """Return the JSON Schema of the spec file."""
    return cases.get_spec_schema()
