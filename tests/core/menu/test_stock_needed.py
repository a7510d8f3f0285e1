"""What service needs: ingredients below par, preparations to make, and fruit to buy, from pars, stock and expected serves."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.fruit import Pressing
from oenomel.core.menu.stock_needed import StockLevel, fruit_tonight, poured_tonight, to_prepare
from oenomel.core.spec.technique import Garnish, Serve

LARDER = catalogue()

SOUR = drink(("london-dry-gin", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))


def test_what_falls_short_of_its_par_or_of_tonight_is_told_with_the_reason(golden):
    needs = poured_tonight([(SOUR, 20)])
    assert needs["simple-syrup-1-1"] == pytest.approx(450)
    syrup = LARDER["simple-syrup-1-1"]
    (short,) = to_prepare([StockLevel(syrup, 200, 300, is_prepared=True)], needs)
    golden((short.ml, short.words))
    (below,) = to_prepare([StockLevel(syrup, None, 300, is_prepared=True)], {})
    golden(below.words)
    levels = [StockLevel(syrup, 900, 300, is_prepared=True), StockLevel(LARDER["lime-juice"], 0, 500, is_prepared=False)]
    assert to_prepare(levels, needs) == []


def test_fruit_for_the_evening_counts_each_piece_once_and_takes_off_what_is_pressed(golden):
    garnished = replace(SOUR, serve=Serve("coupe", "none", (Garnish("lime wheel"),)))
    (limes,) = fruit_tonight([(garnished, 20)], {}, {})
    (fewer,) = fruit_tonight([(garnished, 20)], {"lime": [Pressing(8, 144)]}, {"lime-juice": 300})
    assert limes.pieces > fewer.pieces
    golden(limes.why)
