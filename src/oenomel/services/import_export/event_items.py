"""Export and import of batches and the event plan."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Mapping
from typing import Any

from oenomel.core.wording import counted
from oenomel.errors import DomainError, OenomelError, SpecError
from oenomel.schemas.house_file import BatchOfHouse, EveningOfHouse, HouseFile
from oenomel.schemas.import_items import Choice, Item, Side
from oenomel.schemas.requests.batch_requests import EveningDrinkEntry, EveningEntry
from oenomel.schemas.spec_file import InlineIngredient
from oenomel.schemas.spec_to_drink import inline_ingredient
from oenomel.services.import_export.drink_ids import ids_of_book
from oenomel.store import batches, events, ingredients
from oenomel.store.batches import BatchRecord, LogRecord

__all__ = ["gather_evening", "look_at_evening", "take_evening"]

_TOLD = ("name", "made_at", "made_by", "use_by", "serve_ml", "volume_ml", "left_ml", "container_ml", "older_ml", "note", "origin")
_TEXTS = ("spec", "wish", "poured", "contents", "recipe", "label")


def gather_evening(conn: sqlite3.Connection) -> dict[str, Any]:
    """Export batches and the event plan; empty lists are left out."""
    ids = {drink_id: name for name, drink_id in ids_of_book(conn).items()}
    every = batches.all_batches(conn)
    names = {record.id: record.name for record in every}
    gathered: dict[str, Any] = {"batches": [_batch(conn, record, ids, names) for record in every]}
    content = events.get(conn)
    if content is not None:
        entry = EveningEntry.model_validate_json(content)
        gathered["evening"] = {
            "name": entry.name,
            "at": entry.at,
            "hands": entry.hands,
            "drinks": [
                {
                    "drink": ids[drink.drink_id],
                    "serves": drink.serves,
                    "service": drink.service,
                    "batch": names.get(drink.batch_id or 0, ""),
                    "container_ml": drink.container_ml,
                }
                for drink in entry.drinks
                if drink.drink_id in ids
            ],
            "ticks": events.ticked(conn),
        }
    return {name: value for name, value in gathered.items() if value}


def look_at_evening(conn: sqlite3.Connection, house: HouseFile) -> list[Item]:
    """Compare batches and the event plan with the bar's."""
    items = []
    if house.batches:
        mine = {batch.name for batch in batches.all_batches(conn)}
        new = [batch_entry for batch_entry in house.batches if batch_entry.name not in mine]
        words = f"{counted(len(new), 'batch').replace('batchs', 'batches')} with their history." if new else "No difference."
        items.append(Item("batches", "batches", "Batches", "new" if new else "same", words))
    if house.evening is not None:
        here = gather_evening(conn).get("evening")
        name = house.evening.name
        if here is None:
            items.append(Item("evening", "evening", name, "new", "The coming event."))
        elif EveningOfHouse.model_validate(here).model_dump() == house.evening.model_dump():
            items.append(Item("evening", "evening", name, "same", "No difference."))
        else:
            sides = (Side("evening", f"{here['name']}, {here['at']}", f"{name}, {house.evening.at}"),)
            items.append(Item("evening", "evening", name, "differs", "Another event is planned here.", ("leave", "take"), sides))
    return items


def take_evening(conn: sqlite3.Connection, house: HouseFile, drink_ids: Mapping[str, int], chosen: Mapping[str, Choice]) -> None:
    """Import batches and the event plan as chosen; raises SpecError that names what is impossible. A batch that exists stays unchanged."""
    ids = {record.name: record.id for record in batches.all_batches(conn)}
    for batch in house.batches:
        if batch.name not in ids:
            ids[batch.name] = _add(conn, batch, drink_ids, ids)
    evening = house.evening
    if evening is None or (events.get(conn) is not None and chosen.get("evening") != "take"):
        return
    entries = []
    for drink in evening.drinks:
        if drink.drink not in drink_ids:
            raise SpecError(f"evening, {evening.name}", f'there is no drink "{drink.drink}" in the file or in Recipes')
        batch_id = ids.get(drink.batch) if drink.batch else None
        entries.append(
            EveningDrinkEntry(
                drink_id=drink_ids[drink.drink],
                serves=drink.serves,
                service=drink.service,
                batch_id=batch_id,
                container_ml=drink.container_ml,
            )
        )
    events.remove(conn)
    events.put(conn, EveningEntry(name=evening.name, at=evening.at, hands=evening.hands, drinks=entries).model_dump_json())
    for key, at in evening.ticks.items():
        events.tick(conn, key, done=True, at=at)


def _batch(conn: sqlite3.Connection, record: BatchRecord, ids: Mapping[int, str], names: Mapping[int, str]) -> dict[str, Any]:
    entry: dict[str, Any] = {"drink": ids[record.drink_id], **{name: getattr(record, name) for name in _TOLD}}
    entry |= {name: json.loads(getattr(record, name)) for name in _TEXTS}
    if record.used_up_at is not None:
        entry["used_up_at"] = record.used_up_at
    if record.older_id is not None:
        entry["older"] = names[record.older_id]
    entry["wood"] = bool(record.wood)
    entry["log"] = [
        {"at": log_record.at, "kind": log_record.kind, "words": log_record.words} for log_record in batches.log(conn, record.id)
    ]
    return entry


def _add(conn: sqlite3.Connection, batch: BatchOfHouse, drink_ids: Mapping[str, int], ids: Mapping[str, int]) -> int:
    location = f"batches, {batch.name}"
    if batch.drink not in drink_ids:
        raise SpecError(location, f'there is no drink "{batch.drink}" in the file or in Recipes')
    if batch.older and batch.older not in ids:
        raise SpecError(location, f'"{batch.older}", which it refilled, isn\'t among the batches before it')
    _check_pours(conn, batch, location)
    values: dict[str, Any] = {name: getattr(batch, name) for name in _TOLD}
    texts: dict[str, Any] = {
        "spec": batch.spec.model_dump_json(exclude_unset=True),
        "wish": batch.wish.model_dump_json(),
        "poured": json.dumps([entry.model_dump(mode="json", exclude_unset=True) for entry in batch.poured]),
        "contents": batch.contents.model_dump_json(exclude_unset=True),
        "recipe": batch.recipe.model_dump_json(),
        "label": batch.label.model_dump_json(),
    }
    record = BatchRecord(
        **values,
        **texts,
        drink_id=drink_ids[batch.drink],
        used_up_at=batch.used_up_at or None,
        older_id=ids[batch.older] if batch.older else None,
        wood=int(batch.wood),
    )
    try:
        batch_id = batches.add(conn, record)
    except OenomelError as error:
        raise SpecError(location, str(error)) from error
    for log_entry in batch.log:
        batches.note(conn, LogRecord(batch_id, log_entry.kind, log_entry.words, log_entry.at))
    return batch_id


def _check_pours(conn: sqlite3.Connection, batch: BatchOfHouse, location: str) -> None:
    """Raise where a batch is impossible, or pours an unknown ingredient; the message names it."""
    slugs = {poured.ingredient for poured in batch.poured if isinstance(poured.ingredient, str)}
    unknown = sorted(slugs - ingredients.some(conn, slugs).keys())
    if unknown:
        raise SpecError(f"{location}: poured", f'"{unknown[0]}" isn\'t an ingredient here or in the file')
    try:
        inline_ingredient(InlineIngredient(name=batch.name, kind="other", composition=batch.contents))
        for entry in batch.poured:
            if isinstance(entry.ingredient, InlineIngredient):
                inline_ingredient(entry.ingredient)
    except DomainError as error:
        raise SpecError(location, str(error)) from error
