"""Twenty minutes in the glass: what melts, what dissolves, what sinks in; and nothing is lost."""

import itertools
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.glass.time_course import MINUTES, ice_in_glass
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.solutions import WATER_G_PER_ML
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Method, Serve

SOUR = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
ICES = ["none", "large", "cubes", "crushed"]

sours = st.builds(
    lambda rum, lime, syrup, top, ice: replace(
        drink(("white-rum", rum), ("lime-juice", lime), ("simple-syrup-1-1", syrup), ("aged-rum", top, "floated")), serve=Serve("", ice)
    ),
    st.floats(0, 90), st.floats(5, 45), st.floats(5, 45), st.sampled_from([0.0, 3.0, 15.0, 30.0]), st.sampled_from(ICES),
)  # fmt: skip


def on(made: Drink, ice: str) -> Drink:
    return replace(made, serve=Serve("large rocks glass", ice))


@given(sours)
def test_alcohol_sugar_and_acid_stay_what_they_were(made):
    forecast = forecast_of(made)
    course, served = forecast.course, forecast.served
    for axis in ("abv", "sugar", "acid"):
        amount = getattr(served, axis) * served.volume_ml
        assert np.allclose(getattr(course, axis) * course.volume_ml, amount, rtol=1e-9)
        assert getattr(course, axis)[0] == pytest.approx(getattr(served, axis), rel=1e-12)
    assert len(course.volume_ml) == MINUTES + 1
    assert (np.diff(course.volume_ml) >= -1e-9).all()
    melted = float(course.volume_ml[-1] - course.volume_ml[0]) * WATER_G_PER_ML
    assert melted <= ice_in_glass(made.serve.ice).grams + 1e-6
    if course.top is not None:
        for axis in ("abv", "sugar", "acid"):
            held = sum(getattr(part, axis) * part.volume_ml for part in (course.top, course.below))
            assert np.allclose(held, getattr(served, axis) * served.volume_ml, rtol=1e-9)


def test_crushed_ice_melts_faster_than_cubes_and_cubes_faster_than_a_large_one():
    water = [forecast_of(on(SOUR, ice)).course.volume_ml for ice in ICES]
    for slower, faster in itertools.pairwise(water):
        assert (faster[1:] > slower[1:]).all()
    assert (water[0] == water[0][0]).all()
    # Magnitudes are estimates: some tens of ml on cubes in twenty minutes, as is usual at the bench (common practice).
    assert 15 < water[2][-1] - water[2][0] < 45


def test_up_it_only_warms_and_on_ice_it_stays_cold():
    up, iced = (forecast_of(on(SOUR, ice)).course for ice in ("none", "crushed"))
    assert (np.diff(up.temperature_c) > 0).all()
    assert up.temperature_c[0] == pytest.approx(forecast_of(SOUR).temperatures.glass)
    assert 3 < up.temperature_c[20] < 15
    assert iced.temperature_c[20] < 0
    assert [float(steps[0]) for steps in iced.steps.values()] == [0, 0, 0]
    assert all(steps[20] < -0.5 for steps in iced.steps.values())


def test_sugar_cube_left_in_the_glass_makes_the_drink_sweeter_as_it_is_drunk():
    cube = Pour(catalogue()["sugar-cube"], 4 * 0.62, unit="piece", slot="sweet", stage="glass")
    built = Drink("b", "open", (Pour(catalogue()["corn-whiskey"], 60, slot="base"), cube), method=Method("none", ice="none"))
    course = forecast_of(built).course
    assert course.sugar[0] == pytest.approx(0, abs=1e-9)
    assert (np.diff(course.sugar) > 0).all()
    assert course.undissolved_g[0] == pytest.approx(4, rel=1e-3)
    # Eight minutes leave e⁻¹ of it (estimate).
    assert course.undissolved_g[8] == pytest.approx(4 / np.e, rel=1e-3)
    assert course.sugar[20] * course.volume_ml[20] / 100 + course.undissolved_g[20] == pytest.approx(4, rel=1e-3)
    stirred_in = replace(built, pours=(built.pours[0], replace(cube, stage="mixed")), method=Method("stir"))
    assert forecast_of(stirred_in).course.undissolved_g[0] == 0


def test_float_is_strong_at_first_and_sinks_in():
    floated = on(drink(("white-rum", 45), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5), ("overproof-rum", 15, "floated")), "crushed")
    course = forecast_of(floated).course
    assert course.top.abv[0] == pytest.approx(60)
    assert course.below.abv[0] < course.abv[0] < course.top.abv[0]
    assert (np.diff(course.top.abv) < 0).all()
    assert course.top.abv[20] - course.below.abv[20] < 0.05 * (60 - course.below.abv[0])
    dashes = replace(floated, pours=(*floated.pours[:3], Pour(catalogue()["aromatic-bitters"], 1.6, "dash", "accent", "floated")))
    assert forecast_of(dashes).course.top is None


def test_minute_in_which_a_drink_leaves_its_home_is_told():
    thin = on(drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5), ("still-water", 45)), "crushed")
    assert 0 < forecast_of(thin).course.leaves_home <= 20
    assert forecast_of(on(SOUR, "none")).course.leaves_home is None
    assert forecast_of(replace(thin, family="open")).course.leaves_home is None
