"""Printed drinks: one card, two trials side by side, a card for the station, a whole list."""

from __future__ import annotations

import sqlite3
from datetime import datetime

from oenomel.core.dilution import Conditions
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.trials.lineage import branch
from oenomel.errors import RecordNotFound
from oenomel.formats.card.content import Card, beside, card_of, day_words
from oenomel.formats.card.html import cards_html, list_html
from oenomel.formats.card.list_sheet import list_sheet
from oenomel.moments import is_moment, moment_of
from oenomel.schemas.routes.cards_models import CardReport, CardRequest, ListRequest
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import plain_spec
from oenomel.services.resolve import resolve, typical_ranges_for
from oenomel.services.stored_trials import kept_trials
from oenomel.store import book_search, drinks, lineage
from oenomel.store.book_search import Wanted
from oenomel.store.drinks import TrialRecord


def write_card(conn: sqlite3.Connection, body: CardRequest, conditions: Conditions) -> CardReport:
    """Return the card of a drink, or of two of its trials with the differences marked."""
    card = _card(conn, body, body.trial, conditions)
    if body.beside is None:
        return CardReport(html=cards_html([card], body.layout), title=card.name)
    other = _card(conn, body, body.beside, conditions)
    return CardReport(html=cards_html([beside(card, other), beside(other, card)], "card"), title=card.name)


def write_list(conn: sqlite3.Connection, body: ListRequest, conditions: Conditions) -> CardReport:
    """Return a list of drinks on one sheet."""
    chosen = drinks.latest_trials(conn, body.drinks or _finished(conn))
    if missing := [drink for drink in body.drinks if drink not in chosen]:
        raise RecordNotFound("drink", missing[0])
    specs = [plain_spec(parse_spec(chosen[drink_id].spec)) for drink_id in sorted(chosen)]
    named = [
        spec.model_copy(update={"name": drinks.get(conn, drink_id).name}) for spec, drink_id in zip(specs, sorted(chosen), strict=True)
    ]
    forecasts = [_forecast(conn, spec, conditions) for spec in named]
    sheet = list_sheet(forecasts, body.way(named[0].ounce_ml if named else 30), body.country, _today())
    return CardReport(html=list_html(sheet), title="The menu")


def _card(conn: sqlite3.Connection, body: CardRequest, number: int | None, conditions: Conditions) -> Card:
    record, kept = drinks.get(conn, body.drink), drinks.trials(conn, body.drink)
    trial = next((trial_record for trial_record in kept if trial_record.number == number), None)
    if number is not None and trial is None:
        raise RecordNotFound(f"trial of drink {body.drink} with the number", number)
    draft = drinks.get_draft(conn, body.drink) if trial is None else None
    if trial is None and draft is None:
        trial = kept[-1]
    spec = plain_spec(parse_spec(trial.spec if trial is not None else draft.spec))  # type: ignore[union-attr]  # one of the two
    forecast = _forecast(conn, spec.model_copy(update={"name": record.name}), conditions)
    parent = trial.parent_trial_id if trial is not None else draft.parent_trial_id  # type: ignore[union-attr]
    return card_of(
        forecast,
        body.way(spec.ounce_ml),
        country=body.country,
        own_amounts=[pour.said for pour in spec.pours],
        descent=_descent(conn, kept, trial, parent, forecast),
        version=f"Trial {trial.number}: {trial.name}" if trial is not None else "Draft on the bench",
        dated=_kept_on(trial) if trial is not None else _today(),
        remember=record.notes,
    )


def _descent(
    conn: sqlite3.Connection, kept: list[TrialRecord], trial: TrialRecord | None, parent: int | None, forecast: Forecast
) -> list[str]:
    """Return the trials it descends from and the changes, one line each."""
    lines = []
    before = next((record for record in kept if record.id == parent), None)
    if before is not None:
        (was,) = kept_trials(conn, [before])
        change = branch(forecast.drink, was.drink, forecast.conditions)
        lines.append(f"From trial {before.number}, {before.name}: {change.change[:1].lower()}{change.change[1:]}.")
    others = lineage.parents(conn, trial.drink_id).get(trial.id, []) if trial is not None else []
    for parent_id in others:
        other = drinks.trial(conn, parent_id)
        lines.append(f"From {drinks.get(conn, other.drink_id).name}, trial {other.number}.")
    return lines


def _forecast(conn: sqlite3.Connection, spec: SpecFile, conditions: Conditions) -> Forecast:
    (drink,) = resolve(conn, spec)
    return forecast_of(drink, conditions, typical_ranges_for(conn, drink.family))


def _finished(conn: sqlite3.Connection) -> list[int]:
    """Return the drinks with a finished trial, or all of them."""
    everything = book_search.find(conn, Wanted(), most=100)
    return [trial_id for trial_id in everything if "finished" in lineage.marks(conn, trial_id).values()] or everything


def _kept_on(trial: TrialRecord) -> str:
    return f"saved {day_words(moment_of(trial.kept_at).date())}" if is_moment(trial.kept_at) else "saved, date not known"


def _today() -> str:
    return day_words(datetime.now().astimezone().date())
