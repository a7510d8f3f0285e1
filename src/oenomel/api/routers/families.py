"""The families: slots, schools and homes."""

from __future__ import annotations

from oenomel.api.deps import Connection
from oenomel.api.idempotent_router import room
from oenomel.core.families import Branch, Home, families
from oenomel.core.families.family import Family, Form, Slot, published_ranges
from oenomel.core.families.typical_range import branch_of_school
from oenomel.schemas.base import Pair, Report
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import spec_from_drink
from oenomel.services.resolve import homes_for

router = room("families")


class SchoolReport(Report):
    """A school of proportion, as a spec that can be poured; ``branch`` tells which of the family's homes it makes."""

    slug: str
    name: str
    words: str
    branch: Branch
    spec: SpecFile


class HomeReport(Report):
    """A home: outline as (sugar, acid) in g per 100 ml, all within one step of the schools; strength as % v/v, low and high, None where
    it has no axis of strength. ``branch`` tells whose home it is: "without alcohol", "long on juice", or empty for the rest.
    """

    branch: Branch
    outline: list[Pair]
    strength: Pair | None
    centre: dict[str, float]
    volume_ml: float


class RangeReport(Report):
    """A published range of balanced drinks, for an overlay: low and high of each axis."""

    name: str
    abv: Pair
    sugar: Pair
    acid: Pair


class FamilyReport(Report):
    """A family; open forms have no home, others may have one for each of their branches."""

    slug: str
    name: str
    words: str
    slots: list[Slot]
    forms: list[Form]
    schools: list[SchoolReport]
    homes: list[HomeReport]
    published: list[RangeReport]


@router.get("/families")
def list_families(conn: Connection) -> list[FamilyReport]:
    """The families with their forms, schools and homes; a home reaches to the house's own reference specs."""
    homes = homes_for(conn, *families())
    return [_report(family, [home for (slug, _), home in homes.items() if slug == family.slug]) for family in families().values()]


def _report(family: Family, homes: list[Home]) -> FamilyReport:
    schools = [
        SchoolReport(slug=s.slug, name=s.name, words=s.words, branch=branch_of_school(s), spec=spec_from_drink(s.drink))
        for s in family.schools
    ]
    published = [
        RangeReport(name=each.name, abv=list(each.abv), sugar=list(each.sugar), acid=list(each.acid))
        for each in published_ranges()
        if family.slug in each.families
    ]
    return FamilyReport(
        slug=family.slug,
        name=family.name,
        words=family.words,
        slots=list(family.slots),
        forms=list(family.forms),
        schools=schools,
        homes=[_home(home) for home in homes],
        published=published,
    )


def _home(home: Home) -> HomeReport:
    band = home.strength_band()
    return HomeReport(
        branch=home.branch,
        outline=[list(corner) for corner in home.outline()],
        strength=None if band is None else list(band),
        centre=home.centre(),
        volume_ml=home.volume_ml,
    )
