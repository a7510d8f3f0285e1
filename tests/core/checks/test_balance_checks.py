"""Checks of the balance: a part missing, one part too loud, a drink far from its family."""

from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.spec.drink import Drink

RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)


def told(made: Drink, code: str):
    return next((found for found in forecast_of(made).findings if found.code == code), None)


def test_bitters_are_measured_by_an_accent_whatever_a_family_takes():
    # 6 ml is a lot beside a family's two dashes and usual as an accent.
    assert told(drink(RUM, LIME, SYRUP, ("aromatic-bitters", 6)), "slip-of-measure") is None
    assert told(drink(RUM, LIME, SYRUP, ("aromatic-bitters", 40)), "slip-of-measure") is not None
