"""Picking a diverse handful out of many good drinks: maximal marginal relevance."""

import numpy as np
from support.drinks import drink

from oenomel.core.originals.diversify import Bench, most_of, picked
from oenomel.core.originals.similarity import features_of
from oenomel.core.originals.space import NONE, ORDER


def test_more_of_the_same_is_never_picked_before_its_turn(golden):
    # Three drinks of one ingredient and one of another, by score: with a fifth of five each may come once.
    drawn = np.full((4, len(ORDER)), NONE)
    drawn[:3, 0], drawn[3, 0] = 0, 1
    marks = features_of([drink(("white-rum", 60)), drink(("white-rum", 60)), drink(("white-rum", 60)), drink(("cognac", 60))], [])
    bench = Bench(drawn, np.array([0.9, 0.8, 0.7, 0.1]), marks, np.zeros((len(ORDER), 2), dtype=bool))
    taken: list[int] = []
    notes = picked(bench, 5, lambda place: taken.append(place) is None)
    assert taken == [0, 3]
    golden(notes)
    assert [most_of(count) for count in (1, 5, 10, 20)] == [1, 1, 2, 4]
