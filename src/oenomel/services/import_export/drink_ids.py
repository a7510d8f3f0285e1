"""Keys of drinks in a file, and the drink of the book for each."""

from __future__ import annotations

import sqlite3
from collections.abc import Sequence

from oenomel.core.larder import slug_for
from oenomel.schemas.house_file import DrinkEntry, plain_name, unused_id
from oenomel.store import drinks

__all__ = ["counterparts", "ids_of_book"]


def ids_of_book(conn: sqlite3.Connection) -> dict[str, int]:
    """Return the drinks of the book by their keys in a file, the oldest first."""
    ids: dict[str, int] = {}
    for drink_id, name in drinks.names(conn):
        ids[unused_id(slug_for(name), ids)] = drink_id
    return ids


def counterparts(conn: sqlite3.Connection, entries: Sequence[DrinkEntry]) -> dict[str, int]:
    """Return the drink of the book for each drink of a file, by key: the one with the same first trial, or with the same name; of
    several with that name the one with the same key.
    """
    ids = ids_of_book(conn)
    by_name: dict[str, list[int]] = {}
    for drink_id, name in drinks.names(conn):
        by_name.setdefault(plain_name(name), []).append(drink_id)
    begun = drinks.by_first_trial(conn)
    own_ids: dict[str, int] = {}
    taken: set[int] = set()
    for entry in entries:
        first = entry.trials[0]
        called_so = by_name.get(plain_name(entry.name), [])
        own = ids.get(entry.id)
        known = [begun.get((first.name, first.kept_at)) if first.kept_at else None, own if own in called_so else None, *called_so]
        here = next((own_id for own_id in known if own_id is not None and own_id not in taken), None)
        if here is not None:
            own_ids[entry.id] = here
            taken.add(here)
    return own_ids
