"""Batches topped up with new ones: the share of each filling, and the composition."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.bottled_sours import BOTTLE, LARDER, level

from oenomel.core.batch.solera_shares import Filling, contents_of, shares
from oenomel.errors import DomainError


@given(kept=st.floats(0.05, 0.9), many=st.integers(2, 8))
def test_each_filling_holds_its_share_of_the_older_ones(kept, many):
    chain = {1: Filling(1, 1000.0)} | {n: Filling(n, 1000 * (1 - kept), n - 1, 1000 * kept) for n in range(2, many + 1)}
    found = dict(shares(chain, many))
    # Batch n holds share x of n − 1, x² of n − 2 … (docs/model/batch.md).
    for key, share in found.items():
        grown = kept ** (many - key)
        assert share == pytest.approx(grown if key == 1 else grown * (1 - kept))


def test_a_filling_that_can_not_be_is_refused(golden):
    with golden.raises(DomainError):
        shares({1: Filling(1, 500, 2, 250), 2: Filling(2, 500, 1, 250)}, 1)
    with golden.raises(DomainError):
        shares({1: Filling(1, 500, 7, 250)}, 1)


def test_what_is_in_a_bottle_follows_from_all_that_went_in():
    contents = contents_of(BOTTLE)
    for axis, value in zip(("abv", "sugar", "acid"), contents.axes, strict=True):
        assert value == pytest.approx(level(BOTTLE, axis))
    # Spreads of independent things: less than any one of them alone.
    assert contents.relative_sd("acids") == pytest.approx(LARDER["lime-juice"].composition.relative_sd("acids"), rel=0.05)
