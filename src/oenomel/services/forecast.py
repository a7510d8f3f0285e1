"""Forecasts: one drink, a drink compared with its parent, and typed amounts."""

from __future__ import annotations

import sqlite3
from typing import Any, Final

from oenomel.core.balance import USUAL_TONGUE
from oenomel.core.balance.perception import A_GUEST
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import compare, forecast_of
from oenomel.core.forecast.explanations import Checkpoint, ExplainedFigure, Why, explain
from oenomel.core.spec import Drink
from oenomel.core.wording import capital
from oenomel.errors import StaleFix
from oenomel.schemas.reports.amount_reports import AmountReport, read_typed, with_amount
from oenomel.schemas.reports.forecast_reports import (
    CourseReport,
    ForecastReport,
    forecast_report,
)
from oenomel.schemas.requests.amount_requests import AmountRequest, TypedEntry
from oenomel.schemas.routes.forecast_models import ComparedReport, CompareRequest, MendRequest
from oenomel.schemas.spec_file import SpecFile, spec_schema
from oenomel.schemas.spec_fix import with_fix
from oenomel.services.resolve import resolve, typical_ranges_for
from oenomel.services.stored_sensory import tongue_of

THE_HOUSE: Final = "the team"
"""Words for the bar as a taster in a sentence."""


def predict_drink(conn: sqlite3.Connection, spec: SpecFile, conditions: Conditions) -> ForecastReport:
    """Forecast a spec."""
    (drink,) = resolve(conn, spec)
    return forecast_report(forecast_of(drink, conditions, typical_ranges_for(conn, drink.family)))


def compare_drinks(conn: sqlite3.Connection, body: CompareRequest, conditions: Conditions) -> ComparedReport:
    """Compare a spec with the one before; an amount that is typed for one of its pours is read first."""
    drink, parent = resolve(conn, body.spec, body.parent)
    read = _read(body.typed, body.spec, drink, conditions) if body.typed else None
    if body.typed and read:
        (drink,) = resolve(conn, with_amount(body.spec, body.typed.pour, read))
    homes = typical_ranges_for(conn, drink.family, parent.family)
    tongue = tongue_of(conn, body.tongue)
    # A taster whose thresholds aren't known yet gets what a guest gets.
    for_taster = "" if body.tongue is None or tongue == USUAL_TONGUE else body.tongue or THE_HOUSE
    compared = compare(drink, parent, conditions, homes, tongue, capital(for_taster) or A_GUEST)
    return ComparedReport.model_validate(compared).model_copy(update={"typed": read, "for_taster": for_taster})


def follow_in_the_glass(conn: sqlite3.Connection, spec: SpecFile, conditions: Conditions) -> CourseReport:
    """Forecast how a drink changes over twenty minutes in its glass."""
    (drink,) = resolve(conn, spec)
    forecast = forecast_of(drink, conditions, typical_ranges_for(conn, drink.family))
    return CourseReport.model_validate(forecast.course)


def explain_figure(conn: sqlite3.Connection, point: Checkpoint, figure: ExplainedFigure, spec: SpecFile, conditions: Conditions) -> Why:
    """Explain how a figure of a spec is computed: in the tin, after the ice, before topping, or as served."""
    (drink,) = resolve(conn, spec)
    return explain(drink, figure, conditions, point)


def mend_spec(conn: sqlite3.Connection, body: MendRequest, conditions: Conditions) -> SpecFile:
    """Apply the fix of a finding to a spec."""
    specs = (body.spec, body.parent) if body.parent else (body.spec,)
    drink, *parent = resolve(conn, *specs)
    findings = compare(drink, parent[0], conditions).findings if parent else ()
    for finding in (*findings, *forecast_of(drink, conditions, typical_ranges_for(conn, drink.family)).findings):
        if (finding.code, finding.pour) == (body.code, body.pour) and body.mend < len(finding.mends):
            return with_fix(body.spec, finding.mends[body.mend])
    raise StaleFix(body.code)


def read_amount(conn: sqlite3.Connection, body: AmountRequest, conditions: Conditions) -> AmountReport:
    """Read a typed amount such as "3/4 oz", "half a lime", "half the gin" or "top to the line"."""
    (drink,) = resolve(conn, body.spec)
    return _read(body, body.spec, drink, conditions)


def get_spec_schema() -> dict[str, Any]:
    """Return the JSON Schema of the spec file."""
    return spec_schema()


def _read(typed: TypedEntry, spec: SpecFile, drink: Drink, conditions: Conditions) -> AmountReport:
    return read_typed(typed, spec, drink, lambda: forecast_of(drink, conditions).served.volume_ml)
