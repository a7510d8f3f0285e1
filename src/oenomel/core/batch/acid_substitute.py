"""Acids and sugar in water in place of fresh juice, for a batch that has to keep (docs/model/batch.md)."""

from __future__ import annotations

from typing import Final

from oenomel.core.larder import Composition, Ingredient, SourcedValue
from oenomel.core.larder.shelf_life import ACID_SOLUTION_DAYS, days_at_least, is_of_the_day
from oenomel.core.spec import Drink, Pour

SHARP_G: Final = 2.0
"""Acid from which a juice is poured for its sharpness, [g/100 ml]; other juices are poured for their taste, which no acid replaces."""

WEIGHED_SD: Final = 0.02
"""Standard deviation of weighed acids, as a share."""

_SLUG: Final = "inline:acids-for:"
"""Prefix of the slug of an acid solution."""

_WEIGHED: Final = {"citric": "citric acid", "malic": "malic acid", "tartaric": "tartaric acid"}


def has_substitute(pour: Pour) -> bool:
    """Check whether an acid solution can replace the ingredient."""
    return is_of_the_day(pour.ingredient) and pour.ingredient.composition.acid >= SHARP_G


def with_substitutes(drink: Drink) -> Drink:
    """Return the drink with its sharp juices replaced by acid solutions."""
    return drink.with_pours(tuple(pour.of(substitute_for(pour.ingredient)) if has_substitute(pour) else pour for pour in drink.pours))


def substitute_for(juice: Ingredient) -> Ingredient:
    """Return an acid solution as sharp and as sweet as a juice."""
    needed = juice.composition
    acids = {kind: grams for kind, grams in needed.acids.items() if grams > 0}
    composition = Composition(sugars=dict(needed.sugars), acids=acids, spread={"sugars": WEIGHED_SD, "acids": WEIGHED_SD})
    keeps = SourcedValue(
        "keeps_days", float(days_at_least(ACID_SOLUTION_DAYS, composition.acid)), 0.0, "estimate", "estimate", "acid solution, cold"
    )
    return Ingredient(
        slug=f"{_SLUG}{juice.slug}",
        name=f"Acids for {juice.in_sentence}",
        kind="seasoning",
        composition=composition,
        slots=("sour",),
        cautions=("strong acid", "home-made"),
        origin="inline",
        values={"keeps_days": keeps},
    )


def is_substitute(ingredient: Ingredient) -> bool:
    """Check whether an ingredient is an acid solution made by `substitute_for`."""
    return ingredient.slug.startswith(_SLUG)


def recipe_words(pour: Pour) -> str:
    """Describe how to make an amount of the acid solution, as a sentence."""
    composition, ml = pour.ingredient.composition, pour.volume_ml
    grams = [
        f"{ml * percent / 100:.1f} g of {_WEIGHED.get(kind, f'{kind} acid')}" for kind, percent in composition.acids.items() if percent > 0
    ]
    if composition.sugar > 0:
        grams.append(f"{ml * composition.sugar / 100:.1f} g sugar")
    mixed = f"{', '.join(grams)}, stirred into water up to {ml:.0f} ml"
    return f"{pour.ingredient.name}: {mixed}. As sharp as the juice, without its aroma. Add a zest."
