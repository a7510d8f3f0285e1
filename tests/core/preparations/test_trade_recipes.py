"""What bars cook, in their own words, and what the trade says comes of it (common practice; windows, from memory)."""

import pytest
from support.kitchen import preparation

from oenomel.core.preparations.mass_balance import may_be_strained_out
from oenomel.core.preparations.outcome import prepared
from oenomel.core.preparations.preparation import KitchenStep
from oenomel.errors import SpecError

COOKED = (KitchenStep("simmer", 10), KitchenStep("strain"), KitchenStep("cool"))
STEEPED = (KitchenStep("steep", 600), KitchenStep("strain"))


@pytest.mark.parametrize(
    ("kind", "lines", "steps", "brix", "days"),
    [
        ("syrup", [("ginger", 200, "g"), ("demerara", 400, "g"), ("water", 400, "g")], COOKED, (42, 52), (14, 30)),
        ("syrup", [("cinnamon sticks", 4, "piece"), ("white sugar", 2, "cup"), ("hot water", 1, "cup")], COOKED, (62, 68), (45, 180)),
        ("syrup", [("earl grey tea", 15, "g"), ("sugar", 500, "g"), ("water", 500, "ml")], STEEPED, (49, 51), (14, 30)),
        ("syrup", [("basil", 30, "g"), ("simple syrup", 500, "ml")], STEEPED, (46, 50), (7, 30)),
        ("syrup", [("almond milk", 500, "ml"), ("sugar", 500, "g"), ("orange flower water", 10, "ml")], (), (47, 52), (7, 30)),
        ("gum syrup", [("gum arabic", 60, "g"), ("water", 310, "g"), ("sugar", 620, "g")], (), (60, 65), (45, 365)),
        ("thinned honey", [("honey", 3, "cup"), ("water", 1, "cup")], (), (64, 70), (21, 90)),
        ("thinned honey", [("honey", 200, "g"), ("water", 100, "g")], (), (53, 56), (14, 60)),
        ("fruit syrup", [("pomegranate juice", 2, "cup"), ("sugar", 2, "cup")], COOKED, (50, 60), (14, 30)),
        ("fruit syrup", [("rhubarb", 500, "g"), ("sugar", 250, "g"), ("water", 250, "g")], COOKED, (26, 38), (7, 21)),
        ("cordial", [("lime juice", 250, "ml"), ("lime zest", 20, "g"), ("sugar", 250, "g")], STEEPED, (44, 52), (7, 30)),
        ("cordial", [("blackberries", 300, "g"), ("sugar", 300, "g"), ("cider vinegar", 300, "ml")], STEEPED, (30, 40), (14, 60)),
        ("infusion", [("blanco tequila", 700, "ml"), ("jalapeño", 2, "piece")], STEEPED, (0, 0.2), (60, 365)),
        ("adjusted juice", [("orange juice", 1, "l"), ("citric acid", 32, "g"), ("malic acid", 20, "g")], (), (7, 13), (1, 3)),
        ("saline", [("sea salt", 20, "g"), ("water", 80, "g")], (), (0, 0.1), (60, 365)),
    ],
)
def test_what_bars_cook_comes_out_as_the_trade_says(kind, lines, steps, brix, days):
    made = prepared(preparation(kind, *lines, steps=steps))
    assert brix[0] <= made.brix <= brix[1]
    assert days[0] <= made.keeps_days <= days[1]
    assert any(str(made.keeps_days) in said for said in made.cautions)
    assert len(made.why) >= len(lines) + 2


@pytest.mark.parametrize(
    ("words", "name"),
    [
        ("pomegranate molasses", "Pomegranate molasses"),
        ("kaffir lime leaves", "Makrut lime leaves"),
        ("melissa", "Lemon balm"),
        ("medjool dates", "Dates"),
        ("camomile", "Chamomile, dried"),
        ("sea salt", "Salt"),
        ("ginger beer", "Ginger beer"),
    ],
)
def test_words_of_the_kitchen_are_taken_for_what_they_mean(words, name):
    assert preparation("infusion", (words, 10, "g")).lines[0].what.name == name


@pytest.mark.parametrize(
    "words", ["peanut butter", "sugar free syrup", "grape molasses", "sweetcorn", "cream of tartar", "apricot kernels"]
)
def test_words_that_only_look_alike_are_refused(words):
    with pytest.raises(SpecError, match=words):
        preparation("infusion", (words, 10, "g"))


def test_only_what_a_strainer_keeps_can_be_strained_out():
    words = ("rhubarb", "sugar", "water", "whole milk", "butter", "citric acid", "dark rum", "basil")
    lines = preparation("infusion", *((each, 10, "g") for each in words)).lines
    assert [line.written for line in lines if may_be_strained_out(line)] == ["rhubarb", "whole milk", "butter", "basil"]


def test_wine_on_the_fire_is_unsure_of_its_strength_and_says_so(golden):
    lines = ("red wine", 250, "ml"), ("sugar", 250, "g")
    hot, cold = prepared(preparation("syrup", *lines, steps=COOKED)), prepared(preparation("syrup", *lines))
    assert hot.composition.relative_sd("abv") > 0.25 > cold.composition.relative_sd("abv")
    golden(hot.cautions)
    assert not any("on the fire" in said for said in cold.cautions)
