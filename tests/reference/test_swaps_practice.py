"""What the trade does after a swap, and what general optimisers find: the search is held against both."""

import math

import numpy as np
import pytest
from scipy.optimize import differential_evolution, minimize
from support.drinks import TABLE_LIME, drink

from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.composition import Composition
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.rebalance.solver import Variant, best_of, costs_of, rebalance
from oenomel.core.rebalance.target import Objective, Target
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.swaps.board import swap_board


def orange(sugar: float) -> Ingredient:
    """An orange liqueur of 40 % with so much sugar in 100 ml."""
    return Ingredient(
        f"orange-{sugar:g}", f"Orange {sugar:g}", "liqueur", Composition(abv=40, sugars={"sucrose": sugar}), slots=("liqueur",)
    )


def daisy(base_ml: float, liqueur: Ingredient, liqueur_ml: float, syrup_ml: float = 0.0) -> Drink:
    larder = catalogue()
    return Drink(
        "Daisy",
        "daisy",
        (
            Pour(larder["blanco-agave-spirit"], base_ml, slot="base"),
            Pour(liqueur, liqueur_ml, slot="liqueur"),
            Pour(larder["lime-juice"], 22.5, slot="sour"),
            Pour(larder["simple-syrup-1-1"], syrup_ml, slot="sweet"),
        ),
    )


def aim_at(wished: Drink, grid_ml: float = 2.5) -> Objective:
    served = forecast_of(wished).served
    return Objective(Target(served.sugar, served.acid, served.abv, served.volume_ml), grid_ml=grid_ml)


@pytest.mark.parametrize(("base_ml", "liqueur_ml", "syrup_ml"), [(45, 22.5, 2.5), (60, 22.5, 2.5), (45, 30, 5.0), (52.5, 30, 5.0)])
def test_a_dry_orange_liqueur_in_place_of_a_sweet_one_wants_syrup_back(base_ml: float, liqueur_ml: float, syrup_ml: float):
    # Common practice: 15 g in place of 24 g in 100 ml, 22.5 to 30 ml in a build of 90 to 105 ml, wants 2.5 to 5 ml of syrup back.
    parent = daisy(base_ml, orange(24.0), liqueur_ml)
    swapped = daisy(base_ml, orange(15.0), liqueur_ml)
    answer = rebalance(swapped, aim_at(parent), free=[3])
    assert answer.drink.pours[3].volume_ml == syrup_ml
    assert all(abs(left.steps) < 1 for left in answer.left)


def test_a_rich_syrup_in_place_of_a_plain_one_wants_seven_tenths_of_it():
    # Common practice; 88.4 g in 100 ml against 61.5 g (NIST Circular 440, Table 114) is 0.695.
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    rich = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-2-1", 22.5))
    answer = rebalance(rich, aim_at(start, grid_ml=0.5), free=[2])
    assert answer.drink.pours[2].volume_ml / 22.5 == pytest.approx(0.7, abs=0.05)
    (held,) = [
        row for part in swap_board(start, 2, catalogue(), aim_at(start, 0.5), "hold_sugar", only=["simple-syrup-2-1"]) for row in part.rows
    ]
    assert held.mended is not None
    assert held.mended.drink.pours[2].volume_ml == 15.5


def test_grapefruit_for_lime_cannot_hold_the_acidity_alone_and_says_so():
    # Common practice: grapefruit has about two fifths of lime's acid or less, and brings sugar and water with it.
    start = drink(("blanco-agave-spirit", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    grapefruit = catalogue()["grapefruit-juice"]
    (held,) = [r for p in swap_board(start, 1, catalogue(), aim_at(start), "hold_acid", only=["grapefruit-juice"]) for r in p.rows]
    assert held.notes == (f"It can't keep the acidity: it needs {22.5 * 6 / grapefruit.composition.acid:.0f} ml.",)
    (mended,) = [r for p in swap_board(start, 1, catalogue(), aim_at(start), only=["grapefruit-juice"]) for r in p.rows]
    assert mended.mended is not None
    assert any("less sharp" in words for words in mended.mended.words)


@pytest.mark.parametrize("pair", [("lemon-juice", "lime-juice"), ("lime-juice", "lemon-juice")])
def test_lime_for_lemon_changes_nothing_that_can_be_tasted_in_the_three_axes(pair: tuple[str, str]):
    # Common practice: swap citrus and spirit and the same 8 : 3 : 3 is another known drink; at the catalogue's acid both have 6 %.
    start = drink(("white-rum", 60), (pair[0], 22.5), ("simple-syrup-1-1", 22.5))
    (row,) = [r for p in swap_board(start, 1, catalogue(), aim_at(start), only=[pair[1]]) for r in p.rows]
    assert row.plain.words == ()
    assert all(abs(n) < 0.5 for n in row.plain.steps.values())
    assert row.moves == ()
    assert row.unseen


def test_two_one_one_with_plain_syrup_and_two_one_three_quarters_with_rich_are_one_drink():
    # Common practice: within 10 % of the same sugar, under one noticeable step as served.
    plain = drink(("white-rum", 60), ("lemon-juice", 30), ("simple-syrup-1-1", 30))
    rich = drink(("white-rum", 60), ("lemon-juice", 30), ("simple-syrup-2-1", 22.5))
    a, b = forecast_of(plain).served, forecast_of(rich).served
    assert all(abs(float(steps_between(getattr(b, n), getattr(a, n), axis))) < 1 for n, axis in AXES.items())


def test_a_tablespoon_of_raw_sugar_stands_for_22_5_ml_of_syrup():
    # Common practice: 12 to 14 g of sugar either way.
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    (row,) = [r for p in swap_board(start, 2, catalogue(), aim_at(start), "pour", only=["demerara-sugar"]) for r in p.rows]
    assert 12 <= row.plain.drink.pours[2].volume_ml / 0.62 <= 14.5


def relaxed(drink_: Drink, aim: Objective) -> tuple[object, list[tuple[float, float]]]:
    """J over any volumes, as one function for a general optimiser: scipy 1.17.1."""
    variant = Variant(drink_, tuple(range(len(drink_.pours))))

    def cost(volumes: np.ndarray) -> float:
        made = Drink("Relaxed", "sour", tuple(Pour(p.ingredient, max(0.0, float(v))) for p, v in zip(drink_.pours, volumes, strict=True)))
        if sum(p.volume_ml for p in made.pours) < 1:
            return 1e3
        return costs_of(variant, made, aim, Conditions()).total

    return cost, [(0.0, max(2 * p.volume_ml, p.volume_ml + 30)) for p in drink_.pours]


@pytest.mark.parametrize("pours", [5, 6, 7])
def test_scipy_s_optimisers_rounded_to_the_grid_never_find_better(pours: int):
    rng = np.random.default_rng(pours)
    slugs = (
        "white-rum", "lime-juice", "simple-syrup-1-1", "orange-liqueur-sweet", "grapefruit-juice", "sweet-vermouth", "honey-syrup",
    )  # fmt: skip
    for seed in range(2):
        start = drink(*((slug, float(rng.choice([7.5, 15, 22.5, 30]))) for slug in slugs[:pours]))
        aim = Objective(Target(float(rng.choice([6, 9])), float(rng.choice([0.6, 0.9])), float(rng.choice([12, 16])), 150))
        cost, bounds = relaxed(start, aim)
        found = [
            minimize(cost, [p.volume_ml for p in start.pours], method="Nelder-Mead", bounds=bounds, options={"maxiter": 600}).x,  # type: ignore[call-overload]
            differential_evolution(cost, bounds, rng=seed, maxiter=12, popsize=8, polish=False).x,
        ]
        (best,), minima = best_of([Variant(start, tuple(range(pours)))], aim, Conditions())
        assert best is not None
        assert minima.proved.all()
        for volumes in found:
            rounded = [min(round(v / 2.5) * 2.5, math.floor(high / 2.5) * 2.5) for v, (_, high) in zip(volumes, bounds, strict=True)]
            assert minima.J[0] <= cost(np.array(rounded)) + 1e-9  # type: ignore[operator]


def test_the_published_sour_is_found_back_from_any_of_its_pours():
    # D. Arnold, Liquid Intelligence (2014), "Cocktail balance at a glance"; from memory. As served 159.5 ml, 15.0 %, 8.9, 0.85.
    larder = catalogue()
    aim = Objective(Target(sugar=8.9, acid=0.85, abv=15.0, volume_ml=159.5))
    for moved in ((60, 15, 30), (45, 22.5, 22.5), (60, 30, 15), (75, 22.5, 15)):
        pours = (
            Pour(larder["white-rum"], moved[0], slot="base"),
            Pour(TABLE_LIME, moved[1], slot="sour"),
            Pour(larder["simple-syrup-1-1"], moved[2], slot="sweet"),
        )
        answer = rebalance(Drink("Moved", "sour", pours), aim)
        assert [pour.volume_ml for pour in answer.drink.pours] == [60, 22.5, 22.5]
