"""What a coated edge adds to a sip: an estimate, whose parts are checked by hand."""

import math
from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.glass.glassware import glasses
from oenomel.core.glass.rim import LIP_CM, SIP_ML, STAYS_G_PER_CM
from oenomel.core.spec.technique import Edge, Serve

SOUR = (("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))


def edge(coat, ml=10.0, serve=None):
    return forecast_of(replace(drink(*SOUR, (coat, ml, "rim")), serve=serve or Serve("coupe"))).edge


def test_there_is_none_without_one_and_the_liquid_stays_as_it_is():
    assert forecast_of(drink(*SOUR)).edge is None
    plain, sugared = (forecast_of(replace(each, serve=Serve("coupe"))) for each in (drink(*SOUR), drink(*SOUR, ("caster-sugar", 5, "rim"))))
    assert plain.served == sugared.served


def test_a_sip_takes_along_what_lies_under_the_lips(golden):
    found = edge("caster-sugar")
    # More than stays was used: 0.1 g a cm over 4 cm, into 15 ml.
    assert found.grams == pytest.approx(STAYS_G_PER_CM * LIP_CM)
    served = forecast_of(replace(drink(*SOUR), serve=Serve("coupe"))).served.sugar
    assert found.sugar_with == pytest.approx(served + 100 * found.grams / SIP_ML)
    golden(found.words)


def test_half_an_edge_is_as_thick_and_a_thin_one_thinner():
    assert edge("caster-sugar", serve=Serve("coupe", edge=Edge(half=True))).grams == edge("caster-sugar").grams
    around = 2 * math.pi * glasses()["coupe"].bowl[-1][1]
    thin = edge("caster-sugar", ml=0.62)  # one gram, less than would stay
    assert thin.grams == pytest.approx(1.0 / around * LIP_CM, rel=0.01)


def test_salt_and_other_things_change_no_axis_and_say_so(golden):
    golden(edge("salt").words)
    assert edge("salt").brings == "salt"
    other = edge("cocoa-powder")
    assert (other.brings, other.sugar_with) == ("", edge("salt").sugar_with)
