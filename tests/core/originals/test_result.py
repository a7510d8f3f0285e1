"""An original as it is served and told: form, glass, edge, garnish, method; what sets it apart, what is bought; the kinship's sums."""

import re
from functools import cache

import numpy as np
import pytest
from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.glass.glassware import fill, glasses
from oenomel.core.larder.aroma import group_kinship, kinship
from oenomel.core.larder.catalogue_loader import aromas, catalogue
from oenomel.core.method.steps import making_steps
from oenomel.core.originals.aroma_pairings import KinshipTable, groups, groups_of, pairing_matrix, smells
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.result import Original
from oenomel.core.originals.search import about, originals
from oenomel.core.originals.search_context import BookDrink, SearchContext
from oenomel.core.originals.similarity import feature_distance, features_of
from oenomel.core.originals.to_buy import to_get

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
            assert garnish.how == "expressed and thrown away"
        for garnish in each.drink.serve.garnish:
            assert garnish.why
            assert "banana" not in garnish.what or any("banana" in pour.ingredient.slug for pour in each.drink.pours)


def test_what_sets_it_apart_names_every_part_that_came_and_went():
    for each in every():
        slugs = {pour.ingredient.said for pour in each.drink.pours if pour.stage != "rim"}
        of_book = {pour.ingredient.said for pour in BOOK[0].drink.pours}
        assert all(name in each.differs for name in (slugs ^ of_book))
        assert not re.search(r"(^|; )$|;;|  ", each.differs)


def test_the_same_drink_is_no_distance_away_and_nothing_in_common_is_one():
    here = tuple(sorted(catalogue().values(), key=lambda each: each.slug))
    rum, same, other = (
        BOOK[0].drink,
        drink(("white-rum", 45), ("lime-juice", 30), ("simple-syrup-1-1", 15)),
        drink(("peated-malt-whisky", 45), ("cocoa-creme", 30), ("heavy-cream", 15)),
    )
    marks = features_of([rum, same, other], here)
    found = feature_distance(marks, marks)
    assert np.allclose(np.diag(found), 0)
    assert np.allclose(found, found.T)
    assert found[0, 1] == pytest.approx(0)
    assert found[0, 2] > 0.9
    # Another citrus is a smaller step than another base.
    lemon = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    gin = drink(("london-dry-gin", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    steps = feature_distance(features_of([rum], here), features_of([lemon, gin], here))[0]
    assert 0 < steps[0] < steps[1] < 1


def test_the_matrix_of_kinship_says_what_the_swaps_say_of_a_pair():
    slugs = ("london-dry-gin", "lemon-juice", "thyme-syrup", "smoked-agave-spirit", "elderflower-liqueur", "vodka")
    parts = [catalogue()[slug] for slug in slugs]
    values, smelt = pairing_matrix(parts, KinshipTable())
    assert smelt.tolist() == [True, True, True, True, True, False]
    for i, one in enumerate(parts[:5]):
        for j, other in enumerate(parts[:5]):
            if i != j:
                assert max(0.0, values[i, j]) == pytest.approx(kinship(one, [other]))
    by_group, by_tag = smells(parts)
    assert by_group[:5].sum(axis=1) == pytest.approx(1)
    assert np.linalg.norm(by_tag[:5], axis=1) == pytest.approx(1)
    assert by_group[5].sum() == by_tag[5].sum() == 0


def test_the_table_has_every_group_once_and_ships_what_its_file_says():
    assert len(groups()) == len(set(groups())) == len({each.group for each in aromas().values()})
    table = KinshipTable()
    for pair, value in group_kinship().items():
        assert table.shipped(pair) == value
        assert table.matrix[groups().index(min(pair)), groups().index(max(pair))] == pytest.approx(value)
    assert np.allclose(table.matrix, table.matrix.T)
    assert groups_of([catalogue()["london-dry-gin"]]) <= set(groups())


def test_what_has_to_be_bought_and_prepared_is_told_apart():
    one = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("thyme-syrup", 15))
    two = drink(("cognac", 60), ("lime-juice", 22.5), ("honey-syrup", 15), ("still-water", 10))
    needed = to_get([one, two], {"cognac", "still-water"})
    assert needed.to_buy == ("London dry gin",)
    assert set(needed.to_prepare) == {"Honey syrup 1:1", "Thyme syrup"}
    assert to_get([], set()).to_buy == ()


@pytest.mark.parametrize(
    ("count", "words"),
    [(0, "0"), (999, "999"), (1000, "about 1 thousand"), (15_400, "about 15 thousand"), (2_500_000_000, "about 2.5 billion")],
)
def test_an_estimate_is_told_with_two_figures(count, words):
    assert about(count) == words


def test_no_finding_graver_than_a_hint_is_left_for_the_guest():
    for each in every():
        assert not [finding.code for finding in forecast_of(each.drink).findings if finding.severity == "error"]
        assert "large-and-watery" not in [finding.code for finding in each.forecast.findings]
