"""Ingredients to buy and preparations to make for some drinks."""

from support.drinks import drink

from oenomel.core.originals.to_buy import to_get


def test_what_has_to_be_bought_and_prepared_is_told_apart():
    one = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("thyme-syrup", 15))
    two = drink(("cognac", 60), ("lime-juice", 22.5), ("honey-syrup", 15), ("still-water", 10))
    needed = to_get([one, two], {"cognac", "still-water"})
    assert needed.to_buy == ("London dry gin",)
    assert set(needed.to_prepare) == {"Honey syrup 1:1", "Thyme syrup"}
    assert to_get([], set()).to_buy == ()
