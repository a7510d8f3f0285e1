"""Importing a house file: all of it or, where anything raises, nothing, because the caller holds the transaction."""

from __future__ import annotations

import sqlite3
from collections.abc import Mapping
from dataclasses import dataclass, field

from oenomel.core.larder import Larder, Shelved
from oenomel.core.originals import KinshipTable
from oenomel.core.trials.readings import MeasuredWater
from oenomel.errors import DomainError, SpecError
from oenomel.schemas.house_file import DrinkEntry, HouseFile, TrialEntry
from oenomel.schemas.import_items import Choice, Item
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import drink_from_spec
from oenomel.services.import_export.comparison import Look, look_at, same_cloud, same_note, same_trial, version_of
from oenomel.services.import_export.drink_ids import ids_of_book
from oenomel.services.import_export.event_items import take_evening
from oenomel.services.import_export.prepared_trials import Prepared, prepare_trials, stored_trial
from oenomel.services.import_export.sensory_items import take_tongues
from oenomel.services.import_export.stock_items import take_stock
from oenomel.store import briefs, drinks, ingredients, lineage, measurements, menu_entries, originals, shelf, spec_clouds, tastings
from oenomel.store.database import transaction
from oenomel.store.measurements import MeasurementRecord
from oenomel.store.menu_entries import OnTheList
from oenomel.store.tastings import PartTastingRecord, TastingRecord

__all__ = ["import_house", "take_in"]


def import_house(conn: sqlite3.Connection, house: HouseFile, choices: Mapping[str, Choice], otherwise: Choice = "leave") -> list[Item]:
    """Import a house file, all of it or nothing, and return what was new, the same, or different.

    Everything slow is done before the data file is locked, so that other windows wait only for the writing. Parameters and errors are
    those of `take_in`.
    """
    look = look_at(conn, house)
    prepared = prepare_trials(conn, house, look)
    with transaction(conn):
        return take_in(conn, house, choices, otherwise, look, prepared)


def take_in(
    conn: sqlite3.Connection,
    house: HouseFile,
    choices: Mapping[str, Choice],
    otherwise: Choice = "leave",
    look: Look | None = None,
    prepared: Prepared | None = None,
) -> list[Item]:
    """Import a house file, and return what was new, the same, or different.

    ``choices`` decide by item key about items that differ, ``otherwise`` about all others. A trial of the book is never changed.
    ``look`` and ``prepared`` were computed before the transaction began, so that other writes needn't wait; the comparison is repeated
    where another window has written since.

    Raises
    ------
    SpecError
        Something in the file is impossible; the message names the drink and the place. The caller must roll back its transaction.
    """
    if look is None or look.version != version_of(conn):
        look = look_at(conn, house)
    items = look.items
    chosen = {item.key: _choice(item, choices, otherwise) for item in items}
    _bottles(conn, house, {item.key: item for item in items}, chosen)
    take_stock(conn, house, {item.key: item for item in items}, chosen)
    intake = _Intake(conn, ingredients.larder(conn), look.book, look.here, prepared or Prepared())
    for entry in house.drinks:
        intake.drink(entry, chosen[f"drink {entry.id}"])
    intake.parents()
    take_evening(conn, house, intake.drink_ids(), chosen)
    take_tongues(conn, house)
    return items


def _choice(item: Item, choices: Mapping[str, Choice], otherwise: Choice) -> Choice:
    """Return the choice for an item; one that it doesn't offer leaves the bar's version."""
    if item.state != "differs":
        return "add"
    wanted = choices.get(item.key, otherwise)
    return wanted if wanted in item.choices else "leave"


def _bottles(conn: sqlite3.Connection, house: HouseFile, items: Mapping[str, Item], chosen: Mapping[str, Choice]) -> None:
    for bottle in house.ingredients:
        key = f"bottle {bottle.slug}"
        if items[key].state == "new" or chosen[key] == "take":
            try:
                ingredients.put(conn, bottle.ingredient())
            except DomainError as error:
                raise SpecError(bottle.name, str(error)) from error
    here = shelf.all_shelved(conn)
    known = ingredients.larder(conn)
    for entry in house.shelf:
        if (entry.slug not in here or chosen.get("shelf") == "take") and entry.slug in known:
            shelf.put(conn, Shelved(entry.slug, entry.state, entry.price_per_litre))
    amended = {slug for slug, _, _ in ingredients.amendments(conn)}
    for amendment in house.amended:
        if (amendment.slug not in amended or chosen.get("words") == "take") and amendment.slug in known:
            ingredients.amend(conn, amendment.slug, amendment.aroma, amendment.impression)
    parts = {(record.slug, record.taster, record.tasted_at, record.words) for record in tastings.all_parts(conn)}
    for part in house.parts:
        words = part.words.model_dump_json(exclude_unset=True)
        if (part.slug, part.taster, part.tasted_at, words) not in parts and part.slug in known:
            tastings.add_part(conn, PartTastingRecord(part.slug, part.taster, words, part.amended, part.tasted_at))
    since = dict(tastings.resets(conn))
    for palate in house.palates:
        if palate.taster not in since:
            tastings.reset_palate(conn, palate.taster, palate.since)
    known_pairs = originals.kinship(conn)
    for kin in house.kinship:
        pair = frozenset((kin.one, kin.other))
        KinshipTable({pair: kin.value})
        if pair not in known_pairs or chosen.get("kinship") == "take":
            originals.put_kinship(conn, kin.one, kin.other, kin.value)


@dataclass
class _Intake:
    """Drinks being imported: the drink of the book for each, and the trial for each of theirs, so that descendants find their parents."""

    conn: sqlite3.Connection
    larder: Larder
    here: Mapping[str, int]
    lies: Mapping[str, DrinkEntry]
    prepared: Prepared
    trials: dict[tuple[str, int], int] = field(default_factory=dict)
    descends: list[tuple[int, TrialEntry, str]] = field(default_factory=list)
    book: dict[str, int] = field(init=False)

    kept: dict[int, dict[int, int]] = field(init=False)

    def __post_init__(self) -> None:
        self.book, self.kept = ids_of_book(self.conn), drinks.trial_ids(self.conn)

    def drink(self, entry: DrinkEntry, choice: Choice) -> None:
        """Add a drink, or what it lacks of the file's trials."""
        here = self.here.get(entry.id)
        if here is None or choice == "beside":
            beside = entry.name if here is None else self._free_name(entry.name)
            self._add(entry, beside)
            return
        kept = self.kept.get(here, {})
        if entry.id not in self.lies:
            self.trials |= {(entry.id, number): kept[number] for number in range(1, len(entry.trials) + 1)}
            return
        own_entry = self.lies[entry.id]
        for number, trial in enumerate(entry.trials, start=1):
            mine = next((at for at, own_trial in enumerate(own_entry.trials, start=1) if same_trial(trial, own_trial)), None)
            if mine is not None:
                self.trials[entry.id, number] = kept[mine]
                if choice == "add":
                    self._note(kept[mine], trial, own_entry.trials[mine - 1])
            elif choice == "add":
                self.trials[entry.id, number] = self._keep(here, entry, number, trial)
        if choice == "add":
            self._besides(here, entry, own_entry)

    def parents(self) -> None:
        """Add the parents from other drinks, once all trials are there; unknown ones are left out."""
        for trial_id, entry, of in self.descends:
            parent_ids = [self._trial(parent.drink, parent.trial) for parent in entry.parents]
            new_parent_ids = [parent_id for parent_id in dict.fromkeys(parent_ids) if parent_id is not None and parent_id != trial_id]
            try:
                lineage.add_parents(self.conn, trial_id, new_parent_ids)
            except DomainError as error:
                raise SpecError(f"{of}: parents", str(error)) from error

    def drink_ids(self) -> dict[str, int]:
        """Return the drink of the book for a key of the file."""
        of = {trial_id: drink_id for drink_id, trials in drinks.trial_ids(self.conn).items() for trial_id in trials.values()}
        taken = {key: of[trial_id] for (key, number), trial_id in self.trials.items() if number == 1}
        return {**self.book, **self.here, **taken}

    def _trial(self, drink: str, number: int) -> int | None:
        if (drink, number) in self.trials:
            return self.trials[drink, number]
        index = self.here.get(drink, self.book.get(drink))
        kept = [] if index is None else drinks.trials(self.conn, index)
        return next((trial.id for trial in kept if trial.number == number), None)

    def _free_name(self, name: str) -> str:
        taken = {drink_name.casefold() for _, drink_name in drinks.names(self.conn)}
        return next(candidate for candidate in (f"{name} ({n})" for n in range(2, len(taken) + 3)) if candidate.casefold() not in taken)

    def _add(self, entry: DrinkEntry, name: str) -> None:
        family = entry.trials[0].spec.family
        drink_id = drinks.add(self.conn, name, family, entry.origin, entry.notes, entry.created_at)
        for number, trial in enumerate(entry.trials, start=1):
            self.trials[entry.id, number] = self._keep(drink_id, entry, number, trial)
        self._besides(drink_id, entry, None)

    def _keep(self, drink_id: int, entry: DrinkEntry, number: int, trial: TrialEntry) -> int:
        location = f"{entry.name}, trial {number}"
        stored = self.prepared.trial(entry.id, number, self.larder) or stored_trial(trial, self.larder, location)
        parent = None
        if trial.parent is not None or number > 1:
            # A trial without a parent is compared with the first.
            parent = self.trials.get((entry.id, trial.parent or 1))
            if parent is None and trial.parent is not None:
                raise SpecError(f"{location}: parent", f"there is no earlier trial {trial.parent}")
        trial_id = drinks.keep_trial(
            self.conn, drink_id, parent, trial.name, trial.reason, stored.spec, stored.forecast, stored.made, trial.kept_at
        )
        if trial.parents:
            self.descends.append((trial_id, trial, location))
        if trial.mark:
            lineage.mark(self.conn, drink_id, trial_id, trial.mark)
        if trial.reference:
            drinks.set_reference(self.conn, drink_id, trial_id, counts=True)
        self._note(trial_id, trial, None, stored.water)
        return trial_id

    def _note(self, trial_id: int, trial: TrialEntry, own_trial: TrialEntry | None, water: MeasuredWater | None = None) -> None:
        """Add the sheets and readings of a trial that are missing."""
        for sheet in trial.sheets:
            if own_trial is None or not any(same_note(sheet, own_sheet) for own_sheet in own_trial.sheets):
                words = sheet.words.model_dump_json(exclude_unset=True)
                tastings.add(self.conn, TastingRecord(trial_id, **{**sheet.model_dump(), "words": words}))
        new = [entry for entry in trial.readings if own_trial is None or not any(same_note(entry, other) for other in own_trial.readings)]
        for reading in new:
            measurements.add(self.conn, MeasurementRecord(trial_id, **reading.model_dump()))
        if not new:
            return
        technique = trial.spec.method.technique
        if trial.water is not None:
            measurements.put_water(self.conn, trial_id, technique, trial.water.ratio, trial.water.how)
        elif water is not None:
            measurements.put_water(self.conn, trial_id, technique, water.ratio, water.how)

    def _besides(self, drink_id: int, entry: DrinkEntry, own_drink: DrinkEntry | None) -> None:
        """Add draft, brief and gathered specs, where the bar has none."""
        for cloud in entry.gathered:
            _check(cloud.spec, self.larder, f"{entry.name}, {cloud.name}")
            if own_drink is None or not any(same_cloud(cloud, own_cloud) for own_cloud in own_drink.gathered):
                spec_clouds.add(self.conn, drink_id, cloud.name, cloud.spec.model_dump_json(exclude_unset=True), cloud.added_at)
        if entry.brief is not None and (own_drink is None or own_drink.brief is None):
            briefs.put(self.conn, drink_id, entry.brief.model_dump_json(exclude_unset=True))
        if entry.draft is not None and (own_drink is None or own_drink.draft is None):
            location = f"{entry.name}, on the bench"
            parent = self.trials.get((entry.id, entry.draft.parent))
            if parent is None:
                raise SpecError(location, f"there is no trial {entry.draft.parent} to compare with")
            _check(entry.draft.spec, self.larder, location)
            text = entry.draft.spec.model_dump_json(exclude_unset=True)
            drinks.put_draft(self.conn, drink_id, parent, text, 0, entry.draft.saved_at)
        if entry.listed is not None and (own_drink is None or own_drink.listed is None):
            menu_entries.put_on_the_list(self.conn, OnTheList(drink_id, entry.listed.price, entry.listed.serves))
        if entry.wish is not None and (own_drink is None or own_drink.wish is None):
            originals.mark(self.conn, drink_id, entry.wish.model_dump_json())
        if own_drink is not None and entry.notes and not own_drink.notes:
            drinks.put_notes(self.conn, drink_id, entry.notes)


def _check(spec: SpecFile, larder: Larder, location: str) -> None:
    """Raise where a spec is invalid; the message names its place."""
    try:
        drink_from_spec(spec, larder)
    except DomainError as error:
        raise SpecError(location, str(error)) from error
