"""Rebalance a drink, and find swaps for one of its pours."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from typing import Final

from oenomel.core.dilution import Conditions
from oenomel.core.larder import Ingredient, Larder
from oenomel.core.larder.shelf import Inventory
from oenomel.core.rebalance import Budget, Objective, correctors_for, rebalance
from oenomel.core.rebalance.alternatives import alternatives_of
from oenomel.core.rebalance.solver import CORRECTORS
from oenomel.core.spec import Drink
from oenomel.core.swaps import Board, Filters, swap_board
from oenomel.core.swaps.board import joined
from oenomel.errors import SpecError
from oenomel.schemas.reports.swap_reports import RebalanceReport, SwapsReport, rebalance_report, swaps_report
from oenomel.schemas.requests.rebalance_requests import (
    AimRequest,
    FamilyTarget,
    TypedTarget,
    aim_for,
    pours_named,
    target_from,
)
from oenomel.schemas.routes.swaps_models import SwapsRequest
from oenomel.schemas.spec_file import SpecFile
from oenomel.services.resolve import resolve, typical_ranges_for
from oenomel.services.stored_trials import palate_of
from oenomel.store import ingredients, shelf
from oenomel.store.stock import in_stock

ANSWERS_SHARE: Final = 0.7
"""Share of the budget for the best answer; the rest is for the alternatives."""


def rebalance_drink(conn: sqlite3.Connection, body: AimRequest, conditions: Conditions, budget: Budget) -> RebalanceReport:
    """Find the pourable amounts that bring a spec closest to its target, and the alternatives."""
    drink, aim = _drink_and_aim(conn, body, body.target, conditions)
    free = None if body.free is None else pours_named(drink, body.free)
    joining = _correctors(conn, body.correctors)
    answer = rebalance(drink, aim, free, joining, conditions, budget.share(ANSWERS_SHARE))
    may_join = joining or correctors_for(drink, ingredients.some(conn, CORRECTORS))
    return rebalance_report(body.spec, drink, answer, alternatives_of(drink, aim, answer, free, may_join, conditions, budget))


def list_swaps(conn: sqlite3.Connection, body: SwapsRequest, conditions: Conditions, budget: Budget) -> SwapsReport:
    """Rank what could replace a pour; at most ``limit`` rows."""
    drink, parts, inventory = _board(body, conn, conditions, budget)
    report = swaps_report(body.spec, drink, joined(parts), inventory, body.ranking)
    return report.model_copy(update={"rows": report.rows[: body.limit]})


def swaps_part_by_part(conn: sqlite3.Connection, body: SwapsRequest, conditions: Conditions, budget: Budget) -> Iterator[SwapsReport]:
    """Yield the swaps part by part, the likeliest rows first."""
    drink, parts, inventory = _board(body, conn, conditions, budget)
    for part in parts:
        yield swaps_report(body.spec, drink, part, inventory, body.ranking)


def _board(
    body: SwapsRequest, conn: sqlite3.Connection, conditions: Conditions, budget: Budget
) -> tuple[Drink, Iterator[Board], Inventory]:
    drink, aim = _drink_and_aim(conn, body, body.target or body.spec, conditions)
    if body.pour_index >= len(drink.pours):
        raise SpecError("pour_index", f"there is no ingredient {body.pour_index}: the spec has {len(drink.pours)}, counted from 0")
    larder: Larder = ingredients.offered(conn)
    inventory = Inventory(shelf.all_shelved(conn), in_stock(conn))
    wanted = body.filters
    filters = Filters(
        in_stock=inventory.in_stock if wanted.at_hand else None,
        avoid_allergens=frozenset(wanted.avoid_allergens),
        vegan=wanted.vegan,
        without_alcohol=wanted.without_alcohol,
        most_price=wanted.most_price,
        kinds=frozenset(wanted.kinds),
    )
    free = None if body.free is None else pours_named(drink, body.free)
    joining = _correctors(conn, body.correctors)
    parts = swap_board(drink, body.pour_index, larder, aim, body.mode, free, filters, conditions, body.only, joining, budget)
    return drink, parts, inventory


def _drink_and_aim(
    conn: sqlite3.Connection, body: AimRequest, target: SpecFile | FamilyTarget | TypedTarget, conditions: Conditions
) -> tuple[Drink, Objective]:
    equivalents = body.sweetness != "grams"
    specs = (body.spec, target) if isinstance(target, SpecFile) else (body.spec,)
    drink, *wished = resolve(conn, *specs)
    homes = typical_ranges_for(conn, target.family) if isinstance(target, FamilyTarget) else {}
    palate = palate_of(conn, target.palate) if isinstance(target, FamilyTarget) and target.palate is not None else None
    return drink, aim_for(body, drink, target_from(target, drink, wished[0] if wished else None, homes, equivalents, conditions, palate))


def _correctors(conn: sqlite3.Connection, slugs: list[str]) -> list[Ingredient]:
    larder = ingredients.some(conn, slugs)
    if len(larder) < len(set(slugs)):
        # The error names the closest slug, so it needs all of them.
        larder = ingredients.offered(conn)
    return [larder[slug] for slug in slugs]
