"""Aromas that two ingredients share, by their tags (docs/model/swaps.md). Weak evidence, and presented as such."""

import itertools

import pytest

from oenomel.core.larder.aroma import group_kinship, kinship
from oenomel.core.larder.catalogue_loader import aromas
from oenomel.core.larder.composition import Composition
from oenomel.core.larder.ingredient import Ingredient


def test_the_table_of_kinship_names_known_groups_once_and_stays_between_0_and_1():
    groups = {aroma.group for aroma in aromas().values()}
    for pair, value in group_kinship().items():
        assert pair <= groups
        assert len(pair) == 2
        assert 0 <= value <= 1
    assert len(group_kinship()) > len(groups) * 4


def test_two_groups_of_which_nothing_is_told_stand_side_by_side_as_the_table_says():
    # The table's own rule (its first lines): an untold pair counts 0.4, a group beside itself 0.6.
    tags = {aroma.group: tag for tag, aroma in aromas().items()}
    one, other = next(pair for pair in itertools.combinations(tags, 2) if frozenset(pair) not in group_kinship())

    def smelling(slug: str, tag: str) -> Ingredient:
        return Ingredient(slug, slug, "other", Composition(), aroma={tag: 2})

    assert kinship(smelling("a", tags[one]), [smelling("b", tags[other])]) == pytest.approx(0.4)
    # Of one tag the likeness is whole, and what is over 0.6 of it is taken off as more of the same.
    assert kinship(smelling("a", tags[one]), [smelling("b", tags[one])]) == pytest.approx(0.6 - 0.4)
