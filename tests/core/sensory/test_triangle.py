"""A triangle test: three glasses, two alike; which blends, in which order, and how to pour them."""

import random

import pytest
from hypothesis import example, given
from hypothesis import strategies as st
from support.depth import examples

from oenomel.core.balance.served import profile_as_made
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.sensory.blends import ATTRIBUTES, choices, jugs_for, needs
from oenomel.core.sensory.thresholds import threshold_of
from oenomel.core.sensory.triangle import GLASSES, Triangle, alcohol_g, can_pour, next_triangle, poured, remaining_after
from oenomel.errors import DomainError

LARDER = catalogue()

HAND = {"lemon-juice", "lime-juice", "simple-syrup-1-1", "white-rum", "london-dry-gin", "orange-liqueur-dry"}


def jugs_on(matter, triangles=6, grid=2.5, hand=HAND):
    bottles = {job: choices(matter, job, LARDER, hand)[0] for job in needs(matter)}
    return jugs_for(matter, bottles, LARDER["still-water"], triangles, grid)


@examples(40)
@example("smell", 2.5, 0, [False] * 6)
@given(st.sampled_from(ATTRIBUTES), st.sampled_from([1.0, 2.5]), st.integers(0, 10_000), st.lists(st.booleans(), min_size=6, max_size=6))
def test_six_triangles_come_out_of_jugs_that_were_mixed_for_six(matter, grid, seed, found):
    jugs, draw, done, known = jugs_on(matter, grid=grid), random.Random(seed), [], threshold_of([])
    for right in found:
        triangle = next_triangle(jugs, known, remaining_after(jugs, done), draw)
        lines = poured(jugs, triangle)
        assert sorted(glass for line in lines for glass in line.glasses) == list(GLASSES)
        for line in lines:
            assert line.less_ml + line.more_ml == pytest.approx(line.each_ml * len(line.glasses))
            assert all(ml / grid == pytest.approx(round(ml / grid)) for ml in (line.less_ml, line.more_ml))
        assert {triangle.parts_of(glass) for glass in triangle.alike} != {triangle.parts_of(triangle.odd)}
        done.append(triangle)
        known = type(known)(known.chances, known.triangles + 1, known.right + right)
    left = remaining_after(jugs, done)
    assert min(left.less_ml, left.more_ml) >= 0


def test_the_odd_glass_is_drawn_and_is_as_often_the_one_with_more():
    jugs, draw = jugs_on("sugar", triangles=40), random.Random(5)
    drawn = [next_triangle(jugs, threshold_of([]), remaining_after(jugs, []), draw) for _ in range(300)]
    for glass in GLASSES:
        assert 70 <= sum(each.odd == glass for each in drawn) <= 130
    assert 110 <= sum(each.odd_is_more for each in drawn) <= 190


def test_jugs_run_empty_and_say_so(golden):
    jugs, draw, done = jugs_on("acid", triangles=1), random.Random(1), []
    while can_pour(jugs, remaining_after(jugs, done)):
        done.append(next_triangle(jugs, threshold_of([]), remaining_after(jugs, done), draw))
    # One was asked for; what had to be measured gave a few more.
    assert 1 <= len(done) < 60
    with golden.raises(DomainError):
        next_triangle(jugs, threshold_of([]), remaining_after(jugs, done), draw)


def test_sweetness_and_acidity_are_asked_without_alcohol_and_strength_counts_its_grams():
    done = Triangle(1.0, 0, 8, 1, odd_is_more=True)
    assert alcohol_g(jugs_on("sugar"), done) == alcohol_g(jugs_on("acid"), done) == 0
    jugs = jugs_on("abv")
    by_hand = sum(profile_as_made(jugs.blend(done.parts_of(glass)), Conditions()).alcohol_g for glass in GLASSES)
    assert alcohol_g(jugs, done) == pytest.approx(by_hand)
