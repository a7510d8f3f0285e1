"""What a preparation is told to be: how it keeps, what can hurt, whether cups or weight are meant, and why."""

from support.kitchen import preparation

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.preparations.outcome import prepared
from oenomel.core.preparations.preparation import KitchenStep

SIMMERED = (KitchenStep("simmer", 10), KitchenStep("strain"))


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
    for words in ("2 cups of raspberries = 246 g", "1 cup of granulated sugar = 200 g", "strained out", "evaporated", "g left"):
        assert words in why
