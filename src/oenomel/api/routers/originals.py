"""Original drinks: one search, a whole menu, a flight to taste, and which aromas go together."""

from __future__ import annotations

from collections.abc import Iterator
from http import HTTPStatus

from fastapi.responses import StreamingResponse

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.api.search_queue import NDJSON, Search
from oenomel.core.originals import originals
from oenomel.core.originals.menu_search import menu_of
from oenomel.core.originals.search import WISH_WORK, CombinationCount, combinations_left
from oenomel.schemas.base import Name, RowId
from oenomel.schemas.reports.originals_reports import (
    HandfulReport,
    KinshipReport,
    MenuReport,
    handful_report,
    menu_report,
)
from oenomel.schemas.requests.originals_requests import WishEntry
from oenomel.schemas.routes.originals_models import (
    KinshipEntry,
    MenuEntry,
    OriginalsFlightEntry,
    OriginalsFlightReport,
)
from oenomel.services import originals as cases
from oenomel.services.original_search import ground_for, names_given, wished
from oenomel.services.resolve import resolve

router = idempotent_router("originals")


@router.post("/originals", responses=PROBLEMS["bad"])
async def list_originals(wish: WishEntry, conn: Connection, conditions: HouseConditions, search: Search) -> HandfulReport:
    """Return a handful of original drinks that meet the criteria."""

    def search_originals() -> HandfulReport:
        *_, last = originals(ground_for(conn, conditions), wished(conn, wish), names_given(conn, wish), budget=search.budget_of(WISH_WORK))
        return handful_report(last)

    return await search.step(search_originals)


@router.post(
    "/originals/stream",
    response_class=StreamingResponse,
    responses=PROBLEMS["bad"] | {200: {"description": "a handful a line", "content": {NDJSON: {"schema": {"type": "string"}}}}},
)
async def stream_originals(wish: WishEntry, conn: Connection, conditions: HouseConditions, search: Search) -> StreamingResponse:
    """Stream the search: a first handful at once, later the final one. It ends when the client leaves."""

    def parts_of() -> Iterator[str]:
        for part in originals(
            ground_for(conn, conditions), wished(conn, wish), names_given(conn, wish), budget=search.budget_of(WISH_WORK)
        ):
            yield handful_report(part).model_dump_json() + "\n"

    return await search.streamed(parts_of())


@router.post("/originals/left", responses=PROBLEMS["bad"])
async def count_left(wish: WishEntry, conn: Connection, conditions: HouseConditions, search: Search) -> CombinationCount:
    """Count the combinations that the criteria leave."""

    def counted() -> CombinationCount:
        return combinations_left(ground_for(conn, conditions), wished(conn, wish))

    return await search.step(counted)


@router.post("/originals/menu", responses=PROBLEMS["bad"])
async def make_menu(body: MenuEntry, conn: Connection, conditions: HouseConditions, search: Search) -> MenuReport:
    """Fill the open places of a menu with drinks unlike each other that share preparations; the chosen ones stay."""

    def build_menu() -> MenuReport:
        stays = dict(
            zip((kept_drink.place for kept_drink in body.kept), resolve(conn, *(kept_drink.spec for kept_drink in body.kept)), strict=True)
        )
        places = [wished(conn, entry) for entry in body.places]
        known = [name for entry in body.places for name in names_given(conn, entry)]
        return menu_report(menu_of(ground_for(conn, conditions), places, stays, list(dict.fromkeys(known)), search.budget_of(WISH_WORK)))

    return await search.step(build_menu)


@router.post("/originals/flight", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_flight(body: OriginalsFlightEntry, conn: Connection, conditions: HouseConditions) -> OriginalsFlightReport:
    """Add originals to the book as trials of one drink, to be tasted blind, with what each glass takes."""
    return cases.add_flight(conn, body, conditions)


@router.get("/drinks/{drink_id}/wish", responses=PROBLEMS["missing"])
def get_wish(drink_id: RowId, conn: Connection) -> WishEntry:
    """Return the criteria that a drink was found by, or else those of its brief."""
    return cases.get_wish(conn, drink_id)


@router.get("/kinship")
def get_kinship(conn: Connection) -> KinshipReport:
    """Return how well pairs of aromas go together: as shipped, as the bar set them, and as tastings taught."""
    return cases.get_kinship(conn)


@router.put("/kinship", responses=PROBLEMS["write"])
def set_kinship(body: KinshipEntry, conn: Connection) -> KinshipReport:
    """Set how well a pair of aromas goes together in this bar."""
    return cases.set_kinship(conn, body)


@router.delete("/kinship", responses=PROBLEMS["write"])
def reset_kinship(conn: Connection, one: Name | None = None, other: Name | None = None) -> KinshipReport:
    """Reset a pair of aromas, or all of them, to the shipped values."""
    return cases.reset_kinship(conn, one, other)
