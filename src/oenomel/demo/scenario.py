"""Loads the demo, the Orangery at Quillmere, through the same doors as a user's files."""

from __future__ import annotations

import json
import sqlite3
from contextlib import closing
from importlib import resources
from pathlib import Path
from typing import Any

from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.larder import Larder, Shelved, read_ingredients
from oenomel.core.notebook import Reading, water_found
from oenomel.interchange.reports.forecast import forecast_report
from oenomel.interchange.spec.drink import drink_from_spec
from oenomel.interchange.spec.file import parse_spec
from oenomel.store import book_search, briefs, database, drinks, ingredients, lineage, measurements, shelf, spec_clouds, tastings
from oenomel.store.measurements import MeasurementRecord
from oenomel.store.tastings import TastingRecord

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
    larder = ingredients.larder(conn)
    book: dict[str, list[int]] = {}
    for entry in json.loads(_text("drinks.json")):
        book[entry["name"]] = _add_drink(conn, entry, larder, book)


def _add_drink(conn: sqlite3.Connection, entry: dict[str, Any], larder: Larder, book: dict[str, list[int]]) -> list[int]:
    """Adds a drink with its notebook; ``book`` holds the trials of those before it, from which it may descend."""
    drink_id = drinks.add(conn, entry["name"], entry["trials"][0]["spec"]["family"], origin="demo")
    kept: list[int] = []
    for trial in entry["trials"]:
        text = json.dumps(trial["spec"], ensure_ascii=False)
        forecast = forecast_of(drink_from_spec(parse_spec(text), larder))
        parent = kept[trial.get("parent", 1) - 1] if kept else None
        as_json, made = forecast_report(forecast).model_dump_json(), json.dumps(trial.get("made", {}), ensure_ascii=False)
        kept.append(drinks.keep_trial(conn, drink_id, parent, trial["name"], trial["reason"], text, as_json, made))
        lineage.add_parents(conn, kept[-1], [book[name][number - 1] for name, number in trial.get("parents", [])])
        _note(conn, drink_id, kept[-1], trial, forecast)
    if "brief" in entry:
        briefs.put(conn, drink_id, json.dumps(entry["brief"], ensure_ascii=False))
    for each in entry.get("gathered", []):
        spec_clouds.add(conn, drink_id, each["name"], json.dumps(each["spec"], ensure_ascii=False))
    if "draft" in entry:
        drinks.put_draft(conn, drink_id, kept[entry["draft"]["parent"] - 1], json.dumps(entry["draft"]["spec"], ensure_ascii=False), 0)
    return kept


def _note(conn: sqlite3.Connection, drink_id: int, trial_id: int, trial: dict[str, Any], forecast: Forecast) -> None:
    """What was said and measured of a trial."""
    for sheet in trial.get("sheets", []):
        words = json.dumps(sheet["words"], ensure_ascii=False)
        tastings.add(conn, TastingRecord(trial_id, **{**sheet, "words": words}))
    for reading in trial.get("readings", []):
        measurements.add(conn, MeasurementRecord(trial_id, **reading))
    found = water_found([Reading(r["quantity"], r["point"], r["value"]) for r in trial.get("readings", [])], forecast)
    if found is not None:
        measurements.put_water(conn, trial_id, forecast.drink.method.technique, found.ratio, found.how)
    if trial.get("mark"):
        lineage.mark(conn, drink_id, trial_id, trial["mark"])


def _text(name: str) -> str:
    return (resources.files("oenomel.demo") / name).read_text(encoding="utf-8")
