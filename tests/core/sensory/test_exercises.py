"""Exercises without a glass: what they ask can be answered, what they call right is right by the forecast, and a bartender would do it."""

import pytest
from support.depth import spread
from support.sixty_specs import specs

from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.balance.served import profile_as_made
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.sensory.exercises import EXERCISES, exercise, score_of
from oenomel.errors import DomainError
from oenomel.schemas.spec_to_drink import drink_from_spec

LARDER = catalogue()
BOOK = [drink_from_spec(spec, LARDER) for spec in specs({slug: each.kind for slug, each in LARDER.items()})]
HAND = {"lemon-juice", "lime-juice", "simple-syrup-1-1", "london-dry-gin", "white-rum", "bourbon", "honey-syrup", "orange-liqueur-dry"}
SEEDS = spread(range(40), 10)


def drawn(kind, seeds=SEEDS):
    return [exercise(kind, BOOK, LARDER, HAND, Conditions(), seed) for seed in seeds]


def steps(drink, beside):
    now, then = (profile_as_made(each, Conditions()) for each in (drink, beside))
    return {name: float(steps_between(getattr(now, name), getattr(then, name), axis)) for name, axis in AXES.items()}


def of_the_book(name):
    return next(each for each in BOOK if each.name == name)


@pytest.mark.parametrize("kind", EXERCISES)
def test_forty_of_them_can_be_answered_read_aloud_and_are_the_same_for_the_same_seed(kind):
    for seed, each in zip(SEEDS, drawn(kind), strict=True):
        assert each == exercise(kind, BOOK, LARDER, HAND, Conditions(), seed)
        assert each.of in {drink.name for drink in BOOK}
        for ask in each.asks:
            keys = [option.key for option in ask.options]
            assert len(set(keys)) == len(keys) >= 3
            assert len({option.words for option in ask.options}) == len(keys)
            assert each.right[ask.key]
            assert set(each.right[ask.key]) < set(keys)
        # Sentences are whole: they begin and end as such, and no figure of a step is in them.
        for sentence in (each.title, *each.told):
            assert sentence[0].isupper() or sentence[0].isdigit(), sentence
            assert sentence[-1] in ".?", sentence
            assert "  " not in sentence
            assert " step" not in sentence
        assert score_of(each.right, {key: keys[0] for key, keys in each.right.items()}) == 1
        assert score_of(each.right, {}) == 0


def test_a_fault_is_what_the_forecast_tells_first():
    for each in drawn("fault"):
        found = steps(each.drink, of_the_book(each.of))
        worst = max(found, key=lambda name: abs(found[name]))
        assert f"{worst} {1 if found[worst] > 0 else -1}" in each.right["fault"]
        assert 1.2 <= abs(found[worst]) <= 4


def test_of_the_corrections_the_right_one_lands_nearest_and_the_others_are_clearly_worse():
    for each in drawn("correction"):
        distances = {}
        for option in each.asks[0].options:
            index, grids = (int(part) for part in option.key.split())
            pours = list(each.drink.pours)
            pours[index] = pours[index].at(pours[index].volume_ml + 2.5 * grids)
            found = steps(each.drink.with_pours(tuple(pours)), of_the_book(each.of))
            distances[option.key] = sum(n**2 for n in found.values()) ** 0.5
            assert pours[index].volume_ml >= 2.5
            assert option.words.startswith(f"{abs(2.5 * grids):g} ml {'more' if grids > 0 else 'less'} ")
        (right,) = each.right["change"]
        others = [distance for key, distance in distances.items() if key != right]
        assert distances[right] <= min(others) - 0.5 + 1e-9
        # Nobody mends a liqueur with a third more spirit (common practice).
        index, grids = (int(part) for part in right.split())
        if each.drink.pours[index].slot == "base":
            assert abs(2.5 * grids) <= each.drink.pours[index].volume_ml / 4


def test_a_guess_next_to_the_line_is_right_either_way():
    near = [each for each in drawn("swap", range(160)) for keys in each.right.values() if len(keys) == 2]
    assert near
    for each in drawn("swap"):
        assert all(len(keys) == 1 or "same" in keys for keys in each.right.values())
        assert {ask.key for ask in each.asks} <= set(AXES)


def test_a_book_without_a_finished_drink_says_what_to_do(golden):
    with golden.raises(DomainError):
        exercise("swap", [], LARDER, HAND, Conditions(), 1)
