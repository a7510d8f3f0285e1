"""The bench: what it shows of a drink when it opens."""

from __future__ import annotations

import sqlite3
from contextlib import suppress

from oenomel.core.dilution import Conditions
from oenomel.errors import OenomelError
from oenomel.schemas.routes.bench_models import BenchReport
from oenomel.schemas.routes.drinks_models import DrinkDetail
from oenomel.schemas.routes.forecast_models import ComparedReport, CompareRequest
from oenomel.services.drinks import get_drink
from oenomel.services.families import get_family
from oenomel.services.forecast import compare_drinks
from oenomel.services.ingredients import list_drink_ingredients
from oenomel.services.method import list_glasses
from oenomel.services.rules import get_rules


def open_bench(conn: sqlite3.Connection, drink_id: int, conditions: Conditions, taster: str | None) -> BenchReport:
    """Return all that the bench needs for its first figures; ``taster`` is whose thresholds are used, as in a comparison."""
    drink = get_drink(conn, drink_id)
    comparison = None
    # A drink without a forecast opens nevertheless; the bench asks again and says why there is none.
    with suppress(OenomelError):
        comparison = _compared(conn, drink, conditions, taster)
    return BenchReport(
        drink=drink,
        family=get_family(conn, drink.trials[0].spec.family),
        ingredients=list_drink_ingredients(conn, drink),
        comparison=comparison,
        rules=get_rules(),
        glasses=list_glasses(),
    )


def _compared(conn: sqlite3.Connection, drink: DrinkDetail, conditions: Conditions, taster: str | None) -> ComparedReport:
    newest = drink.trials[-1]
    spec, parent_id = (drink.draft.spec, drink.draft.parent_trial_id) if drink.draft else (newest.spec, newest.id)
    parent = next((trial for trial in drink.trials if trial.id == parent_id), drink.trials[0])
    return compare_drinks(conn, CompareRequest(spec=spec, parent=parent.spec, tongue=taster), conditions)
