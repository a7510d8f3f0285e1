"""Colour of a drink: colours mix by Beer–Lambert (docs/model/glass.md, "Appearance"). Only a preview."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.glass.colour import absorbance_of, hue_and_chroma, light_through, swatch
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.composition import Composition
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.spec.drink import Drink, Pour


def exact(name: str, **values: object) -> Ingredient:
    """An ingredient without any spread."""
    return Ingredient(name, name, "other", Composition(**values))


def test_colours_add_by_volume_and_light_falls_by_tens():
    # Beer–Lambert by hand: half of an absorbance of 0.4 per cm over the 3 cm that light goes through a drink lets a quarter of it through.
    red = replace(catalogue()["grenadine"], values={"absorbance_green": replace(catalogue()["lime-juice"].values["citric"], value=0.4)})
    mixed = absorbance_of([Pour(red, 50), Pour(exact("water"), 50)], 100)
    assert mixed.tolist() == pytest.approx([0, 0.2, 0])
    assert light_through(mixed).tolist() == pytest.approx([1, 10**-0.6, 1])
    hue, chroma = hue_and_chroma(light_through(mixed))
    assert (hue, chroma) == (pytest.approx(300), pytest.approx(1 - 10**-0.6))


def test_a_drink_s_colour_is_that_of_its_pours_thinned_and_cloud_lightens_it():
    clear, red = drink(("vodka", 60)), drink(("vodka", 60), ("red-bitter-aperitif", 10))
    redder = drink(("vodka", 60), ("red-bitter-aperitif", 30))

    def channels(made: Drink) -> list[int]:
        shown = swatch(made.pours, sum(pour.volume_ml for pour in made.pours))
        return [int(shown[at : at + 2], 16) for at in (1, 3, 5)]

    assert channels(clear) == [255, 255, 255]
    assert channels(red)[1] > channels(redder)[1]
    assert channels(redder)[0] > channels(redder)[2]
    cloudy = replace(redder, pours=(*redder.pours, *drink(("egg-white", 30)).pours))
    assert min(channels(cloudy)) > min(channels(redder))
    assert swatch((), 0.0) == "#ffffff"
