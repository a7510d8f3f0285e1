"""Stored trials as the core takes them: the drink as really poured, its tasting sheets, the palates behind them."""

from __future__ import annotations

import sqlite3
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from oenomel.core.balance import profile_as_made
from oenomel.core.dilution import Conditions
from oenomel.core.families import typical_range_for
from oenomel.core.spec import Drink
from oenomel.core.trials.next_trial import Sheet, reference_of, tasted_from
from oenomel.core.trials.palate import Palate, Tasted, learn
from oenomel.core.trials.tasting import Verdict
from oenomel.errors import SpecError
from oenomel.schemas.requests.trial_conditions import MadeEntry, as_poured, conditions_of
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import plain_spec
from oenomel.services.readable import UNREADABLE, read_or_none
from oenomel.services.resolve import resolve, typical_ranges_for
from oenomel.services.stored_sensory import tongue_of
from oenomel.store import drinks, tastings
from oenomel.store.drinks import TrialRecord
from oenomel.store.tastings import TastingRecord

__all__ = ["KeptTrial", "kept_trials", "palate_of", "readable_trials", "sheets_of", "tasted_of"]


@dataclass(frozen=True)
class KeptTrial:
    """A stored trial: its record, its spec with the measured pours, its drink, and its circumstances."""

    record: TrialRecord
    spec: SpecFile
    drink: Drink
    made: MadeEntry

    @property
    def conditions(self) -> Conditions:
        """Conditions of its forecast on its day."""
        return conditions_of(self.made)


def kept_trials(conn: sqlite3.Connection, records: Sequence[TrialRecord]) -> list[KeptTrial]:
    """Return stored trials with their drinks, in order."""
    entries = [MadeEntry.model_validate_json(record.made) for record in records]
    try:
        specs = [as_poured(parse_spec(record.spec), entry) for record, entry in zip(records, entries, strict=True)]
        drinks_made = resolve(conn, *specs)
    except SpecError:
        # In files of earlier versions an ingredient that was poured may have been deleted: the trial still counts as written.
        specs = [plain_spec(parse_spec(record.spec)) for record in records]
        drinks_made = resolve(conn, *specs)
    return [KeptTrial(*columns) for columns in zip(records, specs, drinks_made, entries, strict=True)]


def readable_trials(conn: sqlite3.Connection, records: Sequence[TrialRecord]) -> list[KeptTrial]:
    """Return stored trials without the unreadable ones."""
    try:
        return kept_trials(conn, records)
    except UNREADABLE:
        readable = (read_or_none(kept_trials, conn, [record]) for record in records)
        return [trial for one in readable if one is not None for trial in one]


def sheets_of(records: Sequence[TastingRecord], trials: Mapping[int, Drink]) -> list[Sheet]:
    """Return tasting sheets as the core takes them; a sitting is a day."""
    return [
        Sheet(trials[record.trial_id], _verdict(record), record.trial_id, record.tasted_at[:10])
        for record in records
        if record.trial_id in trials
    ]


def tasted_of(conn: sqlite3.Connection, taster: str, but: int = 0) -> list[tuple[TastingRecord, TrialRecord, Tasted]]:
    """Return what a taster's palate is learnt from: sheets of drinks whose family has a typical range; everyone's for an empty name.

    ``but`` is a drink that is left out, so that its own tastings don't count twice in its proposal.
    """
    sheets = tastings.for_palate(conn, taster)
    trials = drinks.some_trials(conn, (sheet.trial_id for sheet in sheets))
    kept = {trial.record.id: trial for trial in readable_trials(conn, [trial for trial in trials if trial.drink_id != but])}
    records = [sheet for sheet in sheets if sheet.trial_id in kept]
    homes = typical_ranges_for(conn, *{kept_trial.drink.family for kept_trial in kept.values()})
    result = []
    for record in records:
        trial = kept[record.trial_id]
        home = typical_range_for(trial.drink, profile_as_made(trial.drink, trial.conditions), homes)
        if home is not None:
            sheet = Sheet(trial.drink, _verdict(record), record.trial_id, f"{record.taster} {record.tasted_at[:10]}")
            result.append((record, trial.record, tasted_from(sheet, reference_of([sheet], home, trial.conditions), trial.conditions)))
    return result


def palate_of(conn: sqlite3.Connection, taster: str, but: int = 0) -> Palate:
    """Return a taster's palate, or the bar's for an empty name; the prior where nothing was tasted yet."""
    return learn([tasted for _, _, tasted in tasted_of(conn, taster, but)], tongue=tongue_of(conn, taster))


def _verdict(record: TastingRecord) -> Verdict:
    return Verdict(record.sugar, record.acid, record.abv, record.body, record.loud, record.lacking)
