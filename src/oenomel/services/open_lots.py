"""Lots as the core takes them: the ingredient as it is in a lot, with its readings."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace
from datetime import UTC, datetime
from typing import TypeVar

from oenomel.core.larder import Ingredient, SourcedValue, composition_from_values
from oenomel.core.larder.ingredient import LABELS
from oenomel.core.lots import Lot
from oenomel.core.lots.lot import LotReading, lot_of
from oenomel.errors import ImpossibleMeasurement
from oenomel.moments import moment_of
from oenomel.schemas.requests.trial_conditions import MadeEntry
from oenomel.schemas.spec_file import PourEntry, SpecFile
from oenomel.schemas.spec_to_drink import TODAYS
from oenomel.store import ingredients, lots
from oenomel.store.lots import LotRecord, ReadingRecord

Key = TypeVar("Key")

__all__ = ["as_it_is", "as_kept", "assumed_ingredient", "hours_since", "lots_as_poured", "todays_lots", "with_lots_named"]


def assumed_ingredient(base: Ingredient, lot: LotRecord) -> Ingredient:
    """Return an ingredient's assumed values in a lot: as computed for a preparation, else as in the larder."""
    sourced_values = [SourcedValue(**load) for load in json.loads(lot.contents)]
    if not sourced_values:
        return base
    kept = {name: sourced_value for name, sourced_value in base.values.items() if name in LABELS}
    values = {**kept, **{sourced_value.name: sourced_value for sourced_value in sourced_values}}
    return replace(base, values=values, composition=composition_from_values(values, base.kind))


def as_it_is(base: Ingredient, lot: LotRecord, readings: Sequence[ReadingRecord]) -> Lot:
    """Return a lot with its readings applied; raises ImpossibleMeasurement."""
    adjusted = lot_of(
        assumed_ingredient(base, lot), [LotReading(reading.what, reading.value, reading.sd) for reading in readings], lot.name
    )
    return replace(adjusted, ingredient=replace(adjusted.ingredient, lot_hours=hours_since(lot.made_at)))


def as_kept(base: Ingredient, lot: LotRecord, readings: Sequence[ReadingRecord]) -> Lot:
    """Return a stored lot with its readings; without them where they contradict a larder changed since."""
    try:
        return as_it_is(base, lot, readings)
    except ImpossibleMeasurement as error:
        without = as_it_is(base, lot, [])
        return replace(without, notes=(f"Its readings contradict the ingredient and are ignored: {error}.",))


def todays_lots(conn: sqlite3.Connection, slugs: Iterable[str]) -> dict[str, tuple[LotRecord, Lot]]:
    """Return today's lot of each ingredient, where there is one."""
    return _with_readings(conn, lots.newest(conn, slugs))


def lots_as_poured(conn: sqlite3.Connection, named: Iterable[tuple[str, str]]) -> dict[tuple[str, str], Ingredient]:
    """Return ingredients as they are in the lots that pours name, by slug and lot; unknown lots are left out."""
    wanted = set(named)
    today = {slug for slug, word in wanted if word == TODAYS}
    result: dict[tuple[str, str], LotRecord] = dict(lots.of_names(conn, wanted - {(slug, TODAYS) for slug in today}))
    if today:
        result |= {(slug, TODAYS): lot for slug, lot in lots.newest(conn, today).items()}
    for slug, word in wanted - result.keys():
        # A lot may be named by its number too.
        numbered = lots.numbered(conn, int(word)) if word.isdecimal() and len(word) < 16 else None
        if numbered is not None and numbered.slug == slug:
            result[slug, word] = numbered
    return {key: lot.ingredient for key, (_, lot) in _with_readings(conn, result).items()}


def with_lots_named(conn: sqlite3.Connection, spec: SpecFile, entry: MadeEntry) -> tuple[SpecFile, MadeEntry]:
    """Return a trial with its lots by name instead of "today", and its circumstances with their values."""
    poured = [*spec.pours, *(entry.poured or ())]
    today = {pour.ingredient for pour in poured if isinstance(pour.ingredient, str) and pour.lot == TODAYS}
    names = {slug: lot.name for slug, lot in lots.newest(conn, today).items()} if today else {}

    def named(pours: list[PourEntry]) -> list[PourEntry]:
        return [
            pour.model_copy(update={"lot": names.get(pour.ingredient)}) if isinstance(pour.ingredient, str) and pour.lot == TODAYS else pour
            for pour in pours
        ]

    spec = spec.model_copy(update={"pours": named(spec.pours)})
    lot_names = {pour.ingredient: pour.lot for pour in named(poured) if isinstance(pour.ingredient, str) and pour.lot}
    changes: dict[str, object] = {} if entry.poured is None else {"poured": named(entry.poured)}
    if lot_names.keys() - entry.lots.keys():
        changes["lots"] = {**lot_names, **entry.lots}
    return spec, entry.model_copy(update=changes)


def hours_since(time: str) -> float:
    """Return the hours since a stored time, 0 for one in the future; raises NotAMoment."""
    return max(0.0, (datetime.now(UTC) - moment_of(time)).total_seconds() / 3600)


def _with_readings(conn: sqlite3.Connection, found: Mapping[Key, LotRecord]) -> dict[Key, tuple[LotRecord, Lot]]:
    readings = lots.readings_of(conn, (record.id for record in found.values()))
    bases = ingredients.some(conn, (record.slug for record in found.values()))
    return {key: (record, as_kept(bases[record.slug], record, readings.get(record.id, []))) for key, record in found.items()}
