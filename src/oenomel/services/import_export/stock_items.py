"""Export and import of stock: corrected values, preparations, lots, pars and prices."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Mapping
from dataclasses import asdict, replace
from typing import Any

from oenomel.core.larder import SourcedValue, known_by
from oenomel.core.preparations import Outcome, prepared
from oenomel.core.wording import counted
from oenomel.errors import OenomelError, SpecError
from oenomel.schemas.house_file import HouseFile, LotOfHouse, StockOfHouse, ValueEntry
from oenomel.schemas.import_items import Choice, Item, Side
from oenomel.schemas.preparation_file import PreparationFile, preparation_of
from oenomel.store import ingredients, lots, menu_entries, preparations
from oenomel.store.lots import LotRecord, ReadingRecord
from oenomel.store.preparations import PreparationRecord

__all__ = ["gather_stock", "look_at_stock", "take_stock"]


def gather_stock(conn: sqlite3.Connection) -> dict[str, Any]:
    """Export all of it; empty lists are left out."""
    readings = lots.readings(conn)
    content: dict[str, Any] = {
        "changed": [
            {"slug": slug, "values": [asdict(sourced_value) for _, sourced_value in sorted(values.items())]}
            for slug, values in ingredients.house_values(conn).items()
        ],
        "retired": sorted(ingredients.retired(conn)),
        "preparations": [
            {"makes": preparation.slug, "file": json.loads(preparation.content), "origin": preparation.origin}
            for preparation in preparations.all_preparations(conn)
        ],
        "lots": [_lot(lot, readings.get(lot.id, [])) for lot in lots.all_lots(conn)],
        "stock": _stock(conn),
    }
    return {name: value for name, value in content.items() if value}


def look_at_stock(conn: sqlite3.Connection, house: HouseFile) -> list[Item]:
    """Compare each item with the bar's."""
    here = HouseFile.model_validate(gather_stock(conn))
    items = [*_values_item(here, house), *_preparation_items(here, house), *_lot_items(here, house)]
    if house.stock is not None:
        items.append(_stock_item(here.stock, house.stock))
    return items


def take_stock(conn: sqlite3.Connection, house: HouseFile, items: Mapping[str, Item], chosen: Mapping[str, Choice]) -> None:
    """Import as chosen; raises SpecError that names what is impossible."""
    known = ingredients.larder(conn)
    here = ingredients.house_values(conn)
    for entry in house.changed:
        if entry.slug in known and (entry.slug not in here or chosen.get("changed") == "take"):
            ingredients.set_right(
                conn, entry.slug, [SourcedValue(**value.model_dump()) for value in entry.values], here.get(entry.slug, {})
            )
    for slug in house.retired:
        if slug in known:
            ingredients.retire(conn, slug, gone=True)
    for preparation in house.preparations:
        key = f"preparation {preparation.makes}"
        if items[key].state == "new" or chosen[key] == "take":
            content = preparation.file.model_dump_json(exclude_unset=True)
            if preparation.makes not in known:
                ingredients.put(conn, _outcome_of(conn, preparation.file, preparation.makes).ingredient(preparation.makes))
            preparations.put(conn, PreparationRecord(preparation.makes, content, preparation.origin))
    kept = {(record.slug, record.name) for record in lots.all_lots(conn)}
    for lot in house.lots:
        if (lot.slug, lot.name) not in kept:
            _add_lot(conn, lot)
    if house.stock is not None and (items["stock"].state == "new" or chosen["stock"] == "take"):
        _put_stock(conn, house.stock)


def _lot(lot: LotRecord, readings: list[ReadingRecord]) -> dict[str, Any]:
    entry: dict[str, Any] = {"slug": lot.slug, "name": lot.name, "made_at": lot.made_at}
    entry |= {name: value for name in ("used_up_at", "volume_ml", "left_ml", "pieces") if (value := getattr(lot, name)) is not None}
    if lot.preparation:
        entry |= {"preparation": json.loads(lot.preparation), "contents": json.loads(lot.contents)}
    if readings:
        entry["readings"] = [
            {name: value for name in ("what", "value", "sd", "device", "taken_at") if (value := getattr(reading, name)) is not None}
            for reading in readings
        ]
    return entry | {"origin": lot.origin}


def _stock(conn: sqlite3.Connection) -> dict[str, Any]:
    content: dict[str, Any] = {
        "currency": menu_entries.currency(conn),
        "pars": [{"slug": slug, "par_ml": par} for slug, par in menu_entries.pars(conn).items()],
        "good_prices": [{"slug": slug, "price_per_kg": price} for slug, price in menu_entries.good_prices(conn).items()],
    }
    return {name: value for name, value in content.items() if value}


def _values_item(here: HouseFile, comes: HouseFile) -> list[Item]:
    if not comes.changed and not comes.retired:
        return []
    mine = {entry.slug: _figures(entry.values) for entry in here.changed}
    sides = [
        Side(entry.slug, mine[entry.slug], _figures(entry.values))
        for entry in comes.changed
        if entry.slug in mine and mine[entry.slug] != _figures(entry.values)
    ]
    if sides:
        words = f"{counted(len(sides), 'ingredient')} corrected differently here."
        return [Item("changed", "larder", "Corrected values", "differs", words, ("leave", "take"), tuple(sides))]
    new = [entry for entry in comes.changed if entry.slug not in mine] or set(comes.retired) - set(here.retired)
    words = "Corrected values and hidden ingredients." if new else "No difference."
    return [Item("changed", "larder", "Corrected values", "new" if new else "same", words)]


def _figures(values: list[ValueEntry]) -> str:
    return ", ".join(f"{value.name} {value.value:g}" for value in sorted(values, key=lambda each: each.name))


def _preparation_items(here: HouseFile, comes: HouseFile) -> list[Item]:
    mine = {entry.makes: entry.file for entry in here.preparations}
    items = []
    for preparation in comes.preparations:
        key, name = f"preparation {preparation.makes}", preparation.file.name
        if preparation.makes not in mine:
            items.append(Item(key, "recipe", name, "new", "Not in Prep yet."))
        elif mine[preparation.makes].model_dump() == preparation.file.model_dump():
            items.append(Item(key, "recipe", name, "same", "No difference."))
        else:
            sides = (Side("ingredients", _lines(mine[preparation.makes]), _lines(preparation.file)),)
            words = "The recipe is different here. Batches already made don't change."
            items.append(Item(key, "recipe", name, "differs", words, ("leave", "take"), sides))
    return items


def _lines(file: PreparationFile) -> str:
    return ", ".join(f"{line.amount} {line.unit} {line.called}" for line in file.lines)


def _lot_items(here: HouseFile, comes: HouseFile) -> list[Item]:
    if not comes.lots:
        return []
    mine = {(lot.slug, lot.name) for lot in here.lots}
    new = [entry for entry in comes.lots if (entry.slug, entry.name) not in mine]
    words = f"{counted(len(new), 'lot')} with their readings." if new else "No difference."
    return [Item("lots", "lots", "Open bottles and juice", "new" if new else "same", words)]


def _stock_item(here: StockOfHouse | None, comes: StockOfHouse) -> Item:
    name = "Pars, prices of dry goods, currency"
    if here is None:
        return Item("stock", "stock", name, "new", "Pars, prices and currency.")
    if here.model_dump() == comes.model_dump():
        return Item("stock", "stock", name, "same", "No difference.")
    sides = tuple(Side(part, _shown(here, part), _shown(comes, part)) for part in ("currency", "pars", "good_prices"))
    return Item("stock", "stock", name, "differs", "Different here.", ("leave", "take"), tuple(s for s in sides if s.here != s.comes))


def _shown(stock: StockOfHouse, part: str) -> str:
    value = getattr(stock, part)
    return (
        value or "nothing"
        if isinstance(value, str)
        else ", ".join(" ".join(map(str, item.model_dump().values())) for item in value) or "nothing"
    )


def _add_lot(conn: sqlite3.Connection, lot: LotOfHouse) -> None:
    location = f"lots, {lot.name}"
    contents = [content.model_dump() for content in lot.contents]
    try:
        if lot.preparation is not None and not contents:
            outcome = _outcome_of(conn, lot.preparation, lot.slug)
            contents = [asdict(value) for value in outcome.ingredient(lot.slug).values.values()]
            sizes = {"volume_ml": lot.volume_ml or outcome.yield_ml, "left_ml": outcome.yield_ml if lot.left_ml is None else lot.left_ml}
            lot = lot.model_copy(update=sizes)
        record = LotRecord(lot.slug, lot.name, lot.made_at, lot.used_up_at or None, origin=lot.origin)
        text = lot.preparation.model_dump_json(exclude_unset=True) if lot.preparation else ""
        record = replace(
            record, volume_ml=lot.volume_ml, left_ml=lot.left_ml, pieces=lot.pieces, preparation=text, contents=json.dumps(contents)
        )
        lot_id = lots.add(conn, record)
        for reading in lot.readings:
            lots.add_reading(conn, ReadingRecord(lot_id, reading.what, reading.value, reading.sd, reading.device, reading.taken_at))
    except SpecError:
        raise
    except OenomelError as error:
        raise SpecError(location, str(error)) from error


def _outcome_of(conn: sqlite3.Connection, file: PreparationFile, makes: str) -> Outcome:
    """Return the outcome of a preparation; raises SpecError that names it where it is impossible."""
    try:
        return prepared(preparation_of(file, known_by(ingredients.names(conn), ingredients.larder(conn)), makes))
    except OenomelError as error:
        raise SpecError(f"preparations, {file.name}", str(error)) from error


def _put_stock(conn: sqlite3.Connection, stock: StockOfHouse) -> None:
    if stock.currency:
        menu_entries.put_currency(conn, stock.currency)
    for par in stock.pars:
        menu_entries.put_par(conn, par.slug, par.par_ml)
    for price in stock.good_prices:
        menu_entries.put_good_price(conn, price.slug, price.price_per_kg)
