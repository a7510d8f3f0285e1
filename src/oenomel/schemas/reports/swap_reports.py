"""Rebalancing and swaps as JSON. Numbers are not rounded; rounding is for the screen."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Any, Literal

from pydantic import Field

from oenomel.core.balance import Change, tasted
from oenomel.core.larder.shelf import Inventory
from oenomel.core.rebalance import Move
from oenomel.core.rebalance.alternatives import Alternative
from oenomel.core.rebalance.solver import Costs, Rebalanced
from oenomel.core.spec import Drink, Unit
from oenomel.core.swaps import RANKINGS, Board, Ranking, RowOutcome
from oenomel.core.swaps.board import SwapRow
from oenomel.core.swaps.candidates import ExcludedIngredient
from oenomel.schemas.base import LevelsReport, Named, Plain, Report
from oenomel.schemas.poured_spec import in_millilitres, with_pours_of
from oenomel.schemas.spec_file import PourEntry, SpecFile

__all__ = ["RebalanceReport", "SwapsReport", "rebalance_report", "swaps_report"]


class MoveReport(Report):
    """One pour's change in ml, and as ``amount`` in the ``unit`` that it is measured in; ``joined`` for an added corrector, ``said``
    is its name inside a sentence.
    """

    ingredient: str
    name: str
    said: str
    before_ml: float
    after_ml: float
    joined: bool
    unit: Unit
    amount: float


class ResidualReport(Report):
    """Remaining difference from the target on an axis, in steps for drawing and in words; ``felt`` where a guest could taste it."""

    axis: Literal["sugar", "acid", "abv", "volume_ml"]
    value: float
    target: float
    steps: float
    words: str
    felt: bool


class AnswerReport(Report):
    """A rebalanced drink: its pours in ml, J and its terms; the drink as a spec in its own units; the moves with their effects, and
    the remaining differences.
    """

    pours: list[PourEntry]
    J: float
    parts: Costs
    spec: SpecFile
    moves: list[MoveReport]
    changes: list[Change]
    left: list[ResidualReport]
    reached: bool


class WayReport(AnswerReport):
    """One way to the target: what distinguishes it from the others, and its identity cost."""

    title: str
    cost: str


class RebalanceReport(AnswerReport):
    """The answer of least J, the ways to choose from, of which it is the first, and notes. ``proved``: no pourable amounts have a
    smaller J.
    """

    ways: list[WayReport]
    notes: list[str]
    proved: bool
    evaluated: int


class StepsReport(Report):
    """Distance from the target by axis, in noticeable differences; for drawing, too rough to print."""

    sugar: float
    acid: float
    abv: float


class StandingReport(Report):
    """Outcome of a swap; ``tasted`` are the axes on which its difference from the target can be tasted, ``words`` describe it."""

    pours: list[PourEntry]
    figures: LevelsReport
    steps: StepsReport
    tasted: list[str]
    words: list[str]
    colour: Annotated[Plain, Field(pattern="^#[0-9a-f]{6}$")]
    J: float


class ScoresReport(Report):
    """Ranking scores of a row, the smaller the better."""

    balance: float
    aroma: float
    both: float


class SwapRowReport(Report):
    """One candidate: pour for pour (``plain``), and after the mode's correction (``mended``; None where it is more than two steps away)."""

    key: str
    slug: str
    name: str
    kind: str
    share: float
    helper: Named | None
    shelf: str
    at_hand: bool
    plain: StandingReport
    mended: StandingReport | None
    moves: list[MoveReport]
    unseen: list[str]
    notes: list[str]
    loudness: list[str]
    likeness: float
    kinship: float | None
    proved: bool
    loses_bubbles: bool
    scores: ScoresReport


class LeftOutReport(Report):
    """An ingredient that isn't offered, with the reason."""

    slug: str
    name: str
    kind: str
    reason: str


class SwapsReport(Report):
    """A board of swaps, or a part of one: ranked rows, ingredients left out, and how many of all candidates were searched.

    ``present`` is the outcome without a swap; of several parts only the first has it and the ingredients left out.
    """

    rows: list[SwapRowReport]
    left_out: list[LeftOutReport]
    searched: int
    total: int
    present: StandingReport | None


def rebalance_report(spec: SpecFile, drink: Drink, answer: Rebalanced, ways: Sequence[Alternative]) -> RebalanceReport:
    """Build the report of a rebalancing, for a spec and its drink."""
    return RebalanceReport(
        **_answer(spec, drink, answer),
        ways=[WayReport(**_answer(spec, drink, way.answer), title=way.title, cost=way.cost) for way in ways],
        notes=list(answer.notes),
        proved=answer.proved,
        evaluated=answer.evaluated,
    )


def _answer(spec: SpecFile, drink: Drink, answer: Rebalanced) -> dict[str, Any]:
    pours = with_pours_of(spec, drink, answer.drink)
    return {
        "pours": in_millilitres(pours, answer.drink),
        "J": answer.costs.total,
        "parts": answer.costs,
        "spec": pours,
        "moves": [_move(move) for move in answer.moves],
        "changes": list(answer.changes),
        "left": [ResidualReport.model_validate(residual) for residual in answer.left],
        "reached": answer.reached,
    }


def swaps_report(spec: SpecFile, drink: Drink, part: Board, inventory: Inventory, ranking: Ranking) -> SwapsReport:
    """Build the report of a part of a board, each row with what ``inventory`` knows of its ingredient."""
    rows = sorted(part.rows, key=lambda row: (row.loses_bubbles, row.score(ranking)))
    return SwapsReport(
        rows=[_row(spec, drink, row, inventory) for row in rows],
        left_out=[_left_out(left_out) for left_out in part.left_out],
        searched=part.searched,
        total=part.total,
        present=None if part.present is None else _standing(spec, drink, part.present),
    )


def _stock_word(slug: str, inventory: Inventory) -> str:
    """Return the state on the shelf, or "open" where only an open lot is left; empty where there is neither."""
    shelved = inventory.shelved.get(slug)
    if slug in inventory.in_stock and (shelved is None or shelved.state == "out"):
        return "open"
    return shelved.state if shelved else ""


def _row(spec: SpecFile, drink: Drink, row: SwapRow, inventory: Inventory) -> SwapRowReport:
    ingredient, helper = row.candidate.ingredient, row.candidate.helper
    return SwapRowReport(
        key=row.candidate.key,
        slug=ingredient.slug,
        name=ingredient.name,
        kind=ingredient.kind,
        share=row.candidate.share,
        helper=None if helper is None else Named.of(helper),
        shelf=_stock_word(ingredient.slug, inventory),
        at_hand=ingredient.slug in inventory.in_stock,
        plain=_standing(spec, drink, row.plain),
        mended=None if row.mended is None else _standing(spec, drink, row.mended),
        moves=[_move(move) for move in row.moves],
        unseen=list(row.unseen),
        notes=list(row.notes),
        loudness=[loudness.sentence for loudness in row.loudness],
        likeness=row.likeness,
        kinship=row.kinship,
        proved=row.proved,
        loses_bubbles=row.loses_bubbles,
        scores=ScoresReport(**{ranking: row.score(ranking) for ranking in RANKINGS}),
    )


def _standing(spec: SpecFile, drink: Drink, standing: RowOutcome) -> StandingReport:
    return StandingReport(
        pours=with_pours_of(spec, drink, standing.drink).pours,
        figures=LevelsReport(**standing.figures),
        steps=StepsReport(**standing.steps),
        tasted=tasted(standing.steps),
        words=list(standing.words),
        colour=standing.colour,
        J=standing.cost,
    )


def _move(move: Move) -> MoveReport:
    return MoveReport(
        ingredient=move.ingredient.slug,
        name=move.ingredient.name,
        said=move.ingredient.in_sentence,
        before_ml=move.before_ml,
        after_ml=move.after_ml,
        joined=move.joined,
        unit=move.unit,
        amount=move.amount,
    )


def _left_out(left_out: ExcludedIngredient) -> LeftOutReport:
    return LeftOutReport(
        slug=left_out.ingredient.slug, name=left_out.ingredient.name, kind=left_out.ingredient.kind, reason=left_out.reason
    )
