"""Homes, words and findings."""

import numpy as np
import pytest
from scipy.optimize import linprog
from support.drinks import drink

from oenomel.core.balance.perception import degree
from oenomel.core.families.family import families
from oenomel.core.families.typical_range import BRANCHES, lean_words, position_words, standard_typical_ranges, steps_of
from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import forecast_of
from oenomel.errors import EmptyDrink

RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)


def distance_by_linear_programme(points: np.ndarray, x: np.ndarray) -> float:
    """Least largest-axis distance from a point to a hull, by scipy."""
    n, axes = points.shape
    above = np.hstack([points.T, -np.ones((axes, 1))])
    below = np.hstack([-points.T, -np.ones((axes, 1))])
    found = linprog(
        [0] * n + [1],
        A_ub=np.vstack([above, below]),
        b_ub=np.concatenate([x, -x]),
        A_eq=[[1] * n + [0]],
        b_eq=[1],
        bounds=[(0, None)] * (n + 1),
    )
    return float(found.fun)


@pytest.mark.parametrize("key", standard_typical_ranges(), ids=lambda key: " ".join(key).strip())
def test_distance_from_home_is_that_of_a_linear_programme(key):
    home = standard_typical_ranges()[key]
    family, axes = key[0], len(home.axes)
    assert axes == (2 if key[1] == "without alcohol" else 3)
    middle = home.points.mean(axis=0)
    rng = np.random.default_rng(3)
    base = families()[family].schools[0].drink
    profile = forecast_of(base).served
    for _ in range(25):
        x = middle + rng.normal(0, 4, 3)
        levels = dict(zip(("sugar", "acid", "abv"), np.exp(x * np.log([1.17, 1.22, 1.15])), strict=True))
        moved = type(profile)(**{name: levels.get(name, getattr(profile, name)) for name in profile.__slots__})
        assert home.distance(moved) == pytest.approx(distance_by_linear_programme(home.points[:, :axes], steps_of(moved)[:axes]), abs=1e-6)


@pytest.mark.parametrize("school", [s for f in families().values() if f.has_home for s in f.schools], ids=lambda s: s.slug)
def test_every_school_is_at_home_without_a_warning_and_on_the_field(school):
    forecast = forecast_of(school.drink)
    assert forecast.position.words == "typical"
    assert forecast.position.distance_steps == pytest.approx(0, abs=1e-9)
    assert [f for f in forecast.findings if f.severity != "info"] == []
    assert forecast.position.branch == (school.drink.form if school.drink.form in BRANCHES else "")
    outline = np.log(forecast.home.outline())
    point = np.log([forecast.served.sugar, forecast.served.acid])
    edges = np.roll(outline, -1, axis=0) - outline
    sides = edges[:, 0] * (point[1] - outline[:, 1]) - edges[:, 1] * (point[0] - outline[:, 0])
    assert (sides > 0).all(), "the corners run anticlockwise around every school"


def test_open_forms_have_no_home():
    assert forecast_of(drink(RUM, family="open")).position is None
    assert not any(family == "open" for family, _ in standard_typical_ranges())


def test_sweet_against_tart_is_level_within_a_step_of_the_middle(golden):
    # House reading (docs/model/families.md): how much further from the middle in sweetness than in acidity.
    golden([lean_words(n) for n in (-1.01, -1.0, 1.0, 1.01)])
    tart, sweet = (forecast_of(drink(RUM, ("lime-juice", 22.5), ("simple-syrup-1-1", ml))).position for ml in (10, 40))
    golden((tart.lean, sweet.lean))
    twice = forecast_of(drink(RUM, LIME, ("simple-syrup-1-1", 22.5 * 1.17**2))).position
    assert twice.lean_steps > forecast_of(drink(RUM, LIME, SYRUP)).position.lean_steps + 1


def test_what_is_in_the_glass_tells_which_branch_of_its_family_a_drink_belongs_to():
    # Common practice: a fizz without bubbles is long on juice where juice makes its length; without alcohol nothing is strong.
    def branch(*pours, family="fizz"):
        return forecast_of(drink(*pours, family=family)).position.branch

    assert branch(RUM, ("orange-juice", 120)) == "long on juice"
    assert branch(RUM, ("orange-juice", 120), ("soda-water", 60, "topped")) == ""
    assert branch(RUM, LIME, SYRUP, ("still-water", 60)) == ""
    assert branch(("vodka", 45), ("orange-juice", 120), family="sour") == ""
    assert branch(("juniper-water", 45), LIME, SYRUP, family="sour") == "without alcohol"
    told = [f.code for f in forecast_of(drink(("orange-juice", 90), LIME, ("grenadine", 15), family="fizz")).findings]
    assert not {"no-base", "no-lengthener"} & set(told)


def test_place_words_change_at_one_and_at_one_and_a_half_steps():
    assert [position_words(d) for d in (1.0, 1.01, 1.5, 1.51)] == [
        "typical",
        "edge of the typical range",
        "edge of the typical range",
        "not typical",
    ]


@pytest.mark.parametrize(
    "steps",
    [
        0.49,
        -0.5,
        1.0,
        -3.99,
        4.0,
        float("inf"),
    ],
)
def test_words_for_a_difference_change_where_the_model_says(steps, golden):
    golden(degree(steps).verdict)


def test_sentences_tell_direction_verdict_and_what_masks_it(golden):
    parent = drink(RUM, LIME, SYRUP)
    sweeter = {axis.axis: axis for axis in compare(drink(RUM, LIME, ("simple-syrup-1-1", 37.5)), parent).axes}
    assert sweeter["sugar"].headline == "Clearly sweeter"
    golden(sweeter["sugar"].sentence)
    golden(sweeter["acid"].sentence)
    drier = {axis.axis: axis for axis in compare(drink(RUM, LIME, ("simple-syrup-1-1", 20)), parent).axes}
    assert (drier["sugar"].direction, drier["sugar"].headline) == ("less", "A touch drier")
    assert not any(character.isdigit() for axis in drier.values() for character in axis.sentence), "no decimal of a step is told"


def test_swap_of_one_dry_spirit_for_another_is_never_called_no_change():
    other = compare(drink(("vodka", 60), LIME, SYRUP), drink(RUM, LIME, SYRUP))
    assert {axis.direction for axis in other.axes} == {"same"}
    assert len(other.unseen) == 1
    assert other.unseen[0].startswith("Vodka: ")


def test_a_drink_of_garnish_alone_is_refused(golden):
    with golden.raises(EmptyDrink):
        forecast_of(drink(("mint", 0), ("simple-syrup-1-1", 20, "rim")))
