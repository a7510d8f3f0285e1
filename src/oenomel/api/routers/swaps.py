"""Rebalance a drink, and find swaps for one of its pours."""

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
    """Return the pourable amounts that bring a spec closest to its target."""
    return await search.step(partial(cases.rebalance_drink, conn, body, conditions, search.budget))


@router.post("/swaps", responses=PROBLEMS["bad"] | {404: PROBLEMS["missing"][404]})
async def list_swaps(body: SwapsRequest, conn: Connection, conditions: HouseConditions, search: Search) -> SwapsReport:
    """Rank what could replace a pour; at most ``limit`` rows."""
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
    """Stream the swaps part by part, the likeliest rows at once, each part with its progress."""
    parts = cases.swaps_part_by_part(conn, body, conditions, search.budget)
    return await search.streamed(part.model_dump_json() + "\n" for part in parts)
