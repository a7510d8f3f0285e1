"""The words of the trade against the catalogue: what a bartender would say has to find what he means, first."""

from pathlib import Path

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient_search import Findable, Index, Tier

# Common practice of the trade, from memory; the file says so at its head.
WORDS = [
    tuple(part.strip() for part in line.rsplit(":", 1))
    for line in (Path(__file__).parent / "trade_words.txt").read_text(encoding="utf-8").splitlines()
    if line and not line.startswith("#")
]
INDEX = Index(Findable.of(each) for each in catalogue().values())


def test_the_words_of_the_trade_find_what_they_mean_first():
    assert len(WORDS) >= 250
    missed = {word: [each.slug for each in INDEX.find(word)[:2]] for word, slugs in WORDS if _first(word) not in slugs.split()}
    assert len(missed) <= 0.03 * len(WORDS), missed


def _first(word):
    return next((each.slug for each in INDEX.find(word)), "")


def test_every_word_of_the_catalogue_finds_its_ingredient_exactly_and_none_means_two():
    owners = {}
    for ingredient in catalogue().values():
        for word in (ingredient.name, *ingredient.also):
            assert owners.setdefault(word.lower(), ingredient.slug) == ingredient.slug, word
            found = INDEX.find(word)
            assert ingredient.slug in [each.slug for each in found if each.tier == Tier.EXACT], word


@pytest.mark.parametrize(
    ("words", "first", "by"),
    [
        ("triple", "orange-liqueur-sweet", ""),  # the beginning of a word, as one types
        ("sec triple", "orange-liqueur-sweet", ""),  # in any order
        ("CRÈME DE MURE", "blackberry-liqueur", ""),  # capitals, accents
        ("chickpea water", "aquafaba", "chickpea water"),  # by another name, which is told
        ("organic freshly squeezed lime juice", "lime-juice", ""),  # words that make no other thing of it
        ("limejuice", "lime-juice", "limejuice"),
        ("lemn juice", "lemon-juice", ""),  # a slip
    ],
)
def test_search_folds_spellings_and_tells_by_which_word_it_found(words, first, by):
    found = INDEX.find(words)[0]
    assert (found.slug, found.by) == (first, by)


def test_what_nobody_knows_is_refused_and_the_nearest_are_told():
    for words in ("xyzzy", "the zebra", "glasshouse hay spirit", "%", ""):
        assert [each.slug for each in INDEX.find(words) if each.tier < Tier.NEAR] == (
            [] if words else [each.slug for each in INDEX.find("")]
        )
    # Somebody's rye is a rye; but only told as the nearest, never taken for it.
    assert INDEX.find("somebody's rye") == []
    assert INDEX.nearest("somebody's rye")[0].slug == "rye-whiskey"
    assert len(INDEX.nearest("hay cordial")) == 3


def test_of_what_fits_as_well_the_more_usual_comes_first_and_then_what_is_at_hand():
    syrups = [each.slug for each in INDEX.find("syrup")]
    assert syrups.index("honey-syrup") < syrups.index("cherry-syrup")
    at_hand = [each.slug for each in INDEX.find("syrup", {"thyme-syrup"})]
    assert at_hand.index("thyme-syrup") < at_hand.index("basil-syrup")
    # Where a garnish is chosen, what makes one comes before the juice that only bears its name.
    assert INDEX.find("orange", slot="garnish")[0].slug in ("orange-zest", "orange-wheel", "orange-wedge")
    assert INDEX.find("orange")[0].slug == "orange-juice"
