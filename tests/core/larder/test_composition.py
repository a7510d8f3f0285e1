"""Composition of an ingredient, per 100 ml at 20 °C, and its limits."""

import math
from importlib import resources

import pytest

from oenomel.core.larder.catalogue_loader import catalogue, read_ingredients
from oenomel.core.larder.composition import Composition, estimated_density
from oenomel.errors import ImpossibleComposition, OutOfRange

DEMO = read_ingredients((resources.files("oenomel.demo") / "ingredients.toml").read_text(encoding="utf-8"), origin="demo")

EVERYTHING = {**catalogue(), **DEMO}


@pytest.mark.parametrize(
    "slug", [slug for slug, i in EVERYTHING.items() if i.composition.density and not i.composition.solid and slug != "salt"]
)
def test_density_agrees_with_sugar_and_alcohol(slug):
    # What else is dissolved (pectin, protein, salt) explains a few per cent; more would be a slip.
    # Grenadine's food row holds glucose syrup besides: 67 g of carbohydrate and 47 g of sugars per 100 g (from memory).
    composition = EVERYTHING[slug].composition
    assert composition.density == pytest.approx(estimated_density(composition), rel=0.10 if slug == "grenadine" else 0.05)


@pytest.mark.parametrize(
    ("values", "error", "words"),
    [
        ({"abv": 101}, OutOfRange, "abv is 101"),
        ({"abv": -1}, OutOfRange, "abv"),
        ({"abv": math.nan}, OutOfRange, "abv"),
        ({"sugars": {"sucrose": -0.1}}, OutOfRange, "sucrose"),
        ({"sugars": {"maltose": 1}}, ImpossibleComposition, "maltose"),
        ({"sugars": {"sucrose": 100}, "acids": {"citric": 43}}, ImpossibleComposition, "100 g in 70 ml"),
        ({"abv": 60, "sugars": {"sucrose": 100}}, ImpossibleComposition, "don't fit"),
        ({"density": 0.2}, OutOfRange, "density"),
        ({"co2": 50}, OutOfRange, "co2"),
        ({"spread": {"colour": 0.1}}, ImpossibleComposition, "colour"),
        ({"spread": {"abv": -0.1}}, OutOfRange, "spread of abv"),
    ],
)
def test_composition_that_cannot_be_is_refused(values, error, words):
    with pytest.raises(error, match=words):
        Composition(**values)


def test_spread_of_a_total_adds_the_kinds_as_one_analysis():
    juice = Composition(acids={"citric": 4, "malic": 2}, spread={"citric": 0.1, "malic": 0.4})
    assert juice.relative_sd("acids") == pytest.approx((4 * 0.1 + 2 * 0.4) / 6)
    assert Composition(acids={"citric": 4}, spread={"acids": 0.3}).relative_sd("acids") == 0.3
    assert Composition().relative_sd("sugars") == 0
