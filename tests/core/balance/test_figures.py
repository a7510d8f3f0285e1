"""Reported figures and their doubt, each worked by hand."""

import itertools
import math
from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.balance.uncertainty import Z80
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.composition import Composition
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Method

NO_ICE = Method(ice="none")


def exact(name: str, **values: object) -> Ingredient:
    """An ingredient without any spread."""
    return Ingredient(name, name, "other", Composition(**values))


def half_width(made: Drink, level: str) -> float:
    interval = forecast_of(made).interval80[level]
    return (interval.high - interval.low) / 2


def test_every_reported_figure_of_a_drink_worked_by_hand():
    # 100 ml holding 10 ml of alcohol, 6 g fructose, 4 g glucose, 1 g citric, 0.5 g acetic, 2 g protein, 3 g fat.
    everything = exact(
        "all", abv=10, sugars={"fructose": 6, "glucose": 4}, acids={"citric": 1, "acetic": 0.5}, protein=2, fat=3, density=1.03
    )
    served = forecast_of(Drink("all", "open", (Pour(everything, 100),), method=NO_ICE)).served
    assert (served.volume_ml, served.abv, served.sugar, served.acid) == (100, 10, 10, 1.5)
    assert served.sugar_acid_ratio == pytest.approx(10 / 1.5)
    assert served.alcohol_g == pytest.approx(7.8924)
    assert served.energy_kcal == pytest.approx(7 * 7.8924 + 4 * 10 + 3 * 1.5 + 4 * 2 + 9 * 3)
    assert served.titratable_acid == pytest.approx(1 + 0.5 * 64.04 / 60.05)
    assert served.sucrose_equivalents == pytest.approx(6 * 1.2 + 4 * 0.7)


@pytest.mark.parametrize(
    ("unit", "stage", "amount_ml", "sd_ml"),
    # docs/model/balance.md, "Uncertainty": jigger 3 %, at least 0.5 ml; dash 25 %; by eye 20 %. What stays of a rinse is by eye.
    [
        ("ml", "mixed", 60, 1.8),
        ("oz", "mixed", 7.5, 0.5),
        ("dash", "mixed", 2.4, 0.6),
        ("drop", "mixed", 0.5, 0.125),
        ("splash", "mixed", 30, 6),
        ("ml", "rinse", 10, 0.3),
    ],
)
def test_doubt_of_a_pour_is_that_of_its_measure(unit, stage, amount_ml, sd_ml):
    water = Pour(exact("water"), amount_ml, unit=unit, stage=stage)
    assert half_width(Drink("one", "open", (water,), method=NO_ICE), "volume_ml") == pytest.approx(Z80 * sd_ml, rel=1e-6)


def test_what_two_pours_of_a_jigger_share_does_not_cancel():
    # Two of 50 ml: 2 % of 100 shared, and √(3² − 2²) % of 50 of each one's own.
    two = Drink("two", "open", (Pour(exact("a"), 50), Pour(exact("b"), 50)), method=NO_ICE)
    own = math.sqrt(0.03**2 - 0.02**2) * 50
    assert half_width(two, "volume_ml") == pytest.approx(Z80 * math.sqrt(2**2 + 2 * own**2), rel=1e-6)


def test_an_ingredient_poured_twice_is_one_unknown():
    # One unknown moves both pours, two moves one each: √2 apart. A drop of measuring doubt stays.
    def sour(first: str, second: str) -> Drink:
        juice = exact("a", acids={"citric": 5}, spread={"acids": 0.2})
        pours = (Pour(replace(juice, slug=first), 5000), Pour(replace(juice, slug=second), 5000))
        return Drink("two", "open", pours, method=NO_ICE)

    assert half_width(sour("a", "a"), "acid") == pytest.approx(Z80 * 1.0, rel=1e-6)
    assert half_width(sour("a", "b"), "acid") == pytest.approx(Z80 * 1.0 / math.sqrt(2), rel=1e-6)


def test_doubt_of_the_ice_moves_the_levels_and_measuring_shrinks_it():
    spirit = exact("spirit", abv=20)
    shaken = Drink("one", "open", (Pour(spirit, 100),))
    still = replace(shaken, method=NO_ICE)
    # A single pour: its measure changes no level, so all doubt of the strength is the ice's. Slope by hand: 20·r/(1+r)²·8 %.
    ratio = forecast_of(shaken).dilution.ratio
    assert half_width(shaken, "abv") == pytest.approx(Z80 * 0.08 * 20 * ratio / (1 + ratio) ** 2, rel=0.005)
    assert half_width(still, "abv") == pytest.approx(0, abs=1e-9)
    catalogue_lime = drink(("vodka", 60), ("lime-juice", 22.5))
    measured = replace(
        catalogue_lime.pours[1],
        ingredient=replace(catalogue()["lime-juice"], composition=replace(catalogue()["lime-juice"].composition, spread={"acids": 0.02})),
    )
    assert half_width(replace(catalogue_lime, pours=(catalogue_lime.pours[0], measured)), "acid") < half_width(catalogue_lime, "acid") / 2


def test_a_drink_can_be_tasted_at_four_points_each_worked_by_hand():
    # 50 ml at 40 % and 50 ml of 20 g sugar in the tin; 10 ml of 5 g acid wait in the glass; 100 ml of water go on top.
    pours = (
        Pour(exact("spirit", abv=40), 50),
        Pour(exact("syrup", sugars={"sucrose": 20}), 50),
        Pour(exact("juice", acids={"citric": 5}), 10, stage="glass"),
        Pour(exact("water"), 100, stage="topped"),
    )
    forecast = forecast_of(Drink("four", "open", pours))
    water = 100 * (-1.567 * 0.2**2 + 1.742 * 0.2 + 0.203)
    assert (forecast.undiluted.volume_ml, forecast.undiluted.abv, forecast.undiluted.sugar, forecast.undiluted.acid) == (100, 20, 10, 0)
    assert forecast.strained.volume_ml == pytest.approx(100 + water)
    assert forecast.strained.abv == pytest.approx(2000 / (100 + water))
    assert forecast.before_topping.acid == pytest.approx(50 / (110 + water))
    assert forecast.served.sugar == pytest.approx(1000 / (210 + water))
    points = (forecast.strained, forecast.before_topping, forecast.served)
    assert all(later.abv < earlier.abv for earlier, later in itertools.pairwise(points))
    at = forecast.temperatures
    assert (at.tin, at.strained) == (22, pytest.approx(-5.55, abs=0.05))
    assert at.strained < at.before_topping < at.glass < 5


def test_cost_is_told_only_where_every_price_is():
    priced = replace(catalogue()["vodka"], values={"price_per_litre": replace(catalogue()["vodka"].values["abv"], value=20.0)})
    forecast = forecast_of(Drink("p", "open", (Pour(priced, 60), Pour(priced, 40, stage="rinse"))))
    # What is poured out of the glass again was paid for too.
    assert forecast.cost == pytest.approx(2.0)
    assert forecast_of(Drink("p", "open", (Pour(priced, 60), Pour(exact("juice"), 20)))).cost is None
