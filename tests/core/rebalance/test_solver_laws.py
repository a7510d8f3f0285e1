"""What holds for every rebalancing, whatever the drink and the target."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.depth import examples
from support.drinks import drink

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.rebalance.solver import rebalance
from oenomel.core.rebalance.target import Objective, Target, Weights
from oenomel.core.spec.drink import Drink

AMOUNTS = st.sampled_from([5.0, 7.5, 10, 15, 20, 22.5, 30, 45, 13.3])
DRINKS = st.builds(
    lambda base, sour, sweet, liqueur: drink(
        ("london-dry-gin", base), ("lemon-juice", sour), ("simple-syrup-1-1", sweet), ("orange-liqueur-dry", liqueur)
    ),
    AMOUNTS, AMOUNTS, AMOUNTS, AMOUNTS,
)  # fmt: skip
TARGETS = st.builds(
    Target,
    sugar=st.sampled_from([4.0, 6, 8, 10]),
    acid=st.sampled_from([0.4, 0.7, 0.9]),
    abv=st.sampled_from([8.0, 14, 18]),
    volume_ml=st.sampled_from([90.0, 130, 170]),
)


@examples(30)
@given(start=DRINKS, target=TARGETS, free=st.sets(st.integers(0, 3), min_size=1, max_size=3))
def test_who_has_more_to_move_never_ends_further_away(start: Drink, target: Target, free: set[int]):
    aim = Objective(target)
    some, every = (rebalance(start, aim, free=which).costs.total for which in (free, range(4)))
    assert every <= some + 1e-9
    joining = [catalogue()["still-water"], catalogue()["simple-syrup-2-1"]]
    assert rebalance(start, aim, free=free, correctors=joining).costs.total <= some + 1e-9


@examples(20)
@given(start=DRINKS, target=TARGETS)
def test_rebalancing_what_was_rebalanced_moves_nothing_more(start: Drink, target: Target):
    bounds = dict.fromkeys(range(4), (0.0, 90.0))
    once = rebalance(start, Objective(target, bounds=bounds))
    again = rebalance(once.drink, Objective(target, bounds=bounds))
    # What the first paid for its moves the second has for nothing, so it can only come nearer.
    assert again.costs.total <= once.costs.total + 1e-9


@examples(20)
@given(start=DRINKS, target=TARGETS, axis=st.sampled_from(["sugar", "acid", "abv"]))
def test_what_counts_for_more_ends_no_further_off(start: Drink, target: Target, axis: str):
    usual = rebalance(start, Objective(target))
    heavy = rebalance(start, Objective(target, Weights(**{axis: 20.0})))
    off = {name: next(abs(left.steps) for left in made.left if left.axis == axis) for name, made in (("usual", usual), ("heavy", heavy))}
    assert off["heavy"] <= off["usual"] + 1e-9


def test_the_order_of_the_pours_does_not_matter():
    pours = (("london-dry-gin", 45.0), ("lemon-juice", 30.0), ("simple-syrup-1-1", 10.0), ("orange-liqueur-dry", 15.0))
    aim = Objective(Target(8.0, 0.7, 16.0, 140.0))
    forward, backward = rebalance(drink(*pours), aim), rebalance(drink(*pours[::-1]), aim)
    assert forward.costs.total == pytest.approx(backward.costs.total, abs=1e-9)
    assert [p.volume_ml for p in forward.drink.pours] == [p.volume_ml for p in backward.drink.pours[::-1]]
