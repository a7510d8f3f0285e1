"""The search for original drinks: draw, filter, choose amounts, score, and pick a diverse handful."""

import pytest

from oenomel.core.originals.search import about


@pytest.mark.parametrize(
    ("count", "words"),
    [(0, "0"), (999, "999"), (1000, "about 1 thousand"), (15_400, "about 15 thousand"), (2_500_000_000, "about 2.5 billion")],
)
def test_an_estimate_is_told_with_two_figures(count, words):
    assert about(count) == words
