"""Stored sensory training as the core takes it: jugs as poured, triangles, and whose thresholds are used."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Mapping, Sequence
from typing import Any

from oenomel.core.balance import USUAL_TONGUE, OwnSteps
from oenomel.core.larder import Composition, Ingredient
from oenomel.core.sensory import Attribute
from oenomel.core.sensory.blends import ATTRIBUTES, NOUNS, Jug, Jugs
from oenomel.core.sensory.exercises import EXERCISES
from oenomel.core.sensory.phrases import before_sitting, in_figures, known_steps, sitting_words, threshold_words
from oenomel.core.sensory.thresholds import KNOWN_AFTER, Threshold, TriangleAnswer, threshold_of, updated, worth_going_on
from oenomel.core.sensory.training_plan import week_plan
from oenomel.core.sensory.triangle import Triangle, alcohol_g, can_pour, remaining_after
from oenomel.core.spec import Pour
from oenomel.schemas.reports.sensory_reports import (
    DoneReport,
    JugLineReport,
    JugReport,
    KnownReport,
    SittingReport,
    ThresholdReport,
    TongueReport,
    TriangleReport,
    TurnReport,
    WeekReport,
)
from oenomel.store import ingredients, sensory
from oenomel.store.sensory import SittingRecord, TriangleRecord

__all__ = [
    "jugs_of", "jugs_text", "sitting_report", "threshold_on", "tongue_of", "tongue_report", "triangle_of", "triangle_report", "turn_of",
]  # fmt: skip

USUAL_DISTANCES = (0.4, 0.6, 0.8, 1.1, 1.4, 1.7, 2.0, 2.4, 2.8, 3.2, 3.6, 4.0)
"""Distances that two jugs can usually be blended to, [steps]."""

MOST_HISTORY = 40


def tongue_of(conn: sqlite3.Connection, taster: str | None) -> OwnSteps:
    """Return the thresholds to describe differences with: a taster's, the bar's for an empty name, the usual ones for None."""
    if taster is None:
        return USUAL_TONGUE
    return known_steps({attribute: threshold_of(answers) for attribute, answers in _answers(conn, taster).items()})


def threshold_on(conn: sqlite3.Connection, taster: str, attribute: Attribute) -> Threshold:
    """Return a taster's threshold for one attribute."""
    return threshold_of(_answers(conn, taster)[attribute])


def jugs_text(jugs: Jugs) -> str:
    """Return jugs as stored."""

    def jug_fields(jug: Jug) -> dict[str, Any]:
        lines = [{"ingredient": pour.ingredient.slug, "ml": pour.volume_ml, "slot": pour.slot} for pour in jug.pours]
        return {"lines": lines, "volume_ml": jug.volume_ml, "level": jug.level, "smell": jug.smell}

    return json.dumps({"less": jug_fields(jugs.less), "more": jug_fields(jugs.more), "part_ml": jugs.part_ml, "parts": jugs.parts})


def jugs_of(conn: sqlite3.Connection, record: SittingRecord) -> Jugs:
    """Return the jugs of a sitting as they were mixed, whatever the larder's values are now."""
    kept = json.loads(record.jugs)
    known = ingredients.some(conn, {line["ingredient"] for side in ("less", "more") for line in kept[side]["lines"]})

    def jug(content: dict[str, Any]) -> Jug:
        pours = tuple(Pour(_bottle(known, line["ingredient"]), line["ml"], slot=line["slot"]) for line in content["lines"])
        abv, sugar, acid = content["level"]
        return Jug(pours, content["volume_ml"], (abv, sugar, acid), content["smell"])

    return Jugs(_attribute(record.matter), jug(kept["less"]), jug(kept["more"]), kept["part_ml"], kept["parts"])


def triangle_of(record: TriangleRecord) -> Triangle:
    """Return a triangle as the core takes it."""
    return Triangle(record.steps, record.less_parts, record.more_parts, record.odd, bool(record.odd_is_more))


def turn_of(record: SittingRecord, triangles: Sequence[TriangleRecord]) -> str:
    """Return who tastes next: of those with triangles left the one who has had fewest, in the order of the panel; empty where all are
    done.
    """
    tasters: list[str] = json.loads(record.tasters)
    counts = {name: sum(triangle.taster == name for triangle in triangles) for name in tasters}
    waiting = [name for name in tasters if counts[name] < record.rounds]
    return min(waiting, key=lambda name: counts[name]) if waiting and record.ended_at is None else ""


def triangle_report(record: TriangleRecord, number: int) -> TriangleReport:
    """Build the report of a triangle, without its key."""
    if record.found is None:
        return TriangleReport(id=record.id, sitting_id=record.sitting_id, taster=record.taster, number=number, answered=False)
    where = f"Glass {record.odd} was the odd one."
    if record.answer is None:
        words = "Found." if record.found else "Not found."
    else:
        words = f"Found. {where}" if record.found else f"Not this time. {where}"
    return TriangleReport(
        id=record.id,
        sitting_id=record.sitting_id,
        taster=record.taster,
        number=number,
        answered=True,
        answer=record.answer,
        found=bool(record.found),
        odd=None if record.answer is None else record.odd,
        words=words,
    )


def sitting_report(conn: sqlite3.Connection, record: SittingRecord) -> SittingReport:
    """Build the report of a sitting."""
    jugs, triangles = jugs_of(conn, record), sensory.triangles_of(conn, record.id)
    blends = remaining_after(jugs, [triangle_of(triangle) for triangle in triangles])
    waiting = [triangle for triangle in triangles if triangle.found is None]
    own = [triangle for triangle in triangles if waiting and triangle.taster == waiting[0].taster]
    return SittingReport(
        id=record.id,
        matter=jugs.attribute,
        noun=NOUNS[jugs.attribute],
        rounds=record.rounds,
        alone=bool(record.alone),
        glass_ml=jugs.glass_ml,
        less=_jug_report(jugs.less, blends.less_ml),
        more=_jug_report(jugs.more, blends.more_ml),
        turns=[_turn(conn, jugs, name, triangles) for name in json.loads(record.tasters)],
        next=turn_of(record, triangles) if can_pour(jugs, blends) else "",
        open=triangle_report(waiting[0], len(own)) if waiting else None,
        ended=record.ended_at is not None,
        before=list(before_sitting(jugs.attribute)),
    )


def tongue_report(conn: sqlite3.Connection, taster: str) -> TongueReport:
    """Build the report of a taster."""
    answered = sensory.triangles_of_taster(conn, taster)
    exercises = [exercise for exercise in sensory.exercises_of(conn, taster) if exercise.score is not None]
    scores = {kind: [record.score or 0.0 for record in exercises if record.kind == kind] for kind in EXERCISES}
    return TongueReport(
        taster=taster,
        tasters=sensory.tasters(conn),
        thresholds=[_threshold(attribute, [record for of, record in answered if of == attribute]) for attribute in ATTRIBUTES],
        exercises=[
            DoneReport(kind=kind, answered=len(results), right=sum(results) / len(results) if results else 0.0)
            for kind, results in scores.items()
        ],
        week=_week(conn, taster),
        sittings=[sitting.id for sitting in sensory.open_sittings(conn) if not taster or taster in json.loads(sitting.tasters)],
    )


def _answers(conn: sqlite3.Connection, taster: str) -> dict[Attribute, list[TriangleAnswer]]:
    answers: dict[Attribute, list[TriangleAnswer]] = {attribute: [] for attribute in ATTRIBUTES}
    for attribute, record in sensory.triangles_of_taster(conn, taster):
        answers[_attribute(attribute)].append(_answer(record))
    return answers


def _answer(record: TriangleRecord) -> TriangleAnswer:
    return TriangleAnswer(record.steps, bool(record.found))


def _threshold(attribute: Attribute, records: Sequence[TriangleRecord]) -> ThresholdReport:
    known, history = threshold_of([]), []
    for record in records:
        known = updated(known, _answer(record))
        low, high = known.interval80
        history.append(KnownReport(at=record.answered_at or "", triangles=known.triangles, steps=known.steps, low=low, high=high))
    low, high = known.interval80
    return ThresholdReport(
        matter=attribute,
        noun=NOUNS[attribute],
        triangles=known.triangles,
        right=known.right,
        steps=known.steps,
        low=low,
        high=high,
        counts=known.triangles >= KNOWN_AFTER,
        words=threshold_words(known),
        figures=in_figures(attribute, known.steps),
        usual=in_figures(attribute, 1.0),
        worth_it=worth_going_on(known, USUAL_DISTANCES),
        history=history[-MOST_HISTORY:],
    )


def _week(conn: sqlite3.Connection, taster: str) -> WeekReport | None:
    began = sensory.training(conn, taster) if taster else None
    if began is None:
        return None
    done: dict[tuple[str, str], int] = {}
    for attribute, triangle in sensory.triangles_of_taster(conn, taster):
        if triangle.asked_at >= began:
            done["triangle", attribute] = done.get(("triangle", attribute), 0) + 1
    for record in sensory.exercises_of(conn, taster):
        if record.score is not None and record.asked_at >= began:
            done["exercise", record.kind] = done.get(("exercise", record.kind), 0) + 1
    days = week_plan(done)
    return WeekReport(began_at=began, days=list(days), today=next((day.number for day in days if not day.done), 0))


def _turn(conn: sqlite3.Connection, jugs: Jugs, taster: str, triangles: Sequence[TriangleRecord]) -> TurnReport:
    own = [triangle for triangle in triangles if triangle.taster == taster and triangle.found is not None]
    grams = sum(alcohol_g(jugs, triangle_of(record)) for record in own)
    known = threshold_on(conn, taster, jugs.attribute)
    worth_it = worth_going_on(known, [distance.steps for distance in jugs.distances()])
    right_count = sum(bool(record.found) for record in own)
    words = list(sitting_words(len(own), grams, worth_it=worth_it))
    return TurnReport(taster=taster, answered=len(own), found=right_count, alcohol_g=grams, words=words)


def _jug_report(jug: Jug, left_ml: float) -> JugReport:
    lines = [JugLineReport(ingredient=pour.ingredient.slug, name=pour.ingredient.name, ml=pour.volume_ml) for pour in jug.pours]
    return JugReport(lines=lines, volume_ml=jug.volume_ml, left_ml=left_ml)


def _attribute(kept: str) -> Attribute:
    """Return a stored attribute; the data file allows no other."""
    return next(attribute for attribute in ATTRIBUTES if attribute == kept)


def _bottle(known: Mapping[str, Ingredient], slug: str) -> Ingredient:
    """Return an ingredient of the jugs; one that was deleted from the larder is still poured."""
    return known.get(slug) or Ingredient(slug, slug.replace("-", " ").capitalize(), "other", Composition())
