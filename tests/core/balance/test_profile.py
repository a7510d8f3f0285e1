"""Reported values of a liquid: volume, strength, sweetness, acidity and what follows from them."""

import math

import pytest
from support.drinks import drink

from oenomel.core.balance.mixing import mix
from oenomel.core.balance.pour_table import poured
from oenomel.core.balance.profile import pour_shares, profile_of
from oenomel.core.forecast.forecast import forecast_of


def test_an_empty_liquid_has_zeros_and_no_ratio():
    profile = profile_of(mix([0.0], [[0.0] * 17]))
    assert (profile.volume_ml, profile.abv, profile.sugar, profile.alcohol_g) == (0, 0, 0, 0)
    assert math.isnan(profile.sugar_acid_ratio)
    assert forecast_of(drink(("simple-syrup-1-1", 20), family="open")).served.sugar_acid_ratio == math.inf


def test_shares_tell_where_sweetness_acidity_and_strength_come_from():
    shares = pour_shares(poured(drink(("orange-liqueur-sweet", 30), ("simple-syrup-1-1", 10), ("lemon-juice", 20))))
    liqueur, syrup, lemon = shares
    grams = [30 * 0.24, 10 * 0.6148, 20 * 0.0259]
    assert [s.sugar_g for s in shares] == pytest.approx(grams)
    assert [s.sugar_share for s in shares] == pytest.approx([g / sum(grams) for g in grams])
    assert (liqueur.alcohol_share, lemon.acid_share, syrup.acid_share) == (1, 1, 0)
