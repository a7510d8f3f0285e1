"""An original as it is served and told: form, glass, edge, garnish, method; what sets it apart, what is bought; the kinship's sums."""

import re
from functools import cache

from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.glass.glassware import fill, glasses
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.method.steps import making_steps
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.result import Original
from oenomel.core.originals.search import originals
from oenomel.core.originals.search_context import BookDrink, SearchContext

BOOK = [BookDrink("Gate Sour", drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)), 1)]
SHAKEN_WITH = ("egg-white", "egg-white-pasteurised", "aquafaba")


@cache
def ground() -> SearchContext:
    return SearchContext(catalogue(), BOOK)


@cache
def made(family: str, **wish: object) -> tuple[Original, ...]:
    *_, last = originals(ground(), Criteria(family, count=16, seed=4, **wish), (), 8_000)
    return last.originals


def every() -> list[Original]:
    return [each for family in ("sour", "daisy", "fizz") for each in made(family)]


def test_each_fits_its_glass_and_says_how_it_is_made():
    for each in every():
        made_drink, served = each.drink, each.forecast.served
        assert made_drink.serve.glass in glasses()
        assert 1 / 3 <= fill(made_drink.serve.glass, made_drink.serve.ice, served.volume_ml) <= 1
        assert made_drink.method.technique == "shake"
        assert made_drink.method.seconds == 12
        steps = making_steps(made_drink)
        assert len(steps) >= 4
        assert not any("  " in step.words for step in steps)


def test_foam_is_shaken_dry_first_and_leaves_are_strained_twice():
    for each in every():
        slugs = {pour.ingredient.slug for pour in each.drink.pours}
        foams, pressed = slugs & set(SHAKEN_WITH), [p for p in each.drink.pours if p.ingredient.kind == "plant" and p.stage == "mixed"]
        assert (each.drink.method.dry_shake_seconds > 0) == bool(foams)
        assert (each.drink.method.strain == "double") == bool(foams or pressed)


def test_bubbles_go_on_top_and_never_in_the_tin():
    for each in made("fizz"):
        sparkling = [pour for pour in each.drink.pours if pour.ingredient.is_sparkling]
        assert [pour.stage for pour in sparkling] == ["topped"]
    for each in made("fizz", form="long on juice"):
        assert not any(pour.ingredient.is_sparkling for pour in each.drink.pours)


def test_a_daisy_of_agave_has_a_salted_edge_and_no_other():
    agave = made("daisy", must=("blanco-agave-spirit",))
    salted = [any(pour.stage == "rim" for pour in each.drink.pours) for each in agave]
    assert any(salted)
    for each, edge in zip(agave, salted, strict=True):
        assert edge == (each.drink.form == "salted edge")
        if edge:
            assert each.drink.serve.edge.half
    assert not any(pour.stage == "rim" for each in made("daisy", must=("cognac",)) for pour in each.drink.pours)
    assert not any(
        pour.stage == "rim" for each in made("daisy", must=("blanco-agave-spirit",), without=("salt",)) for pour in each.drink.pours
    )


def test_a_garnish_echoes_something_that_is_seen_and_lies_over_every_egg():
    for each in every():
        egg = any("egg" in pour.ingredient.allergens for pour in each.drink.pours)
        assert len(each.drink.serve.garnish) <= 1
        if egg:
            (garnish,) = each.drink.serve.garnish
            assert garnish.how == "expressed and discarded"
        for garnish in each.drink.serve.garnish:
            assert garnish.why
            assert "banana" not in garnish.what or any("banana" in pour.ingredient.slug for pour in each.drink.pours)


def test_what_sets_it_apart_names_every_part_that_came_and_went():
    for each in every():
        slugs = {pour.ingredient.in_sentence for pour in each.drink.pours if pour.stage != "rim"}
        of_book = {pour.ingredient.in_sentence for pour in BOOK[0].drink.pours}
        assert all(name in each.differs for name in (slugs ^ of_book))
        assert not re.search(r"(^|; )$|;;|  ", each.differs)


def test_no_finding_graver_than_a_hint_is_left_for_the_guest():
    for each in every():
        assert not [finding.code for finding in forecast_of(each.drink).findings if finding.severity == "error"]
        assert "large-and-watery" not in [finding.code for finding in each.forecast.findings]
