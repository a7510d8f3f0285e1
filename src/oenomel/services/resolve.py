"""Specs and assumptions resolved with the data file: ingredients, open lots, measured dilution, reference specs."""

from __future__ import annotations

import sqlite3

from oenomel.core.dilution import Conditions
from oenomel.core.dilution.ice_conditions import house_factor
from oenomel.core.families import TypicalRanges, families, standard_typical_ranges
from oenomel.core.families.typical_range import typical_ranges_from
from oenomel.core.larder import Larder
from oenomel.core.spec import Drink
from oenomel.schemas.requests.assumptions import AssumptionsQuery
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec, lots_named, slugs_of
from oenomel.services.open_lots import lots_as_poured
from oenomel.store import drinks, ingredients, measurements

__all__ = ["conditions_for", "resolve", "typical_ranges_for"]


def resolve(conn: sqlite3.Connection, *specs: SpecFile) -> list[Drink]:
    """Return the drinks of specs, with ingredients and lots of the data file; raises SpecError that names the place."""
    wanted = slugs_of(*specs)
    larder: Larder = ingredients.some(conn, wanted)
    if wanted - larder.keys():
        # The error names the closest slug, so it needs all of them.
        larder = ingredients.larder(conn)
    named = lots_named(*specs)
    lots = lots_as_poured(conn, named) if named else {}
    return [drink_from_spec(spec, larder, lots) for spec in specs]


def conditions_for(conn: sqlite3.Connection, assumptions: AssumptionsQuery) -> Conditions:
    """Return the conditions of a forecast: its assumptions, with the dilution measured in this bar."""
    measured = measurements.ratios(conn) if assumptions.own else {}
    return assumptions.conditions({technique: house_factor(ratios) for technique, ratios in measured.items()})


def typical_ranges_for(conn: sqlite3.Connection, *wanted: str) -> TypicalRanges:
    """Return the typical ranges of families, widened by the bar's reference specs."""
    homes = dict(standard_typical_ranges())
    for family, texts in drinks.references(conn, wanted).items():
        homes |= typical_ranges_from(families()[family], resolve(conn, *(parse_spec(text) for text in texts)))
    return homes
