"""Colours that everybody behind a bar knows, described in words from memory (M): a red bitter in a foamed sour is light pink."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.glass.colour import colour_words, swatch
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.technique import Method, Serve
from oenomel.core.trials.brief import Brief, check_brief

# What is poured, how, in which glass, and the names that a looker-on would give the drink; told by its parts.
KNOWN = [
    ("60 london-dry-gin, 22.5 lemon-juice, 22.5 simple-syrup-1-1, 30 egg-white, 7.5 red-bitter-aperitif", "shake", "coupe", {"light pink"}),
    ("45 london-dry-gin, 15 lemon-juice, 15 grenadine, 15 egg-white", "shake", "coupe", {"pink", "light pink"}),
    ("60 corn-whiskey, 22.5 lemon-juice, 22.5 simple-syrup-1-1", "shake", "large rocks glass", {"gold", "light gold", "yellow"}),
    ("45 cognac, 22.5 orange-liqueur-sweet, 22.5 lemon-juice", "shake", "coupe", {"gold", "light gold", "yellow"}),
    ("30 london-dry-gin, 30 red-bitter-aperitif, 30 sweet-vermouth", "stir", "large rocks glass", {"red", "deep red"}),
    ("60 rye-whiskey, 30 sweet-vermouth, 1.6 aromatic-bitters", "stir", "coupe", {"amber", "red", "brown"}),
    ("45 vodka, 22.5 orange-liqueur-sweet, 22.5 lime-juice, 30 cranberry-juice", "shake", "up glass", {"pink", "light pink", "red"}),
    ("60 white-rum, 30 lime-juice, 22.5 simple-syrup-1-1", "shake", "coupe", {"pale"}),
    ("45 vodka, 120 orange-juice", "build", "tall glass", {"gold", "orange", "yellow"}),
    ("60 orange-bitter-aperitif, 90 prosecco topped, 30 soda-water topped", "none", "wine glass", {"orange"}),
    ("45 vodka, 120 tomato-juice, 15 lemon-juice", "roll", "tall glass", {"red"}),
    ("45 vodka, 22.5 blue-curacao, 22.5 lemon-juice, 60 soda-water topped", "shake", "tall glass", {"blue", "light blue"}),
    ("45 london-dry-gin, 15 cherry-stone-liqueur, 15 lemon-juice, 5 violet-liqueur", "shake", "coupe", {"pale violet", "pale blue"}),
    ("45 vodka, 22.5 coffee-liqueur, 30 heavy-cream", "build", "large rocks glass", {"beige", "light beige"}),
    ("45 vodka, 30 coffee-liqueur, 30 espresso", "shake", "coupe", {"black", "brown"}),
    ("45 london-dry-gin, 120 tonic-water topped", "build", "tall glass", {"pale"}),
]


def made(text: str, technique: str, glass: str) -> Drink:
    parts = [part.split() for part in text.split(", ")]
    poured = drink(*((slug, float(ml), *stage) for ml, slug, *stage in parts), method=Method(technique))
    return replace(poured, serve=Serve(glass))


@pytest.mark.parametrize(("text", "technique", "glass", "names"), KNOWN, ids=[text[:50] for text, *_ in KNOWN])
def test_a_known_drink_has_the_colour_that_everybody_knows(text: str, technique: str, glass: str, names: set[str]):
    appearance = forecast_of(made(text, technique, glass)).appearance
    assert appearance is not None
    assert {colour_words(layer.colour) for layer in appearance.liquid} <= names


def test_a_red_wine_float_is_dark_on_a_golden_drink():
    text = "60 rye-whiskey, 30 lemon-juice, 22.5 simple-syrup-1-1, 15 red-wine-dry floated"
    below, above = forecast_of(made(text, "shake", "large rocks glass")).appearance.liquid
    assert (colour_words(below.colour), colour_words(above.colour)) == ("gold", "deep red")


def test_foam_and_cloud_shorten_the_way_of_the_light():
    # The same dye in the same volume is lighter where light is sent back early: clear, cloudy, foamed, in cream.
    pours = made("60 vodka, 15 grenadine", "shake", "coupe").pours
    clear, foamed = (int(swatch(pours, 150, 3.0, air)[3:5], 16) for air in (0.0, 0.6))
    creamy = int(swatch(made("60 vodka, 15 grenadine, 30 heavy-cream", "shake", "coupe").pours, 150)[3:5], 16)
    assert clear < foamed < creamy
    assert swatch((), 0) == "#ffffff"


@pytest.mark.parametrize(
    ("wish", "kept"),
    [
        ("a soft pink, as of rose petals", True),
        ("deep red", False),
        ("the colour of a clear morning", False),
    ],
)
def test_a_brief_s_colour_is_held_against_the_glass(wish: str, kept: bool, golden):
    foamed = forecast_of(made(*KNOWN[0][:3]))
    (held,) = check_brief(Brief(colour=wish), foamed)
    assert held.kept is kept
    golden(held.sentence)
    assert check_brief(Brief(colour="as the mood takes you"), foamed) == ()
    bare = replace(foamed.drink, serve=Serve(""))
    assert check_brief(Brief(colour="pink"), forecast_of(bare))[0].kept
