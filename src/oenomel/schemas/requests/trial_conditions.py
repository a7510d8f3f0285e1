"""Circumstances of a trial: what composition doesn't show, and the measured pours."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated

from pydantic import Field, StringConstraints

from oenomel.core.dilution import Conditions, HouseFactor
from oenomel.core.dilution.ice_conditions import DilutionSchool
from oenomel.core.spec import Drink, Technique
from oenomel.core.trials.side_by_side import TrialAsMade
from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.spec_file import PourEntry, SpecFile, check_relatives
from oenomel.schemas.spec_to_drink import plain_spec

__all__ = ["MadeEntry", "as_poured", "circumstances_of", "conditions_of", "with_conditions"]

Words = Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=200)]


class FactorEntry(Entry):
    """The bar's dilution factor for a technique on the day of a trial."""

    factor: float
    relative_sd: float
    measurements: int


class SupposedEntry(Entry):
    """Assumptions of the saved forecast about ice and temperatures, where they differed from the defaults."""

    dilution: DilutionSchool = "curve"
    ice_g: float | None = None
    ice_c: float = 0.0
    surface_water: float | None = None
    start_c: float = 22.0
    room_c: float = 22.0
    factors: dict[Technique, FactorEntry] = {}


class MadeEntry(Entry):
    """Circumstances of a trial: who made it; ``lots`` are names by slug; ``poured`` are the measured pours, None where they were as
    written.
    """

    maker: Words = ""
    strainer: Words = ""
    lots: Annotated[dict[Annotated[Plain, Field(max_length=100)], Words], Field(max_length=60)] = {}
    poured: Annotated[list[PourEntry], Field(min_length=1, max_length=60)] | None = None
    supposed: SupposedEntry = SupposedEntry()


def with_conditions(entry: MadeEntry, conditions: Conditions) -> MadeEntry:
    """Return the circumstances with the assumptions of that day's forecast."""
    factors = {
        technique: FactorEntry(factor=factor.factor, relative_sd=factor.relative_sd, measurements=factor.measurements)
        for technique, factor in conditions.factors.items()
    }
    names = ("dilution", "ice_g", "ice_c", "surface_water", "start_c", "room_c")
    supposed = SupposedEntry(**{name: getattr(conditions, name) for name in names}, factors=factors)
    return entry.model_copy(update={"supposed": supposed})


def conditions_of(made: MadeEntry) -> Conditions:
    """Return the assumptions of the saved forecast."""
    factors = {
        technique: HouseFactor(entry.factor, entry.relative_sd, entry.measurements) for technique, entry in made.supposed.factors.items()
    }
    return Conditions(**made.supposed.model_dump(exclude={"factors"}), factors=factors)


def as_poured(spec: SpecFile, entry: MadeEntry) -> SpecFile:
    """Return the spec with the measured pours; raises SpecError where they are invalid."""
    if entry.poured is None:
        return plain_spec(spec)
    check_relatives(entry.poured, "made.poured")
    return plain_spec(spec.model_copy(update={"pours": entry.poured}))


def circumstances_of(name: str, drink: Drink, entry: MadeEntry) -> TrialAsMade:
    """Return the circumstances as the core takes them."""
    lots: Mapping[str, str] = entry.lots
    return TrialAsMade(name, drink, entry.strainer, entry.maker, lots)
