"""The user's own spec with other amounts, other ingredients, split and added pours: what was said stays said."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.families.typical_range import standard_typical_ranges
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.rebalance.target import Target
from oenomel.core.spec.drink import Drink, Pour
from oenomel.errors import DomainError, RecordNotFound, SpecError
from oenomel.schemas.poured_spec import in_millilitres, with_pours_of
from oenomel.schemas.requests.rebalance_requests import (
    AimRequest,
    FamilyTarget,
    TypedTarget,
    aim_for,
    parse_target,
    pours_named,
    target_from,
)
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import drink_from_spec

SPEC = SpecFile.model_validate(
    {
        "format": "oenomel/spec",
        "version": 1,
        "name": "All units",
        "family": "sour",
        "ounce_ml": 29.5735,
        "pours": [
            {"ingredient": "grape-brandy", "amount": "1 1/2", "unit": "oz", "slot": "base", "said": "a jigger"},
            {"ingredient": "lemon-juice", "amount": 2.25, "unit": "cl", "slot": "sour"},
            {"ingredient": "caster-sugar", "amount": 12, "unit": "g", "slot": "sweet"},
            {"ingredient": "aromatic-bitters", "amount": 2, "unit": "dash", "slot": "accent"},
            {"ingredient": "saline", "amount": 4, "unit": "drop", "slot": "seasoning"},
            {"ingredient": "egg-white", "amount": 1, "unit": "piece", "slot": "texture", "optional": True},
            {"ingredient": "simple-syrup-1-1", "amount": 1, "unit": "barspoon", "slot": "sweet", "range": [2.5, 10]},
            {"ingredient": "white-rum", "amount": 11.09, "unit": "ml", "slot": "base", "relative": {"to": 0, "times": 0.25}},
        ],
    }
)
BEFORE = drink_from_spec(SPEC, catalogue())


def moved(index: int, ml: float) -> Drink:
    return replace(BEFORE, pours=tuple(replace(p, volume_ml=ml) if i == index else p for i, p in enumerate(BEFORE.pours)))


# Each pour moved to an amount, and how that is said in the unit it had.
SAID_ANEW = (
    (0, 2 * 29.5735, (2.0, "oz")),
    (1, 30.0, (3.0, "cl")),
    (2, 9 * 0.62, (9.0, "g")),
    (3, 3 * 0.8, (3.0, "dash")),
    (4, 0.5, (10.0, "drop")),
    (5, 60.0, (2.0, "piece")),
    (6, 7.5, (7.5, "ml")),
    (7, 12.5, (12.5, "ml")),
)


@pytest.mark.parametrize(("index", "ml", "said"), SAID_ANEW)
def test_a_moved_amount_is_told_in_the_unit_it_had_where_that_tells_it(index: int, ml: float, said: tuple[float, str]):
    made = moved(index, ml)
    told = with_pours_of(SPEC, BEFORE, made)
    entry = told.pours[index]
    assert (entry.amount, entry.unit) == (pytest.approx(said[0]), said[1])
    assert (entry.said, entry.range) == (None, None)
    assert [p.volume_ml for p in drink_from_spec(told, catalogue()).pours] == pytest.approx([p.volume_ml for p in made.pours])
    # The rum that follows the brandy follows it no longer once one of the two has moved alone.
    assert (told.pours[7].relative is None) == (index in (0, 7))
    untouched = [i for i in range(7) if i != index]
    assert [told.pours[i] for i in untouched] == [SPEC.pours[i] for i in untouched]


def test_what_is_optional_stays_optional_and_what_was_said_of_others_stays():
    told = with_pours_of(SPEC, BEFORE, moved(5, 45.0))
    assert told.pours[5].optional
    assert told.pours[0].said == "a jigger"
    assert told.pours[6].range == [2.5, 10]


def test_a_swap_a_split_and_a_joined_pour_find_their_places():
    rye, water = catalogue()["rye-whiskey"], catalogue()["still-water"]
    brandy = BEFORE.pours[0]
    half = replace(brandy, volume_ml=brandy.volume_ml / 2)
    pours = (half, replace(half, ingredient=rye), *BEFORE.pours[1:], Pour(water, 5.0, slot="lengthener"))
    told = with_pours_of(SPEC, BEFORE, replace(BEFORE, pours=pours))
    assert [entry.ingredient for entry in told.pours[:3]] == ["grape-brandy", "rye-whiskey", "lemon-juice"]
    assert (told.pours[1].amount, told.pours[1].unit) == (0.75, "oz")
    assert (told.pours[-1].ingredient, told.pours[-1].slot, told.pours[-1].amount) == ("still-water", "lengthener", 5.0)
    # The rum that follows the brandy still does where both were halved, one place further down; without the brandy it follows nobody.
    assert told.pours[8].relative is None
    rum = replace(BEFORE.pours[7], volume_ml=BEFORE.pours[7].volume_ml / 2)
    both = with_pours_of(SPEC, BEFORE, replace(BEFORE, pours=(rye_first := replace(half, ingredient=rye), half, *BEFORE.pours[1:7], rum)))
    assert both.pours[0].ingredient == rye_first.ingredient.slug
    assert both.pours[8].relative is not None
    assert both.pours[8].relative.to == 1
    gone = with_pours_of(SPEC, BEFORE, replace(BEFORE, pours=(replace(brandy, ingredient=rye), *BEFORE.pours[1:])))
    assert gone.pours[7].relative is None
    assert gone.pours[0].ingredient == "rye-whiskey"


def test_every_pour_can_be_told_in_millilitres():
    told = in_millilitres(SPEC, BEFORE)
    assert {entry.unit for entry in told} == {"ml"}
    assert [entry.amount for entry in told] == [pour.volume_ml for pour in BEFORE.pours]


def test_a_target_is_a_spec_figures_or_a_family(golden):
    assert isinstance(parse_target(SPEC.model_dump_json()), SpecFile)
    assert parse_target('{"sugar": 8, "abv": 15}') == TypedTarget(sugar=8, abv=15)
    assert parse_target('{"family": "daisy"}') == FamilyTarget(family="daisy")
    homes = standard_typical_ranges()
    home = target_from(FamilyTarget(family="daisy"), BEFORE, None, homes, equivalents=False, conditions=Conditions())
    assert home == Target(**homes["daisy", ""].centre(), volume_ml=homes["daisy", ""].volume_ml)
    without = drink(("juniper-water", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 15))
    free = target_from(FamilyTarget(family="sour"), without, None, homes, equivalents=False, conditions=Conditions())
    assert free.abv is None
    assert free.sugar == pytest.approx(homes["sour", "without alcohol"].centre()["sugar"])
    served = target_from(SPEC, BEFORE, BEFORE, {}, equivalents=False, conditions=Conditions())
    by_kind = target_from(SPEC, BEFORE, BEFORE, {}, equivalents=True, conditions=Conditions())
    assert (served.acid, served.abv, served.volume_ml) == (by_kind.acid, by_kind.abv, by_kind.volume_ml)
    with golden.raises(RecordNotFound):
        target_from(FamilyTarget(family="open"), BEFORE, None, homes, equivalents=False, conditions=Conditions())


BAD_TARGETS = (
    "[]",
    "{",
    '{"sugr": 8}',
    '{"sugar": 200}',
    '{"sugar": NaN}',
    '{"family": "punch"}',
    '{"format": "oenomel/spec"}',
)


@pytest.mark.parametrize("text", BAD_TARGETS)
def test_a_bad_target_is_refused_with_its_place(text: str, golden):
    with golden.raises(SpecError):
        parse_target(text)


def test_pours_are_named_by_slug_name_or_place_and_bounds_reach_each_of_that_name():
    assert pours_named(BEFORE, ["lemon-juice", "White rum", 3]) == [1, 7, 3]
    with pytest.raises(SpecError, match='free: "9" isn\'t in this drink'):
        pours_named(BEFORE, [9])
    request = AimRequest(spec=SPEC, target=TypedTarget(sugar=8), bounds={"lemon-juice": [5, 30]}, grid=7.5)
    aim = aim_for(request, BEFORE, Target(sugar=8))
    assert (aim.bounds, aim.grid_ml) == ({1: (5, 30)}, 7.5)
    with pytest.raises(DomainError):
        aim_for(AimRequest(spec=SPEC, target=TypedTarget(), bounds={"quince": [0, 1]}), BEFORE, Target(sugar=8))
