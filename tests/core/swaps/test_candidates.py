"""Candidates for a pour's place, and the ingredients left out, each with a reason."""

from collections.abc import Iterator
from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.composition import Composition
from oenomel.core.larder.ingredient import Ingredient, SourcedValue
from oenomel.core.rebalance.target import Objective, Target
from oenomel.core.spec.drink import Drink
from oenomel.core.swaps.board import Board, swap_board
from oenomel.core.swaps.candidates import Filters

DAISY = drink(("london-dry-gin", 45), ("orange-liqueur-sweet", 22.5), ("lemon-juice", 22.5), ("simple-syrup-1-1", 5), family="daisy")


def aim_at(wished: Drink) -> Objective:
    served = forecast_of(wished).served
    return Objective(Target(served.sugar, served.acid, served.abv, served.volume_ml))


def parts(start: Drink, index: int, **asked: object) -> list[Board]:
    larder = asked.pop("larder", catalogue())
    made: Iterator[Board] = swap_board(start, index, larder, aim_at(start), **asked)  # type: ignore[arg-type]
    return list(made)


FILTERS = (
    (Filters(in_stock=frozenset({"orange-liqueur-dry"})), {"orange-liqueur-dry"}),
    (Filters(without_alcohol=True), {slug for slug, i in catalogue().items() if "liqueur" in i.slots and i.composition.abv <= 0.5}),
    (Filters(most_price=20.0), {"orange-liqueur-dry"}),
    (Filters(avoid_allergens=frozenset({"nuts"})), None),
    (Filters(kinds=frozenset({"aromatised"})), None),
)


def test_what_nothing_is_known_of_is_left_out_and_says_what_to_do(golden):
    unknown = Ingredient("mystery", "Mystery liqueur", "liqueur", Composition(), slots=("liqueur",))
    told = parts(DAISY, 1, larder={"mystery": unknown})[0]
    golden([each.reason for each in told.left_out])
    assert told.rows == ()
    assert told.total == 0


@pytest.mark.parametrize(("wanted", "kept"), FILTERS)
def test_filters_leave_out_with_their_reason(wanted: Filters, kept: set[str] | None, golden):
    priced = dict(catalogue())
    dry = priced["orange-liqueur-dry"]
    price = SourcedValue("price_per_litre", 18.0, 0.0, "my shelf", "label")
    priced["orange-liqueur-dry"] = replace(dry, values={**dry.values, "price_per_litre": price}, allergens=())
    priced["almond-liqueur"] = replace(priced["almond-liqueur"], allergens=("nuts",))
    told = parts(DAISY, 1, larder=priced, filters=wanted)
    offered = {row.candidate.ingredient.slug for part in told for row in part.rows}
    assert kept is None or offered == kept
    golden({each.reason for each in told[0].left_out})


@pytest.mark.parametrize(("pour", "content", "least"), [(0, "abv", 10), (2, "acid", 0.4), (3, "sugar", 15), (1, "sugar", 8)])
def test_what_has_too_little_for_a_slot_is_left_out_from_there_on(pour, content, least, golden):
    # House rules: what makes no base, no sour, no sweet and no liqueur. With a hair more it is left out for another reason.
    reasons = []
    for level in (least - 0.01, least + 0.01):
        composition = {"abv": {"abv": level}, "acid": {"acids": {"citric": level}}, "sugar": {"sugars": {"sucrose": level}}}[content]
        thin = Ingredient("thin", "Thin", "other", Composition(**composition))
        reasons += [each.reason for each in parts(DAISY, pour, larder={"thin": thin})[0].left_out]
    assert reasons[0] != reasons[1]
    golden(reasons)
