"""Bodies and queries of the families router."""

from __future__ import annotations

from oenomel.core.families import Branch
from oenomel.core.families.family import Form, Slot
from oenomel.schemas.base import Pair, Report
from oenomel.schemas.spec_file import SpecFile


class SchoolReport(Report):
    """A school of proportion, as a pourable spec; ``branch`` is the branch of the family it belongs to."""

    slug: str
    name: str
    words: str
    branch: Branch
    spec: SpecFile


class HomeReport(Report):
    """A typical range: outline as (sugar, acid) in g per 100 ml, within one step of the schools; strength in % v/v, low and high, None
    without an axis of strength. ``branch`` is "without alcohol", "long on juice", or empty for the rest.
    """

    branch: Branch
    outline: list[Pair]
    strength: Pair | None
    centre: dict[str, float]
    volume_ml: float


class RangeReport(Report):
    """A published range of balanced drinks: low and high of each axis."""

    name: str
    abv: Pair
    sugar: Pair
    acid: Pair


class FamilyReport(Report):
    """A family; open forms have no typical range, others may have one for each branch."""

    slug: str
    name: str
    words: str
    slots: list[Slot]
    forms: list[Form]
    schools: list[SchoolReport]
    homes: list[HomeReport]
    published: list[RangeReport]
