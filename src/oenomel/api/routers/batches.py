"""Batches: plan one, make it, taste and correct it, serve from it, top it up."""

from __future__ import annotations

from http import HTTPStatus
from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.base import RowId
from oenomel.schemas.reports.batch_reports import (
    BatchReport,
    CorrectionsReport,
    KeptBatchReport,
    KeptBatchSummary,
)
from oenomel.schemas.requests.batch_requests import AdditionEntry, BatchEntry
from oenomel.schemas.routes.batches_models import BatchChange, BottleReading, MakeEntry, PouredTrial, SaidOfBottle, ServedEntry
from oenomel.services import batches as cases

router = idempotent_router("batches")


@router.get("/drinks/{drink_id}/poured", responses=PROBLEMS["missing"])
def get_poured(drink_id: RowId, conn: Connection) -> PouredTrial:
    """Return the trial of a drink that a batch is made of: the newest finished one, else the newest."""
    return cases.get_poured(conn, drink_id)


@router.post("/batch", responses=PROBLEMS["bad"])
def work_out_batch(body: BatchEntry, conn: Connection, conditions: HouseConditions) -> BatchReport:
    """Plan a batch: order of pouring, water, container, a serve compared with a single drink, and what must be bought."""
    return cases.work_out_batch(conn, body, conditions)


@router.get("/batches", responses=PROBLEMS["bad"])
def list_batches(conn: Connection, every: Annotated[bool, Query()] = False) -> list[KeptBatchSummary]:
    """List batches with something left, newest first; with ``every`` the finished ones too."""
    return cases.list_batches(conn, every)


@router.post("/batches", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def make_batch(body: MakeEntry, conn: Connection, conditions: HouseConditions) -> KeptBatchReport:
    """Save a batch that was made, with its measured amounts and lots, and what was left of an older one."""
    return cases.make_batch(conn, body, conditions)


@router.get("/batches/{batch_id}", responses=PROBLEMS["missing"])
def get_batch(batch_id: RowId, conn: Connection) -> KeptBatchReport:
    """Return one batch: what is left, its composition, the older batches in it, its log and its label."""
    return cases.get_batch(conn, batch_id)


@router.patch("/batches/{batch_id}", responses=PROBLEMS["write"])
def change_batch(batch_id: RowId, body: BatchChange, conn: Connection) -> KeptBatchReport:
    """Change what is left of a batch, its name, its date, or whether it is finished."""
    return cases.change_batch(conn, batch_id, body)


@router.delete("/batches/{batch_id}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def remove_batch(batch_id: RowId, conn: Connection) -> None:
    """Delete a batch that was saved by mistake."""
    cases.remove_batch(conn, batch_id)


@router.post("/batches/{batch_id}/served", responses=PROBLEMS["write"])
def serve_from_batch(batch_id: RowId, body: ServedEntry, conn: Connection) -> KeptBatchReport:
    """Record a serve from a batch; refused where less is left."""
    return cases.serve_from_batch(conn, batch_id, body)


@router.post("/batches/{batch_id}/corrections", responses=PROBLEMS["missing"])
def correct_by_taste(batch_id: RowId, body: SaidOfBottle, conn: Connection) -> CorrectionsReport:
    """Return what to add after a tasting, an axis at a time; nothing is written."""
    return cases.correct_by_taste(conn, batch_id, body)


@router.post("/batches/{batch_id}/readings", responses=PROBLEMS["write"])
def correct_by_reading(batch_id: RowId, body: BottleReading, conn: Connection) -> CorrectionsReport:
    """Take a reading of a batch and return what brings it back to its recipe; nothing where the difference can't be tasted."""
    return cases.correct_by_reading(conn, batch_id, body)


@router.post("/batches/{batch_id}/additions", responses=PROBLEMS["write"])
def add_to_batch(batch_id: RowId, body: AdditionEntry, conn: Connection) -> KeptBatchReport:
    """Record what was added to a batch."""
    return cases.add_to_batch(conn, batch_id, body)
