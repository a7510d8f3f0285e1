"""English of generated sentences: laws of plurals and lists over every noun that the product can count."""

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.wording import agreeing, capital, counted, listed, plural, singular, with_article

# Kinds of noun, and the fruit, leaves and berries of the catalogue, which recipes count.
NOUNS = ["drink", "mint leaf", "raspberry", "lime wedge", "coupe glass", "bunch", "box", "brush", "bitters", "egg white", "olive", "day"]
PLANTS = [item.in_sentence for item in catalogue().values() if item.kind == "plant" and re.fullmatch("[a-z ]+[^s]", item.in_sentence)]


@pytest.mark.parametrize("noun", NOUNS + PLANTS)
def test_a_plural_is_undone_by_its_singular_and_agrees_with_its_number(noun):
    assert singular(plural(noun)) == noun
    assert singular(noun) == noun
    assert agreeing(1, noun) == noun
    assert counted(2, noun) == f"2 {plural(noun)}" == f"2 {agreeing(0, noun)}"


@pytest.mark.parametrize(
    ("noun", "several"),
    # A dictionary's plurals, from memory.
    [("cherry", "cherries"), ("leaf", "leaves"), ("glass", "glasses"), ("dash", "dashes"), ("day", "days"), ("grapefruit", "grapefruit")],
)
def test_plurals_are_those_of_a_dictionary(noun, several):
    assert plural(noun) == several


@given(st.lists(st.sampled_from(["gin", "lemon juice", "soda", "egg white", "a dash of bitters"]), min_size=1, max_size=6))
def test_a_list_keeps_every_word_in_order_and_has_one_and(words):
    text = listed(words)
    assert text.replace(" and ", ", ").split(", ") == words
    assert text.count(" and ") == min(len(words) - 1, 1)
    assert listed(words, "or") == text.replace(" and ", " or ")


def test_an_article_goes_by_the_sound_and_a_capital_changes_one_letter():
    assert [with_article(noun) for noun in ("orange", "Egg white", "hour", "lime", "whisky")] == [
        "an orange",
        "an Egg white",
        "an hour",
        "a lime",
        "a whisky",
    ]
    assert [capital(text) for text in ("", "gin", "London dry gin", "éclair")] == ["", "Gin", "London dry gin", "Éclair"]
