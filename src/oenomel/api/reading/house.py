"""What routes depend on: a connection a request, and the larder a spec needs."""

from __future__ import annotations

import sqlite3
from collections.abc import AsyncIterator, Mapping
from typing import Annotated, Final

from fastapi import Depends, Query, Request
from pydantic import Field
from starlette.concurrency import run_in_threadpool
from starlette.datastructures import State

from oenomel.api.door import DEVICE
from oenomel.api.reading.lots import lots_as_poured
from oenomel.core.families import Homes, families, homes_from, standard_homes
from oenomel.core.ice import Conditions, DilutionSchool, HouseFactor, house_factor
from oenomel.core.larder import Larder
from oenomel.core.spec import Drink, Technique
from oenomel.interchange.models import Entry
from oenomel.interchange.spec.drink import drink_from_spec, lots_named, slugs_of
from oenomel.interchange.spec.file import SpecFile, parse_spec
from oenomel.store import database, drinks, ingredients, measurements
from oenomel.store.database import House

__all__ = ["Connection", "HouseConditions", "SupposedQuery", "conditions_for", "homes_for", "only_looks", "resolve"]


MOST_FREE: Final = 8
"""Connections to the file that wait for the next request; a rush needs more, and lets go of them."""


def only_looks(request: Request) -> bool:
    """Whether the request is of a device that was let in to look and not to write."""
    device = request.scope.get(DEVICE)
    return device is not None and not device.may_write


async def _connection(request: Request) -> AsyncIterator[House]:
    state = request.app.state
    await _follow_the_file(state)
    # Those that are free wait for the next request: each serves one at a time. Without a running server none is kept.
    free: list[House] | None = state.free_connections
    conn = free.pop() if free else database.connect(state.data)
    conn.write_key = getattr(request.state, "write_key", None)
    conn.only_looks = only_looks(request)
    request.state.connection = conn
    try:
        yield conn
    finally:
        conn.write_key, conn.only_looks = None, False
        if free is None or free is not state.free_connections or conn.in_transaction or len(free) >= MOST_FREE:
            conn.close()
        else:
            free.append(conn)


async def _follow_the_file(state: State) -> None:
    """What is written goes to the file that lies there now: connections to one that was taken away are let go."""
    lying = database.identity(state.data)
    if lying == state.data_identity:
        return
    if state.data_identity is not None:
        await run_in_threadpool(database.prepare, state.data)
    if state.free_connections is not None:
        for each in state.free_connections:
            each.close()
        state.free_connections = []
    state.data_identity = lying


Connection = Annotated[House, Depends(_connection)]


def resolve(conn: sqlite3.Connection, *specs: SpecFile) -> list[Drink]:
    """The drinks of specs out of the stored larder; raises SpecError naming the place."""
    wanted = slugs_of(*specs)
    larder: Larder = ingredients.some(conn, wanted)
    if wanted - larder.keys():
        # The refusal names the likeliest neighbour, so it needs to see them all.
        larder = ingredients.larder(conn)
    named = lots_named(*specs)
    lots = lots_as_poured(conn, named) if named else {}
    return [drink_from_spec(spec, larder, lots) for spec in specs]


class SupposedQuery(Entry):
    """What a forecast supposes of the ice and the temperatures, as far as it isn't the usual: see `core.ice.Conditions`.

    ``own``: whether the house's own measurements of its water count.
    """

    dilution: DilutionSchool = "curve"
    ice_g: Annotated[float, Field(ge=0, le=5000, allow_inf_nan=False)] | None = None
    ice_c: Annotated[float, Field(ge=-40, le=0, allow_inf_nan=False)] = 0.0
    surface_water: Annotated[float, Field(ge=0, le=0.3, allow_inf_nan=False)] | None = None
    start_c: Annotated[float, Field(ge=-20, le=60, allow_inf_nan=False)] = 22.0
    room_c: Annotated[float, Field(ge=0, le=50, allow_inf_nan=False)] = 22.0
    own: bool = True

    def conditions(self, factors: Mapping[Technique, HouseFactor]) -> Conditions:
        """The same for the core, with the house's own factors."""
        return Conditions(**self.model_dump(include=set(SupposedQuery.model_fields) - {"own"}), factors=factors)


async def _house_conditions(conn: Connection, supposed: Annotated[SupposedQuery, Query()]) -> Conditions:
    return conditions_for(conn, supposed)


def conditions_for(conn: sqlite3.Connection, supposed: SupposedQuery) -> Conditions:
    """What is supposed, with what this house has measured of its own ice."""
    measured = measurements.ratios(conn) if supposed.own else {}
    return supposed.conditions({technique: house_factor(ratios) for technique, ratios in measured.items()})


HouseConditions = Annotated[Conditions, Depends(_house_conditions)]
"""What a forecast supposes, with what this house has measured of its own ice."""


def homes_for(conn: sqlite3.Connection, *wanted: str) -> Homes:
    """The homes of these families, with the house's own reference specs in them."""
    homes = dict(standard_homes())
    for family, texts in drinks.references(conn, wanted).items():
        homes |= homes_from(families()[family], resolve(conn, *(parse_spec(text) for text in texts)))
    return homes
