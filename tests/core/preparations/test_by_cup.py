"""The same ratio by the cup and by weight, to let the user choose (common practice: the unit decides)."""

from support.kitchen import preparation

from oenomel.core.preparations.by_cup import by_cup_words


def test_two_to_one_is_asked_and_the_difference_told(golden):
    told = by_cup_words(preparation("syrup", ("sugar", 2, "cup"), ("water", 1, "cup")))
    golden(told)
    assert by_cup_words(preparation("syrup", ("sugar", 2, "cup"), ("water", 237, "g"))) == ""
    assert by_cup_words(preparation("syrup", ("sugar", 200, "g"))) == ""
