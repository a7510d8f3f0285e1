"""What every bar knows (common practice of the trade, no source): the forecast must say the same."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.technique import Method


def sugar_steps(one, other) -> float:
    return float(steps_between(forecast_of(one).served.sugar, forecast_of(other).served.sugar, AXES["sugar"]))


def test_a_sour_with_thin_syrup_and_one_with_less_rich_syrup_taste_the_same():
    # 2 : 1 : 1 with 1:1 syrup and 2 : 1 : ¾ with 2:1 syrup: within a tenth of the same sugar, under one step as served.
    thin = drink(("white-rum", 60), ("lemon-juice", 30), ("simple-syrup-1-1", 30))
    rich = drink(("white-rum", 60), ("lemon-juice", 30), ("simple-syrup-2-1", 22.5))
    grams = [forecast_of(each).served.sugar * forecast_of(each).served.volume_ml for each in (thin, rich)]
    assert grams[0] == pytest.approx(grams[1], rel=0.10)
    assert abs(sugar_steps(thin, rich)) < 1


def test_sparkling_wine_on_top_of_a_sour_needs_a_taste_for_sugar():
    # A sour of 5 : 2 : 1 topped with sparkling wine: from brut nature to medium dry it moves by more than one step.
    def topped(wine: str):
        return drink(("london-dry-gin", 50), ("lemon-juice", 20), ("simple-syrup-1-1", 10), (wine, 60, "topped"), family="fizz")

    assert sugar_steps(topped("sparkling-medium-dry"), topped("sparkling-brut-nature")) > 1


def test_swapping_citrus_and_spirit_makes_the_next_drink_of_the_family_with_the_same_balance():
    # One recipe of 8 : 3 : 3; its numbers differ only by what was swapped.
    rum_lime = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    gin_lemon = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    beside = compare(gin_lemon, rum_lime)
    assert all(abs(axis.steps) < 0.5 for axis in beside.axes)
    assert {change.words for change in beside.changes} == {"London dry gin for white rum", "lemon juice for lime juice"}
    assert len(beside.unseen) == 2, "and still it is another drink"


def test_fifteen_seconds_with_cubes_are_enough_by_either_school():
    made = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    for school in ("curve", "heat balance"):
        at = {s: forecast_of(replace(made, method=Method(seconds=s)), Conditions(dilution=school)).served.abv for s in (3, 15, 30)}
        assert at[30] == pytest.approx(at[15], rel=0.02), school
        assert at[3] > 1.1 * at[15], school


def test_bottle_batch_with_its_water_beforehand_lands_where_the_shaken_drink_does():
    # Juice 2 : syrup 1 : spirit 4 : water 2, from the fridge and without ice: water is a little over a fifth of it.
    batch = drink(("lime-juice", 20), ("simple-syrup-1-1", 10), ("white-rum", 40), ("still-water", 20), method=Method(ice="none"))
    shaken = forecast_of(drink(("lime-juice", 20), ("simple-syrup-1-1", 10), ("white-rum", 40)))
    bottled = forecast_of(batch, Conditions(start_c=5))
    assert 0.20 < 20 / bottled.served.volume_ml < 0.25
    assert bottled.dilution.water_ml == 0
    assert bottled.temperatures.glass == 5
    # The bottle is stronger than a shake would leave it: it is poured over ice.
    assert shaken.served.abv < bottled.served.abv < 1.2 * shaken.served.abv


def test_sugared_edge_sweetens_the_sip_and_not_the_liquid():
    plain = drink(("white-rum", 45), ("orange-liqueur-sweet", 22.5), ("lime-juice", 22.5), family="daisy")
    edged = drink(("white-rum", 45), ("orange-liqueur-sweet", 22.5), ("lime-juice", 22.5), ("caster-sugar", 5, "rim"), family="daisy")
    assert forecast_of(edged).served == forecast_of(plain).served


def test_eight_limes_fill_six_ounces_and_hold_the_sugar_and_acid_of_so_much_juice():
    # Eight limes for 180 ml: 22.5 ml a fruit.
    lime = catalogue()["lime-juice"].composition
    assert 180 / 8 == 22.5
    assert 180 * lime.acid / 100 == pytest.approx(10.8, rel=0.01)


@pytest.mark.parametrize(("spirit", "reads"), [("rye-whiskey", "drier"), ("corn-whiskey", "sweeter"), ("aged-rum", "sweeter")])
def test_spirits_that_read_other_than_their_numbers_say_so_beside_the_axes(spirit, reads):
    # Rye and other spicy spirits read drier than their numbers, round and oaky ones sweeter; no axis may show it.
    other = compare(
        drink((spirit, 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5)),
        drink(("vodka", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5)),
    )
    assert f"reads {reads} than its numbers" in other.unseen[0]


def test_body_comes_from_egg_cream_and_gum_and_water_takes_it_away():
    sour = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    with_egg = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("egg-white", 30))
    gummed = drink(("white-rum", 60), ("lemon-juice", 22.5), ("gum-syrup", 18))
    creamy = drink(("white-rum", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("egg-white", 30), ("heavy-cream", 30))
    long = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("soda-water", 90, "topped"))
    body = [forecast_of(each).served.body for each in (long, sour, with_egg, creamy)]
    assert body == sorted(body)
    assert forecast_of(gummed).served.body > body[1]
