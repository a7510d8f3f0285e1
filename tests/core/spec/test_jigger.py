"""What can be poured, and between what."""

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Pour
from oenomel.core.spec.jigger import grid_of, usual_bounds


@pytest.mark.parametrize(
    ("slug", "unit", "step"),
    # A dash of 0.8 ml and a drop of 0.05 whatever it is, bitters by the dash; an egg by the piece; else the jigger's.
    [
        ("lime-juice", "dash", 0.8), ("saline", "drop", 0.05), ("aromatic-bitters", "ml", 0.8), ("lime-juice", "ml", 7.5),
        ("egg-white", "piece", 30), ("egg-white", "ml", 7.5), ("caster-sugar", "g", 0.62),
    ],
)  # fmt: skip
def test_step_of_a_pour_is_its_own(slug, unit, step):
    assert grid_of(catalogue()[slug], unit, 7.5) == pytest.approx(step, rel=0.02)


def test_a_free_pour_may_double_and_bitters_go_to_twelve_dashes():
    assert usual_bounds(Pour(catalogue()["white-rum"], 60), 2.5) == (0, 120)
    assert usual_bounds(Pour(catalogue()["lime-juice"], 20), 2.5) == (0, 50)
    assert usual_bounds(Pour(catalogue()["aromatic-bitters"], 1.6, "dash"), 0.8) == (0, pytest.approx(9.6))
