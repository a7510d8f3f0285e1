"""Batches held against the trade, against handbook figures, and worked by hand."""

import pytest
from support.coolprop import of_mixture
from support.drinks import drink

from oenomel.core.larder import ETHANOL_G_PER_ML, FRUIT, FruitNeed, fruit_to_buy, piece_yield
from oenomel.core.service.batch import BatchWish, batch_of
from oenomel.core.service.descent import Filling, contents_of, shares
from oenomel.core.service.vessels import chilling, fit_of
from oenomel.core.spec import Pour

# Juice 2 : syrup 1 : spirit 4 : water 2, as bottled by the trade (common practice, references.md).
PER_SERVE = drink(("london-dry-gin", 60), ("lime-juice", 30), ("simple-syrup-1-1", 15))


def test_the_trades_bottle_makes_810_ml_and_is_told_against_750_with_the_batch_that_fits():
    # 360 : 90 : 180 : 180; a 750 ml bottle takes 727 ml below its headspace of 3 %.
    written = drink(("london-dry-gin", 360), ("simple-syrup-1-1", 90), ("lime-juice", 180), ("still-water", 180))
    batch = batch_of(written, BatchWish("shaken", serves=1, container_ml=750))
    assert batch.total_ml == 810
    assert not batch.fit.fits
    assert batch.fit.usable_ml == pytest.approx(727.5)
    fit = fit_of(810, 6, 750)
    assert fit.serves == pytest.approx(6 * 727.5 / 810)
    assert "810 ml don't go into 750 ml" in fit.words
    assert "1000 ml" in fit.words
    # Its water is last, in two portions, and the spirit first.
    assert [line.ingredient.slug for line in batch.lines] == [
        "london-dry-gin",
        "lime-juice",
        "simple-syrup-1-1",
        "still-water",
        "still-water",
    ]
    fitting = batch_of(PER_SERVE, BatchWish("ice", container_ml=750))
    assert fitting.fit.fits
    assert 700 < fitting.total_ml <= 727.5


def test_the_trades_water_for_ice_lies_inside_the_two_ends():
    # 180 ml of water to 630 ml of drink: 0.29 a ml (common practice).
    water = batch_of(PER_SERVE, BatchWish("ice", serves=6)).water
    assert water.least_ml / 105 < 180 / 630 < water.most_ml / 105
    # "A little over a fifth" of the whole bottle.
    assert 0.20 < water.per_serve_ml / (105 + water.per_serve_ml) < 0.30


def test_eight_limes_give_180_ml():
    # Common practice; the crate decides: seven where it is good, ten to be sure.
    found = fruit_to_buy(FRUIT["lime"], FruitNeed(180), piece_yield(FRUIT["lime"], []))
    assert found.usual == 8
    assert 7 <= found.least <= 8 <= 9 <= found.pieces <= 10


@pytest.mark.parametrize("ml", [500, 700, 750, 1000])
def test_a_bottle_is_cold_after_one_to_three_hours_in_the_fridge(ml):
    # Common practice (model.md §12). The heat of a drink of 15 %: about 3.9 J a ml and kelvin.
    found = chilling(ml, 3.9 * ml, "fridge", 22, 8)
    assert 60 <= found.minutes <= 180


def test_a_bottle_in_ice_water_is_cold_in_a_third_of_an_hour_and_in_the_freezer_in_an_hour():
    # Common practice: twenty minutes in ice and water, less than an hour and a half in a freezer.
    assert 10 <= chilling(750, 2900, "ice bath", 22, 8).minutes <= 30
    assert 30 <= chilling(750, 2900, "freezer", 22, 4).minutes <= 90


@pytest.mark.parametrize("abv_parts", [(1, 9), (2, 8), (3, 7), (4, 6), (5, 5)])
def test_a_bottle_of_spirit_and_water_freezes_where_coolprop_says(abv_parts):
    # CoolProp 8.0.0, INCOMP::MEA, T_freeze by mass fraction; within 0.6 K of the handbook's table, on which ours rests.
    gin, water = abv_parts
    batch = batch_of(drink(("london-dry-gin", 10.0 * gin), ("still-water", 10.0 * water)), BatchWish("shaken", serves=10))
    bottle = batch.bottle.path.tin.tin
    by_mass = float(bottle.alcohol_g / (bottle.alcohol_g + bottle.water_g))
    assert float(bottle.alcohol_ml) * ETHANOL_G_PER_ML == pytest.approx(float(bottle.alcohol_g))
    assert batch.freezing_c == pytest.approx(of_mixture("T_freeze", by_mass) - 273.15, abs=0.6)


def test_a_cask_topped_up_by_hand():
    # 1000 ml of 30 %; 250 ml stay, 750 ml of 20 % on it: 22.5 %. Again, with 10 %: 13.125 %. By hand.
    def filling(abv):
        spirit = drink(("london-dry-gin", 60)).pours[0].ingredient
        return [Pour(spirit, 1000 * abv / 41), Pour(drink(("still-water", 10)).pours[0].ingredient, 1000 * (1 - abv / 41))]

    def topped(old, abv):
        share = [pour.at(pour.volume_ml * 0.25) for pour in old]
        return [*share, *(pour.at(pour.volume_ml * 0.75) for pour in filling(abv))]

    first = filling(30)
    second = topped(first, 20)
    third = topped(second, 10)
    assert contents_of(first).abv == pytest.approx(30)
    assert contents_of(second).abv == pytest.approx(22.5)
    assert contents_of(third).abv == pytest.approx(13.125)
    cask = {1: Filling(1, 1000), 2: Filling(2, 750, 1, 250), 3: Filling(3, 750, 2, 250)}
    assert dict(shares(cask, 3)) == pytest.approx({3: 0.75, 2: 0.1875, 1: 0.0625})
