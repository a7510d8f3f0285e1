"""Amounts in the words of the bar. What a measure is worth is common practice (domain.md, "What they measure with")."""

import pytest
from support.drinks import drink

from oenomel.core.forecast.forecast import STANDARD, forecast_of
from oenomel.core.larder.larder_files import catalogue
from oenomel.core.spec.typed_amount import parse_typed
from oenomel.core.spec.units import Measure
from oenomel.core.swaps.aim import Aim, Target
from oenomel.core.swaps.ranges import span_of
from oenomel.errors import NotAnAmount, OutOfRange, UnknownUnit

POURS = [(catalogue()[slug], slot) for slug, slot in (("london-dry-gin", "base"), ("lemon-juice", "sour"), ("simple-syrup-1-1", "sweet"))]


@pytest.mark.parametrize(
    ("text", "amount", "unit"),
    [
        ("22.5", 22.5, "ml"),
        ("1 1/2 oz", 1.5, "oz"),
        ("two dashes", 2, "dash"),
        ("barspoon", 1, "barspoon"),
        ("scant barspoon", 0.8, "barspoon"),  # "scant" = about four fifths of a measure
        ("a scant ½ oz", 0.4, "oz"),
        ("three quarters", 0.75, "oz"),
        ("half an ounce", 0.5, "oz"),
        ("one and a half", 1.5, "oz"),
        ("half a lime", 11.25, "ml"),  # juice of half a lime: 10 to 15 ml
        ("Juice of one lime", 22.5, "ml"),
        ("2 limes", 45, "ml"),
        ("a touch", 6.5, "ml"),
        ("an egg white", 30, "ml"),
        ("two sugar cubes", 8, "g"),
        ("a rinse", 1.5, "ml"),
    ],
)
def test_amounts_as_they_are_said(text, amount, unit):
    said = parse_typed(text, "ml", POURS, 2)
    assert said.spoken == Measure(pytest.approx(amount), unit)
    assert (said.said is None) == (text[0].isdigit() and "lime" not in text)


def test_a_jigger_is_asked_and_a_range_settles_in_its_middle():
    assert [choice.amount for choice in parse_typed("a jigger", "ml").choices] == [30, 45, 60]
    said = parse_typed("7.5 to 22.5 ml", "ml")
    assert (said.spoken, said.ends) == (Measure(15, "ml"), (Measure(7.5, "ml"), Measure(22.5, "ml")))
    assert parse_typed("½–¾ oz", "ml").ends == (Measure(0.5, "oz"), Measure(0.75, "oz"))
    assert parse_typed("top to the line", "ml").to_the_line


@pytest.mark.parametrize(
    ("text", "follows", "times"),
    [("half the gin", 0, 0.5), ("as much as the sour", 1, 1), ("twice the lemon", 1, 2), ("a third of the base", 0, 1 / 3)],
)
def test_a_pour_can_follow_another_one(text, follows, times):
    said = parse_typed(text, "ml", POURS, 2)
    assert (said.follows, said.times) == (follows, pytest.approx(times))


@pytest.mark.parametrize(
    ("text", "error"),
    [
        ("3/0", NotAnAmount),
        ("plenty", NotAnAmount),
        ("half the moon", UnknownUnit),
        ("11 cups of it", UnknownUnit),
        ("-5", OutOfRange),
        ("", NotAnAmount),
    ],
)
def test_what_is_no_amount_is_refused(text, error):
    with pytest.raises(error):
        parse_typed(text, "ml", POURS, 2)


def test_a_range_settles_where_the_drink_comes_nearest_to_its_parent():
    parent = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 17.5))
    goal = forecast_of(parent).served
    aim = Aim(Target(goal.sugar, goal.acid, goal.abv, goal.volume_ml))
    span = span_of(parent, 2, 7.5, 30, aim, STANDARD)
    assert (span.low.pour_ml, span.best.pour_ml, span.high.pour_ml) == (7.5, 17.5, 30)
    assert span.low.figures["sugar"] < span.best.figures["sugar"] < span.high.figures["sugar"]
    assert span.best.figures["sugar"] == pytest.approx(goal.sugar)
    # Ends that lie off the jigger's marks can be poured too: they were said.
    assert span_of(parent, 2, 18, 30, aim, STANDARD).best.pour_ml == 18
    with pytest.raises(OutOfRange):
        span_of(parent, 2, 0, 9_999, aim, STANDARD)
