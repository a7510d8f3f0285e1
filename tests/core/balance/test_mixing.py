"""Mixing: amounts and volumes are conserved, whatever the order of the pours, and temperatures lie between those mixed."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink

from oenomel.core.balance.mixing import mix
from oenomel.core.balance.pour_table import poured
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue

LARDER = catalogue()
some_pours = st.lists(
    st.tuples(
        st.sampled_from(["white-rum", "lemon-juice", "simple-syrup-1-1", "orange-liqueur-dry", "soda-water", "heavy-cream"]),
        st.floats(0.1, 120),
    ),
    min_size=1,
    max_size=6,
)


def mixed(pours):
    return mix([ml for _, ml in pours], [LARDER[slug].composition.vector for slug, _ in pours])


@given(some_pours)
def test_what_is_mixed_holds_what_each_pour_holds_and_the_order_does_not_matter(pours):
    whole = mixed(pours)
    assert float(whole.volume_ml) == pytest.approx(sum(ml for _, ml in pours))
    by_hand = sum(ml / 100 * np.asarray(LARDER[slug].composition.vector) for slug, ml in pours)
    assert whole.contents == pytest.approx(by_hand)
    backwards = mixed(pours[::-1])
    assert backwards.contents == pytest.approx(whole.contents)


@given(some_pours, some_pours)
def test_taking_away_what_was_added_leaves_the_first_and_water_only_thins(one, other):
    first, second = mixed(one), mixed(other)
    back = first.plus(second).minus(second)
    assert back.contents == pytest.approx(first.contents, abs=1e-9)
    assert float(back.volume_ml) == pytest.approx(float(first.volume_ml))
    thinned = first.thinned(np.asarray(50.0))
    assert thinned.contents == pytest.approx(first.contents)
    assert float(thinned.volume_ml) == pytest.approx(float(first.volume_ml) + 50)


def test_a_table_of_pours_and_the_pours_themselves_mix_to_the_same():
    made = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("soda-water", 60, "topped"))
    table = poured(made)
    by_table = mix(table.volumes[:, 0], table.contents)
    assert by_table.contents == pytest.approx(mixed([(p.ingredient.slug, p.volume_ml) for p in made.pours]).contents)


def test_a_drink_in_its_glass_is_between_what_was_strained_and_what_was_topped():
    forecast = forecast_of(drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("soda-water", 60, "topped")))
    cold, glass = forecast.temperatures.strained, forecast.temperatures.glass
    assert cold < glass < 20
