"""A drink as served, without uncertainty or checks: enough to compare it."""

from __future__ import annotations

from oenomel.core.balance.levels import levels_of
from oenomel.core.balance.mixing import served_drink
from oenomel.core.balance.pour_table import poured
from oenomel.core.balance.profile import Profile, profile_of
from oenomel.core.dilution import Conditions
from oenomel.core.spec import Drink


def profile_of_drink(drink: Drink) -> Profile:
    """Compute a reference drink as served by the dilution curve, so that typical ranges don't depend on today's ice."""
    return profile_as_made(drink, Conditions())


def profile_as_made(drink: Drink, conditions: Conditions) -> Profile:
    """Compute a drink as served, without uncertainty or checks."""
    table = poured(drink)
    at = levels_of(table.volumes, table.axes, table.in_tin, drink.method, conditions)
    return profile_of(served_drink(table, at.water_ml[0]).glass)
