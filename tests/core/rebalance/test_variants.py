"""Variants of a drink and their arrays for the search."""

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.rebalance.solver import Variant, best_of, costs_of, with_correctors
from oenomel.core.rebalance.target import Objective, Target
from oenomel.core.spec.drink import Drink, Pour


def test_two_of_the_correctors_may_join_and_no_third():
    larder = catalogue()
    drink = Drink("Bare", "sour", (Pour(larder["white-rum"], 60, slot="base"),))
    joining = [larder[slug] for slug in ("simple-syrup-1-1", "lemon-juice", "still-water", "vodka")]
    variants = with_correctors(Variant(drink, (0,)), joining)
    assert len(variants) == 6
    (best,), minima = best_of(variants, Objective(Target(8.9, 0.85, 15, 159)), Conditions())
    assert best is not None
    joined = [pour.ingredient.slug for pour in best.pours[1:] if pour.volume_ml > 0]
    assert set(joined) == {"simple-syrup-1-1", "lemon-juice"}
    variant = variants[int(minima.problem[0])]
    assert costs_of(variant, best, Objective(Target(8.9, 0.85, 15, 159)), Conditions()).joined == 0.5
