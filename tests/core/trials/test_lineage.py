"""Lineage of trials: where each pour came from, and what changed (common practice)."""

from support.drinks import drink

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.trials.lineage import branch, cross, origins
from oenomel.errors import DomainError

USUAL = Conditions()

SOUR = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 15))

SHARPER = drink(("london-dry-gin", 60), ("lemon-juice", 30), ("simple-syrup-1-1", 15))

DAISY = drink(("blanco-agave-spirit", 45), ("orange-liqueur-dry", 22.5), ("lime-juice", 22.5), family="daisy")


def test_a_branch_tells_the_change_and_what_it_does(golden):
    told = branch(SHARPER, SOUR, USUAL)
    assert told.change == "More lemon juice"
    assert "sharper" in told.effect.lower()
    golden(branch(SOUR, SOUR, USUAL).change)


def test_twins_are_crossed_by_their_bases_and_one_alone_not_at_all(golden):
    rum = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 15))
    assert cross([SOUR, rum]).pours[0].ingredient.slug == "white-rum"
    with golden.raises(DomainError):
        cross([SOUR])


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
