"""Tasting sheets, ingredients tasted alone, what to try next, and palates."""

from __future__ import annotations

from functools import partial
from http import HTTPStatus
from typing import Annotated

from fastapi import Response
from pydantic import Field

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.api.search_queue import Search
from oenomel.schemas.base import Plain, RowId
from oenomel.schemas.reports.trial_reports import (
    NextReport,
    PalateReport,
)
from oenomel.schemas.routes.tastings_models import (
    AromaReport,
    FlightEntry,
    FlightReport,
    IngredientNoteEntry,
    IngredientNoteReport,
    NextRequest,
    TasterReport,
)
from oenomel.services import tastings as cases

router = idempotent_router("tasting")


@router.get("/aromas")
def list_aromas() -> list[AromaReport]:
    """List the words for aromas."""
    return cases.list_aromas()


@router.post("/tastings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def keep_sheets(body: FlightEntry, conn: Connection) -> FlightReport:
    """Save tasting sheets, all of them or none; a hidden trial is shown again."""
    return cases.keep_sheets(conn, body)


@router.delete("/tastings/{tasting_id}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["missing"])
def take_sheet_back(tasting_id: RowId, conn: Connection) -> Response:
    """Delete a tasting sheet."""
    cases.take_sheet_back(conn, tasting_id)
    return Response(status_code=HTTPStatus.NO_CONTENT)


@router.post("/drinks/{drink_id}/trials/{trial_id}/next", responses=PROBLEMS["write"])
async def propose_next(
    drink_id: RowId, trial_id: RowId, body: NextRequest, conn: Connection, conditions: HouseConditions, search: Search
) -> NextReport:
    """Propose two or three trials to try next after a tasting."""
    return await search.step(partial(cases.propose_next, conn, drink_id, trial_id, body, conditions, search.budget))


@router.get("/tasters")
def list_tasters(conn: Connection) -> list[TasterReport]:
    """List the tasters of this bar."""
    return cases.list_tasters(conn)


@router.get("/palate", responses={422: PROBLEMS["bad"][422]})
def get_palate(conn: Connection, taster: Annotated[Plain, Field(max_length=100)] = "") -> PalateReport:
    """Return a taster's palate, or the bar's for an empty name, and the sheets it was learnt from."""
    return cases.get_palate(conn, taster)


@router.delete("/palate", status_code=HTTPStatus.NO_CONTENT, responses={422: PROBLEMS["bad"][422]})
def reset_palate(conn: Connection, taster: Annotated[Plain, Field(max_length=100)] = "") -> Response:
    """Learn a palate from new sheets only; the old ones stay with their trials."""
    cases.reset_palate(conn, taster)
    return Response(status_code=HTTPStatus.NO_CONTENT)


@router.get("/ingredients/{slug}/tastings", responses=PROBLEMS["missing"])
def list_part_tastings(slug: str, conn: Connection) -> list[IngredientNoteReport]:
    """List the tastings of an ingredient alone, oldest first."""
    return cases.list_part_tastings(conn, slug)


@router.post("/ingredients/{slug}/tastings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def taste_part(slug: str, body: IngredientNoteEntry, conn: Connection) -> list[IngredientNoteReport]:
    """Save a tasting of an ingredient alone, and update its aroma and impression where they were given."""
    return cases.taste_part(conn, slug, body)
