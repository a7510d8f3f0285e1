"""Dilution: water from the ice by curves or by heat balance, and the temperature it leaves."""

from oenomel.core.dilution.curves import dilution_model, dilution_relative_sd, water_and_slopes, water_from_ice
from oenomel.core.dilution.heat_balance import Tin
from oenomel.core.dilution.ice_conditions import Conditions, HouseFactor

__all__ = ["Conditions", "HouseFactor", "Tin", "dilution_model", "dilution_relative_sd", "water_and_slopes", "water_from_ice"]
