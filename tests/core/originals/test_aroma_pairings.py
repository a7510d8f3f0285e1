"""Aroma pairings: a table that is shown, can be edited, and learns a little."""

import numpy as np
import pytest

from oenomel.core.larder.aroma import group_kinship, kinship
from oenomel.core.larder.catalogue_loader import aromas, catalogue
from oenomel.core.originals.aroma_pairings import KinshipTable, Liking, groups, groups_of, learnt_ratios, pairing_matrix, smells
from oenomel.errors import DomainError, OutOfRange


def test_kinship_is_shrunk_by_three_counts_and_what_the_house_sets_comes_first(golden):
    herbs = frozenset({"citrus", "herbal"})
    liked = [Liking(herbs, True)] * 2 + [Liking(frozenset({"citrus", "smoke"}), False)] * 2
    ratios = learnt_ratios(liked)
    # By hand: p = (2 + 1.5) / 7 = 0.5, two of two liked: ln((2 + 1.5) / (5 · 0.5)); none of two: ln(1.5 / 2.5).
    assert ratios[herbs] == pytest.approx(np.log(3.5 / 2.5))
    assert ratios[frozenset({"citrus", "smoke"})] == pytest.approx(np.log(1.5 / 2.5))
    table = KinshipTable({herbs: 0.2}, tuple(liked))
    assert table.shipped(herbs) == 0.8
    assert table.value(herbs) == pytest.approx(0.2 + 0.25 * np.log(3.5 / 2.5))
    assert learnt_ratios([]) == {}
    with golden.raises(DomainError):
        KinshipTable({frozenset({"citrus", "music"}): 0.5})
    with pytest.raises(OutOfRange, match="pairing of citrus and herbal"):
        KinshipTable({herbs: 1.5})


def test_the_matrix_of_kinship_says_what_the_swaps_say_of_a_pair():
    slugs = ("london-dry-gin", "lemon-juice", "thyme-syrup", "smoked-agave-spirit", "elderflower-liqueur", "vodka")
    parts = [catalogue()[slug] for slug in slugs]
    values, smelt = pairing_matrix(parts, KinshipTable())
    assert smelt.tolist() == [True, True, True, True, True, False]
    for i, one in enumerate(parts[:5]):
        for j, other in enumerate(parts[:5]):
            if i != j:
                assert max(0.0, values[i, j]) == pytest.approx(kinship(one, [other]))
    by_group, by_tag = smells(parts)
    assert by_group[:5].sum(axis=1) == pytest.approx(1)
    assert np.linalg.norm(by_tag[:5], axis=1) == pytest.approx(1)
    assert by_group[5].sum() == by_tag[5].sum() == 0


def test_the_table_has_every_group_once_and_ships_what_its_file_says():
    assert len(groups()) == len(set(groups())) == len({each.group for each in aromas().values()})
    table = KinshipTable()
    for pair, value in group_kinship().items():
        assert table.shipped(pair) == value
        assert table.matrix[groups().index(min(pair)), groups().index(max(pair))] == pytest.approx(value)
    assert np.allclose(table.matrix, table.matrix.T)
    assert groups_of([catalogue()["london-dry-gin"]]) <= set(groups())
