"""Method and serve as JSON: steps, the same drink on each ice, and the glasses."""

from __future__ import annotations

from oenomel.core.forecast.serving_ice import ServedOnIce, Sip
from oenomel.core.method.step import StepKind
from oenomel.core.rebalance.ranges import Span, Stop
from oenomel.core.spec import Garnish, Moment
from oenomel.schemas.base import Pair, Report
from oenomel.schemas.reports.forecast_reports import AppearanceReport, appearance_report

__all__ = ["GarnishSuggestion", "GlassReport", "ServeReport", "SpanReport", "StepReport", "serve_report", "span_report"]


class StepReport(Report):
    """One step as a sentence, and the sign that it is done.

    The index of its pour, the share of it, and its amount in words; the seconds of a shake or stir; the moment that begins with it; the
    index of one of the drink's own lines.
    """

    key: str
    kind: StepKind
    words: str
    sign: str
    pour: int | None
    share: float
    amount: str
    seconds: float | None
    moment: Moment | None
    own: int | None


class GarnishSuggestion(Report):
    """A garnish as in a spec, with its reason, and whether it is in stock."""

    garnish: Garnish
    at_hand: bool


class GlassReport(Report):
    """A glass: ml to the brim and to its wash line; the inside of its bowl as (height, radius) in cm, and what is below it."""

    name: str
    brim_ml: float
    line_ml: float
    bowl: list[Pair]
    stem_cm: float
    foot_cm: float


class ServeReport(Report):
    """The drink on one kind of ice: its look, its figures at three sips, the first minute outside its typical range, and a sentence."""

    ice: str
    sight: AppearanceReport | None
    sips: list[Sip]
    leaves_home: int | None
    words: str


class StopReport(Report):
    """A drink with one pour at some amount: its figures as served."""

    pour_ml: float
    volume_ml: float
    abv: float
    sugar: float
    acid: float


class SpanReport(Report):
    """Effect of a pour's range on the drink, and its best amount."""

    pour: int
    low: StopReport
    high: StopReport
    best: StopReport


def serve_report(served: ServedOnIce) -> ServeReport:
    """Build the report of a drink on one kind of ice."""
    sight = appearance_report(served.appearance)
    return ServeReport(ice=served.ice, sight=sight, sips=list(served.sips), leaves_home=served.leaves_home, words=served.words)


def span_report(pour: int, span: Span) -> SpanReport:
    """Build the report of a range."""
    return SpanReport(pour=pour, low=_stop(span.low), high=_stop(span.high), best=_stop(span.best))


def _stop(stop: Stop) -> StopReport:
    return StopReport(pour_ml=stop.pour_ml, **stop.figures)
