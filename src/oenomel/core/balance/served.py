"""A drink as served, without its doubt and its findings: enough to say where it stands."""

from __future__ import annotations

from oenomel.core.balance.levels import levels_of
from oenomel.core.balance.mixing import served_drink
from oenomel.core.balance.pour_table import poured
from oenomel.core.balance.profile import Profile, profile_of
from oenomel.core.dilution import Conditions
from oenomel.core.spec import Drink


def profile_of_drink(drink: Drink) -> Profile:
    """Return a reference drink as served by the curve, whatever today's ice is: a typical range doesn't move with the weather."""
    return profile_of_made(drink, Conditions())


def profile_of_made(drink: Drink, conditions: Conditions) -> Profile:
    """Return a drink as served, without its doubt and its findings: enough to say where it stands."""
    table = poured(drink)
    at = levels_of(table.volumes, table.axes, table.in_tin, drink.method, conditions)
    return profile_of(served_drink(table, at.water_ml[0]).glass)
