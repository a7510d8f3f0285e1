"""Forecasts: one drink, a drink beside its parent, and amounts as they are typed."""

from __future__ import annotations

from typing import Annotated, Any, Final

from fastapi import Response
from pydantic import Field

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.core.balance import USUAL_TONGUE
from oenomel.core.balance.perception import A_GUEST
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import compare, forecast_of
from oenomel.core.forecast.explanations import Checkpoint, ExplainedFigure, Why, explain
from oenomel.core.spec import Drink
from oenomel.core.wording import capital
from oenomel.errors import MendGone
from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.reports.amount_reports import AmountReport, read_typed, with_amount
from oenomel.schemas.reports.forecast_reports import (
    ComparisonReport,
    CourseReport,
    ForecastReport,
    forecast_report,
)
from oenomel.schemas.requests.amount_requests import AmountRequest, TypedEntry
from oenomel.schemas.spec_file import SpecFile, spec_schema
from oenomel.schemas.spec_fix import with_mend
from oenomel.services.resolve import homes_for, resolve
from oenomel.services.sensory import tongue_of

router = room("forecast")

THE_HOUSE: Final = "the house"


class CompareRequest(Entry):
    """A drink and the parent it is held against; with what is being typed for a pour of it, if something is; and for whose tongue the
    words are: a taster's, the house's for an empty name, the usual one for nobody.
    """

    spec: SpecFile
    parent: SpecFile
    typed: TypedEntry | None = None
    tongue: Annotated[Plain, Field(max_length=100)] | None = None


class ComparedReport(ComparisonReport):
    """The comparison, and what the typed text means: the drink is then the one with that amount in it; and for whose tongue it is told,
    empty for a guest's.
    """

    typed: AmountReport | None = None
    told_for: str = ""


class MendRequest(Entry):
    """Which mend of which finding to apply: the finding's code and pour, and the mend's place in its list; the parent where it only
    shows beside it.
    """

    spec: SpecFile
    parent: SpecFile | None = None
    code: Annotated[Plain, Field(max_length=60)]
    pour: Annotated[int, Field(ge=0, le=1000)] | None = None
    mend: Annotated[int, Field(ge=0, le=20)] = 0


@router.post("/predict", responses=PROBLEMS["bad"])
def predict_drink(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> ForecastReport:
    """The forecast of a spec."""
    (drink,) = resolve(conn, spec)
    return forecast_report(forecast_of(drink, conditions, homes_for(conn, drink.family)))


@router.post("/compare", responses=PROBLEMS["bad"], response_model=ComparedReport)
async def compare_drinks(body: CompareRequest, conn: Connection, conditions: HouseConditions) -> Response:
    """A spec beside its parent's. What is typed for one of its pours is read first, so that a keystroke is one question."""
    # Every key press waits for this: the way to a worker thread and back, and to validate a second time what a report was made of, would
    # double what it takes.
    drink, parent = resolve(conn, body.spec, body.parent)
    read = _read(body.typed, body.spec, drink, conditions) if body.typed else None
    if body.typed and read:
        (drink,) = resolve(conn, with_amount(body.spec, body.typed.pour, read))
    homes = homes_for(conn, drink.family, parent.family)
    tongue = tongue_of(conn, body.tongue)
    # Whose steps aren't known yet is told what a guest is told.
    told_for = "" if body.tongue is None or tongue == USUAL_TONGUE else body.tongue or THE_HOUSE
    compared = compare(drink, parent, conditions, homes, tongue, capital(told_for) or A_GUEST)
    report = ComparedReport.model_validate(compared).model_copy(update={"typed": read, "told_for": told_for})
    return Response(report.model_dump_json(), media_type="application/json")


@router.post("/course", responses=PROBLEMS["bad"])
def follow_in_the_glass(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> CourseReport:
    """Twenty minutes of a spec in its glass."""
    (drink,) = resolve(conn, spec)
    forecast = forecast_of(drink, conditions, homes_for(conn, drink.family))
    return CourseReport.model_validate(forecast.course)


@router.post("/why/{point}/{figure}", responses=PROBLEMS["bad"])
def explain_figure(point: Checkpoint, figure: ExplainedFigure, spec: SpecFile, conn: Connection, conditions: HouseConditions) -> Why:
    """Why a figure of a spec is what it is, in the tin, after the ice, before topping or as served."""
    (drink,) = resolve(conn, spec)
    return explain(drink, figure, conditions, point)


@router.post("/mend", responses=PROBLEMS["write"])
def mend_spec(body: MendRequest, conn: Connection, conditions: HouseConditions) -> SpecFile:
    """The spec with a mend of one of its findings applied."""
    specs = (body.spec, body.parent) if body.parent else (body.spec,)
    drink, *parent = resolve(conn, *specs)
    found = compare(drink, parent[0], conditions).findings if parent else ()
    for finding in (*found, *forecast_of(drink, conditions, homes_for(conn, drink.family)).findings):
        if (finding.code, finding.pour) == (body.code, body.pour) and body.mend < len(finding.mends):
            return with_mend(body.spec, finding.mends[body.mend])
    raise MendGone(body.code)


@router.post("/amount", responses=PROBLEMS["bad"])
def read_amount(body: AmountRequest, conn: Connection, conditions: HouseConditions) -> AmountReport:
    """A typed amount such as "3/4 oz", "half a lime", "half the gin" or "top to the line", as a pour's own keys."""
    (drink,) = resolve(conn, body.spec)
    return _read(body, body.spec, drink, conditions)


def _read(typed: TypedEntry, spec: SpecFile, drink: Drink, conditions: Conditions) -> AmountReport:
    return read_typed(typed, spec, drink, lambda: forecast_of(drink, conditions).served.volume_ml)


@router.get("/spec-schema")
def get_spec_schema() -> dict[str, Any]:
    """The JSON Schema of the spec file."""
    return spec_schema()
