"""The space of a wish: counted by hand and by brute force, drawn without repeats; parts and measures that are never loud."""

import itertools

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.parts import plan_of
from oenomel.core.originals.space import NONE, WHOLE_UP_TO, Space, space_of
from oenomel.core.originals.usual_measures import may_split

BASES = ("london-dry-gin", "white-rum", "aged-rum", "cognac")
SOURS = ("lemon-juice", "lime-juice")
SWEETS = ("simple-syrup-1-1", "honey-syrup", "ginger-syrup")
ACCENTS = ("mint", "orange-bitters")


def space(wish: Criteria, slugs: tuple[str, ...] = (*BASES, *SOURS, *SWEETS, *ACCENTS, "egg-white")) -> Space:
    return space_of(wish, {slug: catalogue()[slug] for slug in slugs})


def drawn(of: Space, seed: int = 1) -> list[dict[str, str]]:
    return [of.slugs(each) for each in of.drawn(seed).tolist()]


def test_a_small_space_is_counted_as_by_hand():
    pairs = sum(may_split(*pair) for pair in itertools.combinations(BASES, 2))
    plain = len(BASES) * len(SOURS) * len(SWEETS)
    split = pairs * len(SOURS) * len(SWEETS)
    # Joining: a second base, a second sweetener out of the two that smell, an accent, foam; two of these together too.
    second, accent, foam = 2, len(ACCENTS), 1
    by_hand = plain * (1 + second + accent + foam + second * accent + second * foam + accent * foam) + split * (1 + second + accent + foam)
    assert space(Criteria("sour")).size == by_hand
    assert space(Criteria("sour", ingredients=(3, 3))).size == plain
    assert space(Criteria("sour", shape=("base", "sour", "sweet", "texture"))).size == plain


def test_every_combination_of_a_small_space_is_drawn_once_and_none_holds_a_thing_twice():
    found = drawn(space(Criteria("sour")))
    assert len({tuple(sorted(each.items())) for each in found}) == len(found)
    for each in found:
        assert len(set(each.values())) == len(each)
        assert {"base", "sour", "sweet"} <= set(each)
        assert len(each) <= 5
        if "base2" in each:
            assert each["base"] < each["base2"]
            assert may_split(each["base"], each["base2"])
    # By brute force: a second sweetener is another one than the first.
    seconds = [each for each in found if set(each) == {"base", "sour", "sweet", "sweet2"}]
    assert len(seconds) == len(BASES) * len(SOURS) * 4


@pytest.mark.parametrize(
    ("must", "part"),
    [("mint", "accent"), ("cognac", "base"), ("honey-syrup", "sweet"), ("egg-white", "texture"), ("lime-juice", "sour")],
)
def test_what_must_be_in_is_in_each_and_what_has_it_is_all_of_those(must, part):
    everything, found = drawn(space(Criteria("sour"))), drawn(space(Criteria("sour", must=(must,))))
    assert all(must in each.values() for each in found)
    assert part in {name for each in found for name, slug in each.items() if slug == must}

    # Those of the whole space that hold it, and no others.
    def as_sets(some: list[dict[str, str]]) -> set[frozenset[str]]:
        return {frozenset(each.values()) for each in some}

    assert as_sets(found) >= {each for each in as_sets(everything) if must in each}


@pytest.mark.parametrize(
    "pair", [("cognac", "aged-rum"), ("aged-rum", "cognac"), ("london-dry-gin", "white-rum"), ("mint", "orange-bitters")]
)
def test_two_that_are_alike_stand_side_by_side_where_both_are_asked_for_and_once(pair):
    found = drawn(space(Criteria("sour", must=pair)))
    assert found
    assert all(set(pair) <= set(each.values()) for each in found)
    assert len({frozenset(each.items()) for each in found}) == len(found)
    # Unasked there is never a second accent.
    assert not any("accent2" in each for each in drawn(space(Criteria("sour"))))


def test_three_that_must_be_in_make_room_for_themselves():
    found = drawn(space(Criteria("sour", must=("mint", "honey-syrup", "egg-white", "ginger-syrup"))))
    assert found
    assert all({"mint", "honey-syrup", "egg-white", "ginger-syrup"} <= set(each.values()) for each in found)


@pytest.mark.parametrize("family", ["sour", "daisy", "fizz"])
def test_a_sample_is_large_spread_over_the_shapes_and_the_same_for_a_seed(family):
    of = space_of(Criteria(family), catalogue())
    assert of.size > WHOLE_UP_TO
    one, again, other = of.drawn(7), of.drawn(7), of.drawn(8)
    assert len(one) >= 40_000
    assert np.array_equal(one, again)
    assert not np.array_equal(one, other)
    shapes = {tuple(row) for row in (one != NONE).tolist()}
    assert len(shapes) == len({tuple(sorted(part for digit in cell.digits for part in digit.parts)) for cell in of.cells})
    # The smallest shape isn't lost among the largest.
    plain = (one != NONE).sum(axis=1) == len(plan_of(Criteria(family)).always)
    assert plain.sum() >= 100


@given(st.lists(st.sampled_from(["egg", "milk", "tree nuts", "sulphites", "gluten", "spirit", "syrup", "bitters"]), max_size=4))
def test_what_is_left_out_is_in_no_combination(words):
    of = space_of(Criteria("fizz", without=tuple(words)), catalogue())
    for cell in of.cells:
        for digit in cell.digits:
            for place in np.unique(digit.choices).tolist():
                each = of.ingredients[place]
                assert not set(words) & {each.slug, each.kind, *each.allergens}
