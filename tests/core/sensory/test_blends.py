"""Two jugs, and the glasses that are poured from them: apart in what is asked, alike in the rest, and pourable."""

import math

import pytest

from oenomel.core.balance.aroma_share import SMELL_STEP, share_of_glass
from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.balance.served import profile_as_made
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.sensory.blends import ATTRIBUTES, choices, glass_of, jugs_for, needs
from oenomel.errors import DomainError, OutOfRange

LARDER = catalogue()
HAND = {"lemon-juice", "lime-juice", "simple-syrup-1-1", "white-rum", "london-dry-gin", "orange-liqueur-dry"}


def jugs_on(matter, triangles=6, grid=2.5, hand=HAND):
    bottles = {job: choices(matter, job, LARDER, hand)[0] for job in needs(matter)}
    return jugs_for(matter, bottles, LARDER["still-water"], triangles, grid)


def apart(matter, one, other):
    """Steps between two glasses by the forecast: in what is asked, and the most in what isn't."""
    here, there = (profile_as_made(each, Conditions()) for each in (one, other))
    steps = {name: float(steps_between(getattr(there, name), getattr(here, name), axis)) for name, axis in AXES.items()}
    if matter == "smell":
        liqueur = next(pour.ingredient.slug for pour in other.pours if pour.ingredient.kind == "liqueur")
        shares = [share_of_glass(each, liqueur, profile.volume_ml) for each, profile in ((one, here), (other, there))]
        return math.log(shares[1] / shares[0]) / SMELL_STEP, max(map(abs, steps.values()))
    asked = steps.pop(matter)
    return asked, max(map(abs, steps.values()))


@pytest.mark.parametrize("grid", [1.0, 2.5])
@pytest.mark.parametrize("matter", ATTRIBUTES)
def test_every_pair_of_glasses_is_as_far_apart_as_is_told_by_the_forecast_and_alike_in_the_rest(matter, grid):
    jugs = jugs_on(matter, grid=grid)
    told = jugs.distances()
    for each in told:
        asked, rest = apart(matter, jugs.blend(each.less_parts), jugs.blend(each.more_parts))
        assert asked == pytest.approx(each.steps, abs=0.1), each
        assert rest <= 0.1 + 1e-9, each
    # From a fine question to one that nobody misses.
    assert told[0].steps < 0.7
    assert told[-1].steps > 3


@pytest.mark.parametrize("matter", ATTRIBUTES)
@pytest.mark.parametrize("triangles", [1, 6, 24, 96])
def test_jugs_are_poured_by_the_measure_and_are_no_larger_than_they_need_be(matter, triangles):
    for grid in (1.0, 2.5):
        jugs = jugs_on(matter, triangles, grid)
        for jug in (jugs.less, jugs.more):
            assert all(pour.volume_ml / grid == pytest.approx(round(pour.volume_ml / grid)) for pour in jug.pours)
            assert sum(pour.volume_ml for pour in jug.pours) == pytest.approx(jug.volume_ml)
        # Three glasses a triangle out of two jugs, a quarter more, or what has to be measured at the least.
        assert jugs.less.volume_ml <= max(450, 1.3 * 1.5 * triangles * jugs.glass_ml)


def test_what_is_at_hand_goes_in_first_and_the_plainest_of_it():
    assert [each.slug for each in choices("abv", "base", LARDER, HAND)][:2] == ["white-rum", "london-dry-gin"]
    assert choices("abv", "base", LARDER, set())[0].slug == "vodka"
    # Beside a liqueur the smell of a gin in one jug alone would give the glass away.
    assert choices("smell", "base", LARDER, HAND)[0].slug == "vodka"
    assert choices("smell", "liqueur", LARDER, HAND)[0].slug == "orange-liqueur-dry"
    assert needs("sugar") == ("sour", "sweet")


def test_bottles_that_cannot_do_it_are_refused_with_a_sentence(golden):
    bottles = {"sour": LARDER["lemon-juice"], "sweet": LARDER["simple-syrup-1-1"]}
    with golden.raises(DomainError):
        jugs_for("abv", bottles, LARDER["still-water"], 6)
    with golden.raises(DomainError):
        jugs_for("abv", bottles | {"base": LARDER["blackcurrant-creme"]}, LARDER["still-water"], 6)
    with golden.raises(DomainError):
        jugs_for("sugar", {"sour": LARDER["vodka"], "sweet": LARDER["vodka"]}, LARDER["still-water"], 6)
    with golden.raises(OutOfRange):
        jugs_for("sugar", bottles, LARDER["still-water"], 0)
    with golden.raises(OutOfRange):
        glass_of(30)
