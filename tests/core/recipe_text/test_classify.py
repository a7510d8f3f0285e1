"""Slots, family and form of a recipe, as a bartender would file it (common practice)."""

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.recipe_text.classify import RolePour, guess_of, slot_of, stage_of

LARDER = catalogue()


def parts(*pours):
    """Pours as a reader files them: slug and ml, with the stage where it isn't the usual one."""
    made = []
    for slug, ml, *stage in pours:
        slot = slot_of(LARDER[slug], ml, any(part.slot == "base" for part in made))
        made.append(RolePour(LARDER[slug], ml, slot, stage[0] if stage else stage_of(LARDER[slug], slot)))
    return made


@pytest.mark.parametrize(
    ("slug", "ml", "has_base", "slot"),
    [
        ("london-dry-gin", 60, False, "base"),
        ("overproof-rum", 5, True, "accent"),
        ("orange-liqueur-dry", 22.5, True, "liqueur"),
        ("cherry-stone-liqueur", 5, True, "accent"),
        ("lime-juice", 22.5, True, "sour"),
        ("simple-syrup-1-1", 22.5, True, "sweet"),
        ("pineapple-juice", 60, True, "lengthener"),
        ("soda-water", 60, True, "lengthener"),
        ("egg-white", 30, True, "texture"),
        ("aromatic-bitters", 1.6, True, "accent"),
    ],
)
def test_an_ingredient_plays_the_part_that_its_amount_speaks_for(slug, ml, has_base, slot):
    assert slot_of(LARDER[slug], ml, has_base) == slot


RUM, LIME, SYRUP, LIQUEUR = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5), ("orange-liqueur-dry", 22.5)


@pytest.mark.parametrize(
    ("pours", "technique", "ice", "family", "form"),
    [
        ([RUM, LIME, SYRUP], "shake", "none", "sour", "up"),
        ([RUM, LIME, SYRUP], "shake", "cubes", "sour", "rocks"),
        ([RUM, LIME, SYRUP, ("egg-white", 30)], "shake", "none", "sour", "with foam"),
        ([RUM, LIME, LIQUEUR], "shake", "none", "daisy", "up"),
        ([RUM, LIME, LIQUEUR, ("salt", 0.3, "rim")], "shake", "none", "daisy", "salted edge"),
        ([RUM, LIME, SYRUP, ("soda-water", 60)], "shake", "cubes", "fizz", "long"),
        ([RUM, LIME, SYRUP, ("sparkling-brut", 60)], "shake", "none", "fizz", "sparkling wine on top"),
        ([RUM, LIQUEUR], "stir", "none", "open", "stirred"),
        ([LIME, SYRUP, ("soda-water", 90)], "build", "cubes", "open", "without alcohol"),
        ([RUM, LIME], "shake", "none", "open", "stirred"),
    ],
)
def test_a_recipe_is_filed_where_a_bartender_would_file_it(pours, technique, ice, family, form):
    guess = guess_of(parts(*pours), technique, ice)
    assert (guess.family, guess.form) == (family, form)
    assert guess.why.endswith(".")


def test_a_daisy_names_the_liqueur_that_sweetens_it_and_its_share():
    assert "90%" in guess_of(parts(RUM, LIME, LIQUEUR), "shake", "none").why
    assert LARDER["orange-liqueur-dry"].name in guess_of(parts(RUM, LIME, LIQUEUR), "shake", "none").why
