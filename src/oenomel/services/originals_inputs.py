"""Inputs of the search for new drinks: the book, the stock, what should be used up, what tastings taught."""

from __future__ import annotations

import sqlite3
from datetime import UTC, datetime
from typing import Final

from oenomel.core.larder import Larder
from oenomel.core.larder.shelf_life import shelf_life_h
from oenomel.core.originals import KinshipTable
from oenomel.core.originals.aroma_pairings import Liking, groups_of
from oenomel.core.originals.search_context import BookDrink
from oenomel.errors import OenomelError
from oenomel.schemas.spec_file import parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec
from oenomel.store import drinks, ingredients, lots, originals

__all__ = ["book_of", "kinship_of", "wants_using_up"]

MOST_OF_THE_BOOK: Final = 200
"""Number of the newest drinks that an original is compared with."""

SOON: Final = 0.5
"""Share of the shelf life from which a lot should be used up (house rule)."""


def book_of(conn: sqlite3.Connection) -> list[BookDrink]:
    """Return the book's drinks with their newest specs, the newest last; every trial of originals that were tasted together."""
    names = dict(drinks.names(conn)[-MOST_OF_THE_BOOK:])
    larder = Larder(ingredients.larder(conn))
    latest = drinks.latest_trials(conn, names)
    flights = {drink_id: drinks.trials(conn, drink_id) for drink_id in originals.wishes(conn) if drink_id in names}
    result = []
    for drink_id, name in sorted(names.items()):
        kept = flights.get(drink_id) or [latest[drink_id]] if drink_id in latest else []
        for record in kept:
            try:
                spec = parse_spec(record.spec)
                result.append(BookDrink(spec.name if len(kept) > 1 else name, drink_from_spec(spec, larder), drink_id))
            except OenomelError:
                # One of its ingredients may be deleted; nothing can be compared with it then.
                continue
    return result


def kinship_of(conn: sqlite3.Connection) -> KinshipTable:
    """Return the bar's aroma pairings: those it set, and what sheets of originals taught."""
    larder = Larder(ingredients.larder(conn))
    likings = []
    for sheet in originals.sheets(conn):
        try:
            drink = drink_from_spec(parse_spec(sheet.spec), larder)
        except OenomelError:
            continue
        likings.append(Liking(groups_of(pour.ingredient for pour in drink.pours), sheet.score > sheet.usual))
    return KinshipTable(originals.kinship(conn), tuple(likings))


def wants_using_up(conn: sqlite3.Connection) -> frozenset[str]:
    """Return the ingredients that are at half of their shelf life or beyond."""
    slugs, known = set(), ingredients.larder(conn)
    for lot in lots.open_lots(conn):
        keeps = shelf_life_h(known[lot.slug]) if lot.slug in known else None
        age = (datetime.now(UTC) - datetime.fromisoformat(lot.made_at)).total_seconds() / 3600
        if keeps is not None and age >= SOON * keeps:
            slugs.add(lot.slug)
    return frozenset(slugs)
