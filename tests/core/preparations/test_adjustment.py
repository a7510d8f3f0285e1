"""Adjustment of a syrup to a °Bx, or of a juice to another juice's acid."""

import pytest

from oenomel.core.preparations.adjustment import to_brix
from oenomel.errors import DomainError, OutOfRange


@pytest.mark.parametrize(
    ("weight", "sugar", "brix"),
    [
        (437, 200, 50),
        (500, 300, 50),
        (400, 200, 50),
    ],
)
def test_a_syrup_is_brought_to_a_brix_by_sugar_or_by_water(weight, sugar, brix, golden):
    told = to_brix(weight, sugar, brix)
    golden(told.words)
    for each in told.additions:
        more = each.grams if each.what == "sugar" else 0
        assert 100 * (sugar + more) / (weight + each.grams) == pytest.approx(brix)


def test_what_can_not_be_adjusted_is_refused(golden):
    with pytest.raises(OutOfRange):
        to_brix(400, 200, 95)
    with golden.raises(DomainError):
        to_brix(400, 500, 50)
