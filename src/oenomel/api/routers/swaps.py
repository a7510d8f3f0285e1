"""Rebalancing, and swaps for a slot."""

from __future__ import annotations

from functools import partial

from fastapi.responses import StreamingResponse

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.api.search_queue import NDJSON, Search
from oenomel.schemas.reports.swap_reports import RebalanceReport, SwapsReport
from oenomel.schemas.requests.rebalance_requests import (
    AimRequest,
)
from oenomel.schemas.routes.swaps_models import SwapsRequest
from oenomel.services import swaps as cases

router = idempotent_router("swaps")


@router.post("/rebalance", responses=PROBLEMS["bad"] | {404: PROBLEMS["missing"][404]})
async def rebalance_drink(body: AimRequest, conn: Connection, conditions: HouseConditions, search: Search) -> RebalanceReport:
    """Return the pourable amounts that bring a spec closest to a target."""
    return await search.step(partial(cases.rebalance_drink, conn, body, conditions, search.budget))


@router.post("/swaps", responses=PROBLEMS["bad"] | {404: PROBLEMS["missing"][404]})
async def list_swaps(body: SwapsRequest, conn: Connection, conditions: HouseConditions, search: Search) -> SwapsReport:
    """Return what could take the place of a pour, ranked; ``limit`` rows of it, if it is told."""
    return await search.step(partial(cases.list_swaps, conn, body, conditions, search.budget))


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
    """Return the same board part by part, a JSON object a line: the likeliest rows are there at once, and each part tells how far it is."""
    parts = cases.swaps_part_by_part(conn, body, conditions, search.budget)
    return await search.streamed(part.model_dump_json() + "\n" for part in parts)
