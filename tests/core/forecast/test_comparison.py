"""A riff in one breath: what was changed, what that does, whether a guest would notice. The bounds are those of model.md §5."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.forecast.comparison import compare
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.method import Method, Serve

GIN, LEMON, SYRUP = ("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5)
PARENT = drink(GIN, LEMON, SYRUP)


def told(riff: Drink, parent: Drink = PARENT):
    return compare(riff, parent).headline


@pytest.mark.parametrize(
    ("riff", "change", "effect", "noticed"),
    [
        (PARENT, "", "As the parent", ""),
        (
            drink(GIN, LEMON, ("simple-syrup-1-1", 23)),
            "More simple syrup 1:1",
            "As sweet, as sharp and as strong, to the tongue",
            "Hard to tell apart, even side by side.",
        ),
        (drink(GIN, LEMON, ("simple-syrup-1-1", 27)), "More simple syrup 1:1", "A touch sweeter", "A guest might taste it, side by side."),
        (
            drink(GIN, LEMON, ("simple-syrup-1-1", 30)),
            "More simple syrup 1:1",
            "Sweeter",
            "A guest would likely taste it side by side; not from memory.",
        ),
        (
            drink(GIN, ("lemon-juice", 37.5), SYRUP),
            "More lemon juice",
            "Clearly sharper, a touch weaker, a touch drier",
            "A guest would clearly taste it.",
        ),
        (drink(GIN, ("lemon-juice", 90), SYRUP), "More lemon juice", None, "It is another drink."),
    ],
)
def test_one_change_is_told_by_its_degree(riff, change, effect, noticed):
    breath = told(riff)
    assert breath.change == change
    assert effect is None or breath.effect == effect
    assert breath.noticed == noticed


def test_the_loudest_axis_comes_first_and_many_changes_are_counted():
    two = told(drink(GIN, ("lemon-juice", 30), ("simple-syrup-1-1", 40)))
    assert two.change == "More lemon juice and more simple syrup 1:1"
    assert two.effect.startswith("Clearly sweeter")
    many = told(drink(("london-dry-gin", 90), ("lemon-juice", 30), ("simple-syrup-1-1", 30), ("orange-bitters", 1.6)))
    assert many.change.endswith("and 3 more changes")


def test_a_swap_that_moves_no_axis_is_never_told_as_no_change():
    breath = told(drink(("white-rum", 60), LEMON, SYRUP))
    assert breath.change == "White rum for London dry gin"
    assert breath.effect == "As sweet, as sharp and as strong, to the tongue"
    assert breath.noticed == "What the numbers can’t see may be tasted all the same."


def test_another_method_is_a_change_and_another_glass_is_none():
    assert told(replace(PARENT, method=Method(seconds=3))).change == "Made another way"
    assert told(replace(PARENT, serve=Serve("tiny cup"))).effect == "As the parent"
