"""Loads the demo, the Orangery at Quillmere, through the same doors as a user's files."""

from __future__ import annotations

import json
import sqlite3
from contextlib import closing
from importlib import resources
from pathlib import Path

from oenomel.carrying.take_in import take_in
from oenomel.core.larder import Shelved, read_ingredients
from oenomel.interchange.house.reading import NamedText, house_of
from oenomel.store import book_search, database, drinks, ingredients, shelf, tastings

__all__ = ["prepare", "restore"]


def prepare(data: Path, reset: bool = False) -> None:
    """Makes the demo's data file where there is none yet, or puts it back to how it was at first.

    Raises
    ------
    StoreError
    """
    database.prepare(data)
    with closing(database.connect(data)) as conn, database.transaction(conn):
        if reset:
            restore(conn)
        elif not book_search.find(conn, book_search.Wanted(), most=1):
            _fill(conn)


def restore(conn: sqlite3.Connection) -> None:
    """Puts the demo back to how it was at first; what was made in it is gone."""
    drinks.remove_all(conn)
    tastings.remove_all(conn)
    shelf.remove_all(conn)
    ingredients.remove_amendments(conn)
    ingredients.remove_of_the_house(conn)
    _fill(conn)


def _fill(conn: sqlite3.Connection) -> None:
    for ingredient in read_ingredients(_text("ingredients.toml"), origin="demo").values():
        ingredients.put(conn, ingredient)
    for slug, state, price in json.loads(_text("shelf.json")):
        shelf.put(conn, Shelved(slug, state, price))
    text = NamedText("the demo", _text("house.json"))
    take_in(conn, house_of([text], ingredients.names(conn), ingredients.larder(conn).__getitem__), {})


def _text(name: str) -> str:
    return (resources.files("oenomel.demo") / name).read_text(encoding="utf-8")
