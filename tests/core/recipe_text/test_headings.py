"""Headings of recipes, and the unit of numbers without one: common practice of how recipes are laid out."""

import pytest

from oenomel.core.recipe_text.headings import declared_unit, heading_of, section_of, unit_of_all
from oenomel.core.recipe_text.read_recipe import TextLine


@pytest.mark.parametrize(
    ("line", "section"),
    [
        ("Ingredients", "ingredients"),
        ("You'll need:", "ingredients"),
        ("For the drink:", "ingredients"),
        ("Method:", "method"),
        ("**Directions**", "method"),
        ("# How to make it", "method"),
        ("Garnish: lime wheel", "garnish"),
        ("Amount, Ingredient", "ingredients"),
    ],
)
def test_a_heading_begins_its_section(line, section):
    heading = heading_of(line.strip("*# "), line)
    assert heading is not None
    assert section_of(heading[0]) == section


@pytest.mark.parametrize(
    "line", ["60 ml gin", "lime juice", "Shake with ice and strain.", "Glassy ice", "Mixed berries", "Spectacular rum"]
)
def test_a_pour_or_a_sentence_is_no_heading(line):
    assert heading_of(line, line) is None


@pytest.mark.parametrize(("line", "rest"), [("Glass: coupe", "coupe"), ("Serves: 2", "2")])
def test_what_follows_a_heading_on_its_line_stays(line, rest):
    heading = heading_of(line, line)
    assert heading is not None
    assert rest in heading[1]


@pytest.mark.parametrize(
    ("text", "unit"),
    [("All measures in ounces", "oz"), ("(in ml)", "ml"), ("Amounts are in cl", "cl"), ("Everything in parts", "part"), ("in a tin", None)],
)
def test_a_text_may_declare_the_unit_of_all_amounts(text, unit):
    assert declared_unit(text) == unit


@pytest.mark.parametrize(
    ("lines", "unit"),
    # Common practice: 2, ¾, ¾ are ounces; 60, 22.5, 22.5 can only be millilitres, and two whole small numbers tell nothing.
    [
        (["2 gin", "0.75 lemon juice", "0.75 simple syrup"], "oz"),
        (["60 gin", "22.5 lemon juice"], None),
        (["2 gin", "1 lemon juice"], None),
        (["All in ml", "2 gin", "0.75 lemon juice"], "ml"),
        (["2 oz gin", "0.75 oz lemon juice"], None),
    ],
)
def test_bare_numbers_are_ounces_only_where_all_of_them_look_so(lines, unit):
    assert unit_of_all([TextLine(line) for line in lines]) == unit
