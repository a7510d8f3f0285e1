"""Assumptions about ice, tin and temperatures, and the dilution that this bar measured."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.dilution.ice_conditions import Conditions, HouseFactor, house_factor
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.spec.technique import Method
from oenomel.errors import OutOfRange

RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)


def test_house_factor_is_drawn_to_one_and_grows_surer():
    # By hand: three at 0.9, s² = (6·0.09² + 0)/8 = 0.006075, s²/0.12² = 0.421875, f = 1 + 3/3.421875·(−0.1), sd = √0.006075/√3.421875.
    three = house_factor([0.9, 0.9, 0.9])
    assert three.factor == pytest.approx(1 - 0.1 * 3 / 3.421875, rel=1e-12)
    assert three.relative_sd == pytest.approx((0.006075 / 3.421875) ** 0.5, rel=1e-12)
    assert three.measurements == 3
    assert house_factor([0.9] * 12).relative_sd < three.relative_sd < house_factor([0.9]).relative_sd
    # Scatter of 0.2 either way: s² = (0.0486 + 0.08)/7.
    wide = house_factor([0.8, 1.2])
    assert wide.relative_sd == pytest.approx((0.1286 / 7 / (2 + 0.1286 / 7 / 0.0144)) ** 0.5, rel=1e-12)
    for wrong in ([], [0.0], [4.0]):
        with pytest.raises(OutOfRange):
            house_factor(wrong)


def test_forecast_uses_the_house_s_own_factor_and_is_surer_for_it():
    made = drink(RUM, LIME, SYRUP)
    own = Conditions(factors={"shake": HouseFactor(0.9, 0.02, 12)})
    usual, calibrated = forecast_of(made), forecast_of(made, own)
    assert calibrated.dilution.water_ml == pytest.approx(0.9 * usual.dilution.water_ml)
    width = [forecast.interval80["abv"].high - forecast.served.abv for forecast in (usual, calibrated)]
    assert width[1] < width[0]
    assert forecast_of(replace(made, method=Method("stir")), own).dilution == forecast_of(replace(made, method=Method("stir"))).dilution


@pytest.mark.parametrize(("name", "value"), [("ice_c", 1), ("ice_g", -1), ("start_c", 99), ("surface_water", 0.5)])
def test_conditions_that_cannot_be_are_refused(name, value):
    with pytest.raises(OutOfRange, match=name):
        Conditions(**{name: value})
