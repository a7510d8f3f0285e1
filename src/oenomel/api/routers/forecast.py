"""Forecasts: one drink, a drink beside its parent, and amounts as they are typed."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from oenomel.api.deps import Connection, HouseConditions, homes_for, resolve
from oenomel.api.errors import PROBLEMS
from oenomel.core.prediction import compare, predict
from oenomel.core.why import why
from oenomel.errors import MendGone
from oenomel.interchange.amount_report import AmountReport, AmountRequest, read_said
from oenomel.interchange.prediction_report import (
    ComparisonReport,
    CourseReport,
    PredictionReport,
    WhyReport,
    comparison_report,
    course_report,
    prediction_report,
    why_report,
)
from oenomel.interchange.spec_file import SpecFile, spec_schema
from oenomel.interchange.spec_mend import with_mend

router = APIRouter(tags=["forecast"])


class CompareRequest(BaseModel):
    """A drink and the parent it is held against."""

    model_config = ConfigDict(extra="forbid")

    spec: SpecFile
    parent: SpecFile


class MendRequest(BaseModel):
    """Which mend of which finding to apply: the finding's code and pour, and the mend's place in its list; the parent where it only
    shows beside it.
    """

    model_config = ConfigDict(extra="forbid")

    spec: SpecFile
    parent: SpecFile | None = None
    code: Annotated[str, Field(max_length=60)]
    pour: Annotated[int, Field(ge=0, le=1000)] | None = None
    mend: Annotated[int, Field(ge=0, le=20)] = 0


Figure = Literal[
    "volume_ml", "water_ml", "abv", "sugar", "acid", "titratable_acid", "sucrose_equivalents", "body", "alcohol_g", "energy_kcal",
    "standard_drinks_us", "standard_drinks_uk", "standard_drinks_au", "sugar_acid_ratio", "temperature_c", "water_ratio",
]  # fmt: skip


Point = Literal["tin", "strained", "before_topping", "served"]


@router.post("/predict", responses=PROBLEMS["bad"])
def predict_drink(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> PredictionReport:
    """The forecast of a spec."""
    (drink,) = resolve(conn, spec)
    return prediction_report(predict(drink, conditions, homes_for(conn, drink.family)))


@router.post("/compare", responses=PROBLEMS["bad"])
def compare_drinks(body: CompareRequest, conn: Connection, conditions: HouseConditions) -> ComparisonReport:
    """A spec beside its parent's."""
    drink, parent = resolve(conn, body.spec, body.parent)
    return comparison_report(compare(drink, parent, conditions, homes_for(conn, drink.family, parent.family)))


@router.post("/course", responses=PROBLEMS["bad"])
def follow_in_the_glass(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> CourseReport:
    """Twenty minutes of a spec in its glass."""
    (drink,) = resolve(conn, spec)
    forecast = predict(drink, conditions, homes_for(conn, drink.family))
    return course_report(forecast.course, forecast.leaves_home)


@router.post("/why/{point}/{figure}", responses=PROBLEMS["bad"])
def explain_figure(point: Point, figure: Figure, spec: SpecFile, conn: Connection, conditions: HouseConditions) -> WhyReport:
    """Why a figure of a spec is what it is, in the tin, after the ice, before topping or as served."""
    (drink,) = resolve(conn, spec)
    return why_report(why(drink, figure, conditions, point))


@router.post("/mend", responses=PROBLEMS["write"])
def mend_spec(body: MendRequest, conn: Connection, conditions: HouseConditions) -> SpecFile:
    """The spec with a mend of one of its findings applied."""
    specs = (body.spec, body.parent) if body.parent else (body.spec,)
    drink, *parent = resolve(conn, *specs)
    found = compare(drink, parent[0], conditions).findings if parent else ()
    for finding in (*found, *predict(drink, conditions, homes_for(conn, drink.family)).findings):
        if (finding.code, finding.pour) == (body.code, body.pour) and body.mend < len(finding.mends):
            return with_mend(body.spec, finding.mends[body.mend])
    raise MendGone(body.code)


@router.post("/amount", responses=PROBLEMS["bad"])
def read_amount(body: AmountRequest, conn: Connection, conditions: HouseConditions) -> AmountReport:
    """A typed amount such as "3/4 oz", "half a lime", "half the gin" or "top to the line", as a pour's own keys."""
    (drink,) = resolve(conn, body.spec)
    return read_said(body, drink, lambda: predict(drink, conditions).served.volume_ml)


@router.get("/spec-schema")
def get_spec_schema() -> dict[str, Any]:
    """The JSON Schema of the spec file."""
    return spec_schema()
