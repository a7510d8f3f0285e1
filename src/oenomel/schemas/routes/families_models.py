"""Bodies and queries of the families router."""

from __future__ import annotations

from oenomel.core.families import Branch
from oenomel.core.families.family import Form, Slot
from oenomel.schemas.base import Pair, Report
from oenomel.schemas.spec_file import SpecFile


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
    """A family; open forms have no typical range, others may have one for each of their branches."""

    slug: str
    name: str
    words: str
    slots: list[Slot]
    forms: list[Form]
    schools: list[SchoolReport]
    homes: list[HomeReport]
    published: list[RangeReport]
