"""Aroma of one ingredient in a drink, beside the three axes."""

import pytest
from support.drinks import drink

from oenomel.core.balance.aroma_share import aroma_words, loudness_between, part_words

GIN, LEMON, SYRUP = ("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5)


@pytest.mark.parametrize(
    "ratio",
    [
        0.02, 0.25, 0.34, 0.5,
        0.67, 0.76, 1.0, 1.26, 1.34,
        1.5, 2.0, 2.9, 9.0,
    ],
)  # fmt: skip
def test_how_loud_is_said_as_the_trade_says_it(ratio: float, golden):
    golden(aroma_words(ratio, "gin"))


def test_parts_are_said_to_the_nearest_that_has_a_name(golden):
    golden([part_words(part) for part in (0.08, 0.17, 0.24, 0.34, 0.5, 0.66, 0.9, 1.0)])  # fmt: skip


def test_loudness_is_the_share_of_the_glass_and_nothing_that_smells_of_nothing_has_one():
    # By hand: 15 ml in 150 ml is a tenth, 10 ml in 150 ml a fifteenth: two thirds of it, ln(2/3)/0.25 = −1.62 steps of smell.
    before, after = drink(GIN, ("orange-liqueur-sweet", 15), SYRUP), drink(GIN, ("orange-liqueur-sweet", 10), SYRUP)
    told = {each.slug: each for each in loudness_between(after, before, 150, 150)}
    assert told.keys() == {"london-dry-gin", "orange-liqueur-sweet"}
    orange = told["orange-liqueur-sweet"]
    assert (orange.before, orange.after, orange.words) == (pytest.approx(0.1), pytest.approx(1 / 15), "a third less aroma")
    assert orange.steps == pytest.approx(-1.622, abs=1e-3)
    assert [told[slug].is_noticeable for slug in told] == [True, False]
    bare = drink(("vodka", 60), SYRUP)
    assert loudness_between(bare, bare, 120, 130) == ()
