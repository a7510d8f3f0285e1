"""Preparations: written down, computed, adjusted, and made into lots."""

from __future__ import annotations

from http import HTTPStatus
from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection, HouseConditions, IfMatch
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.preparations.adjustment import Adjustment
from oenomel.schemas.base import Plain
from oenomel.schemas.preparation_file import PreparationFile
from oenomel.schemas.reports.preparation_reports import (
    FollowReport,
    KitchenFound,
    MadeReport,
    PreparationAnswer,
    PreparationSummary,
)
from oenomel.schemas.routes.preparations_models import AcidAdjustmentEntry, BrixEntry, GoodPriceEntry, MakingEntry, ScaleEntry
from oenomel.services import preparations as cases

router = idempotent_router("stillroom")


@router.get("/preparations")
def list_preparations(conn: Connection, conditions: HouseConditions) -> list[PreparationSummary]:
    """List the preparations."""
    return cases.list_preparations(conn, conditions)


@router.get("/preparations/{slug}", responses=PROBLEMS["missing"])
def get_preparation(slug: str, conn: Connection, conditions: HouseConditions) -> PreparationSummary:
    """Return one preparation."""
    return cases.get_preparation(conn, slug, conditions)


@router.post("/prepare", responses=PROBLEMS["bad"])
def prepare(file: PreparationFile, conn: Connection) -> PreparationAnswer:
    """Compute the composition and yield of a preparation."""
    return cases.prepare(conn, file)


@router.post("/prepare/scaled", responses=PROBLEMS["bad"])
def scale_preparation(body: ScaleEntry, conn: Connection) -> PreparationFile:
    """Scale a preparation to the amount on hand of one of its lines."""
    return cases.scale_preparation(conn, body)


@router.post("/preparations", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_preparation(file: PreparationFile, conn: Connection, conditions: HouseConditions) -> PreparationSummary:
    """Add a preparation. It defines the ingredient of the same name, which is created where there is none."""
    return cases.add_preparation(conn, file, conditions)


@router.put("/preparations/{slug}", responses=PROBLEMS["write"])
def change_preparation(
    slug: str, file: PreparationFile, conn: Connection, conditions: HouseConditions, read: IfMatch = None
) -> PreparationSummary:
    """Change a preparation; lots already made of it stay as they are. Refused with 409 where it was changed since it was read."""
    return cases.change_preparation(conn, slug, file, conditions, read)


@router.delete("/preparations/{slug}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["missing"])
def remove_preparation(slug: str, conn: Connection) -> None:
    """Delete a preparation; its lots and its ingredient stay."""
    cases.remove_preparation(conn, slug)


@router.post("/preparations/{slug}/makings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def make_preparation(slug: str, body: MakingEntry, conn: Connection, conditions: HouseConditions) -> MadeReport:
    """Make a lot from what was weighed, and return what that changes in today's drinks."""
    return cases.make_preparation(conn, slug, body, conditions)


@router.get("/ingredients/{slug}/follows", responses=PROBLEMS["missing"])
def list_follows(slug: str, conn: Connection, conditions: HouseConditions) -> list[FollowReport]:
    """Return what today's lot of one ingredient, by itself, changes in today's drinks."""
    return cases.list_follows(conn, slug, conditions)


@router.post("/adjust/brix", responses=PROBLEMS["bad"])
def adjust_to_brix(body: BrixEntry) -> Adjustment:
    """Compute the sugar or water that brings a liquid to a given °Bx."""
    return cases.adjust_to_brix(body)


@router.post("/adjust/acid", responses=PROBLEMS["missing"])
def adjust_to_acid(body: AcidAdjustmentEntry, conn: Connection) -> Adjustment:
    """Compute the grams of each acid that bring a juice to another juice's acidity."""
    return cases.adjust_to_acid(conn, body)


@router.get("/kitchen", responses=PROBLEMS["bad"])
def find_for_the_pot(conn: Connection, q: Annotated[Plain, Query(max_length=100)]) -> list[KitchenFound]:
    """Find what can go into a preparation, best match first, dry and fresh goods before ingredients."""
    return cases.find_for_the_pot(conn, q)


@router.put("/goods/{slug}/price", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def put_good_price(slug: str, body: GoodPriceEntry, conn: Connection) -> None:
    """Save the price of a kilogram of a dry good."""
    cases.put_good_price(conn, slug, body)
