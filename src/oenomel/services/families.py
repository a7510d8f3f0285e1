"""The families: their slots, schools and typical ranges."""

from __future__ import annotations

import sqlite3

from oenomel.core.families import TypicalRange, families
from oenomel.core.families.family import Family, published_ranges
from oenomel.core.families.typical_range import branch_of_school
from oenomel.core.spec import FamilyName
from oenomel.schemas.routes.families_models import FamilyReport, HomeReport, RangeReport, SchoolReport
from oenomel.schemas.spec_to_drink import spec_from_drink
from oenomel.services.resolve import typical_ranges_for


def list_families(conn: sqlite3.Connection) -> list[FamilyReport]:
    """List the families with their forms, schools and typical ranges, which include the bar's own reference specs."""
    homes = typical_ranges_for(conn, *families())
    return [_report(family, [home for (slug, _), home in homes.items() if slug == family.slug]) for family in families().values()]


def get_family(conn: sqlite3.Connection, slug: FamilyName) -> FamilyReport:
    """Return one family with its typical ranges."""
    return _report(families()[slug], [home for (of, _), home in typical_ranges_for(conn, slug).items() if of == slug])


def _report(family: Family, homes: list[TypicalRange]) -> FamilyReport:
    schools = [
        SchoolReport(slug=s.slug, name=s.name, words=s.words, branch=branch_of_school(s), spec=spec_from_drink(s.drink))
        for s in family.schools
    ]
    published = [
        RangeReport(name=published.name, abv=list(published.abv), sugar=list(published.sugar), acid=list(published.acid))
        for published in published_ranges()
        if family.slug in published.families
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


def _home(home: TypicalRange) -> HomeReport:
    band = home.strength_band()
    return HomeReport(
        branch=home.branch,
        outline=[list(corner) for corner in home.outline()],
        strength=None if band is None else list(band),
        centre=home.centre(),
        volume_ml=home.volume_ml,
    )
