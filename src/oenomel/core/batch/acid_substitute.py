"""Acids and sugar in water in place of fresh juice, for a bottle that has to wait (docs/model/batch.md)."""

from __future__ import annotations

from typing import Final

from oenomel.core.larder import Composition, Ingredient, SourcedValue
from oenomel.core.larder.shelf_life import ACID_SOLUTION_DAYS, days_at_least, is_of_the_day
from oenomel.core.spec import Drink, Pour

SHARP_G: Final = 2.0
"""Acid from which a juice is poured for its sharpness, [g/100 ml]; below it for its taste, which no acid stands in for."""

WEIGHED_SD: Final = 0.02
"""Acids that stand in for a juice are weighed."""

_SLUG: Final = "inline:acids-for:"
"""Begins the slug of what stands in for a juice."""

_WEIGHED: Final = {"citric": "citric acid", "malic": "malic acid", "tartaric": "tartaric acid"}


def has_stand_in(pour: Pour) -> bool:
    """Check whether acids in water could stand for it."""
    return is_of_the_day(pour.ingredient) and pour.ingredient.composition.acid >= SHARP_G


def with_stand_ins(drink: Drink) -> Drink:
    """Return the drink with acids in water for its sharp juices of the day."""
    return drink.with_pours(tuple(pour.of(stand_in(pour.ingredient)) if has_stand_in(pour) else pour for pour in drink.pours))


def stand_in(juice: Ingredient) -> Ingredient:
    """Acids and sugar in water, as sharp and as sweet as a juice."""
    told = juice.composition
    acids = {kind: grams for kind, grams in told.acids.items() if grams > 0}
    composition = Composition(sugars=dict(told.sugars), acids=acids, spread={"sugars": WEIGHED_SD, "acids": WEIGHED_SD})
    keeps = SourcedValue(
        "keeps_days", float(days_at_least(ACID_SOLUTION_DAYS, composition.acid)), 0.0, "estimate", "estimate", "acids in water, cold"
    )
    return Ingredient(
        slug=f"{_SLUG}{juice.slug}",
        name=f"Acids for {juice.said}",
        kind="seasoning",
        composition=composition,
        slots=("sour",),
        cautions=("strong acid", "home-made"),
        origin="inline",
        values={"keeps_days": keeps},
    )


def is_stand_in(ingredient: Ingredient) -> bool:
    """Check whether an ingredient was made by `stand_in`."""
    return ingredient.slug.startswith(_SLUG)


def recipe_words(pour: Pour) -> str:
    """Describe how so much of it is made, as a sentence."""
    told, ml = pour.ingredient.composition, pour.volume_ml
    grams = [f"{ml * each / 100:.1f} g of {_WEIGHED.get(kind, f'{kind} acid')}" for kind, each in told.acids.items() if each > 0]
    if told.sugar > 0:
        grams.append(f"{ml * told.sugar / 100:.1f} g of sugar")
    mixed = f"{', '.join(grams)}, stirred into water up to {ml:.0f} ml"
    return f"{pour.ingredient.name}: {mixed}. It has the sharpness and not the smell: a zest helps."
