"""The families of drinks, their schools of proportion, and the home that these make."""

from oenomel.core.families.family import families
from oenomel.core.families.typical_range import OUTSIDE_HOME_STEPS, Branch, Home, Homes, home_for, standard_homes, steps_of

__all__ = ["OUTSIDE_HOME_STEPS", "Branch", "Home", "Homes", "families", "home_for", "standard_homes", "steps_of"]
