"""Dependencies of the routes: one connection a request, and the conditions that a forecast assumes."""

from __future__ import annotations

from collections.abc import AsyncIterator
from typing import Annotated, Final

from fastapi import Depends, Header, Query, Request
from starlette.concurrency import run_in_threadpool
from starlette.datastructures import State

from oenomel.api.middleware.device_auth import DEVICE
from oenomel.core.dilution import Conditions
from oenomel.schemas.requests.assumptions import AssumptionsQuery
from oenomel.services.resolve import conditions_for
from oenomel.store import database

__all__ = ["Connection", "HouseConditions", "IfMatch", "only_looks"]


MOST_FREE: Final = 8
"""Idle connections to the data file that are kept open; more are opened in a rush, and closed after it."""


def only_looks(request: Request) -> bool:
    """Check whether the request comes from a device that was paired for reading only."""
    device = request.scope.get(DEVICE)
    return device is not None and not device.may_write


async def _connection(request: Request) -> AsyncIterator[database.Connection]:
    state = request.app.state
    await _follow_the_file(state)
    # Idle connections are reused: each serves one request at a time. Without a running server none is kept.
    free: list[database.Connection] | None = state.free_connections
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
    """Close connections to a data file that was replaced; the next request opens the new one."""
    lying = database.identity(state.data)
    if lying == state.data_identity:
        return
    if state.data_identity is not None:
        await run_in_threadpool(database.prepare, state.data)
    if state.free_connections is not None:
        for free_connection in state.free_connections:
            free_connection.close()
        state.free_connections = []
    state.data_identity = lying


Connection = Annotated[database.Connection, Depends(_connection)]


async def _house_conditions(conn: Connection, assumptions: Annotated[AssumptionsQuery, Query()]) -> Conditions:
    return conditions_for(conn, assumptions)


HouseConditions = Annotated[Conditions, Depends(_house_conditions)]
"""Conditions of a request: its assumptions, with the dilution measured in this bar."""

IfMatch = Annotated[str | None, Header(alias="If-Match", max_length=80)]
"""Revision that the window read, for writes that replace a whole record."""
