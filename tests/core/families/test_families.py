"""Homes, words and findings."""

import numpy as np
import pytest
from scipy.optimize import linprog
from support.drinks import drink

from oenomel.core.balance.perception import degree
from oenomel.core.families.family import families
from oenomel.core.families.home import home_of, place_words, steps_of
from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import forecast_of
from oenomel.errors import NothingToDrink, RecordNotFound

RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)


def distance_by_linear_programme(points: np.ndarray, x: np.ndarray) -> float:
    """Least largest-axis distance from a point to a hull, by scipy."""
    n = len(points)
    above = np.hstack([points.T, -np.ones((3, 1))])
    below = np.hstack([-points.T, -np.ones((3, 1))])
    found = linprog(
        [0] * n + [1],
        A_ub=np.vstack([above, below]),
        b_ub=np.concatenate([x, -x]),
        A_eq=[[1] * n + [0]],
        b_eq=[1],
        bounds=[(0, None)] * (n + 1),
    )
    return float(found.fun)


@pytest.mark.parametrize("family", ["sour", "daisy", "fizz"])
def test_distance_from_home_is_that_of_a_linear_programme(family):
    home = home_of(family)
    middle = home.points.mean(axis=0)
    rng = np.random.default_rng(3)
    base = families()[family].schools[0].drink
    profile = forecast_of(base).served
    for _ in range(25):
        x = middle + rng.normal(0, 4, 3)
        levels = dict(zip(("sugar", "acid", "abv"), np.exp(x * np.log([1.17, 1.22, 1.15])), strict=True))
        moved = type(profile)(**{name: levels.get(name, getattr(profile, name)) for name in profile.__slots__})
        assert home.distance(moved) == pytest.approx(distance_by_linear_programme(home.points, steps_of(moved)), abs=1e-6)


@pytest.mark.parametrize("school", [s for f in families().values() if f.has_home for s in f.schools], ids=lambda s: s.slug)
def test_every_school_is_at_home_without_a_warning_and_on_the_field(school):
    forecast = forecast_of(school.drink)
    assert forecast.place.words == "at home"
    assert forecast.place.distance_steps == pytest.approx(0, abs=1e-9)
    assert [f for f in forecast.findings if f.severity != "info"] == []
    outline = np.log(home_of(school.drink.family).outline())
    point = np.log([forecast.served.sugar, forecast.served.acid])
    edges = np.roll(outline, -1, axis=0) - outline
    sides = edges[:, 0] * (point[1] - outline[:, 1]) - edges[:, 1] * (point[0] - outline[:, 0])
    assert (sides > 0).all(), "the corners run anticlockwise around every school"


def test_open_forms_have_no_home():
    assert forecast_of(drink(RUM, family="open")).place is None
    with pytest.raises(RecordNotFound, match="open"):
        home_of("open")


def test_place_words_change_at_one_and_at_one_and_a_half_steps():
    assert [place_words(d) for d in (1.0, 1.01, 1.5, 1.51)] == ["at home", "at the edge of home", "at the edge of home", "outside"]


@pytest.mark.parametrize(
    ("steps", "words"),
    [
        (0.49, "hard to tell apart, even side by side"),
        (-0.5, "perhaps, side by side"),
        (1.0, "likely, side by side; not from memory"),
        (-3.99, "clear"),
        (4.0, "another drink"),
        (float("inf"), "another drink"),
    ],
)
def test_words_for_a_difference_change_where_the_model_says(steps, words):
    assert degree(steps).verdict == words


def test_sentences_tell_direction_verdict_and_what_masks_it():
    parent = drink(RUM, LIME, SYRUP)
    sweeter = {axis.axis: axis for axis in compare(drink(RUM, LIME, ("simple-syrup-1-1", 37.5)), parent).axes}
    assert sweeter["sugar"].headline == "Clearly sweeter"
    assert sweeter["sugar"].sentence.startswith("A guest would clearly taste it.")
    assert "softer than that, because the drink is sweeter" in sweeter["acid"].sentence
    drier = {axis.axis: axis for axis in compare(drink(RUM, LIME, ("simple-syrup-1-1", 20)), parent).axes}
    assert (drier["sugar"].direction, drier["sugar"].headline) == ("less", "A touch drier")
    assert not any(character.isdigit() for axis in drier.values() for character in axis.sentence), "no decimal of a step is told"


def test_swap_of_one_dry_spirit_for_another_is_never_called_no_change():
    other = compare(drink(("vodka", 60), LIME, SYRUP), drink(RUM, LIME, SYRUP))
    assert {axis.direction for axis in other.axes} == {"same"}
    assert len(other.unseen) == 1
    assert other.unseen[0].startswith("Vodka: ")


def test_a_drink_of_garnish_alone_is_refused():
    with pytest.raises(NothingToDrink, match="no pour adds any liquid"):
        forecast_of(drink(("mint", 0), ("simple-syrup-1-1", 20, "rim")))
