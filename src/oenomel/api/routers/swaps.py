"""What brings a drink back, and what else could go in a slot of it."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from typing import Annotated

from fastapi.responses import StreamingResponse
from pydantic import Field

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.search_queue import NDJSON, Search
from oenomel.core.dilution import Conditions
from oenomel.core.larder import Ingredient, Kind, Larder
from oenomel.core.larder.shelf import Inventory
from oenomel.core.rebalance import Aim, Budget, correctors_for, rebalance
from oenomel.core.rebalance.alternatives import ways_of
from oenomel.core.rebalance.solver import CORRECTORS
from oenomel.core.spec import Drink
from oenomel.core.swaps import Board, Filters, Ranking, swap_board
from oenomel.core.swaps.board import Mode, joined
from oenomel.errors import SpecError
from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.reports.swap_reports import RebalanceReport, SwapsReport, rebalance_report, swaps_report
from oenomel.schemas.requests.rebalance_requests import (
    AimRequest,
    FamilyTarget,
    TargetEntry,
    TypedTarget,
    aim_for,
    pours_named,
    target_from,
)
from oenomel.schemas.spec_file import SpecFile
from oenomel.services.resolve import homes_for, resolve
from oenomel.services.trials import palate_of
from oenomel.store import ingredients, shelf
from oenomel.store.stock import in_stock

router = room("swaps")


ANSWERS_SHARE = 0.7
"""Of a screen's budget for the best answer; the rest is for the other ways."""


class FilterEntry(Entry):
    """Which offers are wanted."""

    at_hand: bool = False
    avoid_allergens: Annotated[list[Annotated[Plain, Field(max_length=40)]], Field(max_length=20)] = []
    vegan: bool = False
    without_alcohol: bool = False
    most_price: Annotated[float, Field(ge=0, allow_inf_nan=False)] | None = None
    kinds: Annotated[list[Kind], Field(max_length=21)] = []


class SwapsRequest(AimRequest):
    """Which pour, by its place in the spec; how a candidate is poured; and what is wanted.

    Without a target the swap should leave the spec where it is. ``only`` names offers by their key; ``limit`` ends the board.
    """

    pour_index: Annotated[int, Field(ge=0, le=59)]
    mode: Mode = "rebalance"
    target: TargetEntry | None = None  # type: ignore[assignment]  # the one field that a rebalance needs and a board doesn't
    ranking: Ranking = "both"
    filters: FilterEntry = FilterEntry()
    only: Annotated[list[Annotated[Plain, Field(max_length=300)]], Field(max_length=200)] | None = None
    limit: Annotated[int, Field(ge=1, le=10_000)] | None = None


@router.post("/rebalance", responses=PROBLEMS["bad"] | {404: PROBLEMS["missing"][404]})
async def rebalance_drink(body: AimRequest, conn: Connection, conditions: HouseConditions, search: Search) -> RebalanceReport:
    """The pourable amounts that bring a spec closest to a target."""

    def rebalanced() -> RebalanceReport:
        drink, aim = _drink_and_aim(conn, body, body.target, conditions)
        free = None if body.free is None else pours_named(drink, body.free)
        joining = _correctors(conn, body.correctors)
        answer = rebalance(drink, aim, free, joining, conditions, search.budget.share(ANSWERS_SHARE))
        may_join = joining or correctors_for(drink, ingredients.some(conn, CORRECTORS))
        return rebalance_report(body.spec, drink, answer, ways_of(drink, aim, answer, free, may_join, conditions, search.budget))

    return await search.step(rebalanced)


@router.post("/swaps", responses=PROBLEMS["bad"] | {404: PROBLEMS["missing"][404]})
async def list_swaps(body: SwapsRequest, conn: Connection, conditions: HouseConditions, search: Search) -> SwapsReport:
    """What could take the place of a pour, ranked; ``limit`` rows of it, if it is told."""

    def listed() -> SwapsReport:
        drink, parts, inventory = _board(body, conn, conditions, search.budget)
        report = swaps_report(body.spec, drink, joined(parts), inventory, body.ranking)
        return report.model_copy(update={"rows": report.rows[: body.limit]})

    return await search.step(listed)


@router.post(
    "/swaps/stream",
    response_class=StreamingResponse,
    responses=PROBLEMS["bad"]
    | {
        404: PROBLEMS["missing"][404],
        200: {"description": "a part of the board a line", "content": {NDJSON: {"schema": {"type": "string"}}}},
    },
)
async def stream_swaps(body: SwapsRequest, conn: Connection, conditions: HouseConditions, search: Search) -> StreamingResponse:
    """The same board part by part, a JSON object a line: the likeliest rows are there at once, and each part tells how far it is."""

    def parts_of() -> Iterator[str]:
        drink, parts, inventory = _board(body, conn, conditions, search.budget)
        for part in parts:
            yield swaps_report(body.spec, drink, part, inventory, body.ranking).model_dump_json() + "\n"

    return await search.streamed(parts_of())


def _board(
    body: SwapsRequest, conn: sqlite3.Connection, conditions: Conditions, budget: Budget
) -> tuple[Drink, Iterator[Board], Inventory]:
    drink, aim = _drink_and_aim(conn, body, body.target or body.spec, conditions)
    if body.pour_index >= len(drink.pours):
        raise SpecError("pour_index", f"there is no pour {body.pour_index}; the spec has {len(drink.pours)}, counted from 0")
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
) -> tuple[Drink, Aim]:
    equivalents = body.sweetness != "grams"
    specs = (body.spec, target) if isinstance(target, SpecFile) else (body.spec,)
    drink, *wished = resolve(conn, *specs)
    homes = homes_for(conn, target.family) if isinstance(target, FamilyTarget) else {}
    palate = palate_of(conn, target.palate) if isinstance(target, FamilyTarget) and target.palate is not None else None
    return drink, aim_for(body, drink, target_from(target, drink, wished[0] if wished else None, homes, equivalents, conditions, palate))


def _correctors(conn: sqlite3.Connection, slugs: list[str]) -> list[Ingredient]:
    found = ingredients.some(conn, slugs)
    if len(found) < len(set(slugs)):
        # The refusal names the likeliest neighbour, so it needs to see them all.
        found = ingredients.offered(conn)
    return [found[slug] for slug in slugs]
