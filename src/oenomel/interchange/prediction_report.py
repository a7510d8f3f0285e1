"""A forecast as JSON: what `oenomel predict` prints and the API answers. Numbers are not rounded; rounding is for the screen."""

from __future__ import annotations

import math
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from oenomel.core.findings import Finding
from oenomel.core.in_the_glass import Course, Layers
from oenomel.core.levels import FIGURES
from oenomel.core.prediction import AxisDifference, Comparison, Prediction
from oenomel.core.profile import Profile, body_word
from oenomel.core.rebalancing import that_can_move, usually_free
from oenomel.core.sight import Sight
from oenomel.core.uncertainty import Doubt
from oenomel.core.why import Why

__all__ = [
    "ChangeReport",
    "ComparisonReport",
    "CourseReport",
    "Pair",
    "PredictionReport",
    "SightReport",
    "WhyReport",
    "comparison_report",
    "course_report",
    "prediction_report",
    "sight_report",
    "why_report",
]


class _Report(BaseModel):
    model_config = ConfigDict(extra="forbid", from_attributes=True)


class StandardDrinks(_Report):
    """Standard drinks by country: US 14 g, UK 8 g, Australia 10 g of alcohol."""

    us: float
    uk: float
    au: float


class ProfileReport(_Report):
    """One liquid: volume in ml, abv in % v/v, the rest of the levels in g per 100 ml; no ratio where there is no acid."""

    volume_ml: float
    abv: float
    sugar: float
    acid: float
    sugar_acid_ratio: float | None
    alcohol_g: float
    energy_kcal: float
    titratable_acid: float
    sucrose_equivalents: float
    standard_drinks: StandardDrinks
    body: float
    body_word: str
    temperature_c: float


class DilutionReport(_Report):
    """Water from the ice: ml per ml in the tin, ml, its school (curve, heat balance, estimate or none), and by how many of the house's own
    measurements it was set right.
    """

    ratio: float
    water_ml: float
    model: str
    measurements: int


Pair = Annotated[list[float], Field(min_length=2, max_length=2)]


class Intervals(_Report):
    """Central 80 % intervals, low and high, as served."""

    volume_ml: Pair
    abv: Pair
    sugar: Pair
    acid: Pair
    sugar_acid_ratio: Pair | None = None


class DriverReport(_Report):
    """What makes a figure unsure: its share of the variance (0 to 1), and what would make it surer."""

    cause: str
    subject: str
    share: float
    advice: str


class DriversReport(_Report):
    """What makes one figure unsure, the largest first, and the same in a sentence."""

    told: str
    drivers: list[DriverReport]


class DoubtReport(_Report):
    """What makes each figure unsure."""

    volume_ml: DriversReport
    abv: DriversReport
    sugar: DriversReport
    acid: DriversReport


class PourReport(_Report):
    """What a pour brings to the glass, and its share (0 to 1) of the drink's sugar, acid and alcohol; whether it may move when the drink
    is rebalanced and nothing else is said, or None where it has no amount to choose.
    """

    volume_ml: float
    sugar_g: float
    acid_g: float
    alcohol_ml: float
    sugar_share: float
    acid_share: float
    alcohol_share: float
    free: bool | None


class FindingReport(_Report):
    """A finding: info, warning or error; the pour it is about, and the words of each mend that can be applied."""

    code: str
    severity: str
    message: str
    pour: int | None
    mends: list[str]


class PlaceReport(_Report):
    """Where the drink stands: noticeable steps from its family's home, and words for it."""

    distance_steps: float
    words: str


class LayerReport(_Report):
    """A layer in the bowl: from and to in cm, ml, and a colour "#rrggbb"."""

    name: str
    from_cm: float
    to_cm: float
    volume_ml: float
    colour: str


class SightReport(_Report):
    """How the drink looks in its glass, a preview: its layers from below, the foam on them, what is dripped on top, and how full it is."""

    ice: str
    line_ml: float
    line_cm: float
    liquid: list[LayerReport]
    foam: LayerReport | None
    drops: list[str]
    state: str
    words: str


class PredictionReport(_Report):
    """The forecast of one drink; its cost only where every price is told, in the house's own currency."""

    undiluted: ProfileReport
    dilution: DilutionReport
    strained: ProfileReport
    before_topping: ProfileReport
    served: ProfileReport
    interval80: Intervals
    doubt: DoubtReport
    pours: list[PourReport]
    findings: list[FindingReport]
    place: PlaceReport | None
    sight: SightReport | None
    cost: float | None


class DifferenceReport(_Report):
    """By how much two drinks differ in a figure, the 80 % interval of that, and how likely its sign is."""

    by: float
    interval80: Pair
    sign_probability: float


class ChangeReport(_Report):
    """One change and what it did to each figure, in its unit, and to each axis in noticeable steps; all changes add up."""

    words: str
    by: dict[str, float]
    steps: dict[str, float]


class AxisReport(_Report):
    """One axis beside the parent's; ``steps`` is for drawing, too rough to print."""

    axis: str
    value: float
    parent: float
    steps: float
    direction: str
    headline: str
    sentence: str
    certainty: str
    difference: DifferenceReport


class LevelsReport(_Report):
    """Volume in ml, abv in % v/v, sugar and acid in g per 100 ml."""

    volume_ml: float
    abv: float
    sugar: float
    acid: float


class ParentReport(_Report):
    """Where the parent stands: what a drink is held against, and no more."""

    served: LevelsReport
    interval80: Intervals


class ToldReport(_Report):
    """A riff in one breath: what was changed, what that does, and whether a guest would notice."""

    change: str
    effect: str
    noticed: str


class ComparisonReport(_Report):
    """A drink beside its parent: which change did what, what only shows beside it, and what the numbers can't see.

    ``volume_by_ml`` and ``water_by_ml`` tell how much larger it is, and how much of that is water from the ice.
    """

    present: PredictionReport
    parent: ParentReport
    volume_by_ml: float
    water_by_ml: float
    axes: list[AxisReport]
    changes: list[ChangeReport]
    findings: list[FindingReport]
    unseen: list[str]
    told: ToldReport


class LayersReport(_Report):
    """A float, or what lies below it, minute by minute."""

    volume_ml: list[float]
    abv: list[float]
    sugar: list[float]
    acid: list[float]


class StepsReport(_Report):
    """Noticeable steps of each axis from the first sip, minute by minute."""

    abv: list[float]
    sugar: list[float]
    acid: list[float]


class CourseReport(_Report):
    """A drink from minute 0 to 20 in its glass, a value a minute; the float apart where there is one.

    ``leaves_home`` is the first minute in which it stands outside its family's home, where it began inside.
    """

    volume_ml: list[float]
    temperature_c: list[float]
    abv: list[float]
    sugar: list[float]
    acid: list[float]
    undissolved_g: list[float]
    steps: StepsReport
    top: LayersReport | None
    below: LayersReport | None
    leaves_home: int | None


class WhyReport(_Report):
    """A node of the tree that explains a figure: its parts add up to its value, what it uses besides doesn't."""

    name: str
    value: float
    unit: str
    equation: str
    source: str
    relative_sd: float | None
    reasoning: str
    parts: list[WhyReport]
    uses: list[WhyReport]


def prediction_report(prediction: Prediction) -> PredictionReport:
    """The report of a forecast."""
    return PredictionReport(
        undiluted=_profile(prediction.undiluted, prediction.temperatures.tin),
        dilution=DilutionReport.model_validate(prediction.dilution),
        strained=_profile(prediction.strained, prediction.temperatures.strained),
        before_topping=_profile(prediction.before_topping, prediction.temperatures.before_topping),
        served=_profile(prediction.served, prediction.temperatures.glass),
        interval80=_intervals(prediction),
        doubt=DoubtReport(**{figure: _drivers(prediction.doubt, figure) for figure in FIGURES}),
        pours=_pours(prediction),
        findings=[_finding(finding) for finding in prediction.findings],
        place=PlaceReport.model_validate(prediction.place) if prediction.place else None,
        sight=sight_report(prediction.sight) if prediction.sight else None,
        cost=prediction.cost,
    )


def sight_report(sight: Sight) -> SightReport:
    """The report of how a drink looks."""
    return SightReport(
        ice=sight.ice,
        line_ml=sight.glass.line_ml,
        line_cm=sight.line_cm,
        liquid=[LayerReport.model_validate(layer) for layer in sight.liquid],
        foam=LayerReport.model_validate(sight.foam) if sight.foam else None,
        drops=list(sight.drops),
        state=sight.state,
        words=sight.words,
    )


def _pours(prediction: Prediction) -> list[PourReport]:
    free, can_move = usually_free(prediction.drink), that_can_move(prediction.drink)
    return [
        PourReport(**share._asdict(), free=(index in free) if index in can_move else None) for index, share in enumerate(prediction.pours)
    ]


def comparison_report(comparison: Comparison) -> ComparisonReport:
    """The report of a drink beside its parent."""
    return ComparisonReport(
        present=prediction_report(comparison.present),
        parent=ParentReport(served=LevelsReport.model_validate(comparison.parent.served), interval80=_intervals(comparison.parent)),
        volume_by_ml=comparison.present.served.volume_ml - comparison.parent.served.volume_ml,
        water_by_ml=comparison.present.dilution.water_ml - comparison.parent.dilution.water_ml,
        axes=[_axis(axis) for axis in comparison.axes],
        changes=[ChangeReport(words=change.words, by=dict(change.by), steps=dict(change.steps)) for change in comparison.changes],
        findings=[_finding(finding) for finding in comparison.findings],
        unseen=list(comparison.unseen),
        told=ToldReport.model_validate(comparison.told),
    )


def course_report(course: Course, leaves_home: int | None) -> CourseReport:
    """The report of twenty minutes in the glass."""
    return CourseReport(
        volume_ml=course.volume_ml.tolist(),
        temperature_c=course.temperature_c.tolist(),
        abv=course.abv.tolist(),
        sugar=course.sugar.tolist(),
        acid=course.acid.tolist(),
        undissolved_g=course.undissolved_g.tolist(),
        steps=StepsReport(**{name: steps.tolist() for name, steps in course.steps().items()}),
        top=_layers(course.top),
        below=_layers(course.below),
        leaves_home=leaves_home,
    )


def why_report(node: Why) -> WhyReport:
    """The report of a tree."""
    return WhyReport.model_validate(node)


def _intervals(prediction: Prediction) -> Intervals:
    return Intervals(**{name: [i.low, i.high] for name, i in prediction.interval80.items()})


def _axis(axis: AxisDifference) -> AxisReport:
    apart = axis.difference
    return AxisReport(
        axis=axis.axis,
        value=axis.value,
        parent=axis.parent,
        steps=axis.steps,
        direction=axis.direction,
        headline=axis.headline,
        sentence=axis.sentence,
        certainty=axis.certainty,
        difference=DifferenceReport(
            by=apart.by, interval80=[apart.interval80.low, apart.interval80.high], sign_probability=apart.sign_probability
        ),
    )


def _drivers(doubt: Doubt, figure: str) -> DriversReport:
    return DriversReport(told=doubt.told(figure), drivers=[DriverReport.model_validate(driver) for driver in doubt.drivers(figure)])


def _finding(finding: Finding) -> FindingReport:
    return FindingReport(
        code=finding.code,
        severity=finding.severity,
        message=finding.message,
        pour=finding.pour,
        mends=[mend.words for mend in finding.mends],
    )


def _layers(layers: Layers | None) -> LayersReport | None:
    if layers is None:
        return None
    return LayersReport(
        volume_ml=layers.volume_ml.tolist(), abv=layers.abv.tolist(), sugar=layers.sugar.tolist(), acid=layers.acid.tolist()
    )


def _profile(profile: Profile, temperature_c: float) -> ProfileReport:
    ratio = profile.sugar_acid_ratio
    return ProfileReport(
        volume_ml=profile.volume_ml,
        abv=profile.abv,
        sugar=profile.sugar,
        acid=profile.acid,
        sugar_acid_ratio=ratio if math.isfinite(ratio) else None,
        alcohol_g=profile.alcohol_g,
        energy_kcal=profile.energy_kcal,
        titratable_acid=profile.titratable_acid,
        sucrose_equivalents=profile.sucrose_equivalents,
        standard_drinks=StandardDrinks(**profile.standard_drinks),
        body=profile.body,
        body_word=body_word(profile.body),
        temperature_c=temperature_c,
    )
