"""The notebook as JSON: sheets, proposals, palates, trials side by side, readings, the tree. Reports for the screen, entries from it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, StringConstraints, model_validator

from oenomel.core.brief import Held
from oenomel.core.drink import Drink
from oenomel.core.many_specs import Cloud
from oenomel.core.measuring import POINTS, QUANTITIES, Beside
from oenomel.core.next_trial import Proposal, Standing
from oenomel.core.palate import Palate
from oenomel.core.perception import AXES, degree
from oenomel.core.profile import Profile
from oenomel.core.side_by_side import Row, SideBySide
from oenomel.core.tasting import Verdict, verdict_words
from oenomel.interchange.made_entry import MadeEntry
from oenomel.interchange.prediction_report import ChangeReport, ComparisonReport, LevelsReport, comparison_report
from oenomel.interchange.spec_file import SpecFile
from oenomel.interchange.spec_poured import with_pours_of
from oenomel.interchange.swap_report import LeftReport

__all__ = [
    "BesideReport",
    "BranchReport",
    "BriefEntry",
    "CloudReport",
    "NextReport",
    "NodeReport",
    "NotebookReport",
    "NotebookTrial",
    "PalateReport",
    "ParentRef",
    "RowId",
    "SheetEntry",
    "SheetReport",
    "SideBySideReport",
    "Taster",
    "TreeReport",
    "WaterReport",
    "WordsEntry",
    "beside_report",
    "cloud_report",
    "held_report",
    "kept_figures",
    "next_report",
    "palate_report",
    "sheet_words",
    "side_by_side_report",
    "verdict_of",
]
RowId = Annotated[int, Field(ge=1, le=2**53)]
Said = Annotated[int, Field(ge=-3, le=3)] | None
Text = Annotated[str, StringConstraints(strip_whitespace=True, max_length=500)]
Taster = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=100)]


class _Report(BaseModel):
    model_config = ConfigDict(extra="forbid", from_attributes=True)


class WordsEntry(_Report):
    """What was written, in the order of tasting."""

    look: Text = ""
    nose: Text = ""
    first: Text = ""
    middle: Text = ""
    finish: Text = ""


class SheetEntry(_Report):
    """A tasting sheet: −3 far too little, 0 right, 3 far too much, nothing where nothing was said; ``loud`` a slug of the drink."""

    trial_id: RowId
    taster: Taster
    sugar: Said = None
    acid: Said = None
    abv: Said = None
    body: Said = None
    loud: Annotated[str, Field(max_length=100)] = ""
    lacking: bool = False
    score: Annotated[float, Field(ge=0, le=10, allow_inf_nan=False)] | None = None
    edge: Literal["", "with", "without"] = ""
    blind: bool = False
    words: WordsEntry = WordsEntry()

    @model_validator(mode="after")
    def _says_something(self) -> SheetEntry:
        said = (self.sugar, self.acid, self.abv, self.body, self.score)
        if all(each is None for each in said) and not self.loud and not self.lacking and not any(self.words.model_dump().values()):
            raise ValueError("the sheet is empty: say something of the drink, be it that it is right")
        return self


class SheetReport(SheetEntry):
    """A sheet as kept, and its verdict in words."""

    id: int
    tasted_at: str
    verdict: str


class BriefEntry(_Report):
    """A brief: see `core.brief.Brief`."""

    occasion: Text = ""
    guest: Text = ""
    colour: Text = ""
    notes: Annotated[str, StringConstraints(strip_whitespace=True, max_length=2000)] = ""
    avoid: Annotated[list[Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=60)]], Field(max_length=20)] = []
    least_abv: Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)] | None = None
    most_abv: Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)] | None = None
    sweetness: Literal["", "dry", "in the middle", "sweet"] = ""
    most_cost: Annotated[float, Field(ge=0, le=10_000, allow_inf_nan=False)] | None = None


class HeldReport(_Report):
    """A wish of the brief beside a trial."""

    wish: str
    kept: bool | None
    sentence: str


class ParentRef(_Report):
    """A parent of a trial, of whatever drink."""

    trial_id: int
    drink_id: int
    drink: str
    number: int
    name: str


class BesideReport(_Report):
    """A reading beside its forecast; none where nothing is foreseen."""

    id: int
    quantity: str
    point: str
    value: float
    device: str
    name: str
    at: str
    unit: str
    decimals: int
    foreseen: float | None
    low: float | None
    high: float | None
    words: str
    warning: str


class WaterReport(_Report):
    """What a trial's readings say of its water: measured by foreseen, and how it was found."""

    ratio: float
    how: str


class NotebookTrial(_Report):
    """A trial with all that is known of it; ``origins`` tell for each pour which of the parents it came from."""

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
    low: LevelsReport
    high: LevelsReport
    sheets: list[SheetReport]
    readings: list[BesideReport]
    water: WaterReport | None
    held: list[HeldReport]


class NotebookReport(_Report):
    """A drink's notebook: its brief and its trials, oldest first, those out of view too."""

    drink_id: int
    name: str
    family: str
    brief: BriefEntry
    trials: list[NotebookTrial]
    gathered: int


class PourCell(_Report):
    """One pour of one trial in a row."""

    name: str
    volume_ml: float
    unit: str
    stage: str


class RowReport(_Report):
    """One pour across the trials."""

    cells: list[PourCell | None]
    differs: bool


class CircumstanceReport(_Report):
    """Something that differs besides the pours."""

    what: str
    values: list[str]
    explains: str


class SideBySideReport(_Report):
    """Trials beside the first of them, differences first."""

    rows: list[RowReport]
    comparisons: list[ComparisonReport]
    circumstances: list[CircumstanceReport]
    sentence: str


class ProposalReport(_Report):
    """A trial to try next; ``chance`` that it lies within a step of what is asked for on every axis, for drawing."""

    key: str
    title: str
    spec: SpecFile
    reasons: list[str]
    changes: list[ChangeReport]
    left: list[LeftReport]
    notes: list[str]
    figures: LevelsReport
    chance: float


class TrialStandingReport(_Report):
    """How the tasted trial stands."""

    state: Literal["not yet", "close enough", "as near as can be poured"]
    sentence: str
    chance: float


class NextReport(_Report):
    """What to try next."""

    standing: TrialStandingReport
    proposals: list[ProposalReport]


class PalateAxis(_Report):
    """One axis of a palate: steps from the middle of a home (for drawing), its 80 % interval, and the words for it."""

    axis: str
    steps: float
    low: float
    high: float
    words: str


class PalateReport(_Report):
    """A palate; ``taster`` is empty for the house. ``why`` tells in sentences what it was learnt from."""

    taster: str
    sheets: int
    sessions: int
    axes: list[PalateAxis]
    why: list[str]


class CloudPointReport(_Report):
    """One gathered spec on the field."""

    id: int
    name: str
    spec: SpecFile
    figures: LevelsReport
    outlier: bool


class CloudReport(_Report):
    """Gathered specs; the middle only where there are two or more."""

    points: list[CloudPointReport]
    middle: SpecFile | None
    middle_figures: LevelsReport | None
    sentence: str


class NodeReport(_Report):
    """A trial in the tree."""

    id: int
    drink_id: int
    drink: str
    family: str
    number: int
    name: str
    mark: str
    sheets: int


class BranchReport(_Report):
    """A way from a parent to its child; the steps are for drawing."""

    parent: int
    child: int
    change: str
    effect: str


class TreeReport(_Report):
    """Who descends from whom; ``more`` where there are trials that aren't shown."""

    nodes: list[NodeReport]
    branches: list[BranchReport]
    more: bool


def verdict_of(sheet: SheetEntry) -> Verdict:
    """What a sheet says, for the core."""
    return Verdict(sheet.sugar, sheet.acid, sheet.abv, sheet.body, sheet.loud, sheet.lacking)


def sheet_words(sheet: SheetEntry) -> str:
    """The verdict of a sheet in words."""
    return verdict_words(verdict_of(sheet))


def levels_report(profile: Profile) -> LevelsReport:
    """The four figures of a profile."""
    return LevelsReport(volume_ml=profile.volume_ml, abv=profile.abv, sugar=profile.sugar, acid=profile.acid)


def held_report(held: Sequence[Held]) -> list[HeldReport]:
    """A brief's wishes beside a trial."""
    return [HeldReport.model_validate(each) for each in held]


def beside_report(beside: Beside, reading_id: int, device: str) -> BesideReport:
    """A reading beside its forecast."""
    measured = beside.measured
    kind = QUANTITIES[measured.quantity]
    return BesideReport(
        id=reading_id, quantity=measured.quantity, point=measured.point, value=measured.value, device=device, name=kind.name,
        at=POINTS[measured.point], unit=kind.unit, decimals=kind.decimals, foreseen=beside.foreseen, low=beside.low, high=beside.high,
        words=beside.words, warning=beside.warning,
    )  # fmt: skip


def side_by_side_report(table: SideBySide) -> SideBySideReport:
    """Trials side by side."""
    return SideBySideReport(
        rows=[_row(row) for row in table.rows],
        comparisons=[comparison_report(each) for each in table.comparisons],
        circumstances=[
            CircumstanceReport(what=each.what, values=list(each.values), explains=each.explains) for each in table.circumstances
        ],
        sentence=table.sentence,
    )


def _row(row: Row) -> RowReport:
    cells = [
        None if pour is None else PourCell(name=pour.ingredient.name, volume_ml=pour.volume_ml, unit=pour.unit, stage=pour.stage)
        for pour in row.pours
    ]
    return RowReport(cells=cells, differs=row.differs)


def next_report(spec: SpecFile, drink: Drink, standing: Standing, proposals: Sequence[Proposal], figures: Sequence[Profile]) -> NextReport:
    """What to try next after a trial; ``figures`` are those of the proposals as served."""
    return NextReport(
        standing=TrialStandingReport.model_validate(standing),
        proposals=[
            ProposalReport(
                key=each.key,
                title=each.title,
                spec=with_pours_of(spec, drink, each.drink),
                reasons=list(each.reasons),
                changes=[ChangeReport.model_validate(change) for change in each.changes],
                left=[LeftReport.model_validate(left) for left in each.left],
                notes=list(each.notes),
                figures=levels_report(profile),
                chance=each.chance,
            )
            for each, profile in zip(proposals, figures, strict=True)
        ],
    )


def palate_report(taster: str, palate: Palate, why: Sequence[str]) -> PalateReport:
    """A palate in words and for drawing."""
    axes = []
    for index, axis in enumerate(AXES.values()):
        steps, (low, high) = float(palate.mean[index]), (float(each) for each in palate.interval80[index])
        word = axis.more if steps > 0 else axis.less
        sure = low > 0 or high < 0
        tells = f"{degree(steps).headline.format(word=word, same='as others have it')}, than the middle of a home"
        words = (
            tells if sure and abs(steps) >= 0.5 else f"perhaps {word}; it can’t be told yet" if abs(steps) >= 0.5 else "about the middle"
        )
        axes.append(PalateAxis(axis=axis.name, steps=steps, low=low, high=high, words=words.replace(", than", " than")))
    return PalateReport(taster=taster, sheets=palate.sheets, sessions=palate.sessions, axes=axes, why=list(why))


def cloud_report(cloud: Cloud, gathered: Sequence[tuple[int, str, SpecFile]], middle: SpecFile) -> CloudReport:
    """Gathered specs, by id, name and spec in the order of the cloud; ``middle`` is the spec of its middle."""
    points = [
        CloudPointReport(id=each_id, name=name, spec=spec, figures=levels_report(point.served), outlier=point.outlier)
        for (each_id, name, spec), point in zip(gathered, cloud.points, strict=True)
    ]
    return CloudReport(points=points, middle=middle, middle_figures=levels_report(cloud.middle_served), sentence=cloud.sentence)


def kept_figures(foreseen: Mapping[str, Mapping[str, object]]) -> tuple[LevelsReport, LevelsReport, LevelsReport]:
    """Figures of a kept forecast, and the ends of their 80 % intervals."""
    served, ends = foreseen["served"], foreseen["interval80"]
    figure = LevelsReport.model_validate({name: served[name] for name in ("volume_ml", "abv", "sugar", "acid")})
    low, high = ({name: _end(ends, name, end, figure) for name in ("volume_ml", "abv", "sugar", "acid")} for end in (0, 1))
    return figure, LevelsReport.model_validate(low), LevelsReport.model_validate(high)


def _end(ends: Mapping[str, object], name: str, end: int, figure: LevelsReport) -> object:
    told = ends.get(name)
    return told[end] if isinstance(told, list | tuple) else getattr(figure, name)
