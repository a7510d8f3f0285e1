"""Laws that hold for any drink."""

import itertools
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from oenomel.core.catalogue import catalogue
from oenomel.core.drink import STAGES, Drink, Method, Pour
from oenomel.core.prediction import compare, predict

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
    return [getattr(predict(drink).served, level) for level in LEVELS]


@given(drinks, st.floats(0.1, 10))
def test_scaling_a_drink_keeps_its_levels_and_scales_its_volume(drink, factor):
    scaled = replace(drink, pours=tuple(replace(pour, volume_ml=pour.volume_ml * factor) for pour in drink.pours))
    assert levels(scaled) == pytest.approx(levels(drink), rel=1e-9, abs=1e-12)
    assert predict(scaled).served.volume_ml == pytest.approx(predict(drink).served.volume_ml * factor, rel=1e-9)


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
    before, after = predict(drink).served, predict(thinned).served
    for level in LEVELS:
        assert getattr(after, level) <= getattr(before, level) + 1e-12
        assert getattr(after, level) * after.volume_ml == pytest.approx(getattr(before, level) * before.volume_ml, rel=1e-9, abs=1e-9)


@given(drinks)
def test_intervals_hold_the_figure_and_shares_add_to_one(drink):
    forecast = predict(drink)
    for level, interval in forecast.interval80.items():
        assert interval.low - 1e-9 <= getattr(forecast.served, level) <= interval.high + 1e-9
    for share, level in (("sugar_share", "sugar"), ("acid_share", "acid"), ("alcohol_share", "abv")):
        total = sum(getattr(pour, share) for pour in forecast.pours)
        assert total == pytest.approx(1 if getattr(forecast.served, level) > 0 else 0, abs=1e-9)


@given(drinks)
@settings(max_examples=30)
def test_a_drink_beside_itself_differs_by_exactly_nothing(drink):
    comparison = compare(drink, drink)
    assert [axis.steps for axis in comparison.axes] == [0, 0, 0]
    assert {axis.direction for axis in comparison.axes} == {"same"}
    assert comparison.unseen == ()


@given(drinks, drinks)
@settings(max_examples=30)
def test_difference_turned_round_is_its_opposite(one, other):
    there, back = compare(one, other), compare(other, one)
    assert [axis.steps for axis in there.axes] == pytest.approx([-axis.steps for axis in back.axes], abs=1e-9)


def test_first_order_intervals_are_those_of_a_monte_carlo_run():
    # The stand-in for the model's uncertainties is drawn here by hand, from the spreads that the catalogue tells.
    larder = catalogue()
    slugs, volumes = ("london-dry-gin", "lemon-juice", "simple-syrup-1-1"), np.array([60, 22.5, 22.5])
    drink = Drink("sour", "sour", tuple(Pour(larder[slug], ml) for slug, ml in zip(slugs, volumes, strict=True)))
    rng = np.random.default_rng(7)
    n = 40_000
    sd = np.maximum(0.03 * volumes, 0.5)
    own = np.sqrt(sd**2 - (0.02 * volumes) ** 2)
    poured = volumes * (1 + 0.02 * rng.standard_normal((n, 1))) + own * rng.standard_normal((n, 3))
    content = np.array([[larder[s].composition.abv, larder[s].composition.sugar, larder[s].composition.acid] for s in slugs])
    spread = np.array([[larder[s].composition.relative_sd(name) for name in ("abv", "sugars", "acids")] for s in slugs])
    drawn = content * (1 + spread * rng.standard_normal((n, 3, 3)))
    tin = poured.sum(axis=1)
    amounts = np.einsum("np,npk->nk", poured, drawn)
    a = amounts[:, 0] / tin / 100
    water = (-1.567 * a**2 + 1.742 * a + 0.203) * (1 + 0.08 * rng.standard_normal(n))
    served = amounts / (tin * (1 + water))[:, None]
    low, high = np.quantile(served, [0.1, 0.9], axis=0)
    for index, level in enumerate(LEVELS):
        interval = predict(drink).interval80[level]
        assert (interval.high - interval.low) == pytest.approx(high[index] - low[index], rel=0.05), level


@pytest.mark.parametrize("stage", STAGES)
def test_stage_decides_whether_a_pour_is_diluted_and_whether_it_counts(stage):
    syrup = Pour(catalogue()["simple-syrup-1-1"], 20, stage=stage)
    forecast = predict(Drink("staged", "open", (Pour(catalogue()["vodka"], 60), syrup)))
    in_tin = 80 if stage == "mixed" else 60
    counts = {"rinse": 1.5, "rim": 0, "garnish": 0}.get(stage, 20)
    assert forecast.undiluted.volume_ml == pytest.approx(in_tin)
    assert forecast.served.sugar * forecast.served.volume_ml / 100 == pytest.approx(counts * 0.6148)
    assert forecast.served.volume_ml == pytest.approx(in_tin * (1 + forecast.dilution.ratio) + (0 if stage == "mixed" else counts))


@pytest.mark.parametrize("method", [Method(ice="none"), Method(seconds=0), Method(technique="none"), Method(technique="build", ice="none")])
def test_without_ice_a_drink_gets_no_water(method):
    forecast = predict(Drink("dry", "open", (Pour(catalogue()["vodka"], 60),), method=method))
    assert (forecast.dilution.water_ml, forecast.dilution.model, forecast.served.abv) == (0, "none", 40)


def test_every_technique_takes_the_water_of_its_school():
    def ratio(technique: str) -> float:
        return predict(Drink("any", "open", (Pour(catalogue()["vodka"], 60),), method=Method(technique=technique))).dilution.ratio

    ratios = {technique: ratio(technique) for technique in ("build", "stir", "roll", "shake", "swizzle", "blend")}
    assert all(a < b for a, b in itertools.pairwise(ratios[t] for t in ("build", "roll", "swizzle", "blend")))
    assert ratios["stir"] < ratios["shake"]
