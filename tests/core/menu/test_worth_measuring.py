"""The one measurement that would make most drinks more certain."""

from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.menu.worth_measuring import worth_measuring

SOUR = drink(("london-dry-gin", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))


def test_with_nothing_measured_it_says_which_one_reading_helps_most(golden):
    lemon = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    forecasts = [forecast_of(each) for each in (SOUR, SOUR, lemon)]
    pours = {pour.ingredient.slug: pour.ingredient for each in (SOUR, lemon) for pour in each.pours}
    first, *_ = worth_measuring(forecasts, pours.values(), [])
    assert (first.slug, first.axis, first.drinks) == ("lime-juice", "acid", 2)
    golden(first.words)
    then, *_ = worth_measuring(forecasts, pours.values(), [("lime-juice", "acid")])
    assert then.slug == "lemon-juice"
