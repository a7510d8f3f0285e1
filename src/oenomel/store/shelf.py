"""The shelf: what is in stock, low or out, and its price."""

from __future__ import annotations

import sqlite3
from typing import Final

from oenomel.core.larder import Shelved
from oenomel.core.larder.shelf import SHELF_STATES
from oenomel.errors import DomainError, OutOfRange
from oenomel.store import ingredients

__all__ = ["all_shelved", "put", "remove", "remove_all"]


SELECT_ALL = "SELECT slug, state, price_per_litre FROM shelf ORDER BY slug"
UPSERT = """
INSERT INTO shelf (slug, state, price_per_litre) VALUES (:slug, :state, :price_per_litre)
ON CONFLICT (slug) DO UPDATE SET state = excluded.state, price_per_litre = excluded.price_per_litre
"""
DELETE = "DELETE FROM shelf WHERE slug = :slug"
DELETE_ALL = "DELETE FROM shelf"

MOST_PRICE: Final = 10_000.0


def all_shelved(conn: sqlite3.Connection) -> dict[str, Shelved]:
    """Return what is on the shelf, by slug."""
    return {row["slug"]: Shelved(row["slug"], row["state"], row["price_per_litre"]) for row in conn.execute(SELECT_ALL)}


def put(conn: sqlite3.Connection, shelved: Shelved) -> None:
    """Put an ingredient on the shelf, or change its entry.

    Raises
    ------
    RecordNotFound
        The ingredient doesn't exist. OutOfRange, DomainError
    """
    if shelved.state not in SHELF_STATES:
        raise DomainError(f'"{shelved.state}" isn\'t a state of stock: use {", ".join(SHELF_STATES)}')
    if shelved.price_per_litre is not None and not 0 <= shelved.price_per_litre <= MOST_PRICE:
        raise OutOfRange("the price per litre", shelved.price_per_litre, 0, MOST_PRICE)
    if shelved.price_per_litre == 0:
        raise DomainError("a price can't be 0: leave it empty if you don't know it")
    ingredients.get(conn, shelved.slug)
    conn.execute(UPSERT, {"slug": shelved.slug, "state": shelved.state, "price_per_litre": shelved.price_per_litre})


def remove(conn: sqlite3.Connection, slug: str) -> None:
    """Take an ingredient off the shelf."""
    conn.execute(DELETE, {"slug": slug})


def remove_all(conn: sqlite3.Connection) -> None:
    """Clear the shelf."""
    conn.execute(DELETE_ALL)
