"""Steps in the tin or the mixing glass, in their order (common practice)."""

from support.drinks import SOUR, drink, served

from oenomel.core.method.step import MethodOptions
from oenomel.core.method.steps import making_steps
from oenomel.core.spec.drink import Drink


def poured(made: Drink, way: MethodOptions) -> list[str]:
    return [step.key for step in making_steps(made, way) if step.kind == "pour"]


def test_the_order_of_the_pours_is_a_matter_of_school():
    # common practice: cheap and risky first, spirit last; spirit first; the house's own.
    made = served(drink(*SOUR, ("egg-white", 30)))
    keys = {"egg": "pour: egg-white", "juice": "pour: lemon-juice", "syrup": "pour: simple-syrup-1-1", "rum": "pour: white-rum"}
    for order, expected in (
        ("cheap and risky first", "egg juice syrup rum"),
        ("spirit first", "rum syrup juice egg"),
        ("as written", "rum juice syrup egg"),
    ):
        assert poured(made, MethodOptions(order)) == [keys[each] for each in expected.split()]
