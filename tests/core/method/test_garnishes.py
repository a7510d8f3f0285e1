"""Which garnish is suggested, and why. That an echo of an ingredient suits a drink is Common practice."""

from dataclasses import replace

from support.drinks import drink

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.method.garnishes import MOST_SUGGESTED, suggested_garnishes
from oenomel.core.spec.technique import Garnish, Serve

SOUR = (("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))


def suggested(made, at_hand=()):
    return suggested_garnishes(made, catalogue().values(), at_hand)


def test_what_echoes_a_pour_comes_first_with_its_reason(golden):
    first = suggested(drink(*SOUR))[0].garnish
    golden((first.what, first.why))
    golden(first.how)
    assert first.instead
    raspberry = [each.garnish for each in suggested(drink(*SOUR, ("raspberry-liqueur", 15)))]
    golden([each.why for each in raspberry if each.what == "raspberries"])


def test_no_two_smell_alike_and_none_is_there_already():
    made = replace(drink(*SOUR), serve=Serve(garnish=(Garnish("lemon zest"),)))
    names = [each.garnish.what for each in suggested(made)]
    assert len(names) == len(set(names)) <= MOST_SUGGESTED
    assert not any("lemon" in name and name != "lemon wedge" and name != "lemon wheel" for name in names)


def test_what_is_at_hand_is_told_and_comes_earlier():
    made = drink(*SOUR)
    names = [each.garnish.what for each in suggested(made)]
    slug = next(slug for slug, each in catalogue().items() if each.in_sentence == names[4])
    at_hand = suggested(made, {slug})
    assert [each.garnish.what for each in at_hand if each.in_stock] == [names[4]]
    assert [each.garnish.what for each in at_hand].index(names[4]) < 4
