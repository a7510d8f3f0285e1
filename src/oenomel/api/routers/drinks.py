"""The book: drinks, trials kept as made, and the draft on the bench."""

from __future__ import annotations

import sqlite3
from http import HTTPStatus
from typing import Annotated

from fastapi import Query
from pydantic import Field, StringConstraints

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.revisions import check_was
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import STANDARD, forecast_of
from oenomel.core.larder import Index, Tier
from oenomel.core.spec import FamilyName
from oenomel.schemas.base import Entry, Name, Plain, Report, RowId
from oenomel.schemas.poured_spec import settled
from oenomel.schemas.reports.forecast_reports import forecast_report
from oenomel.schemas.requests.originals_requests import WishEntry
from oenomel.schemas.requests.trial_conditions import MadeEntry, as_poured, with_conditions
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import plain_spec, same_spec
from oenomel.services.lots import with_lots_named
from oenomel.services.resolve import homes_for, resolve
from oenomel.store import book_search, drinks, ingredients, lineage, originals
from oenomel.store.book_search import Wanted
from oenomel.store.database import transaction
from oenomel.store.drinks import DraftRecord, DrinkRecord, TrialRecord

router = room("book")

Notes = Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=10_000)]
Reason = Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=2000)]


class TrialReport(Report):
    """A trial as kept; ``number`` counts within its drink; a ``reference`` counts towards its family's home."""

    id: int
    number: int
    parent_trial_id: int | None
    name: str
    reason: str
    spec: SpecFile
    kept_at: str
    reference: bool


class DraftReport(Report):
    """The draft on the bench, and the trial it is held against."""

    parent_trial_id: int
    spec: SpecFile
    revision: int
    saved_at: str


class DrinkSummary(Report):
    """A drink as it stands in the book."""

    id: int
    name: str
    family: str
    origin: str
    trials: int
    latest_trial: str
    latest_reason: str
    has_draft: bool
    ingredients: list[str]


class DrinkDetail(Report):
    """A drink with its trials, oldest first, and its draft if something lies on the bench."""

    id: int
    name: str
    family: str
    origin: str
    notes: str
    trials: list[TrialReport]
    draft: DraftReport | None


class NewDrink(Entry):
    """A new drink: its first trial is the spec it starts from; ``parents`` are trials of other drinks that it descends from.

    ``wish`` tells of an original what it was wished to be: what is tasted of it then teaches the kinship of aromas.
    """

    name: Name
    spec: SpecFile
    trial_name: Name
    reason: Reason = ""
    parents: Annotated[list[RowId], Field(max_length=3)] = []
    notes: Notes = ""
    wish: WishEntry | None = None


class NewNotes(Entry):
    """What is to be remembered of a drink; ``was`` is what the window showed of it: refused with 409 where it was changed since."""

    notes: Notes
    was: Notes | None = None


class NewName(Entry):
    """Another name for a drink."""

    name: Name


class NewTrial(Entry):
    """A trial to keep; the draft is then held against it.

    ``parents`` are further trials that it descends from, of whatever drinks. ``beside`` keeps the trial and leaves the draft to the
    window that saved it last.
    """

    name: Name
    reason: Reason = ""
    parent_trial_id: RowId
    parents: Annotated[list[RowId], Field(max_length=2)] = []
    spec: SpecFile
    made: MadeEntry = MadeEntry()
    revision: Annotated[int, Field(ge=0, le=2**53)]
    beside: bool = False


class Reference(Entry):
    """Whether a trial counts towards its family's home."""

    counts: bool


class DraftEntry(Entry):
    """A draft to save over a revision; 0 where there is none yet."""

    parent_trial_id: RowId
    spec: SpecFile
    revision: Annotated[int, Field(ge=0, le=2**53)]


class BookQuery(Entry):
    """What a drink has to have: every word of ``q`` in its name, trials, ingredients or sheets; a family, a taster, at least such a score,
    every pour in stock.
    """

    q: Annotated[Plain, Field(max_length=100)] = ""
    family: FamilyName | None = None
    taster: Annotated[Plain, Field(max_length=100)] = ""
    score: Annotated[float, Field(ge=0, le=10, allow_inf_nan=False)] | None = None
    at_hand: bool = False

    def wanted(self, names: Index) -> Wanted:
        """The same for the store; ``names`` tell which ingredients the words mean, by whatever word for them."""
        meant = tuple(each.slug for each in names.find(self.q) if each.tier <= Tier.ANY_ORDER) if self.q.strip() else ()
        return Wanted(self.q, meant, self.family or "", self.taster, self.score, in_stock=self.at_hand)


class PageQuery(BookQuery):
    """A page of it: as many as ``limit``, of those older than the drink ``before``."""

    before: RowId | None = None
    limit: Annotated[int, Field(ge=1, le=500)] = book_search.MOST_FOUND


class BookCount(Report):
    """How many drinks there are."""

    drinks: int


@router.get("/drinks", responses={422: PROBLEMS["bad"][422]})
def list_drinks(conn: Connection, asked: Annotated[PageQuery, Query()]) -> list[DrinkSummary]:
    """A page of the book, newest drink first; how many there are in all: `/book`."""
    found = book_search.find(conn, asked.wanted(ingredients.names(conn)), asked.limit, asked.before)
    drafts, latest = drinks.drafts(conn, found), drinks.latest_trials(conn, found)
    return [_summary(record, latest[record.id], drafts.get(record.id)) for record in drinks.some(conn, found)]


@router.get("/book", responses={422: PROBLEMS["bad"][422]})
def count_drinks(conn: Connection, asked: Annotated[BookQuery, Query()]) -> BookCount:
    """How many drinks of the book have what is asked for."""
    return BookCount(drinks=book_search.count(conn, asked.wanted(ingredients.names(conn))))


@router.post("/drinks", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_drink(body: NewDrink, conn: Connection) -> DrinkDetail:
    """Starts a drink from a spec, which is kept as its first trial."""
    with transaction(conn):
        drink_id = drinks.add(conn, body.name, body.spec.family, notes=body.notes)
        spec = body.spec.model_copy(update={"name": body.name})
        trial_id = _keep(conn, drink_id, None, body.trial_name, body.reason, spec, MadeEntry(), STANDARD)
        lineage.add_parents(conn, trial_id, body.parents)
        if body.wish is not None:
            originals.mark(conn, drink_id, body.wish.model_dump_json())
        return _detail(conn, drink_id)


@router.get("/drinks/{drink_id}", responses=PROBLEMS["missing"])
def get_drink(drink_id: RowId, conn: Connection) -> DrinkDetail:
    """One drink."""
    return _detail(conn, drink_id)


@router.patch("/drinks/{drink_id}", responses=PROBLEMS["write"])
def rename_drink(drink_id: RowId, body: NewName, conn: Connection) -> DrinkDetail:
    """Gives a drink another name; its trials keep the one they were made under."""
    with transaction(conn):
        drinks.rename(conn, drink_id, body.name)
    return _detail(conn, drink_id)


@router.put("/drinks/{drink_id}/notes", responses=PROBLEMS["write"])
def write_notes(drink_id: RowId, body: NewNotes, conn: Connection) -> DrinkDetail:
    """Writes down what is to be remembered of a drink and stands nowhere else."""
    with transaction(conn):
        here = drinks.get(conn, drink_id)
        if body.was is not None:
            check_was({"notes": body.was}, {"notes": here.notes}, {"notes": body.notes}, f"What is to be remembered of {here.name}")
        drinks.put_notes(conn, drink_id, body.notes)
    return _detail(conn, drink_id)


@router.post("/drinks/{drink_id}/trials", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def keep_trial(drink_id: RowId, body: NewTrial, conn: Connection, conditions: HouseConditions) -> DrinkDetail:
    """Keeps a trial as made with the forecast of that day, and holds the draft against it: both or neither.

    Refused with 409 where another window saved in between; it can then be kept beside.
    """
    with transaction(conn):
        trial_id = _keep(conn, drink_id, body.parent_trial_id, body.name, body.reason, body.spec, body.made, conditions)
        lineage.add_parents(conn, trial_id, [parent for parent in body.parents if parent != body.parent_trial_id])
        if not body.beside:
            drinks.put_draft(conn, drink_id, trial_id, drinks.get_trial(conn, drink_id, trial_id).spec, body.revision)
    return _detail(conn, drink_id)


@router.put("/drinks/{drink_id}/trials/{trial_id}/reference", responses=PROBLEMS["write"])
def set_reference(drink_id: RowId, trial_id: RowId, body: Reference, conn: Connection) -> DrinkDetail:
    """Counts a kept trial among the house's reference specs of its family, or no longer."""
    with transaction(conn):
        drinks.set_reference(conn, drink_id, trial_id, body.counts)
    return _detail(conn, drink_id)


@router.put("/drinks/{drink_id}/draft", responses=PROBLEMS["write"])
def save_draft(drink_id: RowId, body: DraftEntry, conn: Connection) -> DraftReport:
    """Saves the draft; refused with 409 where another window saved in between."""
    drinks.get(conn, drink_id)
    (drink,) = resolve(conn, body.spec)
    with transaction(conn):
        drinks.put_draft(conn, drink_id, body.parent_trial_id, _text(settled(body.spec, drink)), body.revision)
        record = drinks.get_draft(conn, drink_id)
    assert record is not None
    return _draft(record)


def _keep(
    conn: sqlite3.Connection,
    drink_id: int,
    parent: int | None,
    name: str,
    reason: str,
    spec: SpecFile,
    made: MadeEntry,
    conditions: Conditions,
) -> int:
    spec, made = with_lots_named(conn, spec, made)
    written, poured = resolve(conn, spec, as_poured(spec, made))
    forecast = forecast_report(forecast_of(poured, conditions, homes_for(conn, poured.family))).model_dump_json()
    as_made = with_conditions(made, conditions).model_dump_json(exclude_defaults=True)
    return drinks.keep_trial(conn, drink_id, parent, name, reason, _text(settled(spec, written)), forecast, as_made)


def _text(spec: SpecFile) -> str:
    return spec.model_dump_json(exclude_unset=True)


def _spec(text: str) -> SpecFile:
    return plain_spec(SpecFile.model_validate_json(text))


def _draft(record: DraftRecord) -> DraftReport:
    return DraftReport(parent_trial_id=record.parent_trial_id, spec=_spec(record.spec), revision=record.revision, saved_at=record.saved_at)


def _trial(record: TrialRecord, references: set[int]) -> TrialReport:
    return TrialReport(
        id=record.id,
        number=record.number,
        parent_trial_id=record.parent_trial_id,
        name=record.name,
        reason=record.reason,
        spec=_spec(record.spec),
        kept_at=record.kept_at,
        reference=record.id in references,
    )


def _summary(record: DrinkRecord, latest: TrialRecord, draft: DraftRecord | None) -> DrinkSummary:
    spec = _spec(latest.spec)
    return DrinkSummary(
        id=record.id,
        name=record.name,
        family=record.family,
        origin=record.origin,
        trials=latest.number,
        latest_trial=latest.name,
        latest_reason=latest.reason,
        has_draft=draft is not None and not same_spec(_spec(draft.spec), spec),
        ingredients=[p.ingredient if isinstance(p.ingredient, str) else p.ingredient.name for p in spec.pours],
    )


def _detail(conn: sqlite3.Connection, drink_id: int) -> DrinkDetail:
    record = drinks.get(conn, drink_id)
    draft = drinks.get_draft(conn, drink_id)
    references = drinks.reference_ids(conn, drink_id)
    return DrinkDetail(
        id=record.id,
        name=record.name,
        family=record.family,
        origin=record.origin,
        notes=record.notes,
        trials=[_trial(trial, references) for trial in drinks.trials(conn, drink_id)],
        draft=_draft(draft) if draft else None,
    )
