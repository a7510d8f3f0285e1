"""Checks of the method: the tin, the glass, and steps that were forgotten."""

import re
from dataclasses import replace

from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.technique import Garnish, Method, Serve
from oenomel.schemas.spec_fix import with_fix
from oenomel.schemas.spec_to_drink import spec_from_drink

RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)

SOUR = drink(RUM, LIME, SYRUP)


def in_glass(made: Drink, glass: str, ice: str = "none", garnish: tuple[str, ...] = ()) -> Drink:
    return replace(made, serve=Serve(glass, ice, tuple(Garnish(each) for each in garnish)))


def by(made: Drink, method: Method) -> Drink:
    return replace(made, method=method)


def told(made: Drink, code: str):
    return next((found for found in forecast_of(made).findings if found.code == code), None)


def test_too_small_a_glass_is_told_with_what_it_holds_and_a_roomier_one(golden):
    found = told(in_glass(SOUR, "tiny cup"), "glass-too-small")
    golden(found.message)
    assert re.fullmatch(r"Use an? [a-z ]+", found.mends[0].words)
    assert found.mends[0].edits[0].place == "serve"


def test_thick_syrup_that_is_stirred_is_shaken():
    (mend,) = told(by(drink(RUM, LIME, ("honey", 15)), Method("stir")), "thick-syrup").mends
    assert with_fix(spec_from_drink(drink(RUM, LIME, ("honey", 15))), mend).method.technique == "shake"
    assert [edit.place for edit in mend.edits] == ["method"]
