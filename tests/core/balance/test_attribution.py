"""Attribution: the effect of each change between two drinks, as its mean over all orders of making the changes."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.depth import examples
from support.drinks import drink

from oenomel.core.balance.attribution import MOST_CHANGES, changes_between
from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.forecast.forecast import STANDARD, forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Method

LIQUIDS = [slug for slug, i in catalogue().items() if i.composition.abv + i.composition.sugar + i.composition.acid > 1]

pours = st.builds(
    Pour, ingredient=st.sampled_from(LIQUIDS).map(catalogue().__getitem__), volume_ml=st.floats(1, 90),
    slot=st.sampled_from(["base", "sour", "sweet"]), stage=st.sampled_from(["mixed", "mixed", "topped"]),
)  # fmt: skip

made_drinks = st.builds(
    Drink, name=st.just("d"), family=st.just("open"), pours=st.lists(pours, min_size=1, max_size=6).map(tuple),
    method=st.sampled_from([Method(), Method("stir"), Method(seconds=5), Method(ice="none")]),
)  # fmt: skip


@given(made_drinks, made_drinks, st.randoms(use_true_random=False))
@examples(60)
def test_changes_add_up_to_the_whole_difference_whatever_their_order(one, other, random):
    changes = changes_between(one, other, STANDARD)
    for axis, rule in AXES.items():
        levels = [getattr(forecast_of(each).served, axis) for each in (one, other)]
        assert math.fsum(change.by[axis] for change in changes) == pytest.approx(levels[0] - levels[1], abs=1e-9)
        assert math.fsum(change.steps[axis] for change in changes) == pytest.approx(float(steps_between(*levels, rule)), abs=1e-9)
    # The parent's pours told in another order are the same parent, and the changes stay the same ones.
    shuffled = list(one.pours)
    random.shuffle(shuffled)
    if all(len({p.slot for p in d.pours}) == len({p.ingredient.slug for p in d.pours}) == len(d.pours) for d in (one, other)):
        again = changes_between(replace(one, pours=tuple(shuffled)), other, STANDARD)
        assert sorted(c.words for c in again) == sorted(c.words for c in changes)


def test_changes_are_named_and_each_has_its_share(golden):
    parent = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5), ("mint", 0))
    riff = drink(("white-rum", 60), ("lime-juice", 30), ("honey-syrup", 22.5), ("still-water", 10, "topped"), method=Method(seconds=20))
    changes = {change.words: change for change in changes_between(riff, parent, STANDARD)}
    golden(changes.keys())
    assert changes["more lime juice"].by["acid"] > 0 > changes["water added"].by["acid"]
    assert changes["honey syrup 1:1 for simple syrup 1:1"].by["volume_ml"] == pytest.approx(0, abs=1e-9)
    assert changes_between(parent, parent, STANDARD) == ()
    # One change alone is the whole difference, by hand: 10 ml of water on top of 159.5 ml.
    watered = replace(parent, pours=(*parent.pours, riff.pours[3]))
    (alone,) = changes_between(watered, parent, STANDARD)
    assert alone.by["volume_ml"] == pytest.approx(10)
    lot = replace(
        parent.pours[1],
        ingredient=replace(parent.pours[1].ingredient, composition=replace(parent.pours[1].ingredient.composition, acids={"citric": 5})),
    )
    golden([c.words for c in changes_between(replace(parent, pours=(parent.pours[0], lot, *parent.pours[2:])), parent, STANDARD)])


def test_with_very_many_changes_the_last_are_told_together(golden):
    slugs = LIQUIDS[:14]
    parent = Drink("a", "open", tuple(Pour(catalogue()[slug], 10) for slug in slugs))
    riff = Drink("b", "open", tuple(Pour(catalogue()[slug], 15) for slug in slugs), method=Method("stir"))
    changes = changes_between(riff, parent, STANDARD)
    assert len(changes) == MOST_CHANGES
    golden(changes[-1].words)
    sugar = forecast_of(riff).served.sugar - forecast_of(parent).served.sugar
    assert math.fsum(change.by["sugar"] for change in changes) == pytest.approx(sugar, abs=1e-9)
