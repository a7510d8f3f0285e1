"""Choosing the amounts of many combinations at once: the balancing roles vary over a jigger's marks, the others are fixed."""

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.families.typical_range import standard_typical_ranges
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.pour_sizes import Pourer
from oenomel.core.originals.space import space_of
from oenomel.core.rebalance.grid_search import minimise


def test_what_is_poured_is_the_true_minimum_of_the_same_grid_in_nearly_all():
    wish = Criteria("sour", seed=5)
    space = space_of(wish, catalogue())
    drawn = space.drawn(5)[::251]
    pourer = Pourer(space.ingredients, wish, standard_typical_ranges()["sour", ""], Conditions())
    poured = pourer.pour(drawn)
    proved = minimise(pourer.problems(drawn))
    assert (poured.cost - proved.J < 1e-6).mean() > 0.97
    assert (poured.cost >= proved.J - 1e-9).all()
