"""Cost of a drink and of a preparation; ingredients without a price are named."""

from dataclasses import replace

import pytest
from support.drinks import drink
from support.kitchen import preparation

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient import SourcedValue
from oenomel.core.menu.costs import cost_of_drink, cost_of_preparation, pour_cost_words
from oenomel.core.menu.todays_drinks import with_lots
from oenomel.core.preparations.outcome import prepared

LARDER = catalogue()

SOUR = drink(("london-dry-gin", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))


def priced(ingredient, price):
    told = SourcedValue("price_per_litre", price, 0.0, "my shelf", "label")
    return replace(ingredient, values={**ingredient.values, "price_per_litre": told})


def test_what_a_drink_costs_and_what_has_no_price_is_named(golden):
    made = with_lots(SOUR, {"london-dry-gin": priced(LARDER["london-dry-gin"], 24.0), "lime-juice": priced(LARDER["lime-juice"], 10.0)})
    cost = cost_of_drink(made)
    assert cost.total == pytest.approx(60 * 0.024 + 22.5 * 0.010)
    assert cost.missing == ("Simple syrup 1:1",)
    golden(pour_cost_words(cost, 10.0))
    assert pour_cost_words(cost, None) == ""
    syrup = prepared(preparation("syrup", ("sugar", 1, "kg"), ("water", 1, "l")))
    assert cost_of_preparation(syrup, {"granulated-sugar": 1.4}).total == pytest.approx(1.4)
    golden(cost_of_preparation(syrup, {}).words)
