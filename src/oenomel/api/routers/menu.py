"""Today: the finished drinks as they are with today's lots, and what service needs."""

from __future__ import annotations

from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.base import RowId
from oenomel.schemas.reports.menu_reports import (
    TodayReport,
)
from oenomel.schemas.routes.menu_models import CurrencyEntry, OnTheListEntry, ParEntry, TodayQuery
from oenomel.services import menu as cases

router = idempotent_router("today")


@router.get("/today", responses=PROBLEMS["bad"])
def get_today(conn: Connection, asked: Annotated[TodayQuery, Query()]) -> TodayReport:
    """Return today's drinks with today's lots: what to pour instead, what runs low, what to prepare and to buy."""
    return cases.get_today(conn, asked)


@router.put("/drinks/{drink_id}/tonight", status_code=204, responses=PROBLEMS["write"])
def put_on_the_list(drink_id: RowId, body: OnTheListEntry, conn: Connection) -> None:
    """Save the price of a drink, and how many are expected tonight."""
    cases.put_on_the_list(conn, drink_id, body)


@router.put("/ingredients/{slug}/par", status_code=204, responses=PROBLEMS["write"])
def put_par(slug: str, body: ParEntry, conn: Connection) -> None:
    """Save the par of an ingredient: how much of it should be in stock; empty for none."""
    cases.put_par(conn, slug, body)


@router.put("/currency", status_code=204, responses=PROBLEMS["write"])
def put_currency(body: CurrencyEntry, conn: Connection) -> None:
    """Save the currency of prices."""
    cases.put_currency(conn, body)


@router.get("/currency")
def get_currency(conn: Connection) -> CurrencyEntry:
    """Return the currency of prices; empty where none was set."""
    return cases.get_currency(conn)
