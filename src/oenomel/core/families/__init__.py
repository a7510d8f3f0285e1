"""The families of drinks, their schools of proportion, and the home that these make."""

from oenomel.core.families.family import Family, Form, NewPour, Slot, families, new_pour, published_ranges
from oenomel.core.families.home import (
    EDGE_OF_HOME_STEPS,
    OUTSIDE_HOME_STEPS,
    Branch,
    Home,
    Homes,
    branch_of_school,
    home_for,
    homes_from,
    is_long_on_juice,
    is_without_alcohol,
    lean_words,
    place_words,
    standard_homes,
    steps_of,
)

__all__ = [
    "EDGE_OF_HOME_STEPS", "OUTSIDE_HOME_STEPS", "Branch", "Family", "Form", "Home", "Homes", "NewPour",
    "Slot", "branch_of_school", "families", "home_for", "homes_from", "is_long_on_juice", "is_without_alcohol", "lean_words",
    "new_pour", "place_words", "published_ranges", "standard_homes", "steps_of",
]  # fmt: skip
