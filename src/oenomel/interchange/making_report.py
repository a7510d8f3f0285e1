"""How a drink is made and served, as JSON: its steps, the same drink on each ice, and the glasses."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from oenomel.core.glasses import Glass
from oenomel.core.making_steps import Step
from oenomel.core.serves import Sip, Takes
from oenomel.core.settling import Span, Stop
from oenomel.interchange.prediction_report import SightReport, sight_report

__all__ = ["GlassReport", "Order", "ServeReport", "SpanReport", "Sparkling", "StepReport", "glass_report", "serve_report", "span_report"]

Order = Literal["cheap and risky first", "spirit first", "as written"]
Sparkling = Literal["on top", "in the glass first", "half and half"]


class _Report(BaseModel):
    model_config = ConfigDict(extra="forbid", from_attributes=True)


class StepReport(_Report):
    """One thing to do: the pour it is about, by its place, and the share of it; seconds to work it; a sign that it is done."""

    key: str
    kind: str
    words: str
    sign: str
    pour: int | None
    share: float
    seconds: float | None

    @classmethod
    def of(cls, step: Step) -> StepReport:
        """The report of a step."""
        return cls.model_validate(step)


class GlassReport(_Report):
    """A glass of the list: ml to the brim and to its wash line; the inside of its bowl as (height, radius) in cm, and what is below it."""

    name: str
    brim_ml: float
    line_ml: float
    bowl: list[Annotated[list[float], Field(min_length=2, max_length=2)]]
    stem_cm: float
    foot_cm: float


class SipReport(_Report):
    """The drink at a minute."""

    minute: int
    volume_ml: float
    abv: float
    sugar: float
    acid: float
    temperature_c: float


class ServeReport(_Report):
    """The drink on one ice: how it looks, its figures at three sips, the first minute outside its home, and that in words."""

    ice: str
    sight: SightReport | None
    sips: list[SipReport]
    leaves_home: int | None
    words: str


class StopReport(_Report):
    """A drink with one pour at an amount: its figures as served."""

    pour_ml: float
    volume_ml: float
    abv: float
    sugar: float
    acid: float


class SpanReport(_Report):
    """What the range of a pour makes of the drink, and where it should settle."""

    pour: int
    low: StopReport
    high: StopReport
    best: StopReport


def glass_report(glass: Glass) -> GlassReport:
    """The report of a glass."""
    bowl = [list(each) for each in glass.bowl]
    return GlassReport(
        name=glass.name, brim_ml=glass.brim_ml, line_ml=glass.line_ml, bowl=bowl, stem_cm=glass.stem_cm, foot_cm=glass.foot_cm
    )


def serve_report(takes: Takes) -> ServeReport:
    """The report of a drink on one ice."""
    return ServeReport(
        ice=takes.ice,
        sight=sight_report(takes.sight) if takes.sight else None,
        sips=[_sip(sip) for sip in takes.sips],
        leaves_home=takes.leaves_home,
        words=takes.words,
    )


def span_report(pour: int, span: Span) -> SpanReport:
    """The report of a range."""
    return SpanReport(pour=pour, low=_stop(span.low), high=_stop(span.high), best=_stop(span.best))


def _sip(sip: Sip) -> SipReport:
    return SipReport.model_validate(sip)


def _stop(stop: Stop) -> StopReport:
    return StopReport(pour_ml=stop.pour_ml, **stop.figures)
