"""How long things keep: one table, and nobody else keeps another."""

from dataclasses import replace

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient import SourcedValue
from oenomel.core.larder.shelf_life import is_of_the_day, is_past_shelf_life, shelf_life_h

LARDER = catalogue()
LIME, SYRUP = LARDER["lime-juice"], LARDER["simple-syrup-1-1"]


def keeping(ingredient, days):
    value = SourcedValue("keeps_days", days, 0.0, "estimate", "estimate", "")
    return replace(ingredient, values={**ingredient.values, "keeps_days": value})


@pytest.mark.parametrize(("days", "of_the_day"), [(0.5, True), (2.0, True), (2.01, False), (30.0, False)])
def test_juice_that_keeps_two_days_is_of_the_day(days, of_the_day):
    assert is_of_the_day(keeping(LIME, days)) is of_the_day
    assert not is_of_the_day(keeping(SYRUP, days))


@pytest.mark.parametrize(
    ("ingredient", "hours", "past"), [(LIME, 11, False), (LIME, 13, True), (SYRUP, 20 * 24, False), (SYRUP, 22 * 24, True)]
)
def test_juice_is_past_its_shelf_life_after_half_a_day_and_syrup_after_its_days(ingredient, hours, past):
    assert is_past_shelf_life(ingredient, hours) is past


def test_what_nobody_knows_the_days_of_has_no_shelf_life():
    nameless = replace(LIME, values={name: value for name, value in LIME.values.items() if name != "keeps_days"})
    assert shelf_life_h(nameless) is None
    assert not is_past_shelf_life(nameless, 1e6)
