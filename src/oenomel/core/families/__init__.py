"""The families of drinks, their schools of proportion, and the typical range of each family."""

from oenomel.core.families.family import families
from oenomel.core.families.typical_range import (
    OUTSIDE_HOME_STEPS,
    Branch,
    TypicalRange,
    TypicalRanges,
    standard_typical_ranges,
    steps_of,
    typical_range_for,
)

__all__ = [
    "OUTSIDE_HOME_STEPS",
    "Branch",
    "TypicalRange",
    "TypicalRanges",
    "families",
    "standard_typical_ranges",
    "steps_of",
    "typical_range_for",
]
