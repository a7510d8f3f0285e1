"""The glasses, how full a drink makes one, and how high it stands in it."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.glass.glassware import FILLS_WELL, fill, glasses, size_to


@pytest.mark.parametrize(
    ("glass", "ice", "volume", "full"),
    [
        ("coupe", "none", 110, 0.5),
        ("tall glass", "cubes", 200, 0.8),
        ("tall glass", "cubes", 280, 0.85),
        ("large rocks glass", "cubes", 150, (150 + 120) / 380),
        ("tiny cup", "none", 90, 1.5),
        ("grandmother's cup", "none", 90, None),
    ],
)
def test_glass_is_filled_by_the_drink_and_by_the_weight_of_its_ice(glass, ice, volume, full):
    assert fill(glass, ice, volume) == (None if full is None else pytest.approx(full))
    brims = [each.brim_ml for each in glasses().values()]
    assert brims == sorted(brims)


@pytest.mark.parametrize("glass", glasses().values(), ids=glasses())
def test_every_bowl_holds_its_brim_and_any_part_of_it_by_numerical_integration(glass):
    heights = np.linspace(0, glass.bowl[-1][0], 20_001)
    radii = np.array([glass.radius_cm(h) for h in heights])
    below = np.concatenate([[0], np.cumsum(math.pi * (radii[1:] ** 2 + radii[:-1] ** 2) / 2 * np.diff(heights))])
    assert below[-1] == pytest.approx(glass.brim_ml, rel=1e-4)
    for share in (0.02, 0.3, 0.8, 0.999):
        assert np.interp(glass.height_cm(share * glass.brim_ml), heights, below) == pytest.approx(share * glass.brim_ml, rel=1e-3)
    assert glass.height_cm(2 * glass.brim_ml) == glass.bowl[-1][0]
    assert glass.height_cm(0) == pytest.approx(0, abs=1e-9)


@given(st.sampled_from([*glasses()]), st.sampled_from(["none", "cubes", "large", "crushed"]), st.floats(20, 400))
def test_a_drink_sized_to_its_glass_fills_it_well(glass, ice, volume):
    times = size_to(glass, ice, volume)
    if times is not None:
        assert fill(glass, ice, volume * times) == pytest.approx(FILLS_WELL)
