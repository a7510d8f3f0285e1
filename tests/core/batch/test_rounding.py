"""Amounts of a batch, rounded to what can be measured."""

from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.batch.rounding import measured_ml


@given(ml=st.floats(0.1, 100_000), grid=st.sampled_from([1.0, 5.0, 10.0, 25.0]))
def test_what_is_measured_lies_within_half_a_measure(ml, grid):
    measured = measured_ml(ml, grid)
    step = grid if ml >= 2 * grid else min(grid, 1.0 if ml >= 5 else 0.1)
    assert abs(measured - ml) <= step / 2 + 1e-6
