"""Pours that follow another one: worked out with the drink, written resolved, and free again once they no longer follow."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.errors import SpecError
from oenomel.schemas.poured_spec import settled
from oenomel.schemas.reports.amount_reports import read_typed
from oenomel.schemas.requests.amount_requests import AmountRequest
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import drink_from_spec

LARDER = catalogue()
SLUGS = ("london-dry-gin", "apple-brandy", "lemon-juice", "simple-syrup-1-1", "egg-white", "orange-liqueur-dry")


def spec(amounts: list[float], relative: dict[int, tuple[int, float]], units: dict[int, str] | None = None) -> SpecFile:
    pours = []
    for index, amount in enumerate(amounts):
        pour: dict = {"ingredient": SLUGS[index], "amount": amount, "unit": (units or {}).get(index, "ml")}
        if index in relative:
            to, times = relative[index]
            pour["relative"] = {"to": to, "times": times}
        pours.append(pour)
    return SpecFile.model_validate({"format": "oenomel/spec", "version": 1, "name": "Followers", "family": "open", "pours": pours})


def volumes(made: SpecFile) -> list[float]:
    return [pour.volume_ml for pour in drink_from_spec(made, LARDER).pours]


amounts = st.lists(st.floats(1, 100), min_size=3, max_size=6)


@given(amounts, st.floats(0.1, 3), st.floats(0.1, 3))
def test_a_chain_is_followed_to_its_end_whatever_its_order(poured, first, second):
    backwards = spec(poured, {1: (0, first), 2: (1, second)})
    assert volumes(backwards)[1] == pytest.approx(first * poured[0], rel=0.006, abs=0.006)
    assert volumes(backwards)[2] == pytest.approx(first * second * poured[0], rel=0.006, abs=0.006)
    forwards = spec(poured, {0: (1, first), 1: (2, second)})
    assert volumes(forwards)[0] == pytest.approx(first * second * poured[2], rel=0.006, abs=0.006)


@given(amounts, st.floats(0.1, 3), st.sampled_from(["ml", "oz", "cl"]))
def test_a_settled_spec_says_the_same_drink_once_and_for_all(poured, times, unit):
    made = spec([*poured[:2], 1.0], {2: (0, times)}, {2: unit})
    once = settled(made, drink_from_spec(made, LARDER))
    assert volumes(once) == pytest.approx(volumes(made), rel=1e-5, abs=1e-4)
    assert settled(once, drink_from_spec(once, LARDER)) == once
    assert once.pours[2].unit == unit
    assert once.pours[2].relative == made.pours[2].relative
    # Without the relation the file still pours it: an older reader needs to know nothing of it.
    alone = once.model_copy(update={"pours": [pour.model_copy(update={"relative": None}) for pour in once.pours]})
    assert volumes(alone) == pytest.approx(volumes(made), rel=1e-5, abs=1e-4)


def test_what_was_written_stands_where_only_rounding_parts_it_from_what_it_follows():
    assert volumes(spec([22.5, 30, 7.5], {2: (0, 0.333)}))[2] == 7.5
    assert volumes(spec([22.5, 30, 7.5], {2: (0, 0.4)}))[2] == 9.0


@pytest.mark.parametrize(
    "relative",
    [
        {0: (1, 1.0), 1: (0, 1.0)},
        {0: (1, 1.0), 1: (2, 1.0), 2: (0, 0.5)},
        {2: (0, 1000.0)},
    ],
)
def test_a_circle_and_an_impossible_amount_are_refused_with_their_place(relative, golden):
    with pytest.raises(SpecError) as refused:
        drink_from_spec(spec([30, 30, 30], relative), LARDER)
    golden(str(refused.value))


@pytest.mark.parametrize(
    ("text", "pour", "followed", "ml"),
    [
        ("half the gin", 2, 0, 22.5),
        ("half of the gin", 2, 0, 22.5),
        ("a third of the London dry gin", 2, 0, 15),
        ("as much as the brandy", 0, 1, 15),
        ("twice the brandy", 2, 1, 30),
        ("the same as the lemon", 0, 2, 20),
    ],
)
def test_following_can_be_typed(text, pour, followed, ml):
    drink = spec([45, 15, 20], {})
    read = read_typed(AmountRequest(text=text, spec=drink, pour=pour), drink, drink_from_spec(drink, LARDER), lambda: 0.0)
    assert read.relative is not None
    assert (read.relative.to, read.amount, read.unit, read.said) == (followed, pytest.approx(ml), "ml", text)


def test_a_pour_cannot_follow_itself_by_what_is_typed():
    drink = spec([45, 15, 20], {})
    with pytest.raises(ValueError, match=r"isn't an amount|isn't a unit"):
        read_typed(AmountRequest(text="half the gin", spec=drink, pour=0), drink, drink_from_spec(drink, LARDER), lambda: 0.0)
