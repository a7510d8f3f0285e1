"""Price and expected serves of drinks, pars of ingredients, prices of dry goods, the currency."""

from __future__ import annotations

import sqlite3
from dataclasses import dataclass

from oenomel.errors import DomainError, OutOfRange
from oenomel.store import drinks, ingredients

__all__ = [
    "OnTheList", "currency", "good_prices", "listed", "pars", "put_currency", "put_good_price", "put_on_the_list", "put_par", "remove_all",
]  # fmt: skip

SELECT_LISTED = "SELECT drink_id, price, serves FROM on_the_list"
UPSERT_LISTED = """
INSERT INTO on_the_list (drink_id, price, serves) VALUES (:drink_id, :price, :serves)
ON CONFLICT (drink_id) DO UPDATE SET price = excluded.price, serves = excluded.serves
"""
SELECT_PARS = "SELECT slug, par_ml FROM par ORDER BY slug"
UPSERT_PAR = "INSERT INTO par (slug, par_ml) VALUES (:slug, :par_ml) ON CONFLICT (slug) DO UPDATE SET par_ml = excluded.par_ml"
DELETE_PAR = "DELETE FROM par WHERE slug = :slug"
SELECT_GOOD_PRICES = "SELECT slug, price_per_kg FROM good_price ORDER BY slug"
UPSERT_GOOD_PRICE = """
INSERT INTO good_price (slug, price_per_kg) VALUES (:slug, :price_per_kg)
ON CONFLICT (slug) DO UPDATE SET price_per_kg = excluded.price_per_kg
"""
DELETE_GOOD_PRICE = "DELETE FROM good_price WHERE slug = :slug"
SELECT_CURRENCY = "SELECT value FROM house_setting WHERE name = 'currency'"
UPSERT_CURRENCY = """
INSERT INTO house_setting (name, value) VALUES ('currency', :value) ON CONFLICT (name) DO UPDATE SET value = excluded.value
"""
DELETE_EACH = ("DELETE FROM on_the_list", "DELETE FROM par", "DELETE FROM good_price", "DELETE FROM house_setting")

MOST = 1_000_000.0


@dataclass(frozen=True, slots=True)
class OnTheList:
    """Price of a drink, and the number expected tonight; None where unknown."""

    drink_id: int
    price: float | None
    serves: int | None


def listed(conn: sqlite3.Connection) -> dict[int, OnTheList]:
    """Return prices and expected serves, by drink."""
    return {row["drink_id"]: OnTheList(**row) for row in conn.execute(SELECT_LISTED)}


def put_on_the_list(conn: sqlite3.Connection, entry: OnTheList) -> None:
    """Save a drink's price and expected serves; raises RecordNotFound, DomainError."""
    drinks.get(conn, entry.drink_id)
    if entry.price is not None and not 0 < entry.price <= MOST:
        raise DomainError("a price can't be 0: leave it empty if you don't know it")
    conn.execute(UPSERT_LISTED, {"drink_id": entry.drink_id, "price": entry.price, "serves": entry.serves})


def pars(conn: sqlite3.Connection) -> dict[str, float]:
    """Return the pars, [ml], by slug."""
    return {row["slug"]: row["par_ml"] for row in conn.execute(SELECT_PARS)}


def put_par(conn: sqlite3.Connection, slug: str, par_ml: float | None) -> None:
    """Save the par of an ingredient; None deletes it. Raises RecordNotFound, OutOfRange."""
    ingredients.get(conn, slug)
    if par_ml is None:
        conn.execute(DELETE_PAR, {"slug": slug})
    elif not 0 < par_ml <= MOST:
        raise OutOfRange("the par in ml", par_ml, 1, MOST)
    else:
        conn.execute(UPSERT_PAR, {"slug": slug, "par_ml": par_ml})


def good_prices(conn: sqlite3.Connection) -> dict[str, float]:
    """Return the prices of dry goods per kilogram, by slug of the good."""
    return {row["slug"]: row["price_per_kg"] for row in conn.execute(SELECT_GOOD_PRICES)}


def put_good_price(conn: sqlite3.Connection, slug: str, price_per_kg: float | None) -> None:
    """Save the price of a good per kilogram; None deletes it. Raises DomainError."""
    if price_per_kg is None:
        conn.execute(DELETE_GOOD_PRICE, {"slug": slug})
    elif not 0 < price_per_kg <= MOST:
        raise DomainError("a price can't be 0: leave it empty if you don't know it")
    else:
        conn.execute(UPSERT_GOOD_PRICE, {"slug": slug, "price_per_kg": price_per_kg})


def currency(conn: sqlite3.Connection) -> str:
    """Return the currency; empty where none was set."""
    row = conn.execute(SELECT_CURRENCY).fetchone()
    return str(row["value"]) if row else ""


def put_currency(conn: sqlite3.Connection, sign: str) -> None:
    """Save the currency."""
    conn.execute(UPSERT_CURRENCY, {"value": sign})


def remove_all(conn: sqlite3.Connection) -> None:
    """Delete all of it."""
    for statement in DELETE_EACH:
        conn.execute(statement)
