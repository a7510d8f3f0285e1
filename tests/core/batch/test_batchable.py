"""What waits in a bottle and what doesn't: every kind of thing, where it stands in a drink, and the sentence for each serve."""

import pytest
from support.drinks import drink

from oenomel.core.batch.batchable import split, water
from oenomel.core.batch.pouring_order import in_order
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Drink, Pour

LARDER = catalogue()


def poured(slug, ml=20.0, **told):
    return Pour(LARDER[slug], ml, **{"slot": next(iter(LARDER[slug].slots), "other"), **told})


def one(pour):
    """A drink of gin and one thing more."""
    return Drink("A drink", "open", (poured("london-dry-gin", 60), pour))


# What, how it stands in the drink, why it stays out (None: it goes in), and what the sentence has to say. Common practice.
THINGS = [
    (poured("lime-juice"), None),
    (poured("simple-syrup-1-1"), None),
    (poured("orange-liqueur-dry"), None),
    (poured("dry-vermouth"), None),
    (poured("orange-bitters", 1.6, unit="dash"), None),
    (poured("saline", 0.2, unit="drop"), None),
    (poured("honey"), None),
    (poured("caster-sugar", 5, unit="tsp"), None),
    (poured("still-water"), None),
    (poured("gum-syrup"), None),
    (poured("pineapple-juice"), None),
    (poured("egg-white", 30), "egg"),
    (poured("whole-egg", 48), "egg"),
    (poured("egg-white-pasteurised", 30), "egg"),
    (poured("aquafaba"), "foam"),
    (poured("heavy-cream", 15), "cream"),
    (poured("whole-milk"), "cream"),
    (poured("mint", 0, unit="leaf", amount=8.0), None),
    (poured("raspberries", 12, unit="piece", amount=4.0), "herbs"),
    (poured("soda-water", 60), "bubbles"),
    (poured("soda-water", 60, stage="topped"), "bubbles"),
    (poured("sparkling-brut", 60, stage="glass"), "bubbles"),
    (poured("tonic-water", 90), "bubbles"),
    (poured("overproof-rum", 7.5, stage="floated"), "on top"),
    (poured("tawny-port", 15, stage="topped"), "on top"),
    (poured("anise-wormwood-spirit", 5, stage="rinse"), "in the glass"),
    (poured("dry-vermouth", 10, stage="glass"), "in the glass"),
    (poured("caster-sugar", 5, stage="rim"), "edge"),
    (poured("lime-wheel", 0, stage="garnish", unit="piece", amount=1.0), "garnish"),
]


@pytest.mark.parametrize(("pour", "why"), THINGS, ids=[f"{pour.ingredient.slug} {pour.stage}" for pour, *_ in THINGS])
def test_each_thing_goes_in_or_stays_out_as_the_trade_has_it(pour, why, golden):
    parts = split(one(pour), "shaken")
    told = {each.why for each in parts.outside}
    assert told == ({why} if why else set())
    assert len(parts.inside) == 2 - bool(why) - (pour.volume_ml == 0 and why is None)
    if why:
        golden(parts.outside[0].words)
        assert parts.outside[0].index == 1
    assert parts.wants_the_shaker == (why in ("egg", "foam", "cream", "herbs"))


@pytest.mark.parametrize("why", ["egg-white", "aquafaba", "heavy-cream"])
def test_where_nothing_is_shaken_it_is_said_to_shake_that_serve(why, golden):
    (left,) = split(one(poured(why)), "chilled").outside
    golden(left.words)
    (left,) = split(one(poured(why)), "shaken").outside
    golden(left.words)


def test_only_plain_soda_becomes_still_water_and_only_in_a_rated_vessel():
    made = drink(("london-dry-gin", 45), ("lime-juice", 15), ("soda-water", 60, "topped"))
    assert [pour.ingredient.slug for _, pour in split(made, "bubbles").inside] == ["london-dry-gin", "lime-juice", "still-water"]
    for service in ("ice", "chilled", "freezer", "shaken"):
        assert [each.pour.ingredient.slug for each in split(made, service).outside] == ["soda-water"]
    for slug in ("tonic-water", "cola", "ginger-beer", "sparkling-brut", "pale-lager"):
        assert [each.why for each in split(one(poured(slug, 60)), "bubbles").outside] == ["bubbles"]


def test_a_lump_of_sugar_is_stirred_in_as_its_grams(golden):
    ((_, _), (_, lump)) = split(one(poured("caster-sugar", 2.48, unit="piece", amount=1.0)), "chilled").inside
    assert lump.unit == "g"
    assert not lump.dissolves_later
    golden(in_order([lump], water(), 0, 5)[0].words)
