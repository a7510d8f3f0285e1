"""Originals added to the book for tasting, and the table of aroma pairings."""

from __future__ import annotations

import sqlite3

from oenomel.core.dilution import Conditions
from oenomel.core.forecast import forecast_of
from oenomel.core.menu import fruit_tonight
from oenomel.core.originals import KinshipTable
from oenomel.core.originals.to_buy import to_get
from oenomel.schemas.base import Name
from oenomel.schemas.reports.forecast_reports import forecast_report
from oenomel.schemas.reports.originals_reports import (
    KinshipReport,
    kinship_report,
)
from oenomel.schemas.requests.originals_requests import WishEntry, wish_of_brief
from oenomel.schemas.requests.tasting_requests import BriefEntry
from oenomel.schemas.requests.trial_conditions import MadeEntry, with_conditions
from oenomel.schemas.routes.originals_models import (
    KinshipEntry,
    OriginalsFlightEntry,
    OriginalsFlightReport,
)
from oenomel.services.originals_inputs import kinship_of
from oenomel.services.resolve import resolve, typical_ranges_for
from oenomel.store import briefs, drinks
from oenomel.store import originals as kept
from oenomel.store.database import transaction
from oenomel.store.stock import in_stock


def add_flight(conn: sqlite3.Connection, body: OriginalsFlightEntry, conditions: Conditions) -> OriginalsFlightReport:
    """Add originals to the book as trials of one drink, to be tasted blind, with what each glass takes."""
    built = resolve(conn, *body.specs)
    with transaction(conn):
        names = [spec.name for spec in body.specs]
        drink_id = drinks.add(conn, " · ".join(names)[:200], body.wish.family)
        trials: list[int] = []
        for spec, drink in zip(body.specs, built, strict=True):
            forecast = forecast_report(forecast_of(drink, conditions, typical_ranges_for(conn, drink.family))).model_dump_json()
            how = with_conditions(MadeEntry(), conditions).model_dump_json(exclude_defaults=True)
            parent = trials[0] if trials else None
            text = spec.model_dump_json(exclude_unset=True)
            trials.append(drinks.keep_trial(conn, drink_id, parent, spec.name, "A new idea, as suggested.", text, forecast, how))
        kept.mark(conn, drink_id, body.wish.model_dump_json())
        needed = to_get(built, in_stock(conn))
        return OriginalsFlightReport(
            drink_id=drink_id,
            trials=trials,
            to_buy=list(needed.to_buy),
            to_prepare=list(needed.to_prepare),
            fruit=[f"{fruit.pieces} × {fruit.fruit.name}" for fruit in fruit_tonight([(drink, 1) for drink in built], {}, {})],
        )


def get_wish(conn: sqlite3.Connection, drink_id: int) -> WishEntry:
    """Return the criteria that a drink was found by, or else those of its brief."""
    record = drinks.get(conn, drink_id)
    of = kept.wishes(conn).get(drink_id)
    if of is not None:
        return WishEntry.model_validate_json(of)
    return wish_of_brief(BriefEntry.model_validate_json(briefs.get(conn, drink_id)), record.family)


def get_kinship(conn: sqlite3.Connection) -> KinshipReport:
    """Return how well pairs of aromas go together: as shipped, as the bar set them, and as tastings taught."""
    return kinship_report(kinship_of(conn))


def set_kinship(conn: sqlite3.Connection, body: KinshipEntry) -> KinshipReport:
    """Set how well a pair of aromas goes together in this bar."""
    pair = frozenset((body.one, body.other))
    KinshipTable({pair: body.value})
    with transaction(conn):
        kept.put_kinship(conn, body.one, body.other, body.value)
    return kinship_report(kinship_of(conn))


def reset_kinship(conn: sqlite3.Connection, one: Name | None = None, other: Name | None = None) -> KinshipReport:
    """Reset a pair of aromas, or all of them, to the shipped values."""
    with transaction(conn):
        kept.remove_kinship(conn, one or "", other or one or "")
    return kinship_report(kinship_of(conn))
