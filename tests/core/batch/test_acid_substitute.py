"""Acids and sugar in water in place of fresh juice, for a batch that has to keep."""

from oenomel.core.batch.acid_substitute import has_substitute, recipe_words, substitute_for
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.shelf_life import is_of_the_day
from oenomel.core.spec.drink import Pour

LARDER = catalogue()


def poured(slug, ml=20.0, **told):
    return Pour(LARDER[slug], ml, **{"slot": next(iter(LARDER[slug].slots), "other"), **told})


def test_acids_stand_in_for_what_is_sharp_and_of_the_day_only(golden):
    sharp = {slug: has_substitute(poured(slug)) for slug in ("lime-juice", "lemon-juice", "orange-juice", "verjus", "citric-acid-solution")}
    assert sharp == {"lime-juice": True, "lemon-juice": True, "orange-juice": False, "verjus": False, "citric-acid-solution": False}
    assert is_of_the_day(poured("orange-juice").ingredient)
    lime = LARDER["lime-juice"]
    stood = substitute_for(lime)
    assert stood.composition.acid == lime.composition.acid
    assert stood.composition.sugar == lime.composition.sugar
    golden(stood.cautions)
    words = recipe_words(Pour(stood, 200))
    assert f"{2 * lime.composition.acids['citric']:.1f} g" in words
    golden(words)
