"""Batches: worked out, made, tasted and corrected, poured from, topped up."""

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
    """Find which trial of a drink is poured for many: the newest that is finished, else the newest."""
    return cases.get_poured(conn, drink_id)


@router.post("/batch", responses=PROBLEMS["bad"])
def work_out_batch(body: BatchEntry, conn: Connection, conditions: HouseConditions) -> BatchReport:
    """Return a batch as it can be measured: order of pouring, water, container, one serve beside the drink made singly, what it takes."""
    return cases.work_out_batch(conn, body, conditions)


@router.get("/batches", responses=PROBLEMS["bad"])
def list_batches(conn: Connection, every: Annotated[bool, Query()] = False) -> list[KeptBatchSummary]:
    """Batches that are there, the newest first; with ``every`` those that are finished too."""
    return cases.list_batches(conn, every)


@router.post("/batches", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def make_batch(body: MakeEntry, conn: Connection, conditions: HouseConditions) -> KeptBatchReport:
    """Save a batch that was made, with its real amounts and lots, on what was kept of an older one."""
    return cases.make_batch(conn, body, conditions)


@router.get("/batches/{batch_id}", responses=PROBLEMS["missing"])
def get_batch(batch_id: RowId, conn: Connection) -> KeptBatchReport:
    """Return one batch: what is left, what is in it, whose share, its log and its label."""
    return cases.get_batch(conn, batch_id)


@router.patch("/batches/{batch_id}", responses=PROBLEMS["write"])
def change_batch(batch_id: RowId, body: BatchChange, conn: Connection) -> KeptBatchReport:
    """Set right what is left of it, its name, its date, or that it is finished."""
    return cases.change_batch(conn, batch_id, body)


@router.delete("/batches/{batch_id}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def remove_batch(batch_id: RowId, conn: Connection) -> None:
    """Take away a batch that was noted by mistake."""
    cases.remove_batch(conn, batch_id)


@router.post("/batches/{batch_id}/served", responses=PROBLEMS["write"])
def serve_from_batch(batch_id: RowId, body: ServedEntry, conn: Connection) -> KeptBatchReport:
    """Note what was poured out of it; refused where that much isn't there."""
    return cases.serve_from_batch(conn, batch_id, body)


@router.post("/batches/{batch_id}/corrections", responses=PROBLEMS["missing"])
def correct_by_taste(batch_id: RowId, body: SaidOfBottle, conn: Connection) -> CorrectionsReport:
    """Return what to add after what a tongue said, an axis at a time; nothing is written."""
    return cases.correct_by_taste(conn, batch_id, body)


@router.post("/batches/{batch_id}/readings", responses=PROBLEMS["write"])
def correct_by_reading(batch_id: RowId, body: BottleReading, conn: Connection) -> CorrectionsReport:
    """Take a reading of the bottle in, and say what brings it to its recipe; nothing where no tongue could tell the difference."""
    return cases.correct_by_reading(conn, batch_id, body)


@router.post("/batches/{batch_id}/additions", responses=PROBLEMS["write"])
def add_to_batch(batch_id: RowId, body: AdditionEntry, conn: Connection) -> KeptBatchReport:
    """Note what was added to what is left in the bottle."""
    return cases.add_to_batch(conn, batch_id, body)
