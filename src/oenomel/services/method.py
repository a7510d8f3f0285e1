"""Method and service of a drink: steps, glass, ice, garnish, and the best amount within a range."""

from __future__ import annotations

import sqlite3

from oenomel.core.checks import Fix
from oenomel.core.checks.finding import Edit
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import forecast_of
from oenomel.core.forecast.serving_ice import on_each_ice
from oenomel.core.glass.glassware import glasses, size_to
from oenomel.core.method import MethodOptions
from oenomel.core.method.garnishes import suggested_garnishes
from oenomel.core.method.steps import making_steps
from oenomel.core.rebalance import Objective
from oenomel.core.rebalance.ranges import span_of
from oenomel.errors import CannotSize
from oenomel.schemas.reports.method_reports import (
    GarnishSuggestion,
    GlassReport,
    ServeReport,
    SpanReport,
    StepReport,
    serve_report,
    span_report,
)
from oenomel.schemas.requests.rebalance_requests import target_from
from oenomel.schemas.routes.method_models import SpansRequest, StepsRequest
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_fix import with_fix
from oenomel.services.resolve import resolve, typical_ranges_for
from oenomel.store import ingredients
from oenomel.store.stock import in_stock


def list_glasses() -> list[GlassReport]:
    """List the glasses, smallest first."""
    return [GlassReport.model_validate(glass) for glass in glasses().values()]


def list_steps(conn: sqlite3.Connection, body: StepsRequest) -> list[StepReport]:
    """Write the steps of a spec's method."""
    (drink,) = resolve(conn, body.spec)
    method_options = MethodOptions(body.order, body.sparkling, body.shown, body.spec.ounce_ml)
    return [StepReport.model_validate(step) for step in making_steps(drink, method_options)]


def suggest_garnishes(conn: sqlite3.Connection, spec: SpecFile) -> list[GarnishSuggestion]:
    """Suggest garnishes for a spec, best first, each with a reason."""
    (drink,) = resolve(conn, spec)
    suggested = suggested_garnishes(drink, ingredients.offered(conn).values(), in_stock(conn))
    return [GarnishSuggestion(garnish=suggestion.garnish, at_hand=suggestion.in_stock) for suggestion in suggested]


def compare_serves(conn: sqlite3.Connection, spec: SpecFile, conditions: Conditions) -> list[ServeReport]:
    """Compare a spec served up, on cubes, on one large cube and on crushed ice."""
    (drink,) = resolve(conn, spec)
    return [serve_report(takes) for takes in on_each_ice(drink, conditions, typical_ranges_for(conn, drink.family))]


def size_to_glass(conn: sqlite3.Connection, spec: SpecFile, conditions: Conditions) -> SpecFile:
    """Scale a spec so that it fills its glass."""
    (drink,) = resolve(conn, spec)
    served = forecast_of(drink, conditions, typical_ranges_for(conn, drink.family)).served
    times = size_to(drink.serve.glass, drink.serve.ice, served.volume_ml)
    if times is None:
        raise CannotSize(drink.serve.glass)
    return with_fix(spec, Fix("Fit to the glass", (Edit("amounts", {"times": times}),)))


def follow_ranges(conn: sqlite3.Connection, body: SpansRequest, conditions: Conditions) -> list[SpanReport]:
    """Forecast a drink at both ends of each range, and find the amounts nearest to its parent."""
    drink, parent = resolve(conn, body.spec, body.parent)
    aim = Objective(target_from(body.parent, drink, parent, {}, equivalents=False, conditions=conditions), grid_ml=body.grid)
    return [
        span_report(index, span_of(drink, index, entry.range[0], entry.range[1], aim, conditions))
        for index, entry in enumerate(body.spec.pours)
        if entry.range is not None
    ]
