"""What the drinks of a book are called in a file: by their name, and a number where two have one."""

from __future__ import annotations

import sqlite3

from oenomel.core.larder import slug_for
from oenomel.store import drinks

__all__ = ["ids_of_book", "unused_id"]


def ids_of_book(conn: sqlite3.Connection) -> dict[str, int]:
    """The drinks of a book by what they are called in a file, the oldest first."""
    ids: dict[str, int] = {}
    for drink_id, name in drinks.names(conn):
        ids[unused_id(name, ids)] = drink_id
    return ids


def unused_id(name: str, taken: dict[str, int]) -> str:
    """What a drink of this name is called where these are taken."""
    plain = slug_for(name)
    return next(each for each in (plain if n == 1 else f"{plain}-{n}" for n in range(1, len(taken) + 2)) if each not in taken)
