"""Trials side by side, who descends from whom, many specs of one drink, and the brief."""

from dataclasses import replace

import pytest
from support.drinks import drink, eight_three_three

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.spec.technique import Method
from oenomel.core.trials.brief import Brief, check_brief
from oenomel.core.trials.lineage import branch, cross, origins
from oenomel.core.trials.side_by_side import TrialAsMade, compare_trials
from oenomel.core.trials.spec_cloud import middle_of, spec_cloud_of
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
    assert table.sentence.startswith("Trial 2 is surely ")
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
    assert "sharper or softer" in told["lot of lemon juice"].words
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


def test_a_branch_tells_the_change_and_what_it_does(golden):
    told = branch(SHARPER, SOUR, USUAL)
    assert told.change == "More lemon juice"
    assert "sharper" in told.effect.lower()
    golden(branch(SOUR, SOUR, USUAL).change)


def test_each_pour_of_a_cross_knows_its_parent():
    crossed = cross([SOUR, DAISY])
    came = dict(zip([pour.ingredient.slug for pour in crossed.pours], origins(crossed, [SOUR, DAISY]), strict=True))
    assert came["london-dry-gin"] == 0
    assert 1 in came.values()
    assert None not in came.values()
    assert forecast_of(crossed).served.volume_ml > 100


def test_twins_are_crossed_by_their_bases_and_one_alone_not_at_all(golden):
    rum = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 15))
    assert cross([SOUR, rum]).pours[0].ingredient.slug == "white-rum"
    with golden.raises(DomainError):
        cross([SOUR])


def test_the_middle_of_many_specs_can_be_poured_and_an_outlier_is_named(golden):
    specs = [
        drink(("rye-whiskey", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", syrup)) for syrup in (20, 22.5, 22.5, 25)
    ] + [drink(("rye-whiskey", 30), ("lemon-juice", 10), ("simple-syrup-1-1", 60))]  # fmt: skip
    cloud = spec_cloud_of(specs, USUAL)
    assert [pour.volume_ml for pour in cloud.middle.pours] == [60, 22.5, 22.5]
    assert [point.outlier for point in cloud.points] == [False] * 4 + [True]
    golden(cloud.sentence)
    assert middle_of(specs[:1] * 3) == specs[0]
    alone = spec_cloud_of(specs[:1], USUAL)
    assert (len(alone.points), alone.middle, alone.points[0].outlier) == (1, None, False)
    golden(alone.sentence)


def test_a_brief_is_held_against_a_drink():
    brief = Brief(avoid=("egg", "gin"), least_abv=20, sweetness="dry", most_cost=1.0)
    held = {each.wish: each for each in check_brief(brief, forecast_of(SOUR))}
    egg, gin = (next(held[wish] for wish in held if word in wish) for word in ("egg", "gin"))
    strength, cost = (next(held[wish] for wish in held if wish.endswith(end)) for end in ("20 %", "1"))
    assert egg.kept is True
    assert gin.kept is False
    assert "London dry gin" in gin.sentence
    assert strength.kept is False
    assert cost.kept is None  # no price is given
    assert check_brief(Brief(avoid=("alcohol",), most_abv=0), forecast_of(SOUR))[0].kept is False
    assert check_brief(Brief(notes="for the terrace"), forecast_of(SOUR)) == ()


@pytest.mark.parametrize("wrong", [{"sweetness": "cloying"}, {"least_abv": 20, "most_abv": 10}])
def test_a_brief_that_can_not_be_is_refused(wrong):
    with pytest.raises(DomainError):
        Brief(**wrong)


def test_three_are_crossed_by_turns_and_four_are_too_many(golden):
    fizz = drink(("white-rum", 45), ("lime-juice", 22.5), ("honey-syrup", 15), ("soda-water", 60, "topped"), family="fizz")
    crossed = cross([SOUR, DAISY, fizz])
    parents = [SOUR, DAISY, fizz]
    came = [place for place in origins(crossed, parents) if place]
    assert set(came) == {1, 2}
    with golden.raises(DomainError):
        cross([SOUR, DAISY, fizz, SHARPER])


def test_a_pour_that_two_parents_pour_alike_came_from_the_first_and_one_that_only_holds_it_comes_after():
    child = drink(("london-dry-gin", 60), ("lemon-juice", 30), ("honey-syrup", 15))
    # The gin of both alike: the first. The lemon as the second pours it: the second. The honey of neither: new.
    assert origins(child, [SOUR, SHARPER]) == (0, 1, None)


def test_a_branch_of_many_changes_tells_two_and_counts_the_rest():
    other = drink(("white-rum", 45), ("lime-juice", 30), ("honey-syrup", 20), ("aromatic-bitters", 1.6))
    told = branch(other, SOUR, USUAL)
    assert told.change.endswith("and 2 more")
    assert set(told.steps) == {"sugar", "acid", "abv"}


@pytest.mark.parametrize(
    ("changed", "what", "words"),
    [
        ({"method": Method("shake", dry_shake_seconds=10)}, "dry shake", "makes the foam"),
        ({"method": Method("stir")}, "technique", "explain"),
        ({"method": Method("shake", ice="large")}, "ice in the tin", "water"),
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


def test_a_middle_leaves_out_what_few_of_them_pour_and_keeps_two_of_a_slot_apart():
    split = drink(("london-dry-gin", 30), ("white-rum", 30), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    odd = drink(("london-dry-gin", 30), ("white-rum", 30), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("aromatic-bitters", 1.6))
    middle = middle_of([split, split, odd])
    assert [pour.ingredient.slug for pour in middle.pours] == ["london-dry-gin", "white-rum", "lemon-juice", "simple-syrup-1-1"]


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
