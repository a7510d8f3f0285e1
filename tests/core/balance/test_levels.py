"""The four figures a drink is judged by, and their derivatives by every pour, content and the ice; many drinks at once."""

from dataclasses import replace

import numpy as np
import pytest
from support.drinks import drink

from oenomel.core.balance.levels import FIGURES
from oenomel.core.balance.uncertainty import half_widths80
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.spec.technique import Method


@pytest.mark.parametrize("dilution", ["curve", "heat balance"])
@pytest.mark.parametrize("technique", ["shake", "stir", "build"])
def test_many_drinks_at_once_have_the_levels_and_intervals_of_each_alone(technique, dilution):
    # One drink is summed in plain numbers, many in arrays.
    parts = drink(("vodka", 60), ("lime-juice", 30), ("lime-juice", 5), ("soda-water", 90, "topped"), method=Method(technique))
    volumes = np.array([[60, 30, 5, 90], [45, 22.5, 2, 0], [30, 0, 9, 60.0]]).T
    conditions = Conditions(dilution=dilution)
    figures, half = half_widths80(parts, volumes, conditions)
    for column in range(3):
        alone = replace(parts, pours=tuple(replace(p, volume_ml=float(v)) for p, v in zip(parts.pours, volumes[:, column], strict=True)))
        forecast = forecast_of(alone, conditions)
        assert figures[:, column] == pytest.approx([getattr(forecast.served, name) for name in FIGURES], rel=1e-12)
        whole = [forecast.interval80[name].high - getattr(forecast.served, name) for name in FIGURES]
        assert half[:, column] == pytest.approx(whole, rel=1e-9)
