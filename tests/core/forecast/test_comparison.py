"""A riff in one breath: what was changed, what that does, whether a guest would notice.

The bounds are those of docs/model/balance.md, "Can it be tasted?".
"""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.forecast.comparison import compare
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.technique import Method, Serve

GIN, LEMON, SYRUP = ("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5)
PARENT = drink(GIN, LEMON, SYRUP)


def told(riff: Drink, parent: Drink = PARENT):
    return compare(riff, parent).headline


@pytest.mark.parametrize(
    "riff",
    [
        PARENT,
        drink(GIN, LEMON, ("simple-syrup-1-1", 23)),
        drink(GIN, LEMON, ("simple-syrup-1-1", 27)),
        drink(GIN, LEMON, ("simple-syrup-1-1", 30)),
        drink(GIN, ("lemon-juice", 37.5), SYRUP),
        drink(GIN, ("lemon-juice", 90), SYRUP),
    ],
)
def test_one_change_is_told_by_its_degree(riff, golden):
    breath = told(riff)
    golden([breath.change, breath.effect, breath.noticed])


def test_the_loudest_axis_comes_first_and_many_changes_are_counted(golden):
    two = told(drink(GIN, ("lemon-juice", 30), ("simple-syrup-1-1", 40)))
    assert two.change == "More lemon juice and more simple syrup 1:1"
    assert two.effect.startswith("Clearly sweeter")
    many = told(drink(("london-dry-gin", 90), ("lemon-juice", 30), ("simple-syrup-1-1", 30), ("orange-bitters", 1.6)))
    golden(many.change)


def test_a_swap_that_moves_no_axis_is_never_told_as_no_change(golden):
    breath = told(drink(("white-rum", 60), LEMON, SYRUP))
    assert breath.change == "White rum for London dry gin"
    golden(breath.effect)
    golden(breath.noticed)


def test_another_method_is_a_change_and_another_glass_is_none(golden):
    golden(told(replace(PARENT, method=Method(seconds=3))).change)
    golden(told(replace(PARENT, serve=Serve("tiny cup"))).effect)
