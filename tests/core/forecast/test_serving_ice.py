"""The same drink served up, on cubes, on one large cube and on crushed ice (estimates, as everything in the glass)."""

from dataclasses import replace

from support.drinks import drink

from oenomel.core.families.typical_range import standard_typical_ranges
from oenomel.core.forecast.forecast import STANDARD
from oenomel.core.forecast.serving_ice import on_each_ice
from oenomel.core.spec.technique import Serve

FIZZ = (("white-rum", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("egg-white", 30))


def test_the_more_surface_the_ice_has_the_sooner_the_drink_leaves_home(golden):
    sour = replace(drink(("white-rum", 45), *FIZZ[1:]), serve=Serve("large rocks glass"))
    serves = {each.ice: each for each in on_each_ice(sour, STANDARD, standard_typical_ranges())}
    last = [serves[ice].sips[-1].abv for ice in ("none", "large", "cubes", "crushed")]
    assert last == sorted(last, reverse=True)
    golden(serves["none"].words)
    assert serves["crushed"].leaves_home < serves["cubes"].leaves_home
    golden(serves["crushed"].words)
    golden({each.words for each in on_each_ice(sour, STANDARD, {})})
