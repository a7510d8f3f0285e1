"""The order in which a batch is poured: spirit before water, dense syrup stirred until dissolved, a third of the water held back."""

from oenomel.core.batch.batchable import water
from oenomel.core.batch.pouring_order import in_order
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Pour

LARDER = catalogue()


def poured(slug, ml=20.0, **told):
    return Pour(LARDER[slug], ml, **{"slot": next(iter(LARDER[slug].slots), "other"), **told})


def test_one_thing_poured_twice_is_one_line_and_dry_sugar_is_weighed(golden):
    pours = [
        poured("london-dry-gin", 300),
        poured("caster-sugar", 62, unit="g"),
        poured("simple-syrup-1-1", 90),
        poured("simple-syrup-1-1", 10),
    ]
    lines = in_order(pours, water(), 100, 5)
    assert [(line.ingredient.slug, line.ml) for line in lines[:3]] == [
        ("london-dry-gin", 300), ("caster-sugar", 62), ("simple-syrup-1-1", 100)
    ]  # fmt: skip
    golden(lines[1].words)
    golden(lines[2].words)
    assert [line.brings for line in lines] == ["abv", "sugar", "sugar", "water", "water"]


def test_the_drinks_own_water_goes_in_with_the_other():
    lines = in_order([poured("london-dry-gin", 300), poured("still-water", 60)], water(), 90, 5)
    assert [(line.is_water, line.ml) for line in lines] == [(False, 300), (True, 100), (True, 50)]
