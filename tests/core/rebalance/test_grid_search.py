"""The search finds what plain enumeration finds, and never more than it has to."""

import itertools
import math

import numpy as np
import pytest
from numpy.typing import NDArray

from oenomel.core.dilution.curves import water_from_ice
from oenomel.core.dilution.heat_balance import Tin
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.rebalance.solver import Variant, best_of, costs_of
from oenomel.core.rebalance.target import Objective, Target, Weights
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Method

POURED = (
    "white-rum", "overproof-rum", "lime-juice", "grapefruit-juice", "simple-syrup-1-1", "honey", "orange-liqueur-sweet", "sweet-vermouth",
    "egg-white", "still-water", "cinchona-aperitif-wine", "cider-vinegar", "cane-distillate-free",
)  # fmt: skip
CHARACTER = {
    "liqueur": 1.2, "accent": 1.2, "texture": 0.8, "seasoning": 0.8, "base": 0.6, "other": 0.5, "sour": 0.3, "lengthener": 0.2,
}  # fmt: skip
STEP = {"sugar": math.log(1.17), "acid": math.log(1.22), "abv": math.log(1.15)}
FLOOR = {"sugar": 0.3, "acid": 0.03, "abv": 0.5}


def random_drink(rng: np.random.Generator, pours: int) -> Drink:
    slugs = rng.choice(POURED, size=pours, replace=False)
    amounts = rng.choice([0.0, 5, 7.5, 10, 15, 20, 22.5, 13.7], size=pours)
    amounts[0] = rng.choice([15.0, 22.5, 30])
    stages = rng.choice(["mixed", "mixed", "mixed", "topped"], size=pours)
    method = Method(technique=str(rng.choice(["shake", "stir", "build"])), seconds=rng.choice([None, 6.0, 90.0]))
    slots = rng.choice([*CHARACTER, "sweet", "sweet"], size=pours)
    parts = zip(slugs, amounts, slots, stages, strict=True)
    poured = tuple(Pour(catalogue()[s], float(ml), slot=str(slot), stage=str(stage)) for s, ml, slot, stage in parts)
    return Drink("Random", "sour", poured, method=method)


def random_aim(rng: np.random.Generator, drink: Drink, free: int) -> Objective:
    target = Target(
        sugar=float(rng.choice([0, 4, 6, 8.9, 11])),
        acid=float(rng.choice([0, 0.3, 0.7, 0.85, 1.2])),
        abv=float(rng.choice([0, 8, 12, 15, 18, 24])),
        volume_ml=float(rng.choice([50, 80, 100, 140])),
    )
    weights = Weights(*rng.choice([1.0, 1.0, 0.3, 4.0], size=4).tolist())
    most = {1: 120.0, 2: 90.0, 3: 60.0, 4: 40.0}[min(free, 4)]
    bounds = {i: (0.0, max(most, pour.volume_ml)) for i, pour in enumerate(drink.pours)}
    return Objective(target, weights, character=bool(rng.integers(0, 4)), bounds=bounds)


def j_by_hand(
    drink: Drink, free: tuple[int, ...], volumes: NDArray[np.float64], aim: Objective, conditions: Conditions
) -> NDArray[np.float64]:
    """J as docs/model/rebalance.md writes it, of many volumes, shape (pours, drinks): nothing of it is the search's."""
    axes = np.array([pour.ingredient.composition.axes for pour in drink.pours])
    in_tin = np.array([pour.stage == "mixed" for pour in drink.pours], dtype=float)
    shaken = volumes * in_tin[:, None]
    tin = Tin(shaken.sum(axis=0), *(axes[:, k] @ shaken / 100 for k in range(3)))
    ml = volumes.sum(axis=0) + water_from_ice(tin, drink.method, conditions)
    cost = aim.weights.volume_ml * (np.log(np.maximum(ml, 1e-9) / aim.target.volume_ml) / math.log(1.1)) ** 2 / 4
    for name, column in (("abv", 0), ("sugar", 1), ("acid", 2)):
        level = np.maximum(axes[:, column] @ volumes / np.maximum(ml, 1e-9), FLOOR[name])
        n = np.log(level / max(getattr(aim.target, name), FLOOR[name])) / STEP[name]
        cost = cost + getattr(aim.weights, name) * n**2
    for i in free:
        moved = np.abs(volumes[i] - drink.pours[i].volume_ml)
        cost = cost + 0.05 * (moved > 1e-9) + 0.01 * moved / 2.5
        pour = drink.pours[i]
        dear = (0.4 if pour.ingredient.aroma else 0.1) if pour.slot == "sweet" else CHARACTER[pour.slot]
        cost = cost + (dear * moved / pour.volume_ml if aim.character and pour.volume_ml > 0 else 0.0)
    return np.where(ml > 0, cost, np.inf)


def enumerated(drink: Drink, free: tuple[int, ...], aim: Objective, conditions: Conditions) -> float:
    ladders = []
    for i in free:
        low, high = aim.bounds[i]
        multiples = np.arange(math.ceil(low / 2.5), math.floor(high / 2.5) + 1) * 2.5
        ladders.append(np.unique(np.append(multiples, drink.pours[i].volume_ml)))
    grids = np.meshgrid(*ladders, indexing="ij")
    volumes = np.repeat(np.array([[pour.volume_ml] for pour in drink.pours]), grids[0].size, axis=1)
    for i, grid in zip(free, grids, strict=True):
        volumes[i] = grid.ravel()
    return float(j_by_hand(drink, free, volumes, aim, conditions).min())


def test_three_hundred_random_problems_have_the_minimum_that_enumeration_finds():
    rng = np.random.default_rng(4)
    for number in range(300):
        free = tuple(range(int(rng.integers(1, 5))))
        drink = random_drink(rng, len(free) + int(rng.integers(0, 3)))
        aim = random_aim(rng, drink, len(free))
        drinks, minima = best_of([Variant(drink, free)], aim, Conditions())
        expected = enumerated(drink, free, aim, Conditions())
        assert minima.proved.all()
        if np.isinf(expected):
            assert drinks[0] is None or np.isinf(minima.J[0])
            continue
        assert minima.J[0] == pytest.approx(expected, abs=1e-9), f"problem {number}: {drink}"
        assert drinks[0] is not None
        volumes = np.array([[pour.volume_ml] for pour in drinks[0].pours])
        assert j_by_hand(drink, free, volumes, aim, Conditions())[0] == pytest.approx(expected, abs=1e-9)
        assert costs_of(Variant(drink, free), drinks[0], aim, Conditions()).total == pytest.approx(expected, abs=1e-9)


@pytest.mark.parametrize("ice_c", [0.0, -18.0])
def test_by_the_heat_balance_it_is_enumeration_s_minimum_too(ice_c: float):
    rng = np.random.default_rng(5)
    conditions = Conditions(dilution="heat balance", ice_c=ice_c)
    for _ in range(12):
        free = tuple(range(int(rng.integers(1, 4))))
        drink = random_drink(rng, len(free) + 1)
        aim = random_aim(rng, drink, 4)
        _, minima = best_of([Variant(drink, free)], aim, conditions)
        assert minima.J[0] == pytest.approx(enumerated(drink, free, aim, conditions), abs=1e-9)


def test_many_problems_at_once_have_the_answers_that_each_has_alone():
    rng = np.random.default_rng(6)
    drinks = [random_drink(rng, 4) for _ in range(25)]
    method = drinks[0].method
    variants = [Variant(Drink("Random", "sour", d.pours, method=method), (0, 1, 2, 3), group=number) for number, d in enumerate(drinks)]
    aim = random_aim(rng, drinks[0], 4)
    aim = Objective(aim.target, aim.weights)
    _, together = best_of(variants, aim, Conditions())
    alone = [best_of([Variant(v.drink, v.free)], aim, Conditions())[1].J[0] for v in variants]
    np.testing.assert_allclose(together.J, alone, atol=1e-9)
    _, cut = best_of(variants, aim, Conditions(), cut=float(np.median(alone)))
    near = np.array(alone) <= np.median(alone)
    np.testing.assert_allclose(cut.J[near], np.array(alone)[near], atol=1e-9)
    assert np.isinf(cut.J[~near]).all()


@pytest.mark.parametrize("pours", [5, 6, 7])
def test_with_more_pours_it_is_never_worse_than_the_best_over_any_four(pours: int):
    rng = np.random.default_rng(pours)
    for _ in range(4):
        drink = random_drink(rng, pours)
        aim = Objective(random_aim(rng, drink, 4).target)
        _, minima = best_of([Variant(drink, tuple(range(pours)))], aim, Conditions())
        fours = [Variant(drink, four, group=k) for k, four in enumerate(itertools.combinations(range(pours), 4))]
        assert minima.proved.all()
        assert minima.J[0] <= best_of(fours, aim, Conditions())[1].J.min() + 1e-9


def test_of_equal_drinks_the_one_with_fewer_changes_and_less_moved_wins():
    # Two bottles of one syrup: 5 ml more sugar can come from either or both, and one change beats two.
    larder = catalogue()
    syrup = larder["simple-syrup-1-1"]
    pours = (Pour(larder["white-rum"], 60), Pour(larder["lime-juice"], 22.5), Pour(syrup, 10), Pour(syrup, 7.5))
    drink = Drink("Twins", "sour", pours)
    wished = Drink("Wished", "sour", (*pours[:2], Pour(syrup, 12.5), Pour(syrup, 10)))
    served = forecast_of(wished).served
    aim = Objective(Target(served.sugar, served.acid, served.abv, served.volume_ml))
    (best,), _ = best_of([Variant(drink, (2, 3))], aim, Conditions())
    assert best is not None
    assert sorted(p.volume_ml for p in best.pours[2:]) == [7.5, 15] or sorted(p.volume_ml for p in best.pours[2:]) == [10, 12.5]
    changed = sum(a.volume_ml != b.volume_ml for a, b in zip(best.pours, drink.pours, strict=True))
    assert changed == 1
