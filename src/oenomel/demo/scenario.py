"""Loading the demo, the Orangery at Quillmere, by the import that users have."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Sequence
from contextlib import closing
from datetime import UTC, datetime, timedelta
from importlib import resources
from pathlib import Path
from typing import Final

from oenomel.core.larder import Shelved
from oenomel.core.larder.catalogue_loader import read_ingredients
from oenomel.formats.house_files import NamedText, house_of
from oenomel.schemas.house_file import BatchOfHouse, LotOfHouse
from oenomel.services.import_export.importer import take_in
from oenomel.store import (
    batches,
    book_search,
    database,
    drinks,
    events,
    ingredients,
    lots,
    menu_entries,
    preparations,
    sensory,
    shelf,
    tastings,
)

__all__ = ["prepare", "restore"]

SINCE_THE_LAST: Final = timedelta(minutes=30)
PARTY_HOUR: Final = 17


def prepare(data: Path, reset: bool = False) -> None:
    """Create the demo's data file, or reset it.

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


def reset(conn: sqlite3.Connection) -> None:
    """Reset the demo in a transaction of its own."""
    with database.transaction(conn):
        restore(conn)


def restore(conn: sqlite3.Connection) -> None:
    """Reset the demo; everything made in it is deleted."""
    batches.remove_all(conn)
    events.remove(conn)
    drinks.remove_all(conn)
    lots.remove_all(conn)
    preparations.remove_all(conn)
    menu_entries.remove_all(conn)
    tastings.remove_all(conn)
    sensory.remove_all(conn)
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
    moved = _moved_by(house.lots)
    changes: dict[str, object] = {
        "lots": [_lot_moved(lot, moved) for lot in house.lots],
        "batches": [_batch_moved(batch, moved) for batch in house.batches],
    }
    if house.evening is not None:
        changes["evening"] = house.evening.model_copy(update={"at": _tomorrow()})
    take_in(conn, house.model_copy(update=changes), {})


def _moved_by(lots: Sequence[LotOfHouse]) -> timedelta:
    """Return the shift of the demo's days that makes its last juice half an hour old, because today's list needs today's juice."""
    newest = max(datetime.fromisoformat(lot.made_at) for lot in lots)
    return datetime.now(UTC) - SINCE_THE_LAST - newest


def _later(time: str, by: timedelta) -> str:
    return (datetime.fromisoformat(time) + by).isoformat(timespec="seconds") if time else ""


def _lot_moved(lot: LotOfHouse, by: timedelta) -> LotOfHouse:
    readings = [reading.model_copy(update={"taken_at": _later(reading.taken_at, by)}) for reading in lot.readings]
    return lot.model_copy(update={"made_at": _later(lot.made_at, by), "readings": readings})


def _batch_moved(batch: BatchOfHouse, by: timedelta) -> BatchOfHouse:
    times = {name: _later(getattr(batch, name), by) for name in ("made_at", "use_by", "used_up_at")}
    log = [log_entry.model_copy(update={"at": _later(log_entry.at, by)}) for log_entry in batch.log]
    return batch.model_copy(update={**times, "log": log})


def _tomorrow() -> str:
    """Return the hour of the demo's garden party: five tomorrow afternoon, by the local clock."""
    at = (datetime.now().astimezone() + timedelta(days=1)).replace(hour=PARTY_HOUR, minute=0, second=0, microsecond=0)
    return at.astimezone(UTC).isoformat(timespec="seconds")


def _text(name: str) -> str:
    return (resources.files("oenomel.demo") / name).read_text(encoding="utf-8")
