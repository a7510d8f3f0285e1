"""Batches: laws of scaling, rounding, order and water, over drinks of all kinds; and what is said of them."""

from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink
from support.sixty_specs import specs

from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.batch.batch import MOST_SERVES, BatchWish, batch_of
from oenomel.core.batch.batchable import SERVICES, split
from oenomel.core.batch.containers import HEADSPACE, chilling, container_for
from oenomel.core.batch.pouring_order import is_water
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.technique import Serve
from oenomel.errors import DomainError, EmptyDrink, OutOfRange
from oenomel.schemas.spec_to_drink import drink_from_spec

LARDER = catalogue()
FORTY = [
    drink_from_spec(spec, LARDER) for spec in specs({slug: next(iter(each.slots), "other") for slug, each in LARDER.items()})
]  # fmt: skip
GIN_SOUR = drink(("london-dry-gin", 60), ("lime-juice", 30), ("simple-syrup-1-1", 15))
FIZZ = drink(
    ("white-rum", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 20), ("egg-white", 30), ("soda-water", 50, "topped"), family="fizz"
)


def batched(made, service, **told):
    """The batch; None where nothing of the drink could wait in a bottle."""
    try:
        return batch_of(made, BatchWish(service, **told))
    except EmptyDrink:
        return None


@pytest.mark.parametrize("service", SERVICES)
def test_every_kind_of_drink_is_batched_in_every_way_and_said_in_whole_sentences(service):
    made = [each for each in (batched(drink, service, serves=12) for drink in FORTY) if each is not None]
    assert len(made) > 30
    for batch in made:
        said = [*batch.notes, *(line.words for line in batch.lines), batch.keeping.words, batch.chilling.words, batch.fit.words]
        assert f"Water: {batch.water.words}" in said
        for words in said:
            assert words[0].isupper() or words[0].isdigit(), (batch.drink.name, words)
            assert words.endswith("."), (batch.drink.name, words)
            assert not any(bad in words for bad in ("  ", "nan", "..")), (batch.drink.name, words)


@pytest.mark.parametrize("service", SERVICES)
def test_amounts_add_to_the_total_and_no_order_has_water_before_spirit(service):
    for made in FORTY:
        batch = batched(made, service, serves=17)
        if batch is None:
            continue
        assert sum(line.ml for line in batch.lines) == pytest.approx(batch.total_ml, abs=1e-6)
        assert batch.serve_ml * batch.scale == pytest.approx(batch.total_ml)
        waters = [line.is_water for line in batch.lines]
        # Once water runs, nothing else follows.
        assert all(not (before and not after) for before, after in pairwise(waters))
        strong = [line.ingredient.composition.abv > 15 and line.ingredient.kind != "bitters" for line in batch.lines]
        sharp = [line.ingredient.kind == "juice" for line in batch.lines]
        assert not any(strong[index] and any(sharp[:index]) for index in range(len(strong)))


def test_of_the_water_a_third_waits_until_it_was_tasted():
    batch = batch_of(GIN_SOUR, BatchWish("chilled", serves=12))
    first, back = batch.lines[-2:]
    assert first.is_water
    assert back.is_water
    assert back.taste_first
    assert not first.taste_first
    assert back.ml == pytest.approx(batch.water_ml / 3, abs=5)
    assert first.ml + back.ml == pytest.approx(batch.water_ml)
    # So little that it can't be parted goes in at once.
    (only,) = (line for line in batch_of(GIN_SOUR, BatchWish("ice", serves=1, grid_ml=25)).lines if line.is_water)
    assert not only.taste_first


@pytest.mark.parametrize("made", FORTY, ids=lambda made: made.name)
def test_shaken_to_order_a_serve_is_the_drink_made_singly(made):
    # Forty serves come out on the grid, so nothing is rounded: each figure is that of the drink itself to 1e-9.
    batch = batched(made, "shaken", serves=40, grid_ml=1)
    if batch is None:
        return
    single = forecast_of(made).served
    for name in ("volume_ml", "abv", "sugar", "acid"):
        assert getattr(batch.exact.served, name) == pytest.approx(getattr(single, name), rel=1e-9, abs=1e-9)
    if all(abs(steps) < 1e-12 for steps in batch.drift.values()):
        assert batch.serve.served.abv == pytest.approx(single.abv, rel=1e-9)


POURABLE = [
    # A lump of sugar that is left to itself isn't in the first sip; stirred into a bottle it is.
    each
    for each in FORTY
    if not split(each, "chilled").wants_the_shaker and not any(pour.dissolves_later for pour in each.pours)
]


@pytest.mark.parametrize("made", POURABLE, ids=lambda made: made.name)
def test_poured_up_a_serve_holds_what_the_drink_made_singly_holds(made):
    batch = batched(made, "chilled", serves=10)
    if batch is None:
        return
    single = forecast_of(made).served
    for name in ("volume_ml", "abv", "sugar", "acid"):
        assert getattr(batch.exact.served, name) == pytest.approx(getattr(single, name), rel=1e-9, abs=1e-9)


def test_on_ice_it_is_right_at_the_fourth_minute_and_its_two_ends_are_right_at_theirs():
    for made in (GIN_SOUR, drink(("juniper-water", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 20))):
        batch = batch_of(made, BatchWish("ice", serves=10))
        single = batch.single.served.volume_ml
        at = {minute.minute: minute for minute, _ in batch.minutes}
        assert batch.exact.course.volume_ml[4] == pytest.approx(single, abs=1e-6)
        assert batch.water.least_ml < batch.water.per_serve_ml < batch.water.most_ml
        if batch.single.served.abv > 1:
            assert at[0].abv > batch.single.served.abv > at[10].abv


@given(serves=st.integers(1, 300), times=st.integers(2, 6))
def test_scaled_twice_it_is_scaled_once(serves, times):
    once = batch_of(GIN_SOUR, BatchWish("chilled", serves=serves * times, grid_ml=1))
    before = batch_of(GIN_SOUR, BatchWish("chilled", serves=serves, grid_ml=1))
    larger = replace(GIN_SOUR, pours=tuple(pour.at(pour.volume_ml * serves) for pour in GIN_SOUR.pours))
    twice = batch_of(larger, BatchWish("chilled", serves=times, grid_ml=1))
    assert [pour.volume_ml for pour in once.inside] == [pour.volume_ml for pour in twice.inside]
    assert once.exact.served.abv == pytest.approx(before.exact.served.abv, rel=1e-12)


@given(serves=st.integers(1, 80), grid=st.sampled_from([1, 2.5, 5, 10, 25, 50]), service=st.sampled_from(SERVICES))
def test_rounding_moves_no_axis_further_than_is_told(serves, grid, service):
    batch = batch_of(GIN_SOUR, BatchWish(service, serves=serves, grid_ml=grid))
    told = max(abs(steps) for steps in batch.drift.values())
    for name, axis in AXES.items():
        moved = abs(float(steps_between(getattr(batch.serve.served, name), getattr(batch.exact.served, name), axis)))
        assert moved <= told + 1e-9
    assert ("tastes the same" in batch.drift_words) == (told < 0.5)


@given(container=st.sampled_from([200, 500, 700, 750, 1000, 1500, 5000, 20_000]), service=st.sampled_from(("ice", "chilled", "shaken")))
def test_a_container_is_filled_and_never_overfilled(container, service):
    batch = batch_of(GIN_SOUR, BatchWish(service, container_ml=container))
    room = container * (1 - HEADSPACE)
    assert batch.fit.fits
    assert room - 25 < batch.total_ml <= room + 1e-6


def test_the_rest_of_a_bottle_is_used_up_whole():
    batch = batch_of(GIN_SOUR, BatchWish("chilled", all_of=("london-dry-gin", 437)))
    assert next(line.ml for line in batch.lines if line.ingredient.slug == "london-dry-gin") == 437
    assert batch.scale == pytest.approx(437 / 60)


def test_egg_bubbles_cream_herbs_rinse_and_edge_stay_out_and_are_told_serve_by_serve(golden):
    made = drink(
        ("anise-wormwood-spirit", 5, "rinse"), ("white-rum", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 20), ("egg-white", 30),
        ("heavy-cream", 7.5), ("aquafaba", 20), ("soda-water", 50, "topped"), ("sparkling-brut", 30), ("caster-sugar", 4, "rim"),
        ("aromatic-bitters", 2, "floated"),
    )  # fmt: skip
    batch = batch_of(made, BatchWish("shaken", serves=10))
    assert {line.ingredient.slug for line in batch.lines} == {"white-rum", "lemon-juice", "simple-syrup-1-1"}
    assert {each.why for each in batch.outside} == {"in the glass", "egg", "cream", "foam", "bubbles", "edge", "on top"}
    assert all(any(each.words == note for note in batch.notes) for each in batch.outside)
    # The serve is the whole drink all the same.
    assert batch.serve.served.volume_ml == pytest.approx(forecast_of(made).served.volume_ml, rel=1e-9)
    golden(batch_of(made, BatchWish("ice", serves=10)).notes)


def test_in_a_rated_vessel_still_water_stands_for_soda_and_flavoured_bubbles_stay_out(golden):
    batch = batch_of(FIZZ.with_pours(FIZZ.pours[:3] + FIZZ.pours[4:]), BatchWish("bubbles", serves=10))
    golden(batch.notes)
    water = sum(line.ml for line in batch.lines if is_water(line.ingredient))
    assert water == pytest.approx(10 * (50 + batch.water.per_serve_ml), abs=5)
    tonic = drink(("london-dry-gin", 45), ("lime-juice", 10), ("tonic-water", 100, "topped"), family="fizz")
    assert [each.pour.ingredient.slug for each in batch_of(tonic, BatchWish("bubbles", serves=4)).outside] == ["tonic-water"]


def test_juice_is_the_days_and_acids_that_stand_in_for_it_keep_with_the_same_balance(golden):
    fresh = batch_of(GIN_SOUR, BatchWish("chilled", serves=10))
    acids = batch_of(GIN_SOUR, BatchWish("chilled", serves=10, stand_in=True))
    assert fresh.keeping.today_only
    assert not acids.keeping.today_only
    assert acids.keeping.hours > 24 * 5
    for name in AXES:
        assert getattr(acids.serve.served, name) == pytest.approx(getattr(fresh.serve.served, name), rel=0.02)
    golden(acids.notes)
    # Its acids are weighed, so the forecast is surer.
    fresh_acid, weighed_acid = (each.serve.interval80["acid"] for each in (fresh, acids))
    assert weighed_acid.high - weighed_acid.low < fresh_acid.high - fresh_acid.low
    long_on_juice = drink(("white-rum", 45), ("orange-juice", 60))
    golden(batch_of(long_on_juice, BatchWish("ice", serves=2, stand_in=True)).notes)


def test_a_bottle_that_would_freeze_is_told_and_a_strong_one_is_left_in_the_freezer(golden):
    weak = batch_of(GIN_SOUR, BatchWish("freezer", serves=10))
    golden(weak.notes)
    # It is poured no colder than it can be liquid.
    assert weak.serve.temperatures.glass == pytest.approx(weak.freezing_c, abs=0.5)
    strong = batch_of(drink(("london-dry-gin", 60), ("simple-syrup-1-1", 10)), BatchWish("freezer", serves=10))
    stirred = replace(strong.drink, method=replace(strong.drink.method, technique="none"))
    golden(batch_of(stirred, BatchWish("freezer", serves=10)).notes)


@pytest.mark.parametrize(
    ("told", "error"),
    [
        ({"serves": 0}, OutOfRange),
        ({"serves": MOST_SERVES + 1}, OutOfRange),
        ({"container_ml": 100}, DomainError),
        ({"container_ml": 0}, OutOfRange),
        ({"serves": 4, "container_ml": 1e9}, OutOfRange),
        ({"serves": 4, "grid_ml": 0}, OutOfRange),
        ({"serves": 4, "cold": "room"}, DomainError),
        ({"all_of": ("honey", 100)}, DomainError),
        ({"all_of": ("london-dry-gin", 10)}, DomainError),
    ],
)
def test_what_can_not_be_is_refused_with_a_sentence(told, error, golden):
    with golden.raises(error):
        batch_of(GIN_SOUR, BatchWish("chilled", **told))


def test_nothing_to_wait_in_a_bottle_is_refused():
    with pytest.raises(EmptyDrink):
        batch_of(drink(("soda-water", 100), family="open"), BatchWish("ice", serves=4))


def test_a_larger_container_is_found_and_cooling_takes_longer_in_it():
    assert [container_for(each) for each in (100, 727.5, 727.6, 40_000)] == [200, 750, 1000, 60_000]
    small, large = (chilling(ml, 4 * ml, "fridge", 22, 8).minutes for ml in (700, 5000))
    assert 1.5 < large / small < 2.5
    with pytest.raises(DomainError, match="never reaches"):
        chilling(700, 2800, "fridge", 22, -5)


def test_served_on_its_own_ice_it_is_told_so():
    made = replace(GIN_SOUR, serve=Serve(glass="large rocks glass", ice="large"))
    assert batch_of(made, BatchWish("ice", serves=6)).serve.drink.serve.ice == "large"
