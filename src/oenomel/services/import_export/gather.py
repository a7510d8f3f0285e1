"""Export: a data file's contents as one house file."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterable, Sequence
from typing import Any

from oenomel.schemas.house_file import DrinkEntry, HouseFile, IngredientEntry
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import slugs_of
from oenomel.services.import_export.drink_ids import ids_of_book
from oenomel.services.import_export.event_items import gather_evening
from oenomel.services.import_export.sensory_items import gather_tongues
from oenomel.services.import_export.stock_items import gather_stock
from oenomel.store import briefs, drinks, ingredients, lineage, measurements, menu_entries, originals, shelf, spec_clouds, tastings
from oenomel.store.drinks import TrialRecord
from oenomel.store.menu_entries import OnTheList

__all__ = ["drinks_as_json", "gather_drinks", "gather_house", "latest_specs"]


def gather_house(conn: sqlite3.Connection) -> HouseFile:
    """Return everything the bar has."""
    own = [ingredient for ingredient in ingredients.larder(conn).values() if ingredient.origin != "catalogue"]
    return HouseFile.model_validate(
        {
            "format": "oenomel/house",
            "version": 1,
            "ingredients": [IngredientEntry.of(ingredient) for ingredient in sorted(own, key=lambda each: each.slug)],
            "amended": [
                {"slug": slug, "aroma": aroma, "impression": impression} for slug, aroma, impression in ingredients.amendments(conn)
            ],
            "shelf": [
                {
                    "slug": slug,
                    "state": shelved.state,
                    **({} if shelved.price_per_litre is None else {"price_per_litre": shelved.price_per_litre}),
                }
                for slug, shelved in shelf.all_shelved(conn).items()
            ],
            "parts": [
                {
                    "slug": part.slug,
                    "taster": part.taster,
                    "words": json.loads(part.words),
                    "amended": part.amended,
                    "tasted_at": part.tasted_at,
                }
                for part in tastings.all_parts(conn)
            ],
            **gather_stock(conn),
            "palates": [{"taster": taster, "since": since} for taster, since in tastings.resets(conn)],
            **_kinship(conn),
            "drinks": _entries(conn, list(ids_of_book(conn).values())),
            **gather_evening(conn),
            **gather_tongues(conn),
        }
    )


def _kinship(conn: sqlite3.Connection) -> dict[str, Any]:
    rows = [{"one": min(pair), "other": max(pair), "value": value} for pair, value in originals.kinship(conn).items()]
    return {"kinship": rows} if rows else {}


def gather_drinks(conn: sqlite3.Connection, drink_ids: Sequence[int]) -> HouseFile:
    """Return some drinks in full, and the bar's own ingredients that they pour; raises RecordNotFound."""
    entries = _entries(conn, drink_ids)
    specs = [trial.spec for entry in entries for trial in entry.trials]
    specs += [cloud.spec for entry in entries for cloud in entry.gathered]
    specs += [entry.draft.spec for entry in entries if entry.draft is not None]
    poured = slugs_of(*specs)
    own = [ingredient for ingredient in ingredients.some(conn, poured).values() if ingredient.origin != "catalogue"]
    own_entries = [IngredientEntry.of(ingredient) for ingredient in sorted(own, key=lambda each: each.slug)]
    return HouseFile.model_validate({"format": "oenomel/house", "version": 1, "ingredients": own_entries, "drinks": entries})


def latest_specs(conn: sqlite3.Connection, drink_ids: Iterable[int]) -> list[tuple[str, SpecFile, str]]:
    """Return for some drinks their keys in a file, newest trials and notes, the oldest drink first."""
    ids = {drink_id: name for name, drink_id in ids_of_book(conn).items()}
    newest = drinks.latest_trials(conn, list(drink_ids))
    return [
        (ids[drink_id], SpecFile.model_validate_json(newest[drink_id].spec), drinks.get(conn, drink_id).notes)
        for drink_id in sorted(newest)
    ]


def drinks_as_json(conn: sqlite3.Connection, drink_ids: Sequence[int]) -> list[dict[str, Any]]:
    """Return some drinks as JSON objects of a house file."""
    # Read for all drinks at once.
    ids = {drink_id: name for name, drink_id in ids_of_book(conn).items()}
    wishes, listed = originals.wishes(conn), menu_entries.listed(conn)
    return [_drink(conn, drink_id, ids, wishes.get(drink_id), listed.get(drink_id)) for drink_id in drink_ids]


def _entries(conn: sqlite3.Connection, drink_ids: Sequence[int]) -> list[DrinkEntry]:
    return [DrinkEntry.model_validate(drink) for drink in drinks_as_json(conn, drink_ids)]


def _drink(conn: sqlite3.Connection, drink_id: int, ids: dict[int, str], wish: str | None, listed: OnTheList | None) -> dict[str, Any]:
    record, kept = drinks.get(conn, drink_id), drinks.trials(conn, drink_id)
    numbers = {trial.id: trial.number for trial in kept}
    entry: dict[str, Any] = {"id": ids[drink_id], "name": record.name, "origin": record.origin, "created_at": record.created_at}
    if wish is not None:
        entry["wish"] = json.loads(wish)
    if record.notes:
        entry["notes"] = record.notes
    entry["trials"] = _trials(conn, drink_id, kept, numbers, ids)
    draft = drinks.get_draft(conn, drink_id)
    if draft is not None:
        entry["draft"] = {"parent": numbers[draft.parent_trial_id], "spec": json.loads(draft.spec), "saved_at": draft.saved_at}
    brief = json.loads(briefs.get(conn, drink_id))
    if brief:
        entry["brief"] = brief
    if listed is not None:
        entry["listed"] = {name: value for name, value in (("price", listed.price), ("serves", listed.serves)) if value is not None}
    gathered = spec_clouds.of_drink(conn, drink_id)
    if gathered:
        entry["gathered"] = [
            {"name": cloud_record.name, "spec": json.loads(cloud_record.spec), "added_at": cloud_record.added_at}
            for cloud_record in gathered
        ]
    return entry


def _trials(
    conn: sqlite3.Connection, drink_id: int, kept: Sequence[TrialRecord], numbers: dict[int, int], ids: dict[int, str]
) -> list[dict[str, Any]]:
    marks, references, others = lineage.marks(conn, drink_id), drinks.reference_ids(conn, drink_id), lineage.parents(conn, drink_id)
    sheets, readings = tastings.of_drink(conn, drink_id), measurements.of_drink(conn, drink_id)
    entries = []
    for trial in kept:
        entry: dict[str, Any] = {"name": trial.name, "reason": trial.reason, "spec": json.loads(trial.spec)}
        entry |= {"forecast": json.loads(trial.forecast), "kept_at": trial.kept_at, "made": json.loads(trial.made)}
        if trial.parent_trial_id is not None:
            entry["parent"] = numbers[trial.parent_trial_id]
        if trial.id in others:
            entry["parents"] = [
                {"drink": ids[parent.drink_id], "trial": parent.number}
                for parent in (drinks.trial(conn, parent_id) for parent_id in others[trial.id])
            ]
        if trial.id in marks:
            entry["mark"] = marks[trial.id]
        if trial.id in references:
            entry["reference"] = True
        mine = [sheet for sheet in sheets if sheet.trial_id == trial.id]
        if mine:
            fields = ("taster", "sugar", "acid", "abv", "body", "loud", "lacking", "score", "edge", "blind", "tasted_at")
            entry["sheets"] = [{**{name: getattr(record, name) for name in fields}, "words": json.loads(record.words)} for record in mine]
        read = [reading for reading in readings if reading.trial_id == trial.id]
        if read:
            entry["readings"] = [
                {name: getattr(record, name) for name in ("quantity", "point", "value", "device", "taken_at")} for record in read
            ]
        water = measurements.water_of(conn, trial.id)
        if water is not None:
            entry["water"] = {"ratio": water[0], "how": water[1]}
        entries.append(entry)
    return entries
