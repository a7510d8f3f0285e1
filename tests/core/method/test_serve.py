"""Steps in the glass: its ice, the strain, the top, the float, the garnish (common practice)."""

from dataclasses import replace

import pytest
from support.drinks import SOUR, drink, served

from oenomel.core.method.step import MethodOptions
from oenomel.core.method.steps import making_steps
from oenomel.core.spec.technique import Garnish, Method, Serve

FIZZ = (*SOUR, ("sparkling-brut", 60, "topped"))


@pytest.mark.parametrize("of_this_drink", ["", "top", "first", "both"])
def test_the_sparkling_part_goes_where_the_drink_says_and_else_where_the_house_does(of_this_drink):
    made = served(drink(*FIZZ, family="fizz", method=Method(sparkling=of_this_drink)))
    steps = making_steps(made, MethodOptions(sparkling="half and half"))
    shares = {step.key.partition(":")[0]: step.share for step in steps if step.pour == 3}
    assert shares == {"top": {"top": 1.0}, "first": {"first": 1.0}}.get(of_this_drink, {"first": 0.5, "top": 0.5})


@pytest.mark.parametrize(
    "garnish",
    [
        Garnish("lime wheel"),
        Garnish("Lemon zest", "expressed and thrown away"),
        Garnish("two orange peels", "expressed, then discarded"),
        Garnish("nutmeg", "grated"),
        Garnish("a thin slice of quince", "in the drink"),
        Garnish("mint sprig"),
        Garnish("three olives", "on a pick"),
        Garnish("edible flower", "frozen in the ice"),
    ],
)
def test_a_garnish_is_put_there_as_it_is_said(garnish, golden):
    step = making_steps(served(drink(*SOUR), Serve("coupe", garnish=(replace(garnish, why="echoes the syrup", instead="none"),))))[-1]
    golden((step.words, step.sign))
