"""Trials side by side, who descends from whom, many specs of one drink, and the brief."""

from dataclasses import replace

import pytest
from support.drinks import drink, eight_three_three

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.spec.technique import Method
from oenomel.core.trials.lineage import cross, origins
from oenomel.core.trials.side_by_side import TrialAsMade, compare_trials
from oenomel.errors import DomainError

USUAL = Conditions()
SOUR = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 15))
SHARPER = drink(("london-dry-gin", 60), ("lemon-juice", 30), ("simple-syrup-1-1", 15))
DAISY = drink(("blanco-agave-spirit", 45), ("orange-liqueur-dry", 22.5), ("lime-juice", 22.5), family="daisy")


def beside(*made):
    return compare_trials(made, USUAL)


def test_differences_come_first_and_what_is_shared_is_no_doubt():
    table = beside(TrialAsMade("trial 1", SOUR), TrialAsMade("trial 2", SHARPER))
    assert [row.differs for row in table.rows] == [True, False, False]
    assert table.rows[0].pours[0].ingredient.slug == "lemon-juice"
    assert table.sentence.startswith("Trial 2 is almost certainly ")
    assert "sharper" in table.sentence


def test_the_same_drink_twice_differs_in_nothing(golden):
    table = beside(TrialAsMade("trial 1", SOUR), TrialAsMade("trial 2", SOUR))
    assert not any(row.differs for row in table.rows)
    golden(table.sentence)
    assert all(axis.difference.by == 0 for axis in table.comparisons[0].axes)


def test_careless_trials_name_what_else_could_explain_the_verdict(golden):
    # Common practice: other ice, other seconds, other strainer, and nobody knows what made the difference.
    careless = replace(SOUR, method=Method("shake", 3))
    table = beside(
        TrialAsMade("trial 1", SOUR, strainer="double", lots={"lemon-juice": "noon"}),
        TrialAsMade("trial 2", careless, strainer="plain", lots={"lemon-juice": "yesterday"}),
    )
    told = {each.what: each for each in table.circumstances}
    golden(told["seconds"].values)
    golden(told["seconds"].words)
    assert "sharper or less sharp" in told["bottle of lemon juice"].words
    assert "strainer" in told
    golden(table.sentence)


def test_a_lot_that_brings_little_explains_nothing():
    table = beside(
        TrialAsMade("trial 1", SOUR, lots={"aromatic-bitters": "old"}),
        TrialAsMade("trial 2", SOUR, lots={"aromatic-bitters": "new"}),
    )
    assert table.circumstances == ()


@pytest.mark.parametrize("number", [1, 5])
def test_fewer_than_two_or_more_than_four_can_not_be_laid_side_by_side(number, golden):
    with golden.raises(DomainError):
        beside(*[TrialAsMade(f"trial {n}", SOUR) for n in range(number)])


def test_each_change_of_four_trials_adds_up_to_its_difference():
    table = beside(*[TrialAsMade(f"trial {n}", each) for n, each in enumerate((SOUR, SHARPER, DAISY, eight_three_three()))])
    for comparison in table.comparisons:
        for axis in comparison.axes:
            assert sum(change.steps[axis.axis] for change in comparison.changes) == pytest.approx(axis.steps, abs=1e-9)


def test_each_pour_of_a_cross_knows_its_parent():
    crossed = cross([SOUR, DAISY])
    came = dict(zip([pour.ingredient.slug for pour in crossed.pours], origins(crossed, [SOUR, DAISY]), strict=True))
    assert came["london-dry-gin"] == 0
    assert 1 in came.values()
    assert None not in came.values()
    assert forecast_of(crossed).served.volume_ml > 100


@pytest.mark.parametrize(
    ("changed", "what", "words"),
    [
        ({"method": Method("shake", dry_shake_seconds=10)}, "dry shake", "makes foam"),
        ({"method": Method("stir")}, "technique", "explain"),
        ({"method": Method("shake", ice="large")}, "ice in the tin", "dilution"),
    ],
)
def test_a_difference_of_method_is_named_with_what_it_does(changed, what, words):
    table = beside(TrialAsMade("trial 1", SOUR), TrialAsMade("trial 2", replace(SOUR, **changed)))
    told = {each.what: each.words for each in table.circumstances}
    assert words in told[what]


def test_another_glass_and_another_ice_in_it_are_named(golden):
    served = replace(SOUR, serve=replace(SOUR.serve, glass="large rocks glass", ice="large"))
    told = {each.what: each for each in beside(TrialAsMade("trial 1", SOUR), TrialAsMade("trial 2", served)).circumstances}
    golden(told["glass"].values)
    golden(told["ice in the glass"].words)


@pytest.mark.parametrize(("lime_ml", "explains"), [(12.85, False), (12.87, True)])
def test_a_lot_explains_what_it_brings_three_tenths_of(lime_ml, explains):
    # House rule: both juices hold 6 g of acid, so that lime brings 30 % of it at 12.857 ml beside 30 ml of lemon.
    def sour(lemon_ml):
        return drink(("london-dry-gin", 60), ("lemon-juice", lemon_ml), ("lime-juice", lime_ml), ("simple-syrup-1-1", 15))

    lots = {"lots": {"lime-juice": "old"}}, {"lots": {"lime-juice": "new"}}
    (lot,) = beside(TrialAsMade("trial 1", sour(30), **lots[0]), TrialAsMade("trial 2", sour(20), **lots[1])).circumstances
    assert (lot.words != "") is explains
    assert lot.could_explain is explains
    # Where nothing is sharper or softer there is nothing to explain.
    same = beside(TrialAsMade("trial 1", sour(30), **lots[0]), TrialAsMade("trial 2", sour(30), **lots[1]))
    assert not same.circumstances[0].could_explain
