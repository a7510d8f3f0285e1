"""Words of recipes matched with ingredients: certain only where they mean one thing, and never without alternatives where not."""

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient_search import Findable, Index
from oenomel.core.recipe_text.ingredient_match import kind_in, meant_by

INDEX = Index(Findable.of(item) for item in catalogue().values())


@pytest.mark.parametrize("item", list(catalogue().values())[::9], ids=lambda item: item.slug)
def test_a_name_of_the_catalogue_means_its_ingredient(item):
    meant = meant_by(item.name, (), INDEX)
    assert meant.slug == item.slug


@pytest.mark.parametrize(
    ("words", "asides", "slug"),
    [
        ("simple syrup", ("1:1",), "simple-syrup-1-1"),
        ("fresh lime juice", (), "lime-juice"),
        ("lime juice, fresh", (), "lime-juice"),
        ("London dry gin 43 %", (), "london-dry-gin"),
        ("egg white, pasteurised", (), None),
    ],
)
def test_words_beside_a_name_do_not_hide_it(words, asides, slug):
    meant = meant_by(words, asides, INDEX)
    assert meant.slug is not None
    assert slug is None or meant.slug == slug


@pytest.mark.parametrize("words", ["rum", "vermouth", "gin or vodka", "lime or lemon juice", "liqueur"])
def test_words_that_mean_several_things_are_marked_with_a_reason(words):
    meant = meant_by(words, (), INDEX)
    assert meant.slug is not None
    assert not meant.sure
    assert meant.why


@pytest.mark.parametrize("words", ["unobtainium", "qwxz", "glue"])
def test_what_nobody_knows_is_told_and_never_taken_for_something(words):
    meant = meant_by(words, (), INDEX)
    assert meant.slug is None
    assert words in meant.why


@pytest.mark.parametrize(
    ("words", "kind"),
    [
        ("Grandma's rhubarb cordial", "liqueur"),
        ("house ginger syrup", "syrup"),
        ("moon gin", "spirit"),
        ("quince juice", "juice"),
        ("x", "other"),
    ],
)
def test_words_tell_the_kind_of_what_nobody_knows(words, kind):
    assert kind_in(words) == kind
