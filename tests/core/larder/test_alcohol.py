"""Limits of non-alcoholic and flammable, over the whole catalogue."""

from oenomel.core.larder.alcohol import FLAMMABLE_ABV, NON_ALCOHOLIC_ABV, is_flammable, is_non_alcoholic
from oenomel.core.larder.catalogue_loader import catalogue

# Common practice on labels and in bars: what these names promise.
NON_ALCOHOLIC = ("lime-juice", "simple-syrup-1-1", "soda-water", "tonic-water", "ginger-beer")
NEITHER = ("london-dry-gin", "orange-liqueur-dry", "sparkling-brut")


def test_what_the_trade_calls_non_alcoholic_or_keeps_from_flames_is_so():
    larder = catalogue()
    assert all(is_non_alcoholic(larder[slug].composition.abv) for slug in NON_ALCOHOLIC)
    assert not any(is_non_alcoholic(larder[slug].composition.abv) or is_flammable(larder[slug].composition.abv) for slug in NEITHER)
    strong = [item for item in larder.values() if "overproof" in item.slug]
    assert strong
    assert all(is_flammable(item.composition.abv) for item in strong)


def test_no_ingredient_is_both_and_the_limits_themselves_count():
    assert not any(is_non_alcoholic(item.composition.abv) and is_flammable(item.composition.abv) for item in catalogue().values())
    assert is_non_alcoholic(NON_ALCOHOLIC_ABV)
    assert is_flammable(FLAMMABLE_ABV)
