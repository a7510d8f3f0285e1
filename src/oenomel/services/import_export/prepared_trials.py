"""Trials computed before the import begins to write, so that a large import doesn't lock the data file for long."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterator, Mapping
from contextlib import suppress
from dataclasses import dataclass, field
from typing import Any

from oenomel.core.forecast import forecast_of
from oenomel.core.larder import Ingredient, Larder
from oenomel.core.trials import Reading
from oenomel.core.trials.readings import MeasuredWater, measured_water
from oenomel.errors import DomainError, SpecError
from oenomel.schemas.house_file import HouseFile, TrialEntry
from oenomel.schemas.poured_spec import settled
from oenomel.schemas.reports.forecast_reports import forecast_report
from oenomel.schemas.reports.trial_reports import kept_figures
from oenomel.schemas.requests.trial_conditions import as_poured, conditions_of
from oenomel.schemas.spec_to_drink import drink_from_spec
from oenomel.services.import_export.comparison import Look, same_trial
from oenomel.store import ingredients

__all__ = ["Prepared", "StoredTrial", "prepare_trials", "stored_trial"]


@dataclass(frozen=True, slots=True)
class StoredTrial:
    """A trial as stored: spec, forecast and measured pours as JSON; the dilution by its readings."""

    spec: str
    forecast: str
    made: str
    water: MeasuredWater | None
    poured: tuple[Ingredient, ...]


@dataclass(frozen=True, slots=True)
class Prepared:
    """Trials of a house file ready to be written, by the drink's key in the file and the trial's number."""

    trials: Mapping[tuple[str, int], StoredTrial] = field(default_factory=dict)

    def trial(self, drink: str, number: int, larder: Larder) -> StoredTrial | None:
        """Return the trial; None where one of its ingredients was changed meanwhile."""
        stored = self.trials.get((drink, number))
        unchanged = stored is not None and all(larder.get(ingredient.slug) == ingredient for ingredient in stored.poured)
        return stored if unchanged else None


def prepare_trials(conn: sqlite3.Connection, house: HouseFile, look: Look) -> Prepared:
    """Compute every trial of a house file that isn't in the book yet; nothing is written.

    Trials that can't be computed are left to the import itself, which raises the error.
    """
    larder = Larder(ingredients.larder(conn))
    new = {item.key for item in look.items if item.state == "new"}
    for bottle in house.ingredients:
        if f"bottle {bottle.slug}" in new:
            with suppress(DomainError):
                larder[bottle.slug] = bottle.ingredient()
    trials: dict[tuple[str, int], StoredTrial] = {}
    for drink, number, trial in _missing(house, look):
        with suppress(DomainError):
            trials[drink, number] = stored_trial(trial, larder, "")
    return Prepared(trials)


def _missing(house: HouseFile, look: Look) -> Iterator[tuple[str, int, TrialEntry]]:
    for entry in house.drinks:
        here = look.here[entry.id].trials if entry.id in look.here else []
        if entry.id in look.here or entry.id not in look.book:
            for number, trial in enumerate(entry.trials, start=1):
                if not any(same_trial(trial, own_trial) for own_trial in here):
                    yield entry.id, number, trial


def stored_trial(trial: TrialEntry, larder: Larder, location: str) -> StoredTrial:
    """Compute a trial as it is stored, with the values of a larder.

    Raises
    ------
    SpecError
        The spec or the saved forecast is invalid; the message names the ``location`` in the file.
    """
    try:
        drink = drink_from_spec(trial.spec, larder)
        poured = drink_from_spec(as_poured(trial.spec, trial.made), larder)
        forecast = forecast_of(poured, conditions_of(trial.made))
    except DomainError as error:
        raise SpecError(location, str(error)) from error
    readings = [Reading(reading.quantity, reading.point, reading.value) for reading in trial.readings]
    return StoredTrial(
        spec=settled(trial.spec, drink).model_dump_json(exclude_unset=True),
        forecast=forecast_report(forecast).model_dump_json() if trial.forecast is None else _kept_forecast(trial.forecast, location),
        made=trial.made.model_dump_json(exclude_unset=True),
        water=measured_water(readings, forecast) if readings and trial.water is None else None,
        poured=tuple({pour.ingredient.slug: pour.ingredient for of in (drink, poured) for pour in of.pours}.values()),
    )


def _kept_forecast(content: Mapping[str, Any], place: str) -> str:
    """Return the forecast that was saved with a trial, as JSON; raises SpecError where it has no figures as served."""
    try:
        kept_figures(content)
    except (KeyError, TypeError, ValueError) as error:
        raise SpecError(f"{place}: forecast", "isn't a forecast: it has no figures as served") from error
    return json.dumps(content, ensure_ascii=False)
