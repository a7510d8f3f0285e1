"""The brief of a drink, and which of its wishes a trial meets (common practice)."""

import pytest
from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.trials.brief import Brief, check_brief
from oenomel.errors import DomainError

SOUR = drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 15))


def test_a_brief_is_held_against_a_drink():
    brief = Brief(avoid=("egg", "gin"), least_abv=20, sweetness="dry", most_cost=1.0)
    held = {each.wish: each for each in check_brief(brief, forecast_of(SOUR))}
    egg, gin = (next(held[wish] for wish in held if word in wish) for word in ("egg", "gin"))
    strength, cost = (next(held[wish] for wish in held if wish.endswith(end)) for end in ("20%", "1"))
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
