"""Usual measures of an original drink's ingredients, and ingredients never poured unasked: the trade's habits."""

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.originals.usual_measures import accent_pour, is_accent, may_split


def test_a_shared_base_is_one_that_the_trade_would_pour():
    assert may_split("aged-rum", "cognac")
    assert may_split("cognac", "aged-rum")
    assert may_split("rye-whiskey", "apple-brandy")
    assert not may_split("london-dry-gin", "rye-whiskey")
    assert not may_split("vodka", "cognac")


def test_every_accent_has_a_measure_that_a_bar_would_pour():
    accents = [each for each in catalogue().values() if is_accent(each) and "accent" in each.slots]
    assert len(accents) > 40
    for each in accents:
        pour = accent_pour(each)
        assert pour.amount or pour.volume_ml
        assert pour.liquid_ml <= 20
        assert (pour.stage == "rinse") == (pour.volume_ml == 1.5 and pour.unit == "ml")
