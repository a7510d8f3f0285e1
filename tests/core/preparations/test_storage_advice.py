"""Shelf life and cautions of a preparation. General advice: labels, local rules and noses decide."""

import pytest
from support.kitchen import preparation

from oenomel.core.preparations.outcome import prepared
from oenomel.core.preparations.preparation import KitchenStep

SIMMERED = (KitchenStep("simmer", 10), KitchenStep("strain"))


@pytest.mark.parametrize(
    ("kind", "lines", "days"),
    # docs/model/preparations.md, common practice: 1:1 three weeks, 2:1 two months, fruit two weeks; juice is the day's.
    [
        ("syrup", (("sugar", 100, "g"), ("water", 100, "g")), 21),
        ("syrup", (("sugar", 1, "cup"), ("water", 1, "cup")), 21),
        ("syrup", (("sugar", 200, "g"), ("water", 100, "g")), 60),
        ("fruit syrup", (("raspberries", 2, "cup"), ("sugar", 1, "cup"), ("water", 1, "cup")), 14),
        ("adjusted juice", (("orange juice", 1, "l"), ("citric acid", 32, "g"), ("malic acid", 20, "g")), 1),
        ("saline", (("salt", 20, "g"), ("water", 80, "g")), 180),
        ("acid solution", (("citric acid", 6, "g"), ("water", 94, "g")), 30),
        ("infusion", (("london dry gin", 700, "ml"), ("bay leaves", 5, "g")), 180),
        ("infusion", (("whole milk", 500, "ml"), ("coffee", 30, "g")), 3),
    ],
)
def test_how_long_it_keeps_is_what_the_trade_says(kind, lines, days):
    assert prepared(preparation(kind, *lines, steps=("strain",))).keeps_days == days


@pytest.mark.parametrize(
    ("lines", "steps"),
    [
        ((("sugar", 100, "g"), ("water", 100, "g")), SIMMERED),
        ((("rhubarb", 300, "g"), ("sugar", 100, "g")), SIMMERED),
        ((("elderberries", 300, "g"), ("sugar", 100, "g")), SIMMERED),
        ((("cherries", 300, "g"), ("sugar", 100, "g")), SIMMERED),
        ((("citric acid", 6, "g"), ("water", 94, "g")), ()),
        ((("almonds", 200, "g"), ("water", 400, "g"), ("sugar", 400, "g")), SIMMERED),
        ((("grapefruit juice", 200, "ml"), ("sugar", 200, "g")), ()),
        ((("vodka", 500, "ml"), ("chilli", 20, "g")), (KitchenStep("simmer", 5),)),
        ((("sugar", 100, "g"), ("water", 100, "g")), ()),
    ],
)
def test_what_can_hurt_someone_is_said(lines, steps, golden):
    golden(prepared(preparation("cordial", *lines, steps=steps)).cautions)
