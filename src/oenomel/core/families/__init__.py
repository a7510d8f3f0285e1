"""The families of drinks, their schools of proportion, and the home that these make."""

from oenomel.core.families.family import Family, families, published_ranges
from oenomel.core.families.home import OUTSIDE_HOME_STEPS, Home, home_from, place_words, standard_homes, steps_of

__all__ = [
    "OUTSIDE_HOME_STEPS", "Family", "Home", "families", "home_from", "place_words", "published_ranges", "standard_homes",
    "steps_of",
]  # fmt: skip
