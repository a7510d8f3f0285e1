"""Fruit by the piece: what a crate gives, how many to buy, and each piece counted once."""

import numpy as np
import pytest

from oenomel.core.larder.fruit import FRUIT, FruitNeed, Pressing, fruit_of, fruit_to_buy, garnish_of_fruit, piece_yield, pieces_for
from oenomel.errors import ImpossibleMeasurement, OutOfRange

LIME = FRUIT["lime"]


def test_what_is_bought_after_eight_pressed_limes_suffices_in_four_crates_of_five():
    random = np.random.default_rng(18)
    enough = 0
    for _ in range(100):
        crate = LIME.piece_ml * (1 + 0.15 * random.standard_normal())

        def pressed(pieces, crate=crate):
            return float(np.maximum(crate + 0.25 * LIME.piece_ml * random.standard_normal(pieces), 1.0).sum())

        bought = pieces_for(LIME, 40 * 22.5, piece_yield(LIME, [Pressing(8, pressed(8))]))
        enough += pressed(bought) >= 40 * 22.5
    assert 75 <= enough <= 90


def test_eight_limes_are_the_trade_s_180_ml():
    # Common practice: eight limes for 180 ml.
    assert 8 * piece_yield(LIME, []).mean_ml == pytest.approx(180)


def test_a_crate_is_learnt_and_more_of_it_makes_surer():
    few, many = piece_yield(LIME, [Pressing(4, 60)]), piece_yield(LIME, [Pressing(4, 60), Pressing(20, 300)])
    assert LIME.piece_ml > few.mean_ml > many.mean_ml > 15
    assert many.sd_ml < few.sd_ml < piece_yield(LIME, []).sd_ml


def test_one_fruit_gives_its_zest_and_then_its_juice_but_a_cut_one_none():
    known = piece_yield(LIME, [])
    juice = fruit_to_buy(LIME, FruitNeed(juice_ml=300), known).pieces
    assert fruit_to_buy(LIME, FruitNeed(juice_ml=300, zests=20), known).pieces == juice
    assert fruit_to_buy(LIME, FruitNeed(juice_ml=300, wheels=12), known).pieces == juice + 2
    zested = fruit_to_buy(LIME, FruitNeed(zests=40), known)
    assert (zested.pieces, zested.decided_by) == (14, "garnish")


def test_a_garnish_is_known_by_its_words():
    assert garnish_of_fruit("Lemon zest, expressed")[1].zests == 1
    assert garnish_of_fruit("half a grapefruit wheel")[0].name == "grapefruit"
    assert garnish_of_fruit("bay leaf") is None
    assert fruit_of("lime-juice") is LIME
    assert fruit_of("verjus") is None


def test_a_slip_of_the_pen_is_refused(golden):
    with golden.raises(ImpossibleMeasurement):
        piece_yield(LIME, [Pressing(8, 900)])
    with pytest.raises(OutOfRange):
        piece_yield(LIME, [Pressing(0, 10)])
    assert pieces_for(LIME, 0, piece_yield(LIME, [])) == 0
