"""Names to be: of what it smells of and the house's own words; never a known drink's, never twice, the same on any machine."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.originals.drink_names import known_names, name_for
from oenomel.core.spec.drink import Pour

QUINCE = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("thyme-syrup", 15), ("aromatic-bitters", 1.6))
PLAIN = drink(("vodka", 60), ("citric-acid-solution", 22.5), ("simple-syrup-1-1", 22.5))
SPIRITS = [slug for slug, each in catalogue().items() if each.kind == "spirit"]


def test_the_houses_own_words_are_used_without_its_families():
    names = [name_for(QUINCE, [], [f"{word} {family}"]) for word, family in (("Hedge Gate", "Sour"), ("Walled Garden", "Daisy"))]
    assert names[0].endswith(" Gate")
    assert names[1].endswith(" Garden")
    assert not any("Sour" in name or "Daisy" in name for name in names)


def test_a_book_without_words_has_ours():
    assert len(name_for(QUINCE, [], []).split()) >= 2
    assert name_for(PLAIN, [], [])


def test_no_name_is_given_twice():
    taken: list[str] = []
    for _ in range(40):
        taken.append(name_for(QUINCE, taken, ["Hedge Gate Sour"]))
    assert len({name.lower() for name in taken}) == 40
    assert name_for(QUINCE, [], ["Hedge Gate Sour"]) == taken[0]


def test_known_names_are_told_and_never_given():
    assert len(known_names()) > 100
    assert all(name == name.lower().strip() for name in known_names())
    # A house whose words would make one of them gets another.
    for name in ("Orange Blossom", "Honey Bee", "Bitter Peel Bramble"):
        *_, word = name.split()
        told = name_for(QUINCE, [], [f"The {word} Sour"])
        assert told.lower() not in known_names()


@given(
    st.sampled_from(SPIRITS), st.sampled_from(["lime-juice", "lemon-juice"]), st.sampled_from(["honey-syrup", "mint-syrup", "ginger-syrup"])
)
def test_whatever_is_poured_has_a_name_of_its_own(spirit, sour, sweet):
    made = drink((spirit, 60), (sour, 22.5), (sweet, 15))
    name = name_for(made, [], [])
    assert name[0].isupper()
    assert name.lower() not in known_names()
    assert name == name_for(made.with_pours(tuple(Pour(p.ingredient, p.volume_ml + 5, slot=p.slot) for p in made.pours)), [], [])


@pytest.mark.parametrize("word", ["sour", "daisy", "fizz"])
def test_a_drink_is_not_called_after_its_base_and_family(word):
    name = name_for(QUINCE, [], [f"Gin {word.title()}"])
    assert name.lower() != f"gin {word}"
