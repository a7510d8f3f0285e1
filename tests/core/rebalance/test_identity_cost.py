"""Identity cost: the price of a pour by its slot, and by what it is known for (docs/model/rebalance.md)."""

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.rebalance.identity_cost import DEAR, PRICES, price_of, price_per_ml
from oenomel.core.spec.drink import Pour

LARDER = catalogue()


@pytest.mark.parametrize("slot", sorted(PRICES))
@pytest.mark.parametrize("ml", [5.0, 45.0])
def test_moving_all_of_a_pour_costs_its_price_whatever_its_size(slot, ml):
    pour = Pour(LARDER["london-dry-gin"], ml, slot=slot)
    assert price_per_ml(pour) * pour.liquid_ml == pytest.approx(price_of(pour))


def test_what_defines_a_drink_is_dear_and_what_balances_it_cheap():
    # House rule, as bartenders rank it: liqueur and accent before base before sour before sugar.
    def price(slug, slot):
        return price_of(Pour(LARDER[slug], 30, slot=slot))

    ranked = [
        price("orange-liqueur-dry", "liqueur"),
        price("london-dry-gin", "base"),
        price("lime-juice", "sour"),
        price("simple-syrup-1-1", "sweet"),
    ]
    assert ranked == sorted(ranked, reverse=True)
    assert price("honey-syrup-3-1", "sweet") > price("simple-syrup-1-1", "sweet")
    assert price("london-dry-gin", "base") >= DEAR > price("lime-juice", "sour")
    assert price_per_ml(Pour(LARDER["london-dry-gin"], 0, slot="base")) == 0
