"""Taste training: sessions of triangle tests, exercises and the training plan."""

from __future__ import annotations

import json
import random
import secrets
import sqlite3
from collections.abc import Collection
from typing import Final

from oenomel.core.dilution import Conditions
from oenomel.core.larder import Ingredient
from oenomel.core.sensory import Attribute
from oenomel.core.sensory.blends import WATER, choices, jugs_for, needs
from oenomel.core.sensory.exercises import Exercise, exercise, score_of
from oenomel.core.sensory.triangle import GLASSES, next_triangle, poured, remaining_after
from oenomel.errors import DomainError, RecordConflict, SpecError
from oenomel.schemas.reports.sensory_reports import (
    AskReport,
    BottleReport,
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
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import spec_as_poured
from oenomel.services.resolve import resolve
from oenomel.services.stored_sensory import (
    jugs_of,
    jugs_text,
    sitting_report,
    threshold_on,
    tongue_report,
    triangle_of,
    triangle_report,
    turn_of,
)
from oenomel.store import drinks, ingredients, sensory
from oenomel.store.database import transaction
from oenomel.store.sensory import ExerciseRecord, SittingRecord, TriangleRecord
from oenomel.store.stock import in_stock

NEW_TRIES: Final = 6


LATELY: Final = 12
"""How often another exercise is drawn to avoid one of the last twelve."""


def get_tongue(conn: sqlite3.Connection, asked: TasterQuery) -> TongueReport:
    """Return what is known of a taster, or of the bar: smallest noticed differences, exercises, plan, open sittings."""
    return tongue_report(conn, asked.taster)


def list_bottles(conn: sqlite3.Connection, attribute: Attribute) -> list[JobReport]:
    """List the ingredients that could go into the two jugs, those in stock first."""
    larder, stocked = ingredients.larder(conn), in_stock(conn)
    return [
        JobReport(job=job, options=[_bottle_report(choice, stocked) for choice in choices(attribute, job, larder, stocked)])
        for job in needs(attribute)
    ]


def begin_sitting(conn: sqlite3.Connection, body: SittingEntry) -> SittingReport:
    """Begin a sitting: compute the contents of the two jugs, in the smallest measurable volumes."""
    if len(set(body.tasters)) < len(body.tasters):
        raise SpecError("tasters", "a name is there twice")
    if body.alone and len(body.tasters) > 1:
        raise SpecError("alone", "without a pourer only one can taste")
    bottles = _bottles(conn, body)
    water = ingredients.get(conn, WATER)
    jugs = jugs_for(body.matter, bottles, water, body.rounds * len(body.tasters), body.grid)
    record = SittingRecord(
        matter=body.matter,
        tasters=json.dumps(body.tasters),
        rounds=body.rounds,
        alone=int(body.alone),
        grid_ml=body.grid,
        bottles=json.dumps({job: bottle.slug for job, bottle in bottles.items()}),
        jugs=jugs_text(jugs),
    )
    with transaction(conn):
        sitting_id = sensory.add_sitting(conn, record)
        return sitting_report(conn, sensory.sitting(conn, sitting_id))


def get_sitting(conn: sqlite3.Connection, sitting_id: int) -> SittingReport:
    """Return a sitting in its present state."""
    return sitting_report(conn, sensory.sitting(conn, sitting_id))


def next_glasses(conn: sqlite3.Connection, sitting_id: int) -> TriangleReport:
    """Return the next triangle and who tastes it, at the difference that teaches most. An unanswered one is returned again."""
    with transaction(conn):
        sitting = sensory.sitting(conn, sitting_id)
        before = sensory.triangles_of(conn, sitting_id)
        waiting = [triangle for triangle in before if triangle.found is None]
        if waiting:
            return triangle_report(waiting[0], sum(triangle.taster == waiting[0].taster for triangle in before))
        taster = turn_of(sitting, before)
        if not taster:
            raise RecordConflict("everyone has finished this session: start a new one")
        jugs = jugs_of(conn, sitting)
        blends = remaining_after(jugs, [triangle_of(triangle) for triangle in before])
        drawn = next_triangle(jugs, threshold_on(conn, taster, jugs.attribute), blends, random.Random(secrets.randbits(64)))
        record = TriangleRecord(sitting_id, taster, drawn.steps, drawn.less_parts, drawn.more_parts, drawn.odd, int(drawn.odd_is_more))
        triangle_id = sensory.add_triangle(conn, record)
        return triangle_report(sensory.triangle(conn, triangle_id), 1 + sum(triangle.taster == taster for triangle in before))


def get_key(conn: sqlite3.Connection, triangle_id: int) -> KeyReport:
    """Return which jug goes into which glass; for the pourer only."""
    record = sensory.triangle(conn, triangle_id)
    jugs, triangle = jugs_of(conn, sensory.sitting(conn, record.sitting_id)), triangle_of(record)
    return KeyReport(
        triangle_id=triangle_id,
        taster=record.taster,
        steps=record.steps,
        odd=record.odd,
        odd_is_more=bool(record.odd_is_more),
        lines=list(poured(jugs, triangle)),
        glasses=[spec_as_poured(jugs.blend(triangle.parts_of(glass))) for glass in GLASSES],
    )


def answer_triangle(conn: sqlite3.Connection, triangle_id: int, body: AnswerEntry) -> SittingReport:
    """Save which glass was named as the odd one, and return the state of the sitting; somebody alone says whether it was right."""
    if (body.glass is None) == (body.found is None):
        raise SpecError("glass", "choose the odd glass, or whether it was found")
    with transaction(conn):
        record = sensory.triangle(conn, triangle_id)
        is_right = record.odd == body.glass if body.found is None else body.found
        sensory.answer_triangle(conn, triangle_id, body.glass, is_right=is_right)
        sitting = sensory.sitting(conn, record.sitting_id)
        if not turn_of(sitting, sensory.triangles_of(conn, sitting.id)):
            sensory.end_sitting(conn, sitting.id)
        return sitting_report(conn, sensory.sitting(conn, sitting.id))


def get_triangle(conn: sqlite3.Connection, triangle_id: int) -> TriangleReport:
    """Return a triangle; without its key until it is answered."""
    record = sensory.triangle(conn, triangle_id)
    own = [triangle.id for triangle in sensory.triangles_of(conn, record.sitting_id) if triangle.taster == record.taster]
    return triangle_report(record, own.index(triangle_id) + 1)


def end_sitting(conn: sqlite3.Connection, sitting_id: int) -> SittingReport:
    """End a sitting early; its answers count."""
    with transaction(conn):
        sensory.end_sitting(conn, sitting_id)
        return sitting_report(conn, sensory.sitting(conn, sitting_id))


def take_sitting_back(conn: sqlite3.Connection, sitting_id: int) -> None:
    """Delete a sitting with its triangles, after a wrong bottle or a cold for instance."""
    with transaction(conn):
        sensory.remove_sitting(conn, sitting_id)


def ask_exercise(conn: sqlite3.Connection, body: ExerciseEntry, conditions: Conditions) -> ExerciseReport:
    """Return an exercise from the book, not one of the last twelve where there are others."""
    book = resolve(conn, *(parse_spec(record.spec) for record in drinks.finished(conn)))
    larder, stocked = ingredients.larder(conn), in_stock(conn)
    with transaction(conn):
        lately = {(record.title, record.question) for record in sensory.exercises_of(conn, body.taster)[:LATELY]}
        for _ in range(NEW_TRIES):
            drawn = exercise(body.kind, book, larder, stocked, conditions, secrets.randbits(32))
            question = _question(drawn)
            if (drawn.title, question) not in lately:
                break
        solution = json.dumps({"right": drawn.right, "told": drawn.told})
        exercise_id = sensory.add_exercise(conn, ExerciseRecord(body.taster, drawn.kind, drawn.title, question, solution))
        return _exercise_report(sensory.exercise(conn, exercise_id))


def get_exercise(conn: sqlite3.Connection, exercise_id: int) -> ExerciseReport:
    """Return an exercise without its solution."""
    return _exercise_report(sensory.exercise(conn, exercise_id))


def answer_exercise(conn: sqlite3.Connection, exercise_id: int, body: ExerciseAnswerEntry) -> SolvedReport:
    """Save an answer, and return the right one by the model, with its reason."""
    with transaction(conn):
        record = sensory.exercise(conn, exercise_id)
        solution = json.loads(record.solution)
        for key in body.said:
            if key not in solution["right"]:
                raise SpecError(f"said.{key}", "there was no such question")
        score = score_of(solution["right"], body.said)
        sensory.answer_exercise(conn, exercise_id, json.dumps(body.said), score)
    return SolvedReport(id=exercise_id, right=solution["right"], score=score, told=solution["told"])


def begin_training(conn: sqlite3.Connection, body: TrainingEntry) -> TongueReport:
    """Begin a taster's weekly plan, or begin it again."""
    with transaction(conn):
        sensory.begin_training(conn, body.taster)
        return tongue_report(conn, body.taster)


def end_training(conn: sqlite3.Connection, taster: Who) -> None:
    """Delete a taster's weekly plan; what was learnt stays."""
    with transaction(conn):
        sensory.end_training(conn, taster)


def _bottle_report(ingredient: Ingredient, stocked: Collection[str]) -> BottleReport:
    return BottleReport(slug=ingredient.slug, name=ingredient.name, at_hand=ingredient.slug in stocked)


def _bottles(conn: sqlite3.Connection, body: SittingEntry) -> dict[str, Ingredient]:
    """Return the ingredient of each role: the chosen one, else the simplest in stock; raises SpecError that names the role."""
    larder, stocked = ingredients.larder(conn), in_stock(conn)
    bottles = {}
    for job in needs(body.matter):
        options = choices(body.matter, job, larder, stocked)
        wanted = getattr(body, job)
        if wanted and wanted not in larder:
            raise SpecError(job, f'there is no ingredient "{wanted}"')
        if not wanted and not options:
            raise DomainError(f"no ingredient can be the {job} of a jug")
        bottles[job] = larder[wanted] if wanted else options[0]
    return bottles


def _question(drawn: Exercise) -> str:
    spec = spec_as_poured(drawn.drink).model_dump(mode="json", exclude_unset=True)
    asks = [AskReport.model_validate(ask).model_dump() for ask in drawn.asks]
    return json.dumps({"of": drawn.of, "spec": spec, "asks": asks})


def _exercise_report(record: ExerciseRecord) -> ExerciseReport:
    question = json.loads(record.question)
    return ExerciseReport.model_validate(
        {"id": record.id, "kind": record.kind, "taster": record.taster, "of": question["of"], "title": record.title}
        | {"spec": SpecFile.model_validate(question["spec"]), "asks": question["asks"]}
    )
