"""Batches, shopping list and event plan as JSON. Numbers are not rounded; rounding is for the screen."""

from __future__ import annotations

from typing import Any, Literal

from oenomel.core.batch import Batch
from oenomel.core.batch.batch import Minute, size_words
from oenomel.core.batch.bottle_label import BottleLabel, contains_words, label_of
from oenomel.core.batch.containers import Chilling, Fit, serves_words
from oenomel.core.batch.corrections import Correction
from oenomel.core.batch.pouring_order import PourLine
from oenomel.core.event.shopping import Purchase
from oenomel.core.larder import Ingredient, SlotName
from oenomel.schemas.base import LevelsReport, Named, Report
from oenomel.schemas.reports.forecast_reports import FindingReport, Intervals, ServedReport, served_report
from oenomel.schemas.requests.batch_requests import EveningEntry, PouredEntry
from oenomel.schemas.spec_to_drink import written

__all__ = [
    "BatchReport",
    "BoughtReport",
    "CorrectionPourReport",
    "CorrectionReport",
    "CorrectionsReport",
    "DescentReport",
    "EveningDrinkReport",
    "EveningReport",
    "KeptBatchReport",
    "KeptBatchSummary",
    "LabelReport",
    "LogReport",
    "PourLineReport",
    "TaskReport",
    "batch_report",
    "correction_report",
    "label_report",
]  # fmt: skip


class PourLineReport(Report):
    """One pour of the batch, in order: ingredient (a slug, or the name of one outside the larder), amount, and words."""

    ingredient: str
    ml: float
    name: str
    words: str
    how: str
    lot: str
    is_water: bool
    taste_first: bool
    slot: str
    brings: Literal["abv", "sugar", "acid", "water", "other"]
    poured: PouredEntry

    @classmethod
    def of(cls, line: PourLine) -> PourLineReport:
        """Build the report of a line."""
        thing = line.ingredient
        return cls(
            ingredient=_called(thing), ml=line.ml, name=thing.name, words=line.words, how=line.how, lot=thing.lot, is_water=line.is_water,
            taste_first=line.taste_first, slot=line.slot, brings=line.brings, poured=poured_entry(thing, line.ml, line.slot),
        )  # fmt: skip


class StaysOutReport(Report):
    """A pour that is added to each serve, and why."""

    name: str
    why: str
    words: str


class BatchWaterReport(Report):
    """Water of one serve in ml, on ice with both ends, and the method of calculation; ``ratio`` is water per ml of the other contents."""

    per_serve_ml: float
    least_ml: float
    most_ml: float
    ratio: float
    words: str


class MinutesReport(Report):
    """A serve of the batch compared with the single drink, at one minute."""

    batch: Minute
    single: Minute


class LabelReport(Report):
    """Label of the bottle."""

    serve: str
    each: list[str]
    allergens: list[str]
    contains: str
    cautions: list[str]


class BoughtReport(Report):
    """One line of the shopping list; ``done`` where it was ticked."""

    key: str
    name: str
    source: str
    group: str
    amount: str
    words: str
    slug: str
    ml: float
    pieces: int | None
    low: int | None
    high: int | None
    cost: float | None
    done: bool = False


class BatchReport(Report):
    """A batch: order of pouring, container, one serve as a forecast with its uncertainty, compared with a single drink."""

    pours: list[PourLineReport]
    water_ml: float
    total_ml: float
    container_ml: float
    fits: bool
    serves: float
    serve_ml: float
    served: ServedReport
    buy: list[BoughtReport]
    notes: list[str]
    service: str
    size: str
    makes: str
    fit: Fit
    water: BatchWaterReport
    interval80: Intervals
    bottle: LevelsReport
    minutes: list[MinutesReport]
    stays_out: list[StaysOutReport]
    drift: dict[str, float]
    drift_words: str
    freezing_c: float
    chilling: Chilling
    keeps_hours: float
    today_only: bool
    keeps: str
    label: LabelReport
    findings: list[FindingReport]


def batch_report(batch: Batch, bought: tuple[Purchase, ...]) -> BatchReport:
    """Build the report of a batch, with its shopping list."""
    undiluted = batch.total_ml - batch.water_ml
    return BatchReport(
        pours=[PourLineReport.of(line) for line in batch.lines],
        water_ml=sum(line.ml for line in batch.lines if line.is_water),
        total_ml=batch.total_ml,
        container_ml=batch.container_ml,
        fits=batch.fit.fits,
        serves=batch.scale,
        serve_ml=batch.serve_ml,
        served=served_report(batch.serve),
        buy=[BoughtReport.model_validate(purchase) for purchase in bought],
        notes=list(batch.notes),
        service=batch.wish.service,
        size=size_words(batch),
        makes=serves_words(batch.scale),
        fit=batch.fit,
        water=BatchWaterReport(
            per_serve_ml=batch.water.per_serve_ml,
            least_ml=batch.water.least_ml,
            most_ml=batch.water.most_ml,
            ratio=batch.water.ratio(undiluted / batch.scale),
            words=batch.water.words,
        ),
        interval80=Intervals.model_validate(batch.serve.interval80),
        bottle=LevelsReport.model_validate(batch.bottle.served),
        minutes=[MinutesReport(batch=of_batch, single=single) for of_batch, single in batch.minutes],
        stays_out=[
            StaysOutReport(name=part_outside.pour.ingredient.name, why=part_outside.why, words=part_outside.words)
            for part_outside in batch.outside
        ],
        drift=batch.drift,
        drift_words=batch.drift_words,
        freezing_c=batch.freezing_c,
        chilling=batch.chilling,
        keeps_hours=batch.keeping.hours,
        today_only=batch.keeping.today_only,
        keeps=batch.keeping.words,
        label=label_report(label_of(batch)),
        findings=[FindingReport.model_validate(finding) for finding in batch.findings],
    )


def label_report(label: BottleLabel) -> LabelReport:
    """Build the report of a label."""
    return LabelReport(
        serve=label.serve,
        each=list(label.each),
        allergens=list(label.allergens),
        contains=contains_words(label.allergens),
        cautions=list(label.cautions),
    )


class CorrectionPourReport(Report):
    """One addition; ``poured`` is the body that records it."""

    name: str
    ml: float
    poured: PouredEntry


class CorrectionReport(Report):
    """Correction of a batch on one axis, the amount for half a noticeable difference, the change of each axis, and a sentence."""

    axis: str
    word: str
    half_step_ml: float
    ml: float
    moves: dict[str, float]
    words: str
    additions: list[CorrectionPourReport]


def poured_entry(thing: Ingredient, ml: float, slot: SlotName) -> PouredEntry:
    """Return the request body that records an addition."""
    return PouredEntry.model_validate({"ingredient": written(thing), "ml": ml, "slot": slot, "lot": thing.lot or None})


def correction_report(correction: Correction) -> CorrectionReport:
    """Build the report of a correction."""
    values: dict[str, Any] = {name: getattr(correction, name) for name in ("axis", "word", "half_step_ml", "ml", "words")}
    additions = [
        CorrectionPourReport(
            name=addition.ingredient.name,
            ml=addition.ml,
            poured=poured_entry(addition.ingredient, addition.ml, addition.slot),
        )
        for addition in correction.additions
    ]
    return CorrectionReport(**values, moves=dict(correction.moves), additions=additions)


class CorrectionsReport(Report):
    """Corrections of a batch, its state in a sentence, and remarks on a reading."""

    words: str
    notes: list[str]
    corrections: list[CorrectionReport]


class KeptBatchSummary(Report):
    """A saved batch in short: what is left, and its use-by date."""

    id: int
    name: str
    drink_id: int
    drink: str
    made_at: str
    made_by: str
    use_by: str
    past: bool
    used_up_at: str | None
    service: str
    volume_ml: float
    left_ml: float
    serve_ml: float
    serves_left: int
    abv: float
    wood: bool
    descent: str


class LogReport(Report):
    """One event in a batch's log."""

    at: str
    kind: str
    words: str


class DescentReport(Report):
    """A filling in a batch, with its share, 0 to 1, and its description: the newest first."""

    id: int
    name: str
    made_at: str
    share: float
    new_ml: float
    kept_ml: float


class PouredReport(Report):
    """Amount that went into a batch."""

    name: str
    ml: float
    lot: str


class KeptBatchReport(KeptBatchSummary):
    """A saved batch in full: its present composition compared with its recipe, its pours, log, fillings and label."""

    container_ml: float
    sugar: float
    acid: float
    recipe: LevelsReport
    poured: list[PouredReport]
    log: list[LogReport]
    descends: list[DescentReport]
    label: LabelReport
    note: str
    taste: str


class TaskReport(Report):
    """A task with its times; ``hand`` is the pair of hands, counted from 0."""

    key: str
    words: str
    why: str
    about: str
    begins_at: str
    ends_at: str
    ready_at: str
    minutes: float
    hand: int
    done: bool
    late: bool


class EveningDrinkReport(Report):
    """A drink of the event: how many, from which batch, how many still to be made."""

    drink_id: int
    name: str
    serves: int
    service: str
    from_batch: int
    to_make: int
    batch_id: int | None
    words: str


class EveningReport(Report):
    """The event plan: its settings (empty where there is none), tasks in order, and shopping list; ``before`` is the name of a deleted
    one that can be restored.
    """

    evening: EveningEntry | None
    state: Literal["none", "ahead", "past"]
    told_at: str
    headline: str
    warnings: list[str]
    drinks: list[EveningDrinkReport]
    tasks: list[TaskReport]
    bought: list[BoughtReport]
    cost: float
    currency: str
    before: str = ""


def _called(thing: Ingredient) -> str:
    return Named.of(thing).slug if isinstance(written(thing), str) else thing.name
