"""What the drinks of a book are called in a file: by their name, and a number where two have one."""

from __future__ import annotations

import sqlite3
from collections.abc import Sequence

from oenomel.core.larder import slug_for
from oenomel.interchange.house.file import DrinkEntry, unused_id
from oenomel.store import drinks

__all__ = ["counterparts", "ids_of_book"]


def ids_of_book(conn: sqlite3.Connection) -> dict[str, int]:
    """The drinks of a book by what they are called in a file, the oldest first."""
    ids: dict[str, int] = {}
    for drink_id, name in drinks.names(conn):
        ids[unused_id(slug_for(name), ids)] = drink_id
    return ids


def counterparts(conn: sqlite3.Connection, entries: Sequence[DrinkEntry]) -> dict[str, int]:
    """Which drink of the book each of a file's is, by its id there: the one called so, or that began with the same trial."""
    book = ids_of_book(conn)
    found: dict[str, int] = {}
    for entry in entries:
        first = entry.trials[0]
        begun = drinks.with_first_trial(conn, first.name, first.kept_at) if first.kept_at else None
        known = (book.get(entry.id), begun, book.get(slug_for(entry.name)))
        here = next((each for each in known if each is not None and each not in found.values()), None)
        if here is not None:
            found[entry.id] = here
    return found
