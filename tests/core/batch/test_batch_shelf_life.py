"""Estimate the shelf life of a batch in the cold from its ingredients."""

import pytest

from oenomel.core.batch.batch_shelf_life import keeping_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.shelf_life import BATCH_MOST_DAYS, BATCH_WEAK_DAYS

LARDER = catalogue()


@pytest.mark.parametrize(
    ("parts", "abv", "hours"),
    [
        (("london-dry-gin", "lime-juice"), 30, 12),
        (("london-dry-gin", "sweet-vermouth"), 25, 24 * 45),
        (("london-dry-gin", "simple-syrup-1-1"), 30, 24 * 21),
        (("london-dry-gin", "simple-syrup-1-1"), 12, 24 * BATCH_WEAK_DAYS),
        (("london-dry-gin",), 41, 24 * BATCH_MOST_DAYS),
        ((), 40, 24 * BATCH_MOST_DAYS),
    ],
)
def test_a_bottle_keeps_as_its_shortest_lived_part_and_a_weak_one_a_week(parts, abv, hours, golden):
    found = keeping_of([LARDER[slug] for slug in parts], abv)
    assert found.hours == pytest.approx(hours)
    golden(found.words)
    assert found.today_only == (hours <= 12)
