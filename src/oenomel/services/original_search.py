"""Context of the search for originals: kept until larder, book, pairings or ice change."""

from __future__ import annotations

import sqlite3
from threading import Lock

from oenomel.core.dilution import Conditions
from oenomel.core.larder import Larder, known_by
from oenomel.core.originals import Criteria, SearchContext
from oenomel.core.spec.drink import FAMILIES
from oenomel.schemas.requests.originals_requests import WishEntry, wish_from
from oenomel.services.originals_inputs import book_of, kinship_of, wants_using_up
from oenomel.services.resolve import typical_ranges_for
from oenomel.services.stored_trials import palate_of
from oenomel.store import drinks, ingredients, originals
from oenomel.store.stock import in_stock

__all__ = ["ground_for", "names_given", "wished"]

_kept: tuple[tuple[object, ...], SearchContext] | None = None
_lock = Lock()


def ground_for(conn: sqlite3.Connection, conditions: Conditions) -> SearchContext:
    """Return the context of the bar, for one search at a time."""
    global _kept
    key = (ingredients.state(conn), originals.state(conn), repr(conditions))
    with _lock:
        if _kept is not None and _kept[0] == key:
            return _kept[1]
    larder = Larder(ingredients.offered(conn))
    ground = SearchContext(larder, book_of(conn), kinship_of(conn), typical_ranges_for(conn, *FAMILIES), conditions)
    with _lock:
        _kept = key, ground
    return ground


def wished(conn: sqlite3.Connection, entry: WishEntry) -> Criteria:
    """Return criteria with what this bar has: its stock, ingredients to use up, a taster's palate."""
    known = known_by(ingredients.names(conn), ingredients.offered(conn))
    pool = in_stock(conn) if entry.at_hand else None
    soon = wants_using_up(conn) if entry.use_up_soon else frozenset[str]()
    off = palate_of(conn, entry.palate).mean.tolist() if entry.palate is not None else (0.0, 0.0, 0.0)
    return wish_from(entry, known, pool=pool, soon=soon, off=off)


def names_given(conn: sqlite3.Connection, entry: WishEntry) -> list[str]:
    """Return the names that no original may have: the book's, and those the client already shows."""
    return [*(name for _, name in drinks.names(conn)), *entry.taken_names]
