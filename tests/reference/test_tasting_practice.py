"""Complaints of the trade and what practitioners do about them (common practice): all common practice, no source."""

import numpy as np
import pytest
from support.drinks import drink

from oenomel.core.balance.served import profile_as_made
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.families.typical_range import standard_typical_ranges, steps_of
from oenomel.core.forecast.comparison import compare
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.trials.next_trial import Sheet, proposals
from oenomel.core.trials.side_by_side import TrialAsMade, compare_trials
from oenomel.core.trials.spec_cloud import spec_cloud_of
from oenomel.core.trials.tasting import Verdict

LARDER = catalogue()
USUAL = Conditions()
SOUR = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
DAISY = drink(("london-dry-gin", 45), ("orange-liqueur-sweet", 22.5), ("lemon-juice", 22.5), family="daisy")
FIZZ = drink(("london-dry-gin", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("soda-water", 90, "topped"), family="fizz")


def answers(of, **said):
    _, found = proposals([Sheet(of, Verdict(**said), 1, "today")], of, 1, LARDER, standard_typical_ranges()[of.family, ""])
    return found


def steps(made, before):
    return steps_of(profile_as_made(made, USUAL)) - steps_of(profile_as_made(before, USUAL))


def volume(made, slug):
    return sum(pour.volume_ml for pour in made.pours if pour.ingredient.slug == slug)


@pytest.mark.parametrize(
    ("said", "axis", "direction"),
    [
        ({"sugar": 2, "acid": 0, "abv": 0}, 0, -1),
        ({"sugar": -2, "acid": 0, "abv": 0}, 0, 1),
        ({"sugar": 0, "acid": 2, "abv": 0}, 1, -1),
        ({"sugar": 0, "acid": -2, "abv": 0}, 1, 1),
        ({"sugar": 0, "acid": 0, "abv": 2}, 2, -1),
        ({"sugar": 0, "acid": 0, "abv": -1}, 2, 1),
    ],
)
@pytest.mark.parametrize("of", [SOUR, DAISY, FIZZ], ids=["sour", "daisy", "fizz"])
def test_a_fault_that_is_named_is_mended_and_the_rest_stays(of, said, axis, direction, golden):
    # Common practice: too sweet, too sharp, too strong, and their opposites, are named one by one and mended one by one.
    standing, found = proposals([Sheet(of, Verdict(**said), 1, "today")], of, 1, LARDER, standard_typical_ranges()[of.family, ""])
    if not found:
        # A daisy of 40 % parts can hardly be made stronger: then that is said.
        assert of is DAISY
        golden(standing.sentence)
        return
    moved = steps(found[0].drink, of)
    assert moved[axis] * direction > 0
    # A step for each unit of complaint, and no less than a gram of sugar, 0.08 g of acid or 1.2 % a unit
    # (docs/model/trials.md, "What to try next").
    complaint = abs(next(value for value in said.values() if value))
    level = (profile_as_made(of, USUAL).sugar, profile_as_made(of, USUAL).acid, profile_as_made(of, USUAL).abv)[axis]
    wanted = level + direction * complaint * (1.0, 0.08, 1.2)[axis]
    asked = max(complaint, abs(np.log(wanted / level)) / np.log((1.17, 1.22, 1.15)[axis]))
    assert abs(moved[axis] * direction - asked) <= 0.6
    assert np.abs(np.delete(moved, axis)).max() <= 0.75


def test_too_sweet_and_too_sharp_at_once_is_lengthened_or_strengthened():
    # Common practice: everything too loud at once wants water or spirit, not less of each part.
    moved = steps(answers(SOUR, sugar=1, acid=1, abv=0)[0].drink, SOUR)
    assert moved[:2] == pytest.approx([-1, -1], abs=0.6)


def test_right_balance_but_large_and_watery_loses_lengthener():
    # Common practice: then half of it; the balance stays.
    made = answers(FIZZ, sugar=0, acid=0, abv=-2)[0].drink
    before, after = volume(FIZZ, "soda-water") / 180, volume(made, "soda-water") / profile_as_made(made, USUAL).volume_ml
    assert after < before
    assert np.abs(steps(made, FIZZ)[:2]).max() < 0.6


def test_the_pour_that_drowns_the_rest_is_cut_and_its_sugar_is_made_good():
    # Common practice: less of the liqueur, a little syrup back.
    quieter = next(each for each in answers(DAISY, sugar=0, acid=0, abv=0, loud="orange-liqueur-sweet") if each.key == "quieter")
    assert volume(quieter.drink, "orange-liqueur-sweet") <= 15
    assert "a third less triple sec" in " ".join(quieter.reasons)


def test_a_thin_drink_is_never_answered_with_more_water():
    # Common practice: thin wants body, sugar or strength.
    for each in answers(SOUR, sugar=0, acid=0, abv=0, body=-2):
        assert volume(each.drink, "still-water") == 0


def test_an_alcohol_free_drink_is_never_made_strong():
    # Common practice: guests who do not drink want a drink made with the same care.
    free = drink(("juniper-water", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    for each in answers(free, sugar=0, acid=1, abv=0, body=-1):
        assert profile_as_made(each.drink, USUAL).abv < 0.5


def test_one_pour_is_held_out_as_the_only_change():
    # Common practice (step 13): usually one pour is held fixed and one to four others change; one alone tells most.
    alone = next(each for each in answers(SOUR, sugar=1, acid=2, abv=0) if each.key == "one change")
    assert len(alone.changes) == 1


def test_published_sours_that_disagree_lie_around_a_middle_one_can_start_from():
    # Common practice (step 3): the schools of the sour, 2:1:1, 8:3:3 and 4:2:1, laid side by side.
    specs = [
        drink(("london-dry-gin", strong), ("lemon-juice", sour), ("simple-syrup-1-1", sweet))
        for strong, sour, sweet in ((60, 30, 30), (60, 22.5, 22.5), (60, 30, 15))
    ]
    cloud = spec_cloud_of(specs, USUAL)
    assert [pour.volume_ml for pour in cloud.middle.pours] == [60, 30, 22.5]
    assert standard_typical_ranges()["sour", ""].distance(cloud.middle_served) <= 1


def test_a_drier_orange_liqueur_between_trials_is_told_as_drier_by_its_name():
    # Common practice: a dry orange liqueur in place of a sweet one takes sugar away.
    riff = drink(("london-dry-gin", 45), ("orange-liqueur-dry", 22.5), ("lemon-juice", 22.5), family="daisy")
    table = compare_trials([TrialAsMade("trial 1", DAISY), TrialAsMade("trial 2", riff)], USUAL)
    assert "drier" in table.sentence
    assert "dry curaçao for triple sec" in [change.words for change in compare(riff, DAISY).changes]
