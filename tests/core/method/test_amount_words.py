"""Pours in the trade's words: "22.5 ml of lemon juice", "2 dashes of orange bitters", "9 mint leaves"."""

from support.drinks import SOUR, drink, served

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.method.amount_words import Measures, amount_words
from oenomel.core.method.step import MethodOptions
from oenomel.core.method.steps import making_steps
from oenomel.core.spec.drink import Drink, Pour

STANDARD = MethodOptions()


def words(made: Drink, way: MethodOptions = STANDARD) -> list[str]:
    return [step.words for step in making_steps(made, way)]


def test_amounts_are_told_in_ounces_where_they_are_measured_so(golden):
    larder = catalogue()
    ounces = Measures("oz", 30)
    for ml, told in (
        # The marks of a jigger; what falls between two is scant or heavy, as a bar says it (common practice).
        (22.5, "¾ oz"),
        (45, "1½ oz"),
        (60, "2 oz"),
        (20, "⅔ oz"),
        (50, "1⅔ oz"),
        (29.9, "1 oz"),
        (35, "scant 1¼ oz"),
        (25, "heavy ¾ oz"),
        (5, "1 barspoon"),
        (2.5, "½ barspoon"),
        (0, ""),
    ):
        assert amount_words(Pour(larder["lemon-juice"], ml), ounces) == told
    assert amount_words(Pour(larder["orange-bitters"], 1.6, "dash"), ounces) == "2 dashes"
    assert amount_words(Pour(larder["lemon-juice"], 22.5, "oz", amount=0.75)) == "22.5 ml"
    in_ounces = words(served(drink(*SOUR)), MethodOptions(shown="oz"))
    golden(in_ounces)
