"""The bench: what it shows of a drink when it opens, in one answer."""

from __future__ import annotations

from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.schemas.base import Plain, RowId
from oenomel.schemas.routes.bench_models import BenchReport
from oenomel.services import bench as cases

router = idempotent_router("bench")


@router.get("/drinks/{drink_id}/bench", responses=PROBLEMS["missing"])
def open_bench(
    drink_id: RowId, conn: Connection, conditions: HouseConditions, tongue: Annotated[Plain | None, Query(max_length=100)] = None
) -> BenchReport:
    """Return all that the bench needs for its first figures: on a phone each further question would wait for the one before."""
    return cases.open_bench(conn, drink_id, conditions, tongue)
