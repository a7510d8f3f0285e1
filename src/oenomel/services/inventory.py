"""Open lots: the amounts that can still be poured, and the yield of each crate."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterable, Sequence

from oenomel.core.event.shopping import Stock
from oenomel.core.larder import FRUIT, is_past_shelf_life
from oenomel.core.larder.fruit import Pressing
from oenomel.core.menu.stock_needed import CRATE_LASTS_H
from oenomel.core.spec import Drink
from oenomel.services.open_lots import hours_since
from oenomel.store import ingredients, lots, preparations, shelf
from oenomel.store.lots import LotRecord

__all__ = ["crates_of", "on_hand_ml", "stock_of"]


def on_hand_ml(conn: sqlite3.Connection, open_lots: Iterable[LotRecord], ahead_h: float = 0.0) -> dict[str, float]:
    """Return the amount in lots that can still be poured some hours from now, [ml], by slug; lots without an amount don't count."""
    result: dict[str, float] = {}
    records = [open_lot for open_lot in open_lots if open_lot.left_ml is not None]
    known = ingredients.some(conn, {record.slug for record in records})
    for record in records:
        if not is_past_shelf_life(known[record.slug], hours_since(record.made_at) + ahead_h):
            result[record.slug] = result.get(record.slug, 0.0) + (record.left_ml or 0.0)
    return result


def crates_of(open_lots: Sequence[LotRecord]) -> dict[str, list[Pressing]]:
    """Return what was pressed from the crates in use, by the fruit's name."""
    crates: dict[str, list[Pressing]] = {}
    by_juice = {fruit.juice: name for name, fruit in FRUIT.items()}
    for lot in open_lots:
        if lot.slug in by_juice and lot.pieces and lot.volume_ml and hours_since(lot.made_at) <= CRATE_LASTS_H:
            crates.setdefault(by_juice[lot.slug], []).append(Pressing(lot.pieces, lot.volume_ml))
    return crates


def stock_of(conn: sqlite3.Connection, drinks: Iterable[Drink], ahead_h: float = 0.0) -> dict[str, Stock]:
    """Return the stock of what some drinks pour, some hours from now: in open lots, on the shelf, from preparations."""
    opened, shelved = on_hand_ml(conn, lots.open_lots(conn), ahead_h), shelf.all_shelved(conn)
    prepared_slugs = {preparation.slug for preparation in preparations.all_preparations(conn)}
    return {
        slug: Stock(opened.get(slug, 0.0), shelved[slug].state if slug in shelved else "", slug in prepared_slugs)
        for slug in {pour.ingredient.slug for drink in drinks for pour in drink.pours}
    }
