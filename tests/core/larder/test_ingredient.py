"""An ingredient: a generic class, a bottle or a preparation, with the source of each value."""

import re
from importlib import resources

import pytest

from oenomel.core.larder.catalogue_loader import catalogue, read_ingredients
from oenomel.core.larder.ingredient import KINDS, SLOTS

DEMO = read_ingredients((resources.files("oenomel.demo") / "ingredients.toml").read_text(encoding="utf-8"), origin="demo")

EVERYTHING = {**catalogue(), **DEMO}


@pytest.mark.parametrize("slug", EVERYTHING)
def test_ingredient_is_whole(slug):
    ingredient = EVERYTHING[slug]
    assert re.fullmatch(r"[a-z0-9]+(-[a-z0-9]+)*", slug)
    assert ingredient.kind in KINDS
    assert ingredient.slots
    assert set(ingredient.slots) <= set(SLOTS)
    assert ingredient.impression or slug == "still-water"
    assert ingredient.origin == ("demo" if slug in DEMO else "catalogue")
    for value in ingredient.values.values():
        assert 0 <= value.relative_sd <= 1, value.name
        assert value.value > 0, f"{value.name} is 0: leave it out"
