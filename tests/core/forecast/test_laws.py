"""Laws that hold for any drink."""

import itertools
from dataclasses import replace

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from support.depth import examples

from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import STAGES, Drink, Pour
from oenomel.core.spec.technique import Method
from oenomel.core.spec.units import to_ml

LARDER = [slug for slug, i in catalogue().items() if i.composition.sugar + i.composition.acid + i.composition.abv > 1]
LEVELS = ("abv", "sugar", "acid")

pours = st.builds(
    Pour,
    ingredient=st.sampled_from(LARDER).map(catalogue().__getitem__),
    volume_ml=st.floats(1, 120),
    stage=st.sampled_from(["mixed", "mixed", "mixed", "topped"]),
)
methods = st.builds(
    Method, technique=st.sampled_from(["shake", "stir", "build", "swizzle"]), seconds=st.none() | st.floats(0, 60), ice=st.just("cubes")
)
drinks = st.builds(
    Drink, name=st.just("any"), family=st.just("sour"), pours=st.lists(pours, min_size=1, max_size=8).map(tuple), method=methods
)


def levels(drink: Drink) -> list[float]:
    return [getattr(forecast_of(drink).served, level) for level in LEVELS]


@given(drinks, st.floats(0.1, 10))
def test_scaling_a_drink_keeps_its_levels_and_scales_its_volume(drink, factor):
    scaled = replace(drink, pours=tuple(replace(pour, volume_ml=pour.volume_ml * factor) for pour in drink.pours))
    assert levels(scaled) == pytest.approx(levels(drink), rel=1e-9, abs=1e-12)
    assert forecast_of(scaled).served.volume_ml == pytest.approx(forecast_of(drink).served.volume_ml * factor, rel=1e-9)


@given(drinks, st.floats(0.05, 0.95), st.randoms(use_true_random=False))
def test_splitting_a_pour_and_reordering_pours_make_the_same_drink(drink, part, random):
    first, *rest = drink.pours
    halves = [replace(first, volume_ml=first.volume_ml * part), replace(first, volume_ml=first.volume_ml * (1 - part))]
    shuffled = [*halves, *rest]
    random.shuffle(shuffled)
    assert levels(replace(drink, pours=tuple(shuffled))) == pytest.approx(levels(drink), rel=1e-9, abs=1e-12)


@given(drinks, st.floats(1, 200))
def test_water_on_top_never_raises_a_level_and_keeps_every_gram(drink, water_ml):
    thinned = replace(drink, pours=(*drink.pours, Pour(catalogue()["still-water"], water_ml, stage="topped")))
    before, after = forecast_of(drink).served, forecast_of(thinned).served
    for level in LEVELS:
        assert getattr(after, level) <= getattr(before, level) + 1e-12
        assert getattr(after, level) * after.volume_ml == pytest.approx(getattr(before, level) * before.volume_ml, rel=1e-9, abs=1e-9)


@given(drinks, st.floats(1, 60), st.sampled_from(["topped", "mixed"]))
def test_more_spirit_never_lowers_strength(drink, more_ml, stage):
    spirit = Pour(catalogue()["navy-strength-gin"], more_ml, stage=stage)
    # Into a tin the ice answers with more water: a spirit of 57 % brings 26 % at the least. A drink made strong by what was poured
    # past the ice can stand above that; every shaken, stirred or built drink stands below.
    assume(forecast_of(drink).served.abv < 26)
    before = forecast_of(replace(drink, pours=(*drink.pours, replace(spirit, volume_ml=0.0))))
    after = forecast_of(replace(drink, pours=(*drink.pours, spirit)))
    assert after.served.abv >= before.served.abv - 1e-9


@given(drinks, st.sampled_from(["oz", "cl", "tsp", "g"]))
def test_unit_in_which_a_pour_is_told_changes_nothing(drink, unit):
    first, *rest = drink.pours
    amount = first.volume_ml / to_ml(1, unit, first.ingredient)
    told = replace(first, volume_ml=to_ml(amount, unit, first.ingredient), unit=unit)
    assert levels(replace(drink, pours=(told, *rest))) == pytest.approx(levels(drink), rel=1e-9, abs=1e-12)


@given(drinks)
def test_intervals_hold_the_figure_and_shares_add_to_one(drink):
    forecast = forecast_of(drink)
    for level, interval in forecast.interval80.items():
        assert interval.low - 1e-9 <= getattr(forecast.served, level) <= interval.high + 1e-9
    for share, level in (("sugar_share", "sugar"), ("acid_share", "acid"), ("alcohol_share", "abv")):
        total = sum(getattr(pour, share) for pour in forecast.pours)
        assert total == pytest.approx(1 if getattr(forecast.served, level) > 0 else 0, abs=1e-9)


@given(drinks)
@examples(30)
def test_a_drink_beside_itself_differs_by_exactly_nothing(drink):
    comparison = compare(drink, drink)
    assert [axis.steps for axis in comparison.axes] == [0, 0, 0]
    assert {axis.direction for axis in comparison.axes} == {"same"}
    assert comparison.unseen == ()


@given(drinks, drinks)
@examples(30)
def test_difference_turned_round_is_its_opposite(one, other):
    there, back = compare(one, other), compare(other, one)
    assert [axis.steps for axis in there.axes] == pytest.approx([-axis.steps for axis in back.axes], abs=1e-9)


@pytest.mark.parametrize("stage", STAGES)
def test_stage_decides_whether_a_pour_is_diluted_and_whether_it_counts(stage):
    syrup = Pour(catalogue()["simple-syrup-1-1"], 20, stage=stage)
    forecast = forecast_of(Drink("staged", "open", (Pour(catalogue()["vodka"], 60), syrup)))
    in_tin = 80 if stage == "mixed" else 60
    counts = {"rinse": 1.5, "rim": 0, "garnish": 0}.get(stage, 20)
    assert forecast.undiluted.volume_ml == pytest.approx(in_tin)
    assert forecast.served.sugar * forecast.served.volume_ml / 100 == pytest.approx(counts * 0.6148)
    assert forecast.served.volume_ml == pytest.approx(in_tin * (1 + forecast.dilution.ratio) + (0 if stage == "mixed" else counts))


@pytest.mark.parametrize("method", [Method(ice="none"), Method(seconds=0), Method(technique="none"), Method(technique="build", ice="none")])
def test_without_ice_a_drink_gets_no_water(method):
    forecast = forecast_of(Drink("dry", "open", (Pour(catalogue()["vodka"], 60),), method=method))
    assert (forecast.dilution.water_ml, forecast.dilution.model, forecast.served.abv) == (0, "none", 40)


def test_every_technique_takes_the_water_of_its_school():
    def ratio(technique: str) -> float:
        return forecast_of(Drink("any", "open", (Pour(catalogue()["vodka"], 60),), method=Method(technique=technique))).dilution.ratio

    ratios = {technique: ratio(technique) for technique in ("build", "stir", "roll", "shake", "swizzle", "blend")}
    assert all(a < b for a, b in itertools.pairwise(ratios[t] for t in ("build", "roll", "swizzle", "blend")))
    assert ratios["stir"] < ratios["shake"]
