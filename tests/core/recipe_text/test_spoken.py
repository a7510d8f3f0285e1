"""Recipes as they are said: sentences with their verbs, one amount said twice, relatives, touches; never wrong without a mark."""

import pytest

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient_search import Findable, Index
from oenomel.core.recipe_text.parser import read_recipe, sections_of

INDEX = Index(Findable.of(each) for each in catalogue().values())

# What is said, and what has to be poured; a trailing ? where it has to be asked after.
SAID = {
    "60 ml gin\none ounce or 30 ml lemon juice": ["60 ml london-dry-gin", "1 oz lemon-juice"],
    "half an ounce or 15 ml lime juice\n50 ml (1 2/3 oz) white rum": ["0.5 oz lime-juice", "50 ml white-rum"],
    "two ounces, that's about 60 ml gin\n20 ml lemon juice": ["2 oz london-dry-gin", "20 ml lemon-juice"],
    "2 oz (45 ml) vodka\n20 ml lime juice": ["2 oz vodka ?", "20 ml lime-juice"],
    "60 ml gin, um, half an ounce, no, three quarters of lemon juice": ["60 ml london-dry-gin", "0.75 oz lemon-juice ?"],
    "So we're going to do two ounces of gin, then one ounce of grapefruit juice and half an ounce of lime juice": [
        "2 oz london-dry-gin", "1 oz grapefruit-juice", "0.5 oz lime-juice",
    ],
    "Shake 45 ml of reposado with 20 ml of lime, 15 ml dry curaçao and 5 ml agave syrup, strain into a coupe": [
        "45 ml tequila-reposado", "20 ml lime-juice", "15 ml orange-liqueur-dry", "5 ml agave-syrup",
    ],
    "Add 45 ml gin, 22.5 ml lemon juice, 15 ml simple syrup, shake, float 22.5 ml crème de mûre": [
        "45 ml london-dry-gin", "22.5 ml lemon-juice", "15 ml simple-syrup-1-1", "22.5 ml blackberry-liqueur",
    ],
    "60 ml gin\n22.5 ml lemon juice\nsame amount of simple syrup": [
        "60 ml london-dry-gin", "22.5 ml lemon-juice", "22.5 ml simple-syrup-1-1",
    ],
    "60 ml bourbon\n20 ml honey syrup\nhalf as much lemon juice as the bourbon": [
        "60 ml corn-whiskey", "20 ml honey-syrup", "30 ml lemon-juice",
    ],
    "60 ml bourbon\nhalf as much lemon juice": ["60 ml corn-whiskey", "30 ml lemon-juice"],
    "60 ml gin\njust a touch of cream\negg white or aquafaba": ["60 ml london-dry-gin", "5 ml heavy-cream ?", "30 ml egg-white ?"],
    "60 ml gin\na good eight shakes of bitters\nthree dashes of bitters on the cube": [
        "60 ml london-dry-gin", "8 dash aromatic-bitters", "3 dash aromatic-bitters",
    ],
    "60 ml gin\nwhite of one egg\na five second shake": ["60 ml london-dry-gin", "30 ml egg-white"],
    "60 ml gin\n20 ml raspberry syrup\nRaspberry syrup: 2 cups raspberries, 4 cups of water": [
        "60 ml london-dry-gin", "20 ml raspberry-syrup",
    ],
    "60 ml gin\n20 ml lemon juice\nWe like one and a half ounces of vodka in it": ["60 ml london-dry-gin", "20 ml lemon-juice"],
}  # fmt: skip


@pytest.mark.parametrize(("text", "wanted"), SAID.items(), ids=[text[:30].replace("\n", " / ") for text in SAID])
def test_what_is_said_is_poured_or_asked(text, wanted):
    recipe = read_recipe(sections_of(text), INDEX, catalogue().__getitem__)
    sure = {line.pour: line.sure for line in recipe.lines if line.pour is not None}
    pours = [
        f"{pour.amount:g} {pour.unit} {pour.ingredient.slug if pour.ingredient else pour.words}{'' if sure[at] else ' ?'}"
        for at, pour in enumerate(recipe.pours)
    ]
    assert pours == wanted


def test_a_measure_that_is_not_poured_is_never_a_certain_note():
    recipe = read_recipe(
        sections_of("60 ml gin\n20 ml lemon juice\nIt had maybe one ounce of vodka once, I was told so"), INDEX, catalogue().__getitem__
    )
    assert not recipe.lines[-1].sure


def test_a_first_line_without_an_amount_is_the_name_whatever_it_holds():
    text = "Whiskey sour with egg white\n60 ml bourbon\n22 ml lemon juice\n22 ml simple syrup"
    assert read_recipe(sections_of(text), INDEX, catalogue().__getitem__).name == "Whiskey sour with egg white"


def test_seconds_before_their_verb_are_seconds():
    recipe = read_recipe(sections_of("60 ml gin\n20 ml lemon juice\na five second shake"), INDEX, catalogue().__getitem__)
    assert (recipe.made.technique, recipe.made.seconds) == ("shake", (5, 5))
