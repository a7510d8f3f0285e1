"""Similarity of two drinks: half by their ingredients, half by their aroma."""

import numpy as np
import pytest
from support.drinks import drink

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.originals.search_context import BookDrink
from oenomel.core.originals.similarity import feature_distance, features_of

BOOK = [BookDrink("Gate Sour", drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)), 1)]


def test_the_same_drink_is_no_distance_away_and_nothing_in_common_is_one():
    here = tuple(sorted(catalogue().values(), key=lambda each: each.slug))
    rum, same, other = (
        BOOK[0].drink,
        drink(("white-rum", 45), ("lime-juice", 30), ("simple-syrup-1-1", 15)),
        drink(("peated-malt-whisky", 45), ("cocoa-creme", 30), ("heavy-cream", 15)),
    )
    marks = features_of([rum, same, other], here)
    found = feature_distance(marks, marks)
    assert np.allclose(np.diag(found), 0)
    assert np.allclose(found, found.T)
    assert found[0, 1] == pytest.approx(0)
    assert found[0, 2] > 0.9
    # Another citrus is a smaller step than another base.
    lemon = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    gin = drink(("london-dry-gin", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    steps = feature_distance(features_of([rum], here), features_of([lemon, gin], here))[0]
    assert 0 < steps[0] < steps[1] < 1
