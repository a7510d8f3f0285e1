"""Whatever is pressed together is answered with drinks that keep it, or refused with a sentence; and always the same."""

from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.depth import examples
from support.drinks import drink

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.families.family import families
from oenomel.core.glass.colour import COLOURS, air_in, colour_words, in_colour, swatch
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.originals.aroma_pairings import groups
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.menu_search import menu_of
from oenomel.core.originals.pour_sizes import Pourer
from oenomel.core.originals.scoring import FAR_FROM_BOOK, NEAR_BOOK
from oenomel.core.originals.search import POUR_WORK, WISH_WORK, Selection, combinations_left, handful_of, originals, what_would_open
from oenomel.core.originals.search_context import BookDrink, SearchContext
from oenomel.core.originals.usual_measures import seasons
from oenomel.core.rebalance.budget import Budget
from oenomel.errors import DomainError

SLUGS = sorted(slug for slug, each in catalogue().items() if each.slots)
FEW = frozenset(SLUGS[::4]) | {"lemon-juice", "lime-juice", "simple-syrup-1-1", "white-rum", "london-dry-gin", "soda-water"}
LEFT_OUT = ["egg", "milk", "alcohol", "tree nuts", "sulphites", "vegan", "spirit", "syrup", "mint", "lime-juice"]
DRAWN = 6_000


@cache
def ground() -> SearchContext:
    book = [
        BookDrink("Gate Sour", drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)), 1),
        BookDrink("Wall Daisy", drink(("cognac", 45), ("orange-liqueur-sweet", 30), ("lemon-juice", 15), family="daisy"), 2),
    ]
    return SearchContext(catalogue(), book)


@st.composite
def pressed_together(draw) -> dict[str, object]:
    family = draw(st.sampled_from(["sour", "daisy", "fizz"]))
    low, width = draw(st.floats(0, 30)), draw(st.floats(0.5, 20))
    return {
        "family": family,
        "form": draw(st.sampled_from(["", "", "", *(form.name for form in families()[family].forms)])),
        "must": tuple(draw(st.lists(st.sampled_from(SLUGS), max_size=2, unique=True))),
        "without": tuple(draw(st.lists(st.sampled_from(LEFT_OUT), max_size=2, unique=True))),
        "pool": draw(st.sampled_from([None, None, FEW])),
        "abv": draw(st.sampled_from([None, None, (low, low + width)])),
        "sweetness": draw(st.sampled_from(["", "dry", "sweet"])),
        "colour": draw(st.sampled_from(["", "", "", *COLOURS])),
        "aroma": tuple(draw(st.lists(st.sampled_from(list(groups())), max_size=1))),
        "season": draw(st.sampled_from(["", *seasons()])),
        "from_book": draw(st.sampled_from(["", "near", "far"])),
        "ingredients": draw(st.sampled_from([(3, 6), (3, 4), (4, 6)])),
        "count": draw(st.integers(1, 6)),
        "seed": draw(st.integers(0, 99)),
    }


def answer(told: dict[str, object]) -> tuple[Criteria, Selection] | str:
    try:
        wish = Criteria(**told)
        *_, last = originals(ground(), wish, (), DRAWN)
    except DomainError as error:
        return str(error)
    return wish, last


def keeps(word: str, each: Ingredient) -> bool:
    """Whether an ingredient may be in a drink without this."""
    if word == "alcohol":
        return each.composition.abv <= 0.5
    if word == "vegan":
        return each.kind not in ("egg", "dairy", "honey") and not {"egg", "milk"} & set(each.allergens)
    return word not in (each.slug, each.kind, *each.allergens)


@examples(20)
@given(pressed_together())
def test_any_wish_is_kept_or_refused_with_a_sentence(told):
    found = answer(told)
    if isinstance(found, str):
        assert len(found) > 20
        assert "None" not in found
        return
    wish, last = found
    assert last.done
    assert 1 <= len(last.originals) <= wish.count
    assert list(last.originals) == sorted(last.originals, key=lambda each: -round(each.score, 9))
    for each in last.originals:
        poured = [pour.ingredient for pour in each.drink.pours]
        seen = colour_words(swatch(each.drink.pours, each.forecast.served.volume_ml, air=air_in(each.drink)))
        assert each.distance_steps <= 1
        assert set(wish.must) <= {part.slug for part in poured}
        assert all(keeps(word, part) for word in wish.without for part in poured)
        assert wish.pool is None or {part.slug for part in poured if part.kind != "water"} <= wish.pool
        assert wish.abv is None or wish.abv[0] <= each.forecast.served.abv <= wish.abv[1]
        assert not wish.colour or in_colour(wish.colour, seen)
        assert wish.ingredients[0] <= len(each.parts) <= wish.ingredients[1]
        assert wish.from_book != "near" or each.novelty <= NEAR_BOOK
        assert wish.from_book != "far" or each.novelty >= FAR_FROM_BOOK
        assert not wish.form or each.drink.form == wish.form


@given(pressed_together())
@examples(6)
def test_the_same_wish_has_the_same_answer_and_a_count(told):
    one, again = answer(told), answer(told)
    if isinstance(one, str):
        assert one == again
        return
    wish, last = one
    assert not isinstance(again, str)
    assert [each.drink for each in last.originals] == [each.drink for each in again[1].originals]
    assert combinations_left(ground(), wish).combinations == last.combinations > 0


HARD = {
    "nothing to pay and no alcohol": {"family": "fizz", "abv": (0.0, 0.0), "most_cost": 0.0},
    "sixty of a rare colour": {"family": "sour", "colour": "blue", "count": 60},
    "six conditions at once": {
        "family": "sour", "abv": (30.0, 40.0), "aroma": ("roast", "dairy"), "colour": "blue", "without": ("egg", "milk"), "must": ("mint",),
    },
    "sixty of anything": {"family": "daisy", "count": 60},
}  # fmt: skip


@pytest.mark.parametrize("school", ["curve", "heat balance"])
@pytest.mark.parametrize("what", HARD)
def test_no_wish_takes_more_work_than_its_budget(what, school, monkeypatch):
    poured, budget = [], Budget(WISH_WORK)
    pour = Pourer.pour
    monkeypatch.setattr(Pourer, "pour", lambda self, drawn: poured.append(len(drawn)) or pour(self, drawn))
    on = SearchContext(catalogue(), (), conditions=Conditions(dilution=school))
    try:
        *_, last = originals(on, Criteria(**HARD[what]), budget=budget)
    except DomainError as error:
        # What is in the way, or how far it looked.
        refused = str(error)
    else:
        refused = ""
        assert last.originals
        assert len(last.originals) == HARD[what].get("count", 20) or last.notes
    assert not refused or "no drink" in refused
    # One turn may overdraw it: the drinks that are presented, or the last count of what would open.
    assert sum(poured) * POUR_WORK[school] <= 1.3 * WISH_WORK
    assert budget.left > -0.3 * WISH_WORK


def test_a_budget_that_is_spent_ends_with_the_best_found_and_says_so():
    wish = Criteria("sour", count=20)
    found = handful_of(ground(), wish, (), DRAWN, Budget(700_000))
    assert 1 <= len(found.originals) < 20
    assert found.ended
    assert any(str(len(found.originals)) in note for note in found.notes)
    # Others who wait end it as well, whatever work is left.
    stopped = handful_of(ground(), wish, (), DRAWN, Budget(WISH_WORK, stopped=lambda: True))
    assert stopped.ended
    assert stopped.poured <= found.poured


def test_the_answer_does_not_depend_on_what_was_asked_before():
    wish, fresh = Criteria("daisy", count=60, seed=4), SearchContext(catalogue(), ())
    for other in (Criteria("daisy", count=2, seed=4), Criteria("daisy", count=2, seed=4, sweetness="dry")):
        handful_of(fresh, other, (), DRAWN)
    again = handful_of(fresh, wish, (), DRAWN, Budget(1_500_000))
    first = handful_of(SearchContext(catalogue(), ()), wish, (), DRAWN, Budget(1_500_000))
    assert [each.drink for each in again.originals] == [each.drink for each in first.originals]


def test_a_whole_menu_takes_the_budget_of_one_wish():
    budget = Budget(WISH_WORK)
    on = SearchContext(catalogue(), (), conditions=Conditions(dilution="heat balance"))
    made = menu_of(on, [Criteria(("sour", "daisy", "fizz")[place % 3]) for place in range(12)], budget=budget)
    assert len(made.drinks) == 12
    assert budget.left > -0.3 * WISH_WORK


def test_who_dropped_would_open_how_many_is_told_the_most_first(golden):
    wish = Criteria("sour", abv=(30, 40), aroma=("roast", "dairy"), colour="blue")
    opening = what_would_open(ground(), wish)
    assert opening == sorted(opening, key=lambda each: (-each[1], each[0]))
    golden({called for called, _ in what_would_open(ground(), Criteria("sour", abv=(30, 40)))})
