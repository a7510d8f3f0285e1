"""In stock: the one rule that book search, swaps, garnishes, exercises, originals and exports share."""

from __future__ import annotations

import sqlite3

__all__ = ["in_stock"]

SELECT = "SELECT slug FROM in_stock"


def in_stock(conn: sqlite3.Connection) -> frozenset[str]:
    """Return the slugs of the ingredients that can be poured today.

    An ingredient is in stock when it is on the shelf and not out, or when a lot of it is open with something left (unless its amount
    was noted as nothing). Tap water always is. The SQL view ``in_stock`` holds the rule, so that the book search can join it.
    """
    return frozenset(row["slug"] for row in conn.execute(SELECT))
