"""How a drink is made and served: its steps, its glass, the ice it is served on, and where a range should settle."""

from __future__ import annotations

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.core.checks import Mend
from oenomel.core.checks.finding import Edit
from oenomel.core.forecast import forecast_of
from oenomel.core.forecast.serving_ice import on_each_ice
from oenomel.core.glass.glassware import glasses, size_to
from oenomel.core.method import MethodOptions
from oenomel.core.method.amount_words import Shown
from oenomel.core.method.garnishes import suggested_garnishes
from oenomel.core.method.step import Order, Sparkling
from oenomel.core.method.steps import making_steps
from oenomel.core.rebalance import Aim
from oenomel.core.rebalance.ranges import span_of
from oenomel.errors import CannotSize
from oenomel.schemas.base import Entry
from oenomel.schemas.reports.method_reports import (
    GarnishSuggestion,
    GlassReport,
    ServeReport,
    SpanReport,
    StepReport,
    serve_report,
    span_report,
)
from oenomel.schemas.requests.rebalance_requests import Grid, target_from
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_fix import with_mend
from oenomel.services.resolve import homes_for, resolve
from oenomel.store import ingredients
from oenomel.store.stock import in_stock

router = room("making")


class StepsRequest(Entry):
    """A spec, the house's schools of making, and whether amounts are told in ml or in ounces."""

    spec: SpecFile
    order: Order = "cheap and risky first"
    sparkling: Sparkling = "on top"
    shown: Shown = "ml"


class SpansRequest(Entry):
    """A spec with ranges, and the parent that it should stay near to."""

    spec: SpecFile
    parent: SpecFile
    grid: Grid = 2.5


@router.get("/glasses")
def list_glasses() -> list[GlassReport]:
    """The glasses of the list, smallest first."""
    return [GlassReport.model_validate(glass) for glass in glasses().values()]


@router.post("/steps", responses=PROBLEMS["bad"])
def list_steps(body: StepsRequest, conn: Connection) -> list[StepReport]:
    """How a spec is made, step by step."""
    (drink,) = resolve(conn, body.spec)
    way = MethodOptions(body.order, body.sparkling, body.shown, body.spec.ounce_ml)
    return [StepReport.model_validate(step) for step in making_steps(drink, way)]


@router.post("/garnishes", responses=PROBLEMS["bad"])
def suggest_garnishes(spec: SpecFile, conn: Connection) -> list[GarnishSuggestion]:
    """Garnishes that would suit a spec, the best first, each with its reason."""
    (drink,) = resolve(conn, spec)
    suggested = suggested_garnishes(drink, ingredients.offered(conn).values(), in_stock(conn))
    return [GarnishSuggestion(garnish=each.garnish, at_hand=each.in_stock) for each in suggested]


@router.post("/serves", responses=PROBLEMS["bad"])
def compare_serves(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> list[ServeReport]:
    """A spec served up, on cubes, on one large cube and on crushed ice."""
    (drink,) = resolve(conn, spec)
    return [serve_report(takes) for takes in on_each_ice(drink, conditions, homes_for(conn, drink.family))]


@router.post("/size", responses=PROBLEMS["bad"])
def size_to_glass(spec: SpecFile, conn: Connection, conditions: HouseConditions) -> SpecFile:
    """The spec with every amount changed by the same factor, so that it fills its glass."""
    (drink,) = resolve(conn, spec)
    served = forecast_of(drink, conditions, homes_for(conn, drink.family)).served
    times = size_to(drink.serve.glass, drink.serve.ice, served.volume_ml)
    if times is None:
        raise CannotSize(drink.serve.glass)
    return with_mend(spec, Mend("Size the drink to the glass", (Edit("amounts", {"times": times}),)))


@router.post("/ranges", responses=PROBLEMS["bad"])
def follow_ranges(body: SpansRequest, conn: Connection, conditions: HouseConditions) -> list[SpanReport]:
    """What each pour with a range makes of the drink at its two ends, and where it comes nearest to the parent."""
    drink, parent = resolve(conn, body.spec, body.parent)
    aim = Aim(target_from(body.parent, drink, parent, {}, equivalents=False, conditions=conditions), grid_ml=body.grid)
    return [
        span_report(index, span_of(drink, index, entry.range[0], entry.range[1], aim, conditions))
        for index, entry in enumerate(body.spec.pours)
        if entry.range is not None
    ]
