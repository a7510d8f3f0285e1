"""Target of rebalancing, and a drink's distance from it."""

from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.rebalance.solver import rebalance
from oenomel.core.rebalance.target import Objective, Target, Weights
from oenomel.core.spec.drink import Drink


def amounts(answer: Drink) -> list[float]:
    return [pour.volume_ml for pour in answer.pours]


def test_an_axis_without_weight_or_target_is_left_alone():
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    free = rebalance(start, Objective(Target(sugar=11.0)))
    assert [left.axis for left in free.left] == ["sugar"]
    assert free.costs.acid == free.costs.abv == free.costs.volume_ml == 0
    sharp = Target(sugar=11.0, acid=0.2, abv=15, volume_ml=160)
    unweighted = rebalance(start, Objective(sharp, Weights(acid=0)))
    assert unweighted.costs.acid == 0
    assert unweighted.reached
    assert forecast_of(unweighted.drink).served.acid > 0.5


def test_by_sucrose_equivalents_fructose_counts_for_more():
    start = drink(("blanco-agave-spirit", 60), ("lime-juice", 22.5), ("agave-syrup", 15))
    aim = Target(sugar=8.0, acid=0.85, abv=15.5, volume_ml=155)
    grams, equivalents = (rebalance(start, Objective(aim, by_sucrose_equivalents=by), free=[2]) for by in (False, True))
    assert amounts(equivalents.drink)[2] < amounts(grams.drink)[2]
