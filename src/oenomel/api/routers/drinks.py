"""The book: drinks, their trials as made, and the draft on the bench."""

from __future__ import annotations

from http import HTTPStatus
from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.base import RowId
from oenomel.schemas.routes.drinks_models import (
    BookCount,
    BookQuery,
    DraftEntry,
    DraftReport,
    DrinkDetail,
    DrinkSummary,
    NewDrink,
    NewName,
    NewNotes,
    NewTrial,
    PageQuery,
    Reference,
)
from oenomel.services import drinks as cases

router = idempotent_router("book")


@router.get("/drinks", responses={422: PROBLEMS["bad"][422]})
def list_drinks(conn: Connection, asked: Annotated[PageQuery, Query()]) -> list[DrinkSummary]:
    """Return a page of the book, newest drink first; `count_drinks` tells how many there are."""
    return cases.list_drinks(conn, asked)


@router.get("/book", responses={422: PROBLEMS["bad"][422]})
def count_drinks(conn: Connection, asked: Annotated[BookQuery, Query()]) -> BookCount:
    """Count the drinks of the book that match a search."""
    return cases.count_drinks(conn, asked)


@router.post("/drinks", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_drink(body: NewDrink, conn: Connection) -> DrinkDetail:
    """Add a drink from a spec, which becomes its first trial."""
    return cases.add_drink(conn, body)


@router.get("/drinks/{drink_id}", responses=PROBLEMS["missing"])
def get_drink(drink_id: RowId, conn: Connection) -> DrinkDetail:
    """Return one drink."""
    return cases.get_drink(conn, drink_id)


@router.patch("/drinks/{drink_id}", responses=PROBLEMS["write"])
def rename_drink(drink_id: RowId, body: NewName, conn: Connection) -> DrinkDetail:
    """Rename a drink; its trials keep the name they were made under."""
    return cases.rename_drink(conn, drink_id, body)


@router.put("/drinks/{drink_id}/notes", responses=PROBLEMS["write"])
def write_notes(drink_id: RowId, body: NewNotes, conn: Connection) -> DrinkDetail:
    """Save the notes of a drink."""
    return cases.write_notes(conn, drink_id, body)


@router.post("/drinks/{drink_id}/trials", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def keep_trial(drink_id: RowId, body: NewTrial, conn: Connection, conditions: HouseConditions) -> DrinkDetail:
    """Save a trial as made with the forecast of that day, and compare the draft with it from then on: both or neither.

    Refused with 409 where another window saved in between; it can then be kept beside.
    """
    return cases.keep_trial(conn, drink_id, body, conditions)


@router.put("/drinks/{drink_id}/trials/{trial_id}/reference", responses=PROBLEMS["write"])
def set_reference(drink_id: RowId, trial_id: RowId, body: Reference, conn: Connection) -> DrinkDetail:
    """Count a trial among the bar's reference specs of its family, or no longer."""
    return cases.set_reference(conn, drink_id, trial_id, body)


@router.put("/drinks/{drink_id}/draft", responses=PROBLEMS["write"])
def save_draft(drink_id: RowId, body: DraftEntry, conn: Connection) -> DraftReport:
    """Save the draft; refused with 409 where another window saved in the meantime."""
    return cases.save_draft(conn, drink_id, body)
