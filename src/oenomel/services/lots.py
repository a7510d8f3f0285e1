"""Lots: added, changed, measured and finished."""

from __future__ import annotations

import sqlite3
from collections.abc import Callable, Sequence
from dataclasses import asdict, replace
from datetime import UTC, datetime, timedelta

from oenomel.core.balance import AXES
from oenomel.core.dilution import Conditions
from oenomel.core.larder import Ingredient, is_past_shelf_life
from oenomel.core.larder.fruit import Pressing, fruit_of, piece_yield
from oenomel.core.larder.shelf_life import shelf_life_h
from oenomel.core.lots import Lot
from oenomel.core.lots.lot import READABLE, hours_words, old_lot_words
from oenomel.core.lots.titration import Titrated, titrated_acid, titration_recipe
from oenomel.devices.bench_set import DEVICES, BenchSet
from oenomel.devices.hidden_truth import sample_of_lot
from oenomel.errors import DomainError, SpecError
from oenomel.moments import FIRST_YEAR, moment_of
from oenomel.schemas.base import Named, Plain
from oenomel.schemas.reports.lot_reports import DoubtOfDrink, LotDetail, LotReport, ReadingReport
from oenomel.schemas.routes.lots_models import LotChange, LotEntry, LotReadingEntry, LotReadRequest, TitrationEntry
from oenomel.schemas.spec_to_drink import TODAYS, composition_entry
from oenomel.services.open_lots import (
    as_it_is,
    as_kept,
    assumed_ingredient,
    hours_since,
)
from oenomel.services.revisions import check_was
from oenomel.services.todays_menu import surer_words, todays_list
from oenomel.store import ingredients, lots
from oenomel.store.clock import now
from oenomel.store.database import transaction
from oenomel.store.lots import LotRecord, ReadingRecord

NOT_YET: timedelta = timedelta(minutes=10)
"""How far another clock may be ahead of ours before its time counts as in the future."""


ReadIn = Callable[[Ingredient, LotRecord, Sequence[ReadingRecord]], Lot]
"""How readings are applied: strictly when one is written, leniently when they are only shown."""


def list_lots(conn: sqlite3.Connection, every: bool = False, ingredient: Plain = "") -> list[LotReport]:
    """List the open lots, newest first; with ``every`` the finished ones too."""
    records = lots.all_lots(conn) if every else lots.open_lots(conn)
    readings = lots.readings(conn)
    in_use = {record.id for record in lots.newest(conn, {lot.slug for lot in records}).values()}
    bases = ingredients.some(conn, {record.slug for record in records})
    return [
        _report(record, as_kept(bases[record.slug], record, readings.get(record.id, [])), readings.get(record.id, []), record.id in in_use)
        for record in reversed(records)
        if ingredient in ("", record.slug)
    ]


def add_lot(conn: sqlite3.Connection, body: LotEntry) -> LotReport:
    """Add a lot with its readings, and return the composition they give; refused as a whole where one is impossible."""
    with transaction(conn):
        made_at = checked_time(body.made_at, "made_at") if body.made_at else now()
        base = ingredients.some(conn, [body.ingredient]).get(body.ingredient)
        if base is None:
            raise SpecError("ingredient", f'"{body.ingredient}" isn\'t an ingredient')
        fruit = fruit_of(base.slug)
        if body.pieces is not None and body.volume_ml is not None and fruit is not None:
            piece_yield(fruit, [Pressing(body.pieces, body.volume_ml)])
        name = body.name or lots.unused_name(conn, base.slug, day_name(made_at))
        if name.casefold() == TODAYS:
            raise SpecError("name", f'"{TODAYS}" means the bottle in use: choose another name')
        record = LotRecord(base.slug, name, made_at, None, body.volume_ml, body.volume_ml, body.pieces)
        lot_id = lots.add(conn, record)
        for reading in body.readings:
            lots.add_reading(conn, ReadingRecord(lot_id, reading.what, reading.value, reading.sd, reading.device))
        return _lot_report(conn, lot_id, as_it_is)


def get_lot(conn: sqlite3.Connection, lot_id: int, conditions: Conditions) -> LotDetail:
    """Return one lot, its titration, and which forecasts its readings make more certain."""
    return _detail(conn, lot_id, conditions)


def change_lot(conn: sqlite3.Connection, lot_id: int, body: LotChange) -> LotReport:
    """Change what is left of a lot, its name, its time, or whether it is finished."""
    with transaction(conn):
        lot = lots.get(conn, lot_id)
        changes = body.model_dump(exclude_none=True, exclude={"used_up", "made_at", "was"})
        if body.made_at is not None:
            changes["made_at"] = checked_time(body.made_at, "made_at")
        if body.used_up is not None:
            changes["used_up_at"] = max(now(), str(changes.get("made_at", lot.made_at))) if body.used_up else None
        check_was(body.was, asdict(lot), changes, lot.name)
        lots.change(conn, replace(lot, **changes))
        return _lot_report(conn, lot_id)


def remove_lot(conn: sqlite3.Connection, lot_id: int) -> None:
    """Delete a lot that was added by mistake; refused where a trial was made with it."""
    with transaction(conn):
        lots.remove(conn, lot_id)


def add_lot_reading(conn: sqlite3.Connection, lot_id: int, body: LotReadingEntry) -> LotReport:
    """Save a reading of a lot; refused with a reason where it is impossible."""
    with transaction(conn):
        lots.add_reading(conn, ReadingRecord(lot_id, body.what, body.value, body.sd, body.device))
        return _lot_report(conn, lot_id, as_it_is)


def remove_lot_reading(conn: sqlite3.Connection, lot_id: int, reading_id: int) -> LotReport:
    """Delete a reading of a lot."""
    with transaction(conn):
        lots.remove_reading(conn, lot_id, reading_id)
        return _lot_report(conn, lot_id)


def work_out_titration(body: TitrationEntry) -> Titrated:
    """Compute the acid from a titration."""
    return titrated_acid(body.sample_ml, body.lye_ml, body.lye_mol_per_l)


def day_name(made_at: str) -> str:
    """Return the name of a lot without one: its day and hour by the local clock."""
    local = datetime.fromisoformat(made_at).astimezone()
    return f"{local.day} {local:%B}, {local:%H:%M}"


def checked_time(text: str, path: str) -> str:
    """Return a time as stored; raises SpecError where it is invalid or in the future."""
    try:
        time = datetime.fromisoformat(text).astimezone(UTC)
    except (ValueError, OverflowError) as error:
        raise SpecError(path, f'"{text}" isn\'t a time: enter one like 2026-11-27T09:30') from error
    if time.year < FIRST_YEAR:
        raise SpecError(path, f"correct the time: it is before {FIRST_YEAR}")
    if time > datetime.now(UTC) + NOT_YET:
        raise SpecError(path, "that is in the future: correct the time")
    return min(time, datetime.now(UTC)).isoformat(timespec="seconds")


def _lot_report(conn: sqlite3.Connection, lot_id: int, read_in: ReadIn = as_kept) -> LotReport:
    return _report(*_as_it_is(conn, lot_id, read_in))


def _as_it_is(conn: sqlite3.Connection, lot_id: int, read_in: ReadIn = as_kept) -> tuple[LotRecord, Lot, list[ReadingRecord], bool]:
    record = lots.get(conn, lot_id)
    readings = lots.readings_of(conn, [lot_id]).get(lot_id, [])
    read = read_in(ingredients.get(conn, record.slug), record, readings)
    newest = lots.newest(conn, [record.slug]).get(record.slug)
    return record, read, readings, newest is not None and newest.id == lot_id


def _report(record: LotRecord, lot: Lot, readings: list[ReadingRecord], in_use: bool) -> LotReport:
    return LotReport(**_fields(record, lot, readings, in_use))


def _fields(record: LotRecord, lot: Lot, readings: list[ReadingRecord], in_use: bool) -> dict[str, object]:
    hours = hours_since(record.made_at)
    lasts = shelf_life_h(lot.ingredient)
    moment = moment_of(record.made_at)
    same = ("id", "name", "made_at", "used_up_at", "volume_ml", "left_ml", "pieces")
    notes = list(lot.notes)
    if moment > datetime.now(UTC) + NOT_YET:
        notes.insert(0, "By this device's clock that is in the future. It counts as made just now.")
    if record.used_up_at is None and is_past_shelf_life(lot.ingredient, hours):
        notes.insert(0, old_lot_words(lot.ingredient, hours))
    return {
        **{name: getattr(record, name) for name in same},
        "ingredient": Named(slug=lot.ingredient.slug, name=lot.ingredient.name),
        "kind": lot.ingredient.kind,
        "hours": hours,
        "age": hours_words(hours),
        "past_its_day": is_past_shelf_life(lot.ingredient, hours),
        "use_by": (moment + timedelta(hours=lasts)).isoformat(timespec="seconds") if lasts else None,
        "cooked": bool(record.preparation),
        "in_use": in_use,
        "composition": composition_entry(lot.ingredient.composition),
        "brix": lot.ingredient.composition.brix,
        "figures": list(lot.figures),
        "readings": [ReadingReport.model_validate(reading) for reading in readings],
        "notes": notes,
    }


def _detail(conn: sqlite3.Connection, lot_id: int, conditions: Conditions) -> LotDetail:
    record, lot, readings, in_use = _as_it_is(conn, lot_id)
    today = todays_list(conn, conditions)
    axes = {"sugar": "brix", "acid": "acid", "abv": "abv"}
    read = {axis for axis, what in axes.items() if any(reading.what == what for reading in readings)}
    more_certain = []
    for drink in today.drinks:
        if in_use and any(pour.ingredient.slug == record.slug for pour in drink.today.present.drink.pours):
            for axis in AXES:
                if axis in read:
                    before, after = drink.today.half_widths(axis)
                    words = surer_words(axis, before, after)
                    if words:
                        fields = {"drink_id": drink.drink_id, "drink": drink.name, "axis": axis, "before": before, "after": after}
                        more_certain.append(DoubtOfDrink.model_validate(fields | {"words": words}))
    worth = [measurement.words for measurement in today.worth if measurement.slug == record.slug]
    made_by = "its recipe, by grams" if record.preparation else ""
    acid = lot.figures[2].prior
    return LotDetail(
        **_fields(record, lot, readings, in_use),
        titration=list(titration_recipe(acid)) if acid >= 0.2 else ["Too little acid here for a titration."],
        more_certain=more_certain,
        worth=worth,
        made_by=made_by,
    )


def read_lot(conn: sqlite3.Connection, bench: BenchSet, lot_id: int, device: str, body: LotReadRequest) -> LotReadingEntry:
    """Read a lot with a device without saving it. Simulated devices measure a hidden true lot."""
    chosen = bench.device(device, body.make)
    quantity = DEVICES[device].quantity
    if quantity not in (*READABLE, "lye_ml"):
        raise DomainError(f"a {device} can't measure this")
    lot = lots.get(conn, lot_id)
    base = assumed_ingredient(ingredients.get(conn, lot.slug), lot)
    if body.zero:
        chosen.zero()
    shown = chosen.read(sample_of_lot(base, lot.name))
    origin = f"{device}, {body.make}"
    if quantity == "lye_ml":
        titrated = titrated_acid(10.0, max(shown, 0.0))
        return LotReadingEntry(what="acid", value=titrated.acid, sd=titrated.sd, device=f"{origin}: {shown:g} ml lye")
    return LotReadingEntry.model_validate({"what": quantity, "value": shown, "device": origin})
