"""What routes depend on: a connection a request, and the larder a spec needs."""

from __future__ import annotations

import sqlite3
from collections.abc import AsyncIterator
from typing import Annotated

from fastapi import Depends, Request

from oenomel.core.catalogue import Larder
from oenomel.core.drink import Drink
from oenomel.interchange.spec_drink import drink_from_spec, slugs_of
from oenomel.interchange.spec_file import SpecFile
from oenomel.store import database, ingredients

__all__ = ["Connection", "resolve"]


async def _connection(request: Request) -> AsyncIterator[sqlite3.Connection]:
    # Opening takes a fraction of a millisecond, less than the way to a worker thread and back would.
    conn = database.connect(request.app.state.data)
    try:
        yield conn
    finally:
        conn.close()


Connection = Annotated[sqlite3.Connection, Depends(_connection)]


def resolve(conn: sqlite3.Connection, *specs: SpecFile) -> list[Drink]:
    """The drinks of specs out of the stored larder; raises SpecError naming the place."""
    wanted = slugs_of(*specs)
    larder: Larder = ingredients.some(conn, wanted)
    if wanted - larder.keys():
        # The refusal names the likeliest neighbour, so it needs to see them all.
        larder = ingredients.larder(conn)
    return [drink_from_spec(spec, larder) for spec in specs]
