"""Forecasts: one drink, a drink beside its parent, and amounts as they are typed."""

from __future__ import annotations

from typing import Annotated, Any

from fastapi import APIRouter, Query
from pydantic import BaseModel, ConfigDict

from oenomel.api.deps import Connection, resolve
from oenomel.api.errors import PROBLEMS
from oenomel.core.prediction import compare, predict
from oenomel.core.units import parse_spoken_amount, to_ml
from oenomel.interchange.prediction_report import ComparisonReport, PredictionReport, comparison_report, prediction_report
from oenomel.interchange.spec_file import SpecFile, Unit, spec_schema
from oenomel.store import ingredients

router = APIRouter(tags=["forecast"])


class CompareRequest(BaseModel):
    """A drink and the parent it is held against."""

    model_config = ConfigDict(extra="forbid")

    spec: SpecFile
    parent: SpecFile


class AmountReport(BaseModel):
    """A typed amount: its number and its unit."""

    model_config = ConfigDict(extra="forbid")

    amount: float
    unit: Unit


@router.post("/predict", responses=PROBLEMS["bad"])
def predict_drink(spec: SpecFile, conn: Connection) -> PredictionReport:
    """The forecast of a spec."""
    (drink,) = resolve(conn, spec)
    return prediction_report(predict(drink))


@router.post("/compare", responses=PROBLEMS["bad"])
def compare_drinks(body: CompareRequest, conn: Connection) -> ComparisonReport:
    """A spec beside its parent's."""
    drink, parent = resolve(conn, body.spec, body.parent)
    return comparison_report(compare(drink, parent))


@router.get("/amount", responses=PROBLEMS["missing"])
def read_amount(
    conn: Connection, text: Annotated[str, Query(max_length=60)], unit: Unit = "ml", ingredient: Annotated[str, Query(max_length=100)] = ""
) -> AmountReport:
    """A typed amount such as "3/4 oz" or "2 dashes"; ``unit`` is meant where none is typed.

    With the slug of what is poured, an amount that can't be poured of it is refused too.
    """
    spoken = parse_spoken_amount(text, unit)
    if ingredient and spoken.unit != "part":
        to_ml(spoken.amount, spoken.unit, ingredients.get(conn, ingredient))
    return AmountReport.model_validate({"amount": spoken.amount, "unit": spoken.unit})


@router.get("/spec-schema")
def get_spec_schema() -> dict[str, Any]:
    """The JSON Schema of the spec file."""
    return spec_schema()
