"""The stillroom: preparations written down, worked out, adjusted, made into lots."""

from __future__ import annotations

from http import HTTPStatus
from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection, HouseConditions, IfMatch
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.base import Plain
from oenomel.schemas.preparation_file import PreparationFile
from oenomel.schemas.reports.preparation_reports import (
    AdjustmentReport,
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
    """Return what the bar knows how to make."""
    return cases.list_preparations(conn, conditions)


@router.get("/preparations/{slug}", responses=PROBLEMS["missing"])
def get_preparation(slug: str, conn: Connection, conditions: HouseConditions) -> PreparationSummary:
    """Return one of them."""
    return cases.get_preparation(conn, slug, conditions)


@router.post("/prepare", responses=PROBLEMS["bad"])
def prepare(file: PreparationFile, conn: Connection) -> PreparationAnswer:
    """Return what a preparation comes to."""
    return cases.prepare(conn, file)


@router.post("/prepare/scaled", responses=PROBLEMS["bad"])
def scale_preparation(body: ScaleEntry, conn: Connection) -> PreparationFile:
    """Return the same preparation for what is on hand of one of its lines."""
    return cases.scale_preparation(conn, body)


@router.post("/preparations", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def add_preparation(file: PreparationFile, conn: Connection, conditions: HouseConditions) -> PreparationSummary:
    """Write a preparation down. It makes the ingredient of its name; where there is none, one of the bar's own with what it comes to."""
    return cases.add_preparation(conn, file, conditions)


@router.put("/preparations/{slug}", responses=PROBLEMS["write"])
def change_preparation(
    slug: str, file: PreparationFile, conn: Connection, conditions: HouseConditions, read: IfMatch = None
) -> PreparationSummary:
    """Write a preparation down otherwise; lots that were made of it stay what they are. Refused with 409 where it was changed since."""
    return cases.change_preparation(conn, slug, file, conditions, read)


@router.delete("/preparations/{slug}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["missing"])
def remove_preparation(slug: str, conn: Connection) -> None:
    """Forget how something is made; what was made, and the ingredient, stay."""
    cases.remove_preparation(conn, slug)


@router.post("/preparations/{slug}/makings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def make_preparation(slug: str, body: MakingEntry, conn: Connection, conditions: HouseConditions) -> MadeReport:
    """Make a lot of what was just made: its composition by its grams; and say what follows for the drinks of the list."""
    return cases.make_preparation(conn, slug, body, conditions)


@router.get("/ingredients/{slug}/follows", responses=PROBLEMS["missing"])
def list_follows(slug: str, conn: Connection, conditions: HouseConditions) -> list[FollowReport]:
    """Return what today's lot of an ingredient, alone, does to the drinks of the list."""
    return cases.list_follows(conn, slug, conditions)


@router.post("/adjust/brix", responses=PROBLEMS["bad"])
def adjust_to_brix(body: BrixEntry) -> AdjustmentReport:
    """Sugar or water that brings a liquid to a °Bx."""
    return cases.adjust_to_brix(body)


@router.post("/adjust/acid", responses=PROBLEMS["missing"])
def adjust_to_acid(body: AcidAdjustmentEntry, conn: Connection) -> AdjustmentReport:
    """Grams of each acid that bring a juice to another one's acid."""
    return cases.adjust_to_acid(conn, body)


@router.get("/kitchen", responses=PROBLEMS["bad"])
def find_for_the_pot(conn: Connection, q: Annotated[Plain, Query(max_length=100)]) -> list[KitchenFound]:
    """Return what can go into a pot, by any word for it, best first: of what fits alike, dry and fresh goods before the larder."""
    return cases.find_for_the_pot(conn, q)


@router.put("/goods/{slug}/price", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["write"])
def put_good_price(slug: str, body: GoodPriceEntry, conn: Connection) -> None:
    """Note what a kilogram of a dry good costs."""
    cases.put_good_price(conn, slug, body)
