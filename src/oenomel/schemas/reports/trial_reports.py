"""Trials as JSON: sheets, proposals, palates, trials side by side, readings, the tree."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Literal

from oenomel.core.balance import Change, Profile
from oenomel.core.spec import Drink, Pour, Unit
from oenomel.core.trials.brief import BriefCheck
from oenomel.core.trials.next_trial import Proposal, TrialState
from oenomel.core.trials.palate import PalateAxis
from oenomel.core.trials.readings import QUANTITIES, READING_POINTS, BesideForecast
from oenomel.core.trials.side_by_side import Circumstance, SideBySide, TrialsRow
from oenomel.core.trials.spec_cloud import SpecCloud
from oenomel.core.trials.tasting import verdict_words
from oenomel.schemas.base import LevelsReport, Report
from oenomel.schemas.poured_spec import spoken_of, with_pours_of
from oenomel.schemas.reports.forecast_reports import ComparisonReport
from oenomel.schemas.reports.swap_reports import ResidualReport
from oenomel.schemas.requests.tasting_requests import BriefEntry, SheetEntry, verdict_of
from oenomel.schemas.requests.trial_conditions import MadeEntry
from oenomel.schemas.spec_file import SpecFile

__all__ = [
    "BesideReport",
    "BranchReport",
    "CloudSpecReport",
    "MeasuredDilutionReport",
    "NextReport",
    "NodeReport",
    "NotebookReport",
    "NotebookTrial",
    "PalateReport",
    "ParentRef",
    "SheetReport",
    "SideBySideReport",
    "SpecCloudReport",
    "TreeReport",
    "beside_report",
    "kept_figures",
    "next_report",
    "sheet_words",
    "side_by_side_report",
    "spec_cloud_report",
]  # fmt: skip


class SheetReport(SheetEntry):
    """A tasting sheet, and its verdict in words."""

    id: int
    tasted_at: str
    verdict: str


class ParentRef(Report):
    """A parent of a trial, of the same or another drink."""

    trial_id: int
    drink_id: int
    drink: str
    number: int
    name: str


class BesideReport(Report):
    """A reading and its forecast; None where nothing is forecast."""

    id: int
    quantity: str
    point: str
    value: float
    device: str
    name: str
    at: str
    unit: str
    decimals: int
    forecast: float | None
    low: float | None
    high: float | None
    words: str
    warning: str


class MeasuredDilutionReport(Report):
    """Dilution by the readings of a trial: measured by forecast, and the method of calculation."""

    ratio: float
    how: str


class NotebookTrial(Report):
    """A trial in full; ``origins`` give for each pour the parent it came from, ``has_strength`` whether a taster is asked about
    strength.
    """

    id: int
    number: int
    name: str
    reason: str
    kept_at: str
    spec: SpecFile
    made: MadeEntry
    mark: Literal["", "finished", "shelved", "hidden"]
    parents: list[ParentRef]
    origins: list[int | None]
    figures: LevelsReport
    has_strength: bool
    low: LevelsReport
    high: LevelsReport
    sheets: list[SheetReport]
    readings: list[BesideReport]
    water: MeasuredDilutionReport | None
    checks: list[BriefCheck]


class NotebookReport(Report):
    """All trials of a drink, oldest first, hidden ones too, and its brief."""

    drink_id: int
    name: str
    family: str
    brief: BriefEntry
    brief_revision: str
    trials: list[NotebookTrial]
    gathered: int


class PourCell(Report):
    """One pour of one trial in a row: its amount in its usual unit, and in ml."""

    name: str
    amount: float
    unit: Unit
    volume_ml: float


class RowReport(Report):
    """One pour across the trials; the effect of its change on each axis that can be tasted, in steps for drawing."""

    cells: list[PourCell | None]
    differs: bool
    brings: list[dict[str, float]]


class SideBySideReport(Report):
    """Trials compared with the first, differences first."""

    rows: list[RowReport]
    comparisons: list[ComparisonReport]
    circumstances: list[Circumstance]
    sentence: str


class ProposalReport(Report):
    """A proposed next trial; ``chance`` is the probability that it is within a step of what is wanted on every axis, for drawing."""

    key: str
    title: str
    spec: SpecFile
    reasons: list[str]
    changes: list[Change]
    left: list[ResidualReport]
    notes: list[str]
    figures: LevelsReport
    chance: float


class NextReport(Report):
    """Proposals for the next trial."""

    standing: TrialState
    proposals: list[ProposalReport]


class PalateReport(Report):
    """A palate; ``taster`` is empty for the bar. ``why`` explains in sentences what it was learnt from."""

    taster: str
    sheets: int
    sessions: int
    axes: list[PalateAxis]
    why: list[str]


class CloudSpecReport(Report):
    """One gathered spec."""

    id: int
    name: str
    spec: SpecFile
    figures: LevelsReport
    outlier: bool


class BrokenSpecReport(Report):
    """A gathered spec that can't be shown any more, with the reason."""

    id: int
    name: str
    why: str


class SpecCloudReport(Report):
    """Gathered specs; their median only where there are two or more."""

    points: list[CloudSpecReport]
    broken: list[BrokenSpecReport] = []
    middle: SpecFile | None
    middle_figures: LevelsReport | None
    sentence: str


class NodeReport(Report):
    """A trial of the tree."""

    id: int
    drink_id: int
    drink: str
    family: str
    number: int
    name: str
    mark: str
    sheets: int


class BranchReport(Report):
    """A line from a parent to its child; the steps are for drawing."""

    parent: int
    child: int
    change: str
    effect: str


class TreeReport(Report):
    """The family tree; ``more`` where some trials aren't shown."""

    nodes: list[NodeReport]
    branches: list[BranchReport]
    more: bool


def sheet_words(sheet: SheetEntry) -> str:
    """Describe the verdict of a sheet."""
    return verdict_words(verdict_of(sheet))


def beside_report(beside: BesideForecast, reading_id: int, device: str) -> BesideReport:
    """Build the report of a reading and its forecast."""
    measured = beside.measured
    kind = QUANTITIES[measured.quantity]
    return BesideReport(
        id=reading_id, quantity=measured.quantity, point=measured.point, value=measured.value, device=device, name=kind.name,
        at=READING_POINTS[measured.point], unit=kind.unit, decimals=kind.decimals, forecast=beside.forecast, low=beside.low,
        high=beside.high, words=beside.words, warning=beside.warning,
    )  # fmt: skip


def side_by_side_report(table: SideBySide) -> SideBySideReport:
    """Build the report of trials side by side."""
    return SideBySideReport(
        rows=[_row(row) for row in table.rows],
        comparisons=[ComparisonReport.model_validate(comparison) for comparison in table.comparisons],
        circumstances=list(table.circumstances),
        sentence=table.sentence,
    )


def _row(row: TrialsRow) -> RowReport:
    cells = [None if pour is None else _cell(pour) for pour in row.pours]
    return RowReport(cells=cells, differs=row.differs, brings=[dict(bring) for bring in row.brings])


def _cell(pour: Pour) -> PourCell:
    amount, unit = spoken_of(pour, pour.unit)
    return PourCell(name=pour.ingredient.name, amount=amount, unit=unit, volume_ml=pour.volume_ml)


def next_report(
    spec: SpecFile, drink: Drink, standing: TrialState, proposals: Sequence[Proposal], figures: Sequence[Profile]
) -> NextReport:
    """Build the report of the next trials; ``figures`` are those of the proposals as served."""
    return NextReport(
        standing=standing,
        proposals=[
            ProposalReport(
                key=proposal.key,
                title=proposal.title,
                spec=with_pours_of(spec, drink, proposal.drink),
                reasons=list(proposal.reasons),
                changes=list(proposal.changes),
                left=[ResidualReport.model_validate(residual) for residual in proposal.left],
                notes=list(proposal.notes),
                figures=LevelsReport.model_validate(profile),
                chance=proposal.chance,
            )
            for proposal, profile in zip(proposals, figures, strict=True)
        ],
    )


def spec_cloud_report(cloud: SpecCloud, drinks: Sequence[Drink], specs: Sequence[tuple[int, str, SpecFile]]) -> SpecCloudReport:
    """Build the report of gathered specs, given by id, name and spec, in their order."""
    points = [
        CloudSpecReport(id=each_id, name=name, spec=spec, figures=LevelsReport.model_validate(point.served), outlier=point.outlier)
        for (each_id, name, spec), point in zip(specs, cloud.points, strict=True)
    ]
    report = SpecCloudReport(points=points, middle=None, middle_figures=None, sentence=cloud.sentence)
    if cloud.middle is None:
        return report
    # The median is described in the units of the spec whose frame it has.
    frame = next(i for i, drink in enumerate(drinks) if (drink.method, drink.serve) == (cloud.middle.method, cloud.middle.serve))
    middle = with_pours_of(specs[frame][2], drinks[frame], cloud.middle)
    return report.model_copy(update={"middle": middle, "middle_figures": LevelsReport.model_validate(cloud.middle_served)})


def kept_figures(forecast: Mapping[str, Mapping[str, object]]) -> tuple[LevelsReport, LevelsReport, LevelsReport]:
    """Return the figures of a saved forecast, and the ends of their 80 % intervals."""
    served, ends = forecast["served"], forecast["interval80"]
    figure = LevelsReport.model_validate({name: served[name] for name in ("volume_ml", "abv", "sugar", "acid")})
    low, high = ({name: _end(ends, name, end, figure) for name in ("volume_ml", "abv", "sugar", "acid")} for end in (0, 1))
    return figure, LevelsReport.model_validate(low), LevelsReport.model_validate(high)


def _end(ends: Mapping[str, object], name: str, end: int, figure: LevelsReport) -> object:
    end_value = ends.get(name)
    return end_value[end] if isinstance(end_value, list | tuple) else getattr(figure, name)
