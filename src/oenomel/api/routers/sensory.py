"""Sensory training: triangle tests poured from two jugs, exercises without a glass, and a week's plan."""

from __future__ import annotations

from http import HTTPStatus
from typing import Annotated

from fastapi import Query

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import idempotent_router
from oenomel.core.sensory import Attribute
from oenomel.schemas.base import RowId
from oenomel.schemas.reports.sensory_reports import (
    ExerciseReport,
    JobReport,
    KeyReport,
    SittingReport,
    SolvedReport,
    TongueReport,
    TriangleReport,
)
from oenomel.schemas.requests.sensory_requests import AnswerEntry, ExerciseAnswerEntry, ExerciseEntry, SittingEntry, TrainingEntry, Who
from oenomel.schemas.routes.sensory_models import TasterQuery
from oenomel.services import sensory as cases

router = idempotent_router("tongue")


@router.get("/tongue", responses={422: PROBLEMS["bad"][422]})
def get_tongue(conn: Connection, asked: Annotated[TasterQuery, Query()]) -> TongueReport:
    """Return what is known of a taster, or of the bar: smallest noticed differences, exercises, plan, open sittings."""
    return cases.get_tongue(conn, asked)


@router.get("/tongue/bottles/{matter}", responses={422: PROBLEMS["bad"][422]})
def list_bottles(matter: Attribute, conn: Connection) -> list[JobReport]:
    """List the ingredients that could go into the two jugs, those in stock first."""
    return cases.list_bottles(conn, matter)


@router.post("/sittings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def begin_sitting(body: SittingEntry, conn: Connection) -> SittingReport:
    """Begin a sitting: compute the contents of the two jugs, in the smallest measurable volumes."""
    return cases.begin_sitting(conn, body)


@router.get("/sittings/{sitting_id}", responses=PROBLEMS["missing"])
def get_sitting(sitting_id: RowId, conn: Connection) -> SittingReport:
    """Return a sitting in its present state."""
    return cases.get_sitting(conn, sitting_id)


@router.post("/sittings/{sitting_id}/triangles", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def next_glasses(sitting_id: RowId, conn: Connection) -> TriangleReport:
    """Return the next triangle and who tastes it, at the difference that teaches most. An unanswered one is returned again."""
    return cases.next_glasses(conn, sitting_id)


@router.get("/triangles/{triangle_id}/key", responses=PROBLEMS["missing"])
def get_key(triangle_id: RowId, conn: Connection) -> KeyReport:
    """Return which jug goes into which glass; for the pourer only."""
    return cases.get_key(conn, triangle_id)


@router.post("/triangles/{triangle_id}/answer", responses=PROBLEMS["write"])
def answer_triangle(triangle_id: RowId, body: AnswerEntry, conn: Connection) -> SittingReport:
    """Save which glass was named as the odd one, and return the state of the sitting; somebody alone says whether it was right."""
    return cases.answer_triangle(conn, triangle_id, body)


@router.get("/triangles/{triangle_id}", responses=PROBLEMS["missing"])
def get_triangle(triangle_id: RowId, conn: Connection) -> TriangleReport:
    """Return a triangle; without its key until it is answered."""
    return cases.get_triangle(conn, triangle_id)


@router.post("/sittings/{sitting_id}/end", responses=PROBLEMS["write"])
def end_sitting(sitting_id: RowId, conn: Connection) -> SittingReport:
    """End a sitting early; its answers count."""
    return cases.end_sitting(conn, sitting_id)


@router.delete("/sittings/{sitting_id}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["missing"])
def take_sitting_back(sitting_id: RowId, conn: Connection) -> None:
    """Delete a sitting with its triangles, after a wrong bottle or a cold for instance."""
    cases.take_sitting_back(conn, sitting_id)


@router.post("/exercises", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def ask_exercise(body: ExerciseEntry, conn: Connection, conditions: HouseConditions) -> ExerciseReport:
    """Return an exercise from the book, not one of the last twelve where there are others."""
    return cases.ask_exercise(conn, body, conditions)


@router.get("/exercises/{exercise_id}", responses=PROBLEMS["missing"])
def get_exercise(exercise_id: RowId, conn: Connection) -> ExerciseReport:
    """Return an exercise without its solution."""
    return cases.get_exercise(conn, exercise_id)


@router.post("/exercises/{exercise_id}/answer", responses=PROBLEMS["write"])
def answer_exercise(exercise_id: RowId, body: ExerciseAnswerEntry, conn: Connection) -> SolvedReport:
    """Save an answer, and return the right one by the model, with its reason."""
    return cases.answer_exercise(conn, exercise_id, body)


@router.put("/training", responses=PROBLEMS["write"])
def begin_training(body: TrainingEntry, conn: Connection) -> TongueReport:
    """Begin a taster's weekly plan, or begin it again."""
    return cases.begin_training(conn, body)


@router.delete("/training/{taster}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["missing"])
def end_training(taster: Who, conn: Connection) -> None:
    """Delete a taster's weekly plan; what was learnt stays."""
    cases.end_training(conn, taster)
