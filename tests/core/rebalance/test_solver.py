"""What a rebalancing says, beside the amounts: what is left, what can't be reached, and what is refused."""

import pytest
from support.drinks import drink, eight_three_three

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.rebalance.solver import rebalance
from oenomel.core.rebalance.target import Objective, Target, Weights
from oenomel.core.spec.drink import Drink
from oenomel.errors import DomainError, EmptyDrink, NothingFree, OutOfRange


def target_of(other: Drink) -> Target:
    served = forecast_of(other).served
    return Target(served.sugar, served.acid, served.abv, served.volume_ml)


def amounts(answer: Drink) -> list[float]:
    return [pour.volume_ml for pour in answer.pours]


def test_a_drink_that_stands_on_its_target_is_left_alone():
    answer = rebalance(eight_three_three(), Objective(target_of(eight_three_three())))
    assert answer.costs.total == pytest.approx(0, abs=1e-12)
    assert answer.moves == ()
    assert answer.notes == ()
    assert answer.reached


def test_every_move_says_what_it_did_and_together_they_did_it_all():
    parent = drink(("london-dry-gin", 50), ("lemon-juice", 25), ("simple-syrup-1-1", 20))
    start = drink(("london-dry-gin", 50), ("lemon-juice", 15), ("simple-syrup-1-1", 32.5))
    answer = rebalance(start, Objective(target_of(parent)))
    assert answer.reached
    before, after = forecast_of(start).served, forecast_of(answer.drink).served
    for figure in ("sugar", "acid", "abv", "volume_ml"):
        assert sum(c.by[figure] for c in answer.changes) == pytest.approx(getattr(after, figure) - getattr(before, figure), abs=1e-9)
    assert {move.ingredient.slug for move in answer.moves} == {"lemon-juice", "simple-syrup-1-1"}
    assert {change.words for change in answer.changes} == {"more lemon juice", "less simple syrup 1:1"}
    parts = answer.costs
    off = parts.sugar + parts.acid + parts.abv + parts.volume_ml
    assert parts.total == pytest.approx(off + 0.05 * 2 + parts.moved + parts.character)
    assert parts.moved == pytest.approx(sum(abs(m.after_ml - m.before_ml) for m in answer.moves) / 2.5 * 0.01)


def test_scaling_every_amount_and_the_grid_scales_the_answer():
    parent = drink(("white-rum", 60), ("lime-juice", 30), ("simple-syrup-1-1", 22.5))
    start = drink(("white-rum", 60), ("lime-juice", 20), ("simple-syrup-1-1", 32.5))
    large = drink(("white-rum", 120), ("lime-juice", 40), ("simple-syrup-1-1", 65))
    twice = Target(*(getattr(target_of(parent), name) for name in ("sugar", "acid", "abv")), 2 * (target_of(parent).volume_ml or 0))
    bounds = dict.fromkeys(range(3), (0.0, 90.0))
    small = rebalance(start, Objective(target_of(parent), bounds=bounds))
    doubled = rebalance(large, Objective(twice, grid_ml=5.0, bounds=dict.fromkeys(range(3), (0.0, 180.0))))
    assert amounts(doubled.drink) == [2 * ml for ml in amounts(small.drink)]
    assert doubled.costs.total == pytest.approx(small.costs.total, abs=1e-9)


def test_dashes_stay_whole_and_what_is_dry_goes_by_the_gram():
    larder = catalogue()
    start = drink(("grape-brandy", 60), ("lemon-juice", 22.5), ("caster-sugar", 12.4), ("aromatic-bitters", 1.6))
    answer = rebalance(start, Objective(Target(sugar=5.0, acid=0.6, abv=17, volume_ml=150)), free=[0, 1, 2, 3])
    sugar, bitters = amounts(answer.drink)[2:]
    assert sugar / 0.62 == pytest.approx(round(sugar / 0.62))
    assert sugar < 12.4
    assert bitters / 0.8 == pytest.approx(round(bitters / 0.8))
    assert larder["aromatic-bitters"] is answer.drink.pours[3].ingredient


def test_up_to_two_correctors_join_where_they_pay_for_themselves():
    # Base and sour alone can't sweeten, and a drink that lacks nothing takes nobody in.
    joining = [catalogue()[slug] for slug in ("simple-syrup-1-1", "still-water", "lemon-juice")]
    bare = drink(("white-rum", 60), ("lime-juice", 22.5))
    answer = rebalance(bare, Objective(target_of(eight_three_three())), correctors=joining)
    assert [(m.ingredient.slug, m.after_ml) for m in answer.moves if m.joined] == [("simple-syrup-1-1", 22.5)]
    assert answer.costs.joined == 0.25
    assert len(answer.drink.pours) == 3
    whole = rebalance(eight_three_three(), Objective(target_of(eight_three_three())), correctors=joining)
    assert whole.moves == ()
    assert len(whole.drink.pours) == 3


EDGES = {
    "nothing free": (lambda: rebalance(eight_three_three(), Objective(Target(8, 1, 15, 150)), free=[]), NothingFree),
    "nothing free, and who may join is there": (
        lambda: rebalance(eight_three_three(), Objective(Target(8)), [], [catalogue()["white-rum"]]), NothingFree,
    ),
    "an empty drink": (lambda: rebalance(drink(("white-rum", 0.0)), Objective(Target(8, 1, 15, 150))), EmptyDrink),
    "a target of nothing": (lambda: Target(), DomainError),
    "an empty glass for a target": (lambda: Target(8, 1, 15, 0), EmptyDrink),
    "a target past the possible": (lambda: Target(abv=130), OutOfRange),
    "a grid of nothing": (lambda: Objective(Target(8), grid_ml=0), OutOfRange),
    "bounds the wrong way round": (lambda: Objective(Target(8), bounds={0: (9, 3)}), DomainError),
    "a weight below nothing": (lambda: Weights(acid=-1), OutOfRange),
    "too many free": (lambda: rebalance(drink(*[("white-rum", 10.0)] * 8), Objective(Target(8)), free=range(8)), DomainError),
}  # fmt: skip


@pytest.mark.parametrize("edge", EDGES)
def test_what_cannot_be_asked_is_refused_in_a_sentence(edge: str, golden):
    ask, error = EDGES[edge]
    with golden.raises(error):
        ask()


def test_a_target_out_of_reach_says_how_near_it_gets_and_which_pour_to_free(golden):
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 35))
    answer = rebalance(start, Objective(target_of(eight_three_three())), free=[0, 1])
    assert not answer.reached
    near, help_ = answer.notes
    golden(near)
    assert "sweeter" in near
    golden(help_)
    lonely = rebalance(drink(("white-rum", 60), ("lime-juice", 20)), Objective(Target(sugar=9, acid=0.85, abv=15, volume_ml=150)))
    golden(lonely.notes[-1])


def test_targets_of_no_acid_and_no_alcohol_are_reached_by_leaving_them_out():
    start = drink(("juniper-water", 45), ("lemon-juice", 15), ("simple-syrup-1-1", 20))
    answer = rebalance(start, Objective(Target(sugar=8.0, acid=0.0, abv=0.0, volume_ml=100)))
    assert amounts(answer.drink)[1] == 0
    assert forecast_of(answer.drink).served.acid <= 0.03
    strong = rebalance(eight_three_three(), Objective(Target(sugar=8.9, acid=0.85, abv=0.0, volume_ml=70)), free=[0, 1, 2])
    assert amounts(strong.drink)[0] == 0
    assert forecast_of(strong.drink).served.abv == 0


def test_a_grid_coarser_than_a_pour_is_told(golden):
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 5))
    answer = rebalance(start, Objective(target_of(eight_three_three()), grid_ml=7.5))
    golden(answer.notes[0])
    assert amounts(answer.drink)[2] == 22.5


def test_today_s_ice_moves_the_answer():
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    aim = Objective(Target(8.9, 0.85, 15.0, 160), grid_ml=0.5)
    cold = rebalance(start, aim, conditions=Conditions(dilution="heat balance", ice_c=-18))
    wet = rebalance(start, aim)
    assert sum(amounts(cold.drink)) > sum(amounts(wet.drink))
