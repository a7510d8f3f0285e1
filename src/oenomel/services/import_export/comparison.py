"""Comparison of an import with the data file: what is new, the same, and different, side by side."""

from __future__ import annotations

import sqlite3
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from oenomel.core.wording import capital, counted, listed
from oenomel.schemas.house_file import CloudEntry, DrinkEntry, HouseFile, IngredientEntry, ReadingEntry, SheetOfTrial, TrialEntry
from oenomel.schemas.import_items import Choice, Item, Side
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import plain_spec, same_spec
from oenomel.services.import_export.drink_ids import counterparts
from oenomel.services.import_export.event_items import look_at_evening
from oenomel.services.import_export.gather import drinks_as_json
from oenomel.services.import_export.sensory_items import look_at_tongues
from oenomel.services.import_export.stock_items import look_at_stock
from oenomel.store import ingredients, originals, shelf

__all__ = ["Look", "look_at", "same_cloud", "same_note", "same_trial", "version_of"]


@dataclass(frozen=True, slots=True)
class Look:
    """Result of comparing a house file with the bar's data: ``items``, each thing of it; ``book``, the drink of the book for each id
    of the file; ``here``, the bar's version of those that differ; and the ``version`` that was compared with.
    """

    items: list[Item]
    book: dict[str, int]
    here: dict[str, DrinkEntry]
    version: int


def look_at(conn: sqlite3.Connection, house: HouseFile) -> Look:
    """Compare a house file with the bar's data; nothing is written."""
    version = version_of(conn)
    items = [_bottle(conn, ingredient) for ingredient in house.ingredients]
    items += _shelf(conn, house)
    items += [*_amended(conn, house), *_kinship(conn, house)]
    items += look_at_stock(conn, house)
    book = counterparts(conn, house.drinks)
    here_by_key = dict(zip(book, drinks_as_json(conn, list(book.values())), strict=True))
    # Entries of a bar's own file are equal to the letter: only the others need a closer comparison.
    same = {drink.id for drink in house.drinks if drink.id in here_by_key and _told_alike(drink, here_by_key[drink.id])}
    here = {key: DrinkEntry.model_validate(content) for key, content in here_by_key.items() if key not in same}
    items += [_same_drink(entry) if entry.id in same else _drink(entry, here.get(entry.id)) for entry in house.drinks]
    items += [*look_at_evening(conn, house), *look_at_tongues(conn, house)]
    return Look(items, book, here, version)


def version_of(conn: sqlite3.Connection) -> int:
    """Return a token that changes whenever another connection writes."""
    return int(conn.execute("PRAGMA data_version").fetchone()[0])


def same_trial(one: TrialEntry, other: TrialEntry) -> bool:
    """Check whether two trials are the same: equal specs and, where both have them, equal times, names and reasons."""
    if not same_spec(one.spec, other.spec):
        return False
    timed = bool(one.kept_at and other.kept_at)
    return not timed or (one.name, one.reason, one.kept_at) == (other.name, other.reason, other.kept_at)


def same_note(one: SheetOfTrial | ReadingEntry, other: SheetOfTrial | ReadingEntry) -> bool:
    """Check whether two sheets or two readings are the same."""
    return one.model_dump() == other.model_dump()


def same_cloud(one: CloudEntry, other: CloudEntry) -> bool:
    """Check whether two gathered specs are the same."""
    return one.name == other.name and same_spec(one.spec, other.spec)


def _bottle(conn: sqlite3.Connection, entry: IngredientEntry) -> Item:
    here = ingredients.some(conn, [entry.slug]).get(entry.slug)
    key = f"bottle {entry.slug}"
    if here is None:
        return Item(key, "bottle", entry.name, "new", "Not among your ingredients yet.")
    if here.origin == "catalogue":
        words = "The standard ingredient of this name stays."
        return Item(key, "bottle", entry.name, "differs", words, ("leave",))
    own_entry = IngredientEntry.of(here)
    sides = _bottle_sides(own_entry, entry)
    if not sides:
        return Item(key, "bottle", entry.name, "same", "No difference.")
    words = "Different here. Saved trials keep their forecast. Drinks on the bench use your choice."
    return Item(key, "bottle", entry.name, "differs", words, ("leave", "take"), sides)


def _bottle_sides(here: IngredientEntry, comes: IngredientEntry) -> tuple[Side, ...]:
    sides = []
    one, other = here.model_dump(), comes.model_dump()
    values = {value["name"]: value for value in one.pop("values")}, {value["name"]: value for value in other.pop("values")}
    for name in sorted(values[0].keys() | values[1].keys()):
        mine, its = values[0].get(name), values[1].get(name)
        if mine != its:
            sides.append(Side(name.replace("_", " "), *(f"{value['value']:g}" if value else "not given" for value in (mine, its))))
    sides += [Side(name, _as_text(one[name]), _as_text(other[name])) for name in one if one[name] != other[name] and name != "origin"]
    return tuple(sides)


def _as_text(value: Any) -> str:
    if isinstance(value, dict):
        return ", ".join(f"{key} {item}" for key, item in value.items()) or "nothing"
    return ", ".join(map(str, value)) or "nothing" if isinstance(value, list) else str(value if value not in (None, "") else "nothing")


def _shelf(conn: sqlite3.Connection, house: HouseFile) -> list[Item]:
    if not house.shelf:
        return []
    here = shelf.all_shelved(conn)
    sides = [
        Side(entry.slug, _shelved(here[entry.slug].state, here[entry.slug].price_per_litre), _shelved(entry.state, entry.price_per_litre))
        for entry in house.shelf
        if entry.slug in here and (here[entry.slug].state, here[entry.slug].price_per_litre) != (entry.state, entry.price_per_litre)
    ]
    new = [entry for entry in house.shelf if entry.slug not in here]
    if sides:
        words = f"{counted(len(sides), 'bottle')} different in stock" + (f", {len(new)} new." if new else ".")
        return [Item("shelf", "shelf", "Stock", "differs", words, ("leave", "take"), tuple(sides))]
    if new:
        return [Item("shelf", "shelf", "Stock", "new", f"{counted(len(new), 'bottle')} to add to stock.")]
    return [Item("shelf", "shelf", "Stock", "same", "No difference.")]


def _shelved(state: str, price: float | None) -> str:
    return state if price is None else f"{state}, {price:g} per litre"


def _amended(conn: sqlite3.Connection, house: HouseFile) -> list[Item]:
    """Compare changes by tasting, and tastings of ingredients alone."""
    if not (house.amended or house.parts or house.palates):
        return []
    here = {slug: (aroma, impression) for slug, aroma, impression in ingredients.amendments(conn)}
    sides = [
        Side(entry.slug, here[entry.slug][1] or _as_text(here[entry.slug][0]), entry.impression or _as_text(entry.aroma))
        for entry in house.amended
        if entry.slug in here and here[entry.slug] != (entry.aroma, entry.impression)
    ]
    new = [entry for entry in house.amended if entry.slug not in here]
    if sides:
        return [Item("words", "words", "Aromas", "differs", "Different here.", ("leave", "take"), tuple(sides))]
    words = "New aromas." if new else "No difference. New notes are added."
    return [Item("words", "words", "Aromas", "new" if new else "same", words)]


def _kinship(conn: sqlite3.Connection, house: HouseFile) -> list[Item]:
    """Compare the bar's aroma pairings."""
    if not house.kinship:
        return []
    here = originals.kinship(conn)
    comes = {frozenset((kinship.one, kinship.other)): kinship for kinship in house.kinship}
    sides = [
        Side(f"{kinship.one} and {kinship.other}", f"{here[pair]:g}", f"{kinship.value:g}")
        for pair, kinship in comes.items()
        if pair in here and here[pair] != kinship.value
    ]
    if sides:
        return [Item("kinship", "words", "Aroma pairings", "differs", "Different here.", ("leave", "take"), tuple(sides))]
    new = comes.keys() - here.keys()
    words = f"{counted(len(new), 'pair')} not changed here." if new else "No difference."
    return [Item("kinship", "words", "Aroma pairings", "new" if new else "same", words)]


def _told_alike(entry: DrinkEntry, content: dict[str, Any]) -> bool:
    comes = entry.model_dump(mode="json", exclude_unset=True)
    return {**comes, "id": ""} == {**content, "id": ""}


def _same_drink(entry: DrinkEntry) -> Item:
    return Item(f"drink {entry.id}", "drink", entry.name, "same", "No difference.")


def _drink(entry: DrinkEntry, here: DrinkEntry | None) -> Item:
    key = f"drink {entry.id}"
    if here is None:
        return Item(key, "drink", entry.name, "new", f"{counted(len(entry.trials), 'trial')}, not in Recipes yet.")
    more = [trial for trial in entry.trials if not any(same_trial(trial, own_trial) for own_trial in here.trials)]
    missing = _missing(here, entry)
    sides = _drink_sides(here, entry, more)
    if not (more or missing or sides):
        return _same_drink(entry)
    new_parts = [*([f"{counted(len(more), 'trial')} new here"] if more else []), *missing]
    words = f"{capital(listed(new_parts) or 'different here')}."
    choices: tuple[Choice, ...] = ("leave", "add", "beside") if more or missing else ("leave", "beside")
    return Item(key, "drink", entry.name, "differs", words, choices, tuple(sides))


def _missing(here: DrinkEntry, comes: DrinkEntry) -> list[str]:
    """Describe what the file has of a drink besides its trials and the bar hasn't."""
    notes = sum(_missing_notes(trial, here.trials) for trial in comes.trials)
    clouds = [entry for entry in comes.gathered if not any(same_cloud(entry, other) for other in here.gathered)]
    lacks = {
        f"{counted(notes, 'note')} more": notes > 0,
        f"{counted(len(clouds), 'spec')} of other bars": bool(clouds),
        "a draft": comes.draft is not None and here.draft is None,
        "a brief": comes.brief is not None and here.brief is None,
        "notes": bool(comes.notes) and not here.notes,
        "its price and serves": comes.listed is not None and here.listed is None,
    }
    return [words for words, is_missing in lacks.items() if is_missing]


def _drink_sides(here: DrinkEntry, comes: DrinkEntry, more: Sequence[TrialEntry]) -> list[Side]:
    sides = []
    if more:
        mine, its = here.trials[-1], more[-1]
        sides.append(Side("trial", f"{len(here.trials)}: {mine.name}", its.name))
        one, other = _pours(mine.spec), _pours(its.spec)
        sides += [Side(what, one.get(what, "—"), other.get(what, "—")) for what in {**one, **other} if one.get(what) != other.get(what)]
        for part in ("method", "serve"):
            a, b = (getattr(entry.spec, part).model_dump(mode="json") for entry in (mine, its))
            sides += [Side(f"{part}, {name}".replace("_", " "), _as_text(a[name]), _as_text(b[name])) for name in a if a[name] != b[name]]
    if comes.notes and here.notes and comes.notes != here.notes:
        sides.append(Side("notes", here.notes, comes.notes))
    if comes.draft and here.draft and not same_spec(comes.draft.spec, here.draft.spec):
        sides.append(Side("on the bench", "your draft stays", "another draft"))
    if comes.brief and here.brief and comes.brief.model_dump() != here.brief.model_dump():
        sides.append(Side("brief", "your brief stays", "another"))
    return sides


def _pours(spec: SpecFile) -> dict[str, str]:
    """Return the amounts by ingredient and stage."""
    pours: dict[str, str] = {}
    for pour in plain_spec(spec).pours:
        name = pour.ingredient if isinstance(pour.ingredient, str) else pour.ingredient.name
        pours[name if pour.stage == "mixed" else f"{name}, {pour.stage}"] = f"{pour.amount:g} {pour.unit}"
    return pours


def _missing_notes(trial: TrialEntry, here: Sequence[TrialEntry]) -> int:
    """Return the sheets and readings of a trial that the bar's one doesn't have."""
    mine = next((entry for entry in here if same_trial(trial, entry)), None)
    if mine is None:
        return 0
    sheets = [sheet for sheet in trial.sheets if not any(same_note(sheet, other) for other in mine.sheets)]
    readings = [reading for reading in trial.readings if not any(same_note(reading, other) for other in mine.readings)]
    return len(sheets) + len(readings)
