"""A forecast as JSON: what `oenomel predict` prints and the API answers. Numbers are not rounded; rounding is for the screen."""

from __future__ import annotations

import math
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from oenomel.core.prediction import Comparison, Prediction
from oenomel.core.profile import Profile

__all__ = ["ComparisonReport", "Pair", "PredictionReport", "comparison_report", "prediction_report"]


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


class DilutionReport(_Report):
    """Water from the ice: ml per ml in the tin, ml, and its school: curve, estimate or none."""

    ratio: float
    water_ml: float
    model: str


Pair = Annotated[list[float], Field(min_length=2, max_length=2)]


class Intervals(_Report):
    """Central 80 % intervals, low and high, as served."""

    volume_ml: Pair
    abv: Pair
    sugar: Pair
    acid: Pair


class PourReport(_Report):
    """What a pour brings to the glass, and its share (0 to 1) of the drink's sugar, acid and alcohol."""

    volume_ml: float
    sugar_g: float
    acid_g: float
    alcohol_ml: float
    sugar_share: float
    acid_share: float
    alcohol_share: float


class FindingReport(_Report):
    """A finding: info, warning or error."""

    code: str
    severity: str
    message: str


class PlaceReport(_Report):
    """Where the drink stands: noticeable steps from its family's home, and words for it."""

    distance_steps: float
    words: str


class PredictionReport(_Report):
    """The forecast of one drink."""

    undiluted: ProfileReport
    dilution: DilutionReport
    served: ProfileReport
    interval80: Intervals
    pours: list[PourReport]
    findings: list[FindingReport]
    place: PlaceReport | None


class AxisReport(_Report):
    """One axis beside the parent's; ``steps`` is for drawing, too rough to print."""

    axis: str
    value: float
    parent: float
    steps: float
    direction: str
    headline: str
    sentence: str


class ComparisonReport(_Report):
    """A drink beside its parent, and what the numbers can't see."""

    present: PredictionReport
    parent: PredictionReport
    axes: list[AxisReport]
    unseen: list[str]


def prediction_report(prediction: Prediction) -> PredictionReport:
    """The report of a forecast."""
    return PredictionReport(
        undiluted=_profile(prediction.undiluted),
        dilution=DilutionReport.model_validate(prediction.dilution),
        served=_profile(prediction.served),
        interval80=Intervals(**{name: [i.low, i.high] for name, i in prediction.interval80.items()}),
        pours=[PourReport.model_validate(pour) for pour in prediction.pours],
        findings=[FindingReport.model_validate(finding) for finding in prediction.findings],
        place=PlaceReport.model_validate(prediction.place) if prediction.place else None,
    )


def comparison_report(comparison: Comparison) -> ComparisonReport:
    """The report of a drink beside its parent."""
    return ComparisonReport(
        present=prediction_report(comparison.present),
        parent=prediction_report(comparison.parent),
        axes=[AxisReport.model_validate(axis) for axis in comparison.axes],
        unseen=list(comparison.unseen),
    )


def _profile(profile: Profile) -> ProfileReport:
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
    )
