"""The families: slots, schools and homes."""

from __future__ import annotations

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict

from oenomel.core.families import Family, families, home_of
from oenomel.interchange.prediction_report import Pair
from oenomel.interchange.spec_drink import spec_from_drink
from oenomel.interchange.spec_file import SpecFile

router = APIRouter(tags=["families"])


class _Report(BaseModel):
    model_config = ConfigDict(extra="forbid", from_attributes=True)


class SlotReport(_Report):
    """A slot of a family: its role, its usual measure in ml, and when it goes in."""

    slot: str
    required: bool
    usual_ml: float
    stage: str


class SchoolReport(_Report):
    """A school of proportion, as a spec that can be poured."""

    slug: str
    name: str
    words: str
    spec: SpecFile


class HomeReport(_Report):
    """The home: outline as (sugar, acid) in g per 100 ml, all within one step of the schools; strength as % v/v, low and high."""

    outline: list[Pair]
    strength: Pair
    centre: dict[str, float]
    volume_ml: float


class FamilyReport(_Report):
    """A family."""

    slug: str
    name: str
    words: str
    slots: list[SlotReport]
    schools: list[SchoolReport]
    home: HomeReport


@router.get("/families")
def list_families() -> list[FamilyReport]:
    """The first-class families with their schools and homes."""
    return [_report(family) for family in families().values()]


def _report(family: Family) -> FamilyReport:
    home = home_of(family.slug)
    schools = [SchoolReport(slug=s.slug, name=s.name, words=s.words, spec=spec_from_drink(s.drink)) for s in family.schools]
    return FamilyReport(
        slug=family.slug,
        name=family.name,
        words=family.words,
        slots=[SlotReport.model_validate(slot) for slot in family.slots],
        schools=schools,
        home=HomeReport(
            outline=[list(corner) for corner in home.outline()],
            strength=list(home.strength_band()),
            centre=home.centre(),
            volume_ml=home.volume_ml,
        ),
    )
