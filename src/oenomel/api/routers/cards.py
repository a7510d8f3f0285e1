"""Drinks on paper: the card of one, two trials beside each other, the card for the station, a whole list on a sheet."""

from __future__ import annotations

import sqlite3
from datetime import datetime
from typing import Annotated

from pydantic import Field

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.method import MethodOptions
from oenomel.core.method.amount_words import Shown
from oenomel.core.method.step import Order, Sparkling
from oenomel.core.trials.lineage import branch
from oenomel.errors import RecordNotFound
from oenomel.formats.card.content import Card, Country, beside, card_of, day_words
from oenomel.formats.card.html import Layout, cards_html, list_html
from oenomel.formats.card.list_sheet import list_sheet
from oenomel.moments import is_moment, moment_of
from oenomel.schemas.base import Entry, Report, RowId
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import plain_spec
from oenomel.services.resolve import homes_for, resolve
from oenomel.services.trials import kept_trials
from oenomel.store import book_search, drinks, lineage
from oenomel.store.book_search import Wanted
from oenomel.store.drinks import TrialRecord

router = room("cards")


class HouseWay(Entry):
    """By which schools the house makes its drinks, and how it tells amounts and alcohol."""

    order: Order = "cheap and risky first"
    sparkling: Sparkling = "on top"
    shown: Shown = "ml"
    country: Country = "us"

    def way(self, ounce_ml: float) -> MethodOptions:
        """The same for the core."""
        return MethodOptions(self.order, self.sparkling, self.shown, ounce_ml)


class CardRequest(HouseWay):
    """A drink of the book on a card: the trial of that number, or what lies on the bench, or else the newest; ``beside`` another trial."""

    drink: RowId
    trial: Annotated[int, Field(ge=1)] | None = None
    beside: Annotated[int, Field(ge=1)] | None = None
    layout: Layout = "card"


class ListRequest(HouseWay):
    """Drinks of the book on one sheet; without any, the finished ones, or all where none is."""

    drinks: Annotated[list[RowId], Field(max_length=100)] = []


class CardReport(Report):
    """A card as a fragment of HTML whose text is all escaped, and what the sheet is called."""

    html: str
    title: str


@router.post("/cards", responses=PROBLEMS["write"])
def write_card(body: CardRequest, conn: Connection, conditions: HouseConditions) -> CardReport:
    """The card of a drink, or of two of its trials with their differences marked."""
    card = _card(conn, body, body.trial, conditions)
    if body.beside is None:
        return CardReport(html=cards_html([card], body.layout), title=card.name)
    other = _card(conn, body, body.beside, conditions)
    return CardReport(html=cards_html([beside(card, other), beside(other, card)], "card"), title=card.name)


@router.post("/list-sheet", responses=PROBLEMS["write"])
def write_list(body: ListRequest, conn: Connection, conditions: HouseConditions) -> CardReport:
    """A whole list on one sheet."""
    chosen = drinks.latest_trials(conn, body.drinks or _finished(conn))
    if missing := [each for each in body.drinks if each not in chosen]:
        raise RecordNotFound("drink", missing[0])
    specs = [plain_spec(parse_spec(chosen[each].spec)) for each in sorted(chosen)]
    named = [spec.model_copy(update={"name": drinks.get(conn, each).name}) for spec, each in zip(specs, sorted(chosen), strict=True)]
    forecasts = [_forecast(conn, spec, conditions) for spec in named]
    sheet = list_sheet(forecasts, body.way(named[0].ounce_ml if named else 30), body.country, _today())
    return CardReport(html=list_html(sheet), title="The list")


def _card(conn: sqlite3.Connection, body: CardRequest, number: int | None, conditions: Conditions) -> Card:
    record, kept = drinks.get(conn, body.drink), drinks.trials(conn, body.drink)
    trial = next((each for each in kept if each.number == number), None)
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
        said=[pour.said for pour in spec.pours],
        descent=_descent(conn, kept, trial, parent, forecast),
        version=f"Trial {trial.number}: {trial.name}" if trial is not None else "On the bench, not kept yet",
        dated=_kept_on(trial) if trial is not None else _today(),
        remember=record.notes,
    )


def _descent(
    conn: sqlite3.Connection, kept: list[TrialRecord], trial: TrialRecord | None, parent: int | None, forecast: Forecast
) -> list[str]:
    """Where it came from and what was changed, a line each."""
    lines = []
    before = next((each for each in kept if each.id == parent), None)
    if before is not None:
        (was,) = kept_trials(conn, [before])
        change = branch(forecast.drink, was.drink, forecast.conditions)
        lines.append(f"Out of trial {before.number}, {before.name}: {change.change[:1].lower()}{change.change[1:]}.")
    others = lineage.parents(conn, trial.drink_id).get(trial.id, []) if trial is not None else []
    for each in others:
        other = drinks.trial(conn, each)
        lines.append(f"Out of {drinks.get(conn, other.drink_id).name}, trial {other.number}.")
    return lines


def _forecast(conn: sqlite3.Connection, spec: SpecFile, conditions: Conditions) -> Forecast:
    (drink,) = resolve(conn, spec)
    return forecast_of(drink, conditions, homes_for(conn, drink.family))


def _finished(conn: sqlite3.Connection) -> list[int]:
    """The drinks of which a trial is finished, or all of them."""
    everything = book_search.find(conn, Wanted(), most=100)
    return [each for each in everything if "finished" in lineage.marks(conn, each).values()] or everything


def _kept_on(trial: TrialRecord) -> str:
    return f"kept {day_words(moment_of(trial.kept_at).date())}" if is_moment(trial.kept_at) else "kept, nobody knows when"


def _today() -> str:
    return day_words(datetime.now().astimezone().date())
