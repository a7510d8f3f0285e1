"""Loads the demo, the Orangery at Quillmere, through the same doors as a user's files."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Sequence
from contextlib import closing
from datetime import UTC, datetime, timedelta
from importlib import resources
from pathlib import Path
from typing import Final

from oenomel.carrying.take_in import take_in
from oenomel.core.larder import Shelved, read_ingredients
from oenomel.interchange.house.file import LotOfHouse
from oenomel.interchange.house.reading import NamedText, house_of
from oenomel.store import book_search, database, drinks, ingredients, lots, preparations, shelf, tastings, tonight

__all__ = ["prepare", "restore"]

SINCE_THE_LAST: Final = timedelta(minutes=30)


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
    lots.remove_all(conn)
    preparations.remove_all(conn)
    tonight.remove_all(conn)
    tastings.remove_all(conn)
    shelf.remove_all(conn)
    ingredients.remove_amendments(conn)
    ingredients.forget_changes(conn)
    ingredients.remove_of_the_house(conn)
    _fill(conn)


def _fill(conn: sqlite3.Connection) -> None:
    for ingredient in read_ingredients(_text("ingredients.toml"), origin="demo").values():
        ingredients.put(conn, ingredient)
    for slug, state, price in json.loads(_text("shelf.json")):
        shelf.put(conn, Shelved(slug, state, price))
    text = NamedText("the demo", _text("house.json"))
    house = house_of([text], ingredients.names(conn), ingredients.larder(conn).__getitem__)
    take_in(conn, house.model_copy(update={"lots": _of_today(house.lots)}), {})


def _of_today(lots: Sequence[LotOfHouse]) -> list[LotOfHouse]:
    """The demo's lots as if its last squeeze were half an hour old: a list of today needs juice of today."""
    newest = max(datetime.fromisoformat(each.made_at) for each in lots)
    later = datetime.now(UTC) - SINCE_THE_LAST - newest

    def moved(time: str) -> str:
        return (datetime.fromisoformat(time) + later).isoformat(timespec="seconds")

    return [
        each.model_copy(
            update={
                "made_at": moved(each.made_at),
                "readings": [reading.model_copy(update={"taken_at": moved(reading.taken_at)}) for reading in each.readings],
            }
        )
        for each in lots
    ]


def _text(name: str) -> str:
    return (resources.files("oenomel.demo") / name).read_text(encoding="utf-8")
