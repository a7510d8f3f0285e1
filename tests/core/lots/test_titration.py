"""Titration of acid: instructions, and the calculation."""

import pytest

from oenomel.core.lots.titration import lye_ml_for, titrated_acid, titration_recipe
from oenomel.errors import ImpossibleMeasurement, OutOfRange


def test_a_titration_is_told_as_a_recipe_and_too_little_is_said(golden):
    steps = titration_recipe(6.0)
    assert "10 ml" in steps[0]
    assert "about 94 ml" in steps[2]
    # One lye, named with its caution, and the one in the kitchen is not offered: its gas spoils the end point.
    assert any("sodium hydroxide" in step for step in steps)
    assert any("goggles" in step for step in steps)
    assert "baking soda" not in " ".join(steps)
    assert titrated_acid(10, lye_ml_for(6.0, 10)).acid == pytest.approx(6.0)
    golden(titrated_acid(10, 0.3).words)
    golden(titrated_acid(1, 0.9).words)
    with pytest.raises(OutOfRange):
        titrated_acid(0.1, 10)
    with golden.raises(ImpossibleMeasurement):
        titrated_acid(1, 400)
