"""Original drinks: what a wish leaves, the handful, a whole list, the flight; and the kinship that they are told by."""

from __future__ import annotations

from collections.abc import Iterator
from http import HTTPStatus
from typing import Annotated

from fastapi.responses import StreamingResponse
from pydantic import Field

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.search_queue import NDJSON, Search
from oenomel.core.forecast import forecast_of
from oenomel.core.menu import fruit_tonight
from oenomel.core.originals import KinshipTable, originals
from oenomel.core.originals.menu_search import menu_of
from oenomel.core.originals.search import WISH_WORK, left_of
from oenomel.core.originals.to_buy import to_get
from oenomel.schemas.base import Entry, Name, Plain, Report, RowId
from oenomel.schemas.reports.forecast_reports import forecast_report
from oenomel.schemas.reports.originals_reports import (
    HandfulReport,
    KinshipReport,
    MenuReport,
    handful_report,
    kinship_report,
    menu_report,
)
from oenomel.schemas.requests.originals_requests import WishEntry, wish_of_brief
from oenomel.schemas.requests.tasting_requests import BriefEntry
from oenomel.schemas.requests.trial_conditions import MadeEntry, with_conditions
from oenomel.schemas.spec_file import SpecFile
from oenomel.services.originals import ground_for, names_given, wished
from oenomel.services.originals_inputs import kinship_of
from oenomel.services.resolve import homes_for, resolve
from oenomel.store import briefs, drinks
from oenomel.store import originals as kept
from oenomel.store.database import transaction
from oenomel.store.stock import in_stock

router = room("originals")


class LeftReport(Report):
    """How many combinations a wish leaves: on paper, and about how many of them make sense, keep it and stand at home."""

    combinations: int
    balanced: int


class KeptDrink(Entry):
    """A drink that stays on a list, and its place there, counted from 0."""

    place: Annotated[int, Field(ge=0, le=11)]
    spec: SpecFile


class MenuEntry(Entry):
    """A list: a wish for each of its places, drinks that stay, and the seed."""

    places: Annotated[list[WishEntry], Field(min_length=1, max_length=12)]
    kept: Annotated[list[KeptDrink], Field(max_length=12)] = []


class OriginalsFlightEntry(Entry):
    """Originals of one wish to be tasted blind against each other."""

    specs: Annotated[list[SpecFile], Field(min_length=2, max_length=6)]
    wish: WishEntry


class OriginalsFlightReport(Report):
    """The drink under which they stand in the book, its trials; what has to be bought, prepared and pressed for a glass of each."""

    drink_id: int
    trials: list[int]
    to_buy: list[str]
    to_prepare: list[str]
    fruit: list[str]


class KinshipEntry(Entry):
    """What the house sets for a pair of aroma groups, 0 (at odds) to 1 (an old friendship)."""

    one: Annotated[Plain, Field(max_length=40)]
    other: Annotated[Plain, Field(max_length=40)]
    value: Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)]


@router.post("/originals", responses=PROBLEMS["bad"])
async def list_originals(wish: WishEntry, conn: Connection, conditions: HouseConditions, search: Search) -> HandfulReport:
    """A handful of original drinks that meet a wish."""

    def found() -> HandfulReport:
        *_, last = originals(ground_for(conn, conditions), wished(conn, wish), names_given(conn, wish), budget=search.budget_of(WISH_WORK))
        return handful_report(last)

    return await search.step(found)


@router.post(
    "/originals/stream",
    response_class=StreamingResponse,
    responses=PROBLEMS["bad"] | {200: {"description": "a handful a line", "content": {NDJSON: {"schema": {"type": "string"}}}}},
)
async def stream_originals(wish: WishEntry, conn: Connection, conditions: HouseConditions, search: Search) -> StreamingResponse:
    """The same, a JSON object a line: a first handful at once, then that of the whole sample. Whoever goes away ends it."""

    def parts_of() -> Iterator[str]:
        for part in originals(
            ground_for(conn, conditions), wished(conn, wish), names_given(conn, wish), budget=search.budget_of(WISH_WORK)
        ):
            yield handful_report(part).model_dump_json() + "\n"

    return await search.streamed(parts_of())


@router.post("/originals/left", responses=PROBLEMS["bad"])
async def count_left(wish: WishEntry, conn: Connection, conditions: HouseConditions, search: Search) -> LeftReport:
    """How many combinations a wish leaves."""

    def counted() -> LeftReport:
        return LeftReport.model_validate(left_of(ground_for(conn, conditions), wished(conn, wish)))

    return await search.step(counted)


@router.post("/originals/menu", responses=PROBLEMS["bad"])
async def make_menu(body: MenuEntry, conn: Connection, conditions: HouseConditions, search: Search) -> MenuReport:
    """The open places of a list filled, unlike each other and sharing preparations; what stays, stays."""

    def made() -> MenuReport:
        stays = dict(zip((each.place for each in body.kept), resolve(conn, *(each.spec for each in body.kept)), strict=True))
        places = [wished(conn, each) for each in body.places]
        known = [name for each in body.places for name in names_given(conn, each)]
        return menu_report(menu_of(ground_for(conn, conditions), places, stays, list(dict.fromkeys(known)), search.budget_of(WISH_WORK)))

    return await search.step(made)


@router.post("/originals/flight", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_flight(body: OriginalsFlightEntry, conn: Connection, conditions: HouseConditions) -> OriginalsFlightReport:
    """Puts originals into the book as the trials of one drink, to be tasted blind, and tells what a glass of each takes."""
    made = resolve(conn, *body.specs)
    with transaction(conn):
        names = [spec.name for spec in body.specs]
        drink_id = drinks.add(conn, " · ".join(names)[:200], body.wish.family)
        trials: list[int] = []
        for spec, drink in zip(body.specs, made, strict=True):
            forecast = forecast_report(forecast_of(drink, conditions, homes_for(conn, drink.family))).model_dump_json()
            how = with_conditions(MadeEntry(), conditions).model_dump_json(exclude_defaults=True)
            parent = trials[0] if trials else None
            text = spec.model_dump_json(exclude_unset=True)
            trials.append(drinks.keep_trial(conn, drink_id, parent, spec.name, "An original, as it was proposed.", text, forecast, how))
        kept.mark(conn, drink_id, body.wish.model_dump_json())
        needed = to_get(made, in_stock(conn))
        return OriginalsFlightReport(
            drink_id=drink_id,
            trials=trials,
            to_buy=list(needed.to_buy),
            to_prepare=list(needed.to_prepare),
            fruit=[f"{each.pieces} × {each.fruit.name}" for each in fruit_tonight([(drink, 1) for drink in made], {}, {})],
        )


@router.get("/drinks/{drink_id}/wish", responses=PROBLEMS["missing"])
def get_wish(drink_id: RowId, conn: Connection) -> WishEntry:
    """The wish that a drink came of, or else what its brief wishes."""
    record = drinks.get(conn, drink_id)
    of = kept.wishes(conn).get(drink_id)
    if of is not None:
        return WishEntry.model_validate_json(of)
    return wish_of_brief(BriefEntry.model_validate_json(briefs.get(conn, drink_id)), record.family)


@router.get("/kinship")
def get_kinship(conn: Connection) -> KinshipReport:
    """The table by which originals are told to hang together: what ships, what the house set, what tastings taught."""
    return kinship_report(kinship_of(conn))


@router.put("/kinship", responses=PROBLEMS["write"])
def set_kinship(body: KinshipEntry, conn: Connection) -> KinshipReport:
    """Sets what the house thinks of a pair."""
    pair = frozenset((body.one, body.other))
    KinshipTable({pair: body.value})
    with transaction(conn):
        kept.put_kinship(conn, body.one, body.other, body.value)
    return kinship_report(kinship_of(conn))


@router.delete("/kinship", responses=PROBLEMS["write"])
def reset_kinship(conn: Connection, one: Name | None = None, other: Name | None = None) -> KinshipReport:
    """Puts a pair back to what ships, or the whole table."""
    with transaction(conn):
        kept.remove_kinship(conn, one or "", other or one or "")
    return kinship_report(kinship_of(conn))
