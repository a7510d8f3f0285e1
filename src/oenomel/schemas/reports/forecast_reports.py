"""A forecast as JSON: the output of `oenomel predict` and of the API. Numbers are not rounded; rounding is for the screen."""

from __future__ import annotations

import math
from dataclasses import fields
from typing import Annotated, Any, Final

from pydantic import AliasChoices, BeforeValidator, Field

from oenomel.core.balance import Change, PourShare, Profile
from oenomel.core.balance.uncertainty import Driver, Drivers
from oenomel.core.checks import Fix
from oenomel.core.forecast import Forecast
from oenomel.core.forecast.comparison import Headline
from oenomel.core.forecast.forecast import Dilution, FamilyPosition
from oenomel.core.glass import Appearance
from oenomel.core.glass.appearance import Layer
from oenomel.core.glass.rim import EdgeSip
from oenomel.core.rebalance import that_can_move, usually_free
from oenomel.schemas.base import Ends, Floats, LevelsReport, Report

__all__ = [
    "AppearanceReport", "ComparisonReport", "CourseReport", "Driver", "FindingReport", "ForecastReport", "Intervals", "ServedReport",
    "forecast_report", "served_report",
]  # fmt: skip


class StandardDrinks(Report):
    """Standard drinks by country: US 14 g, UK 8 g, Australia 10 g of alcohol."""

    us: float
    uk: float
    au: float


class ProfileReport(Report):
    """One liquid: volume in ml, abv in % v/v, the other levels in g per 100 ml; no ratio without acid."""

    volume_ml: float
    abv: float
    sugar: float
    acid: float
    sugar_acid_ratio: Annotated[float | None, BeforeValidator(lambda ratio: ratio if math.isfinite(ratio) else None)]
    alcohol_g: float
    energy_kcal: float
    titratable_acid: float
    sucrose_equivalents: float
    standard_drinks: StandardDrinks
    body: float
    body_word: str
    temperature_c: float


class ServedReport(ProfileReport):
    """The drink as served; carbon dioxide in g per litre, by mixing."""

    co2: float


class Intervals(Report):
    """Central 80 % intervals, low and high, as served."""

    volume_ml: Ends
    abv: Ends
    sugar: Ends
    acid: Ends
    sugar_acid_ratio: Ends | None = None


class DoubtReport(Report):
    """Sources of each figure's uncertainty."""

    volume_ml: Drivers
    abv: Drivers
    sugar: Drivers
    acid: Drivers


class PourReport(Report):
    """Contribution of a pour, and its share (0 to 1) of the drink's sugar, acid and alcohol; whether rebalancing may change it by
    default, or None where it has no amount to choose.
    """

    volume_ml: float
    sugar_g: float
    acid_g: float
    alcohol_ml: float
    sugar_share: float
    acid_share: float
    alcohol_share: float
    free: bool | None


class FindingReport(Report):
    """A finding: info, warning or error; the pour concerned, and the words of each fix that can be applied."""

    code: str
    severity: str
    message: str
    pour: int | None
    mends: list[Annotated[str, BeforeValidator(lambda mend: mend.words if isinstance(mend, Fix) else mend)]]


class AppearanceReport(Report):
    """The drink's look in its glass, a preview: layers from below, foam, drops on the foam, and how full it is."""

    ice: str
    line_ml: float
    line_cm: float
    liquid: list[Layer]
    foam: Layer | None
    drops: list[str]
    state: str
    words: str


class ForecastReport(Report):
    """The forecast of one drink; the cost only where every price is known, in the bar's currency."""

    undiluted: ProfileReport
    dilution: Dilution
    strained: ProfileReport
    before_topping: ProfileReport
    served: ServedReport
    interval80: Intervals
    doubt: DoubtReport
    pours: list[PourReport]
    findings: list[FindingReport]
    place: FamilyPosition | None
    sight: AppearanceReport | None
    edge: EdgeSip | None
    cost: float | None


class DifferenceReport(Report):
    """Difference of one figure between two drinks, its 80 % interval, and the probability of its sign."""

    by: float
    interval80: Ends
    sign_probability: float


class AxisReport(Report):
    """One axis compared with the parent's; ``steps`` is for drawing, too rough to print; ``made_by`` names the changes that caused it."""

    axis: str
    value: float
    parent: float
    steps: float
    direction: str
    headline: str
    sentence: str
    made_by: str
    sureness: str
    certainty: str
    tasted: bool
    difference: DifferenceReport


class LoudnessReport(Report):
    """An ingredient's aroma compared with the parent's: its shares of the glass, 0 to 1, and in words; ``told`` where a guest could
    smell the difference.
    """

    slug: str
    name: str
    before: float
    after: float
    words: str
    told: bool = Field(validation_alias=AliasChoices("told", "is_noticeable"))
    sentence: str


class ParentReport(Report):
    """Figures of the parent."""

    served: LevelsReport
    interval80: Intervals
    place: FamilyPosition | None = Field(validation_alias=AliasChoices("place", "position"))


class ComparisonReport(Report):
    """A drink compared with its parent: the effect of each change, findings that need the parent, and effects the figures can't show.

    ``volume_by_ml`` is the difference of volume, ``water_by_ml`` the part of it that is water from the ice.
    """

    present: Annotated[ForecastReport, BeforeValidator(lambda told: forecast_report(told) if isinstance(told, Forecast) else told)]
    parent: ParentReport
    volume_by_ml: float
    water_by_ml: float
    axes: list[AxisReport]
    changes: list[Change]
    loudness: list[LoudnessReport]
    lean: str
    bubbles: str
    findings: list[FindingReport]
    unseen: list[str]
    headline: Headline
    stands_for: list[int | None]
    suggested_name: str


class FloatReport(Report):
    """A float, or the drink under it, minute by minute."""

    volume_ml: Floats
    abv: Floats
    sugar: Floats
    acid: Floats


class CourseStepsReport(Report):
    """Noticeable steps of each axis from the first sip, minute by minute."""

    abv: Floats
    sugar: Floats
    acid: Floats


class CourseReport(Report):
    """A drink from minute 0 to 20 in its glass, one value a minute; a float separately.

    ``leaves_home`` is the first minute outside its family's typical range, where it began inside.
    """

    volume_ml: Floats
    temperature_c: Floats
    abv: Floats
    sugar: Floats
    acid: Floats
    undissolved_g: Floats
    steps: CourseStepsReport
    top: FloatReport | None
    below: FloatReport | None
    leaves_home: int | None


_FIGURES: Final = tuple(field.name for field in fields(Profile))


def forecast_report(forecast: Forecast) -> ForecastReport:
    """Build the report of a forecast."""
    cold = forecast.temperatures
    return ForecastReport(
        undiluted=_profile(forecast.undiluted, cold.tin),
        dilution=forecast.dilution,
        strained=_profile(forecast.strained, cold.strained),
        before_topping=_profile(forecast.before_topping, cold.before_topping),
        served=served_report(forecast),
        interval80=Intervals.model_validate(forecast.interval80),
        doubt=DoubtReport.model_validate(forecast.doubt.drivers),
        pours=_pours(forecast),
        findings=[FindingReport.model_validate(finding) for finding in forecast.findings],
        place=forecast.position,
        sight=appearance_report(forecast.appearance),
        edge=forecast.edge,
        cost=forecast.cost,
    )


def served_report(forecast: Forecast) -> ServedReport:
    """Build the report of a drink as served."""
    return ServedReport(**_figures(forecast.served, forecast.temperatures.glass), co2=forecast.co2)


def appearance_report(appearance: Appearance | None) -> AppearanceReport | None:
    """Build the report of a drink's look; None where its glass isn't listed."""
    return None if appearance is None else AppearanceReport.model_validate(appearance)


def _profile(profile: Profile, temperature_c: float) -> ProfileReport:
    return ProfileReport(**_figures(profile, temperature_c))


def _figures(profile: Profile, temperature_c: float) -> dict[str, Any]:
    figures = {name: getattr(profile, name) for name in _FIGURES}
    return figures | {"standard_drinks": profile.standard_drinks, "body_word": profile.body_word, "temperature_c": temperature_c}


def _pours(forecast: Forecast) -> list[PourReport]:
    free, can_move = usually_free(forecast.drink), that_can_move(forecast.drink)

    def report(index: int, share: PourShare) -> PourReport:
        return PourReport(**share._asdict(), free=(index in free) if index in can_move else None)

    return [report(index, share) for index, share in enumerate(forecast.pours)]
