"""Values of an ingredient that are unknown or estimated, and corrections by the bar."""

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.gaps import gaps_of, set_right
from oenomel.errors import DomainError

LARDER = catalogue()

LIME = LARDER["lime-juice"]


def test_what_is_only_guessed_is_told_at_a_glance_and_set_right_values_hold_together(golden):
    golden(gaps_of(LIME))
    values = set_right(LIME, {"acid": 5.0}, "titrated at the market")
    assert {kind: each.value for kind, each in values.items()} == pytest.approx({"citric": 5.0 * 4 / 6, "malic": 5.0 * 2 / 6})
    assert values["citric"].source == "titrated at the market"
    with golden.raises(DomainError):
        set_right(LIME, {"sugar": 45.0}, "typed")
    with pytest.raises(DomainError):
        set_right(LIME, {"sugar": 1.0, "acid": 200.0}, "typed")
