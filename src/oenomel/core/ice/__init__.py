"""What ice does to what is in the tin: the water it gives, by the curves or by heat balance, and how cold it gets."""

from oenomel.core.ice.conditions import SCHOOLS_OF_DILUTION, Conditions, DilutionSchool, HouseFactor, house_factor
from oenomel.core.ice.dilution import (
    CONSTANT_RATIOS,
    OWN_RELATIVE_SD,
    REFERENCE_SECONDS,
    SHAKEN,
    STIRRED,
    dilution_model,
    dilution_relative_sd,
    is_extrapolated,
    time_factor,
    tin_temperature_c,
    water_and_slopes,
    water_from_ice,
)
from oenomel.core.ice.heat_balance import FUSION_J_PER_G, WATER_J_PER_G_K, Tin

__all__ = [
    "CONSTANT_RATIOS", "FUSION_J_PER_G", "OWN_RELATIVE_SD", "REFERENCE_SECONDS", "SCHOOLS_OF_DILUTION", "SHAKEN", "STIRRED",
    "WATER_J_PER_G_K", "Conditions", "DilutionSchool", "HouseFactor", "Tin", "dilution_model", "dilution_relative_sd",
    "house_factor", "is_extrapolated", "time_factor", "tin_temperature_c", "water_and_slopes", "water_from_ice",
]  # fmt: skip
