"""What a preparation is told to be: how it keeps, what can hurt, whether cups or weight are meant, and why."""

import pytest
from support.kitchen import preparation

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.preparations.adjustment import to_brix
from oenomel.core.preparations.by_cup import by_cup_words
from oenomel.core.preparations.outcome import prepared
from oenomel.core.preparations.preparation import KitchenStep
from oenomel.errors import DomainError, OutOfRange

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


def test_two_to_one_is_asked_and_the_difference_told(golden):
    told = by_cup_words(preparation("syrup", ("sugar", 2, "cup"), ("water", 1, "cup")))
    golden(told)
    assert by_cup_words(preparation("syrup", ("sugar", 2, "cup"), ("water", 237, "g"))) == ""
    assert by_cup_words(preparation("syrup", ("sugar", 200, "g"))) == ""


def test_it_enters_the_larder_with_its_recipe_as_source_and_what_the_class_is_like(golden):
    like = catalogue()["raspberry-syrup"]
    made = prepared(preparation("fruit syrup", ("raspberries", 300, "g"), ("sugar", 300, "g"), steps=SIMMERED)).ingredient(like=like)
    golden(made.values["sucrose"].source)
    assert made.aroma == like.aroma
    assert "home-made" in made.cautions
    assert made.composition.axes_relative_sd[1] > 0
    alone = prepared(preparation("infusion", ("london dry gin", 700, "ml"), ("sugar", 200, "g"), name="Sweet gin")).ingredient()
    assert (alone.slug, alone.kind) == ("sweet-gin", "liqueur")


def test_why_tells_each_line_and_what_became_of_it():
    why = " ".join(
        prepared(preparation("fruit syrup", ("raspberries", 2, "cup"), ("sugar", 1, "cup"), ("water", 1, "cup"), steps=SIMMERED)).why
    )
    for words in ("2 cups of raspberries = 246 g", "1 cup of granulated sugar = 200 g", "strained out", "gone off", "are left"):
        assert words in why


@pytest.mark.parametrize(
    ("weight", "sugar", "brix"),
    [
        (437, 200, 50),
        (500, 300, 50),
        (400, 200, 50),
    ],
)
def test_a_syrup_is_brought_to_a_brix_by_sugar_or_by_water(weight, sugar, brix, golden):
    told = to_brix(weight, sugar, brix)
    golden(told.words)
    for each in told.additions:
        more = each.grams if each.what == "sugar" else 0
        assert 100 * (sugar + more) / (weight + each.grams) == pytest.approx(brix)


def test_what_can_not_be_adjusted_is_refused(golden):
    with pytest.raises(OutOfRange):
        to_brix(400, 200, 95)
    with golden.raises(DomainError):
        to_brix(400, 500, 50)
