"""How a drink looks in its glass: shapes by geometry, the rest a preview."""

from dataclasses import replace

import pytest
from support.drinks import drink, eight_three_three

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.glass.appearance import appearance_of, to_the_line_ml
from oenomel.core.spec.technique import Method, Serve
from oenomel.errors import DomainError

FIZZ = (("white-rum", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("egg-white", 30))


@pytest.mark.parametrize(
    ("glass", "ice", "state"),
    [
        ("tiny cup", "none", "overflows"),
        ("small rocks glass", "cubes", "over the line"),
        ("small tall glass", "cubes", "right"),
        ("flute", "none", "right"),
        ("coupe", "none", "right"),
        ("large rocks glass", "large", "right"),
        ("wine glass", "none", "right"),
    ],
)
def test_how_full_a_published_sour_makes_each_glass_is_told(glass, ice, state, golden):
    # 159.5 ml as served, after D. Arnold, Liquid Intelligence (2014); from memory. The line is at 80 % of the brim.
    sour = replace(eight_three_three(), serve=Serve(glass, ice))
    sight = appearance_of(sour, forecast_of(sour).served.volume_ml)
    assert sight.state == state
    golden(sight.words)


def test_a_dry_shake_raises_the_foam_and_a_drink_that_is_stirred_has_none():
    def foam(method: Method) -> float:
        fizz = replace(drink(*FIZZ, method=method), serve=Serve("tall glass"))
        sight = appearance_of(fizz, 180)
        return sight.foam.volume_ml if sight.foam else 0.0

    assert foam(Method(dry_shake_seconds=10)) > foam(Method()) > 0 == foam(Method("stir"))


def test_a_float_lies_on_the_drink_in_its_own_colour_and_dashes_are_drops():
    with_float = replace(drink(*FIZZ[:3], ("aged-rum", 15, "floated"), ("aromatic-bitters", 1.6, "floated")), serve=Serve("coupe"))
    below, above = appearance_of(with_float, 170).liquid
    assert above.from_cm == pytest.approx(below.to_cm)
    assert above.volume_ml == pytest.approx(16.6)
    assert above.colour != below.colour
    dashed = replace(drink(*FIZZ, ("aromatic-bitters", 1.6, "floated")), serve=Serve("coupe"))
    assert appearance_of(dashed, 170).drops == ("Aromatic bitters",)
    assert appearance_of(replace(dashed, serve=Serve("grandmother's cup")), 170) is None


def test_what_goes_in_after_the_ice_can_be_topped_to_the_line(golden):
    fizz = replace(drink(*FIZZ[:3], ("soda-water", 10, "topped")), serve=Serve("tall glass", "cubes"))
    served = forecast_of(fizz).served.volume_ml
    room = to_the_line_ml(fizz, 3, served)
    topped = replace(fizz, pours=(*fizz.pours[:3], replace(fizz.pours[3], volume_ml=room)))
    assert appearance_of(topped, forecast_of(topped).served.volume_ml).words == "at the wash line"
    with golden.raises(DomainError):
        to_the_line_ml(fizz, 0, served)
    with pytest.raises(DomainError, match="is full before Soda water"):
        to_the_line_ml(replace(fizz, serve=Serve("tiny cup")), 3, served)
    with golden.raises(DomainError):
        to_the_line_ml(replace(fizz, serve=Serve()), 3, served)
