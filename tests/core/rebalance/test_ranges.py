"""The best amount within a pour's range, and the drink at both ends."""

import pytest
from support.drinks import drink

from oenomel.core.forecast.forecast import STANDARD, forecast_of
from oenomel.core.rebalance.ranges import span_of
from oenomel.core.rebalance.target import Objective, Target
from oenomel.errors import OutOfRange


def test_a_range_settles_where_the_drink_comes_nearest_to_its_parent():
    parent = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 17.5))
    goal = forecast_of(parent).served
    aim = Objective(Target(goal.sugar, goal.acid, goal.abv, goal.volume_ml))
    span = span_of(parent, 2, 7.5, 30, aim, STANDARD)
    assert (span.low.pour_ml, span.best.pour_ml, span.high.pour_ml) == (7.5, 17.5, 30)
    assert span.low.figures["sugar"] < span.best.figures["sugar"] < span.high.figures["sugar"]
    assert span.best.figures["sugar"] == pytest.approx(goal.sugar)
    # Ends that lie off the jigger's marks can be poured too: they were said.
    assert span_of(parent, 2, 18, 30, aim, STANDARD).best.pour_ml == 18
    with pytest.raises(OutOfRange):
        span_of(parent, 2, 0, 9_999, aim, STANDARD)
