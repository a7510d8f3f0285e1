"""Loads the demo, the Orangery at Quillmere, through the same doors as a user's files."""

from __future__ import annotations

import json
import sqlite3
from contextlib import closing
from importlib import resources
from pathlib import Path
from typing import Any

from oenomel.core.catalogue import read_ingredients
from oenomel.core.prediction import predict
from oenomel.interchange.prediction_report import prediction_report
from oenomel.interchange.spec_drink import drink_from_spec
from oenomel.interchange.spec_file import parse_spec
from oenomel.store import database, drinks, ingredients, shelf

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
        elif not drinks.list_drinks(conn):
            _fill(conn)


def restore(conn: sqlite3.Connection) -> None:
    """Puts the demo back to how it was at first; what was made in it is gone."""
    drinks.remove_all(conn)
    shelf.remove_all(conn)
    ingredients.remove_of_the_house(conn)
    _fill(conn)


def _fill(conn: sqlite3.Connection) -> None:
    for ingredient in read_ingredients(_text("ingredients.toml"), origin="demo").values():
        ingredients.put(conn, ingredient)
    for slug, state, price in json.loads(_text("shelf.json")):
        shelf.put(conn, shelf.Shelved(slug, state, price))
    for entry in json.loads(_text("drinks.json")):
        _add_drink(conn, entry)


def _add_drink(conn: sqlite3.Connection, entry: dict[str, Any]) -> None:
    larder = ingredients.larder(conn)
    drink_id = drinks.add(conn, entry["name"], entry["trials"][0]["spec"]["family"], origin="demo")
    kept: list[int] = []
    for trial in entry["trials"]:
        text = json.dumps(trial["spec"], ensure_ascii=False)
        foreseen = prediction_report(predict(drink_from_spec(parse_spec(text), larder))).model_dump_json()
        kept.append(drinks.keep_trial(conn, drink_id, kept[0] if kept else None, trial["name"], trial["reason"], text, foreseen))
    if "draft" in entry:
        drinks.put_draft(conn, drink_id, kept[entry["draft"]["parent"] - 1], json.dumps(entry["draft"]["spec"], ensure_ascii=False), 0)


def _text(name: str) -> str:
    return (resources.files("oenomel.demo") / name).read_text(encoding="utf-8")
