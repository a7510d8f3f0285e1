"""What an evening takes: by kind, by where it stands, never less than is poured, each fruit counted once, ice and cost."""

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.event.shopping import BOTTLE_ML, ForTheEvening, Stock, shopping
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.fruit import Pressing
from oenomel.core.larder.ingredient import SourcedValue
from oenomel.core.spec.technique import Garnish, Method, Serve

LARDER = catalogue()
NOTHING = Conditions()


def lines(made, serves=10, stock=None, service="", poured=None, crates=None):
    of = ForTheEvening(made, serves, serves if poured is None else poured, service)
    return {line.key: line for line in shopping([of], stock or {}, crates or {}, NOTHING)}


def garnished(made, *what, ice="none"):
    return replace(made, serve=Serve(glass="coupe", ice=ice, garnish=tuple(Garnish(each) for each in what)))


# What is poured (ten serves), and how it stands on the list where nothing is at hand. Bottle sizes are common practice.
KINDS = [
    ("london-dry-gin", 60, "1 bottle of 700 ml"),
    ("london-dry-gin", 75, "2 bottles of 700 ml"),
    ("orange-liqueur-dry", 22.5, "1 bottle of 700 ml"),
    ("sweet-vermouth", 30, "1 bottle of 750 ml"),
    ("sparkling-brut", 90, "2 bottles of 750 ml"),
    ("soda-water", 120, "2 bottles of 1000 ml"),
    ("orange-bitters", 1.6, "1 bottle of 200 ml"),
    ("pineapple-juice", 45, "1 bottle of 1000 ml"),
    ("egg-white", 30, "10 eggs"),
    ("honey", 15, "1 bottle of 250 ml"),
    ("caster-sugar", 6.2, "100 g"),
]


@pytest.mark.parametrize(("slug", "ml", "amount"), KINDS)
def test_each_kind_is_bought_as_it_is_sold(slug, ml, amount, golden):
    (line,) = (each for each in lines(drink((slug, ml), ("rye-whiskey", 10))).values() if each.slug == slug)
    assert (line.source, line.amount) == ("shop", amount)
    golden(line.words)


@given(
    ml=st.floats(2, 90), serves=st.integers(1, 200), open_ml=st.floats(0, 3000), shelf=st.sampled_from(["", "at hand", "low", "out"]),
    made_here=st.booleans(),
)  # fmt: skip
def test_what_is_open_and_what_is_fetched_add_up_to_what_is_poured(ml, serves, open_ml, shelf, made_here):
    found = lines(drink(("rye-whiskey", ml)), serves, {"rye-whiskey": Stock(open_ml, shelf, made_here)})
    of = [each for each in found.values() if each.slug == "rye-whiskey"]
    assert sum(each.ml for each in of) == pytest.approx(serves * ml, abs=0.51)
    opened = [each for each in of if each.source == "open"]
    assert sum(each.ml for each in opened) == pytest.approx(min(open_ml, serves * ml))
    rest = [each for each in of if each.source != "open"]
    assert len(rest) <= 1
    if rest:
        where = "stillroom" if made_here else "shelf" if shelf == "at hand" else "shop"
        assert rest[0].source == where
        assert ("running low" in rest[0].words) == (where == "shop" and shelf == "low")
        if where == "shop":
            bottles = int(rest[0].amount.split()[0])
            assert bottles * BOTTLE_ML["spirit"] >= rest[0].ml - 1e-6 > (bottles - 1) * BOTTLE_ML["spirit"] - 1e-6


def test_a_batch_that_is_there_takes_no_spirit_and_no_juice_but_its_bubbles_egg_and_garnish():
    fizz = drink(("white-rum", 45), ("lime-juice", 22.5), ("egg-white", 30), ("soda-water", 50, "topped"), family="fizz")
    made = garnished(fizz, "lime wheel", "mint sprig")
    found = lines(made, serves=0, poured=12)
    assert {line.slug for line in found.values() if line.slug} == {"egg-white", "soda-water", "lime-juice"}
    # The limes are for wheels alone: two give twelve.
    assert found["fruit: lime"].pieces == 2
    assert "wheels" in found["fruit: lime"].words
    assert found["garnish: mint sprig"].amount == "12"
    half = lines(made, serves=6, poured=12)
    assert half["shop: white-rum"].ml == 6 * 45
    assert half["shop: soda-water"].ml == 12 * 50


def test_fruit_is_counted_once_for_zest_wheels_and_juice_and_learnt_by_the_crate():
    bare = drink(("white-rum", 60), ("lime-juice", 30))
    juice = lines(bare)["fruit: lime"]
    zested = lines(garnished(bare, "lime zest"))["fruit: lime"]
    # The skin of what is pressed comes off first.
    assert zested.pieces == juice.pieces
    wheels = lines(garnished(bare, "lime wheel"))["fruit: lime"]
    assert wheels.pieces == juice.pieces + 2
    # A crate that gives much needs fewer, and is surer.
    good = lines(bare, crates={"lime": [Pressing(20, 600)]})["fruit: lime"]
    assert good.pieces < juice.pieces
    assert good.high - good.low < juice.high - juice.low
    # Juice that stands there is taken off.
    assert "fruit: lime" not in lines(bare, stock={"lime-juice": Stock(300)})


@pytest.mark.parametrize("what", ["bay leaf", "three raspberries", "nutmeg"])
def test_a_garnish_is_counted_by_what_is_served(what):
    found = lines(garnished(drink(("white-rum", 60)), what), serves=4, poured=9)
    assert found[f"garnish: {what}"].pieces == 9


def test_pressed_leaves_are_counted_and_not_poured():
    mint = replace(drink(("mint", 0)).pours[0], unit="leaf", amount=8.0)
    made = drink(("white-rum", 60))
    found = lines(made.with_pours((*made.pours, mint)), serves=5)
    assert found["garnish: mint leaves"].pieces == 40


def test_ice_grows_with_serves_and_is_less_where_nothing_is_shaken():
    def kilos(**told):
        line = lines(**told).get("ice")
        return 0.0 if line is None else float(line.amount.split()[0])

    shaken = drink(("white-rum", 60), ("lime-juice", 22.5))
    on_ice = garnished(shaken, ice="cubes")
    assert kilos(made=shaken, serves=40) == pytest.approx(2 * kilos(made=shaken, serves=20), abs=0.5)
    assert kilos(made=on_ice, serves=20) > kilos(made=shaken, serves=20)
    # Out of a bottle the tin wants none: poured up no ice at all, over ice only the glass's.
    assert kilos(made=shaken, serves=20, service="chilled") == 0
    assert 0 < kilos(made=shaken, serves=20, service="ice") < kilos(made=shaken, serves=20)
    assert kilos(made=replace(shaken, method=Method(technique="none")), serves=20) == 0
    # To the half kilogram, never less than what goes in.
    assert kilos(made=shaken, serves=20) * 2 == math.floor(kilos(made=shaken, serves=20) * 2)
    assert kilos(made=shaken, serves=20) >= 20 * 0.3


def test_what_is_bought_costs_its_bottles_and_what_is_there_what_is_poured_of_it():
    priced = replace(LARDER["rye-whiskey"], values={"price_per_litre": SourcedValue("price_per_litre", 30, 0, "my shelf", "invented")})
    made = drink(("white-rum", 60))
    made = made.with_pours((made.pours[0].of(priced),))
    assert lines(made)["shop: rye-whiskey"].cost == pytest.approx(30 * 0.7)
    assert lines(made, stock={"rye-whiskey": Stock(0, "at hand")})["shelf: rye-whiskey"].cost == pytest.approx(30 * 0.6)
    assert lines(drink(("white-rum", 60)))["shop: white-rum"].cost is None
