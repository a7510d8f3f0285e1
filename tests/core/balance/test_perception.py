"""Words for differences and for how sure they are, at their edges."""

import pytest

from oenomel.core.balance.perception import sureness


@pytest.mark.parametrize(
    ("probability", "word"),
    [
        (0.7499, ""), (0.75, "probably"), (0.9749, "probably"), (0.975, "almost certainly"), (1, "almost certainly"),
    ],
)  # fmt: skip
def test_words_for_how_sure_a_direction_is_change_where_the_house_says(probability, word):
    assert sureness(probability) == word
