"""The plan backwards from the hour, what the evening takes, corrections of a bottle, lines of descent: laws and tables."""

import itertools

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink

from oenomel.core.balance.mixing import mix
from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.balance.profile import profile_of
from oenomel.core.batch.batch import BatchWish, batch_of
from oenomel.core.batch.bottle_label import label_of
from oenomel.core.batch.corrections import corrections, wanted_steps
from oenomel.core.batch.solera_shares import Filling, contents_of, shares
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.event.schedule import MOST_HANDS, Task, is_late, schedule
from oenomel.core.event.shopping import ForTheEvening, Stock, shopping
from oenomel.core.event.tasks import EveningDrink, tasks_for, to_make
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.preparations.preparation import KitchenStep
from oenomel.core.spec.drink import Pour
from oenomel.core.spec.technique import Garnish, Serve
from oenomel.errors import DomainError, OutOfRange

LARDER = catalogue()


@st.composite
def plans(draw):
    """Tasks that need only earlier ones, so that there is no circle."""
    many = draw(st.integers(1, 30))
    return [
        Task(
            f"t{n}",
            f"Task {n}",
            draw(st.floats(0.5, 90)),
            draw(st.sampled_from([0.0, 0.0, 15.0, 180.0])),
            draw(st.sampled_from([0.0, 0.0, 5.0, 30.0])),
            tuple(f"t{each}" for each in sorted(draw(st.sets(st.integers(0, n - 1), max_size=3)))) if n else (),
        )
        for n in range(many)
    ]


@given(tasks=plans(), hands=st.integers(1, 4))
def test_nothing_begins_before_what_it_needs_and_everything_is_ready_before_it_is_needed(tasks, hands):
    planned = {each.task.key: each for each in schedule(tasks, hands)}
    assert planned.keys() == {task.key for task in tasks}
    for each in planned.values():
        assert each.ends - each.begins == each.task.minutes
        assert each.ready == each.ends + each.task.waits
        assert each.ready <= -each.task.before
        assert all(planned[need].ready <= each.begins for need in each.task.needs)
    # No hand does two things at once.
    for hand in range(hands):
        of = sorted((each.begins, each.ends) for each in planned.values() if each.hand == hand)
        assert all(before[1] <= after[0] for before, after in itertools.pairwise(of))


def test_more_hands_begin_later_and_one_alone_does_one_thing_after_another():
    tasks = [Task(f"t{n}", "Cut", 10) for n in range(6)]
    begins = {hands: min(each.begins for each in schedule(tasks, hands)) for hands in (1, 2, 3, 6)}
    assert begins == {1: -60, 2: -30, 3: -20, 6: -10}


@pytest.mark.parametrize(
    ("tasks", "hands", "error", "words"),
    [
        ([Task("a", "A", 5, needs=("b",)), Task("b", "B", 5, needs=("a",))], 1, DomainError, "circle"),
        ([Task("a", "A", 5, needs=("z",))], 1, DomainError, "nobody does"),
        ([Task("a", "A", 5), Task("a", "B", 5)], 1, DomainError, "one key"),
        ([Task("a", "A", 5)], 0, OutOfRange, "hands"),
        ([Task("a", "A", 5)], MOST_HANDS + 1, OutOfRange, "hands"),
    ],
)
def test_a_plan_that_can_not_be_is_refused(tasks, hands, error, words):
    with pytest.raises(error, match=words):
        schedule(tasks, hands)


def test_what_should_be_out_of_hand_is_late_until_it_is_ticked():
    (planned,) = schedule([Task("a", "A", 10, before=60)])
    assert (planned.begins, planned.ends) == (-70, -60)
    assert not is_late(planned, -61, done=False)
    assert is_late(planned, -59, done=False)
    assert not is_late(planned, -59, done=True)


GARNISHED = Serve(glass="coupe", garnish=(Garnish("lime wheel"), Garnish("lime zest"), Garnish("mint sprig")))


def evening(serves=12, service="ice"):
    made = drink(
        ("white-rum", 45), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5), ("caster-sugar", 4, "rim"), ("soda-water", 50, "topped")
    )
    made = made.with_pours(made.pours)
    made = type(made)("Long One", made.family, made.pours, made.form, made.method, GARNISHED)
    batch = batch_of(made, BatchWish(service, serves=serves))
    stirred = drink(("london-dry-gin", 60), ("sweet-vermouth", 25))
    stirred = type(stirred)("Short One", "open", stirred.pours, "", stirred.method, Serve(glass="coupe"))
    return [
        EveningDrink(ForTheEvening(made, serves, serves, service), batch),
        EveningDrink(ForTheEvening(stirred, 0, 5), ready="the small bottle"),
    ]


def test_an_evening_is_told_from_zest_to_ice_and_every_task_after_what_it_needs():
    drinks = evening()
    stock = {"simple-syrup-1-1": Stock(100, "", True), "white-rum": Stock(0, "at hand"), "soda-water": Stock()}
    bought = shopping([each.of for each in drinks], stock, {}, Conditions())
    syrup = to_make(LARDER["simple-syrup-1-1"], 170, [KitchenStep("simmer", 5), KitchenStep("cool", 40)])
    assert (syrup.ml, syrup.minutes, syrup.waits, syrup.is_hot) == (200, 15, 40, True)
    planned = schedule(tasks_for(drinks, [syrup], bought), 2)
    at = {each.task.key: each for each in planned}
    wanted = {
        "make: simple-syrup-1-1", "zest: lime", "cut: lime", "press: lime", "mix: Long One", "taste: Long One", "cold: Long One", "bubbles",
        "edge: Long One", "glasses: coupe", "garnish: Long One mint sprig", "ready: Short One", "ice", "bar",
    }  # fmt: skip
    assert wanted <= at.keys()
    for first, then in (
        ("zest: lime", "press: lime"), ("press: lime", "mix: Long One"), ("make: simple-syrup-1-1", "mix: Long One"),
        ("mix: Long One", "taste: Long One"), ("taste: Long One", "cold: Long One"),
    ):  # fmt: skip
        assert at[first].ready <= at[then].begins
    assert at["cold: Long One"].ready <= 0
    assert at["edge: Long One"].ready <= -15
    assert all(each.task.words[0].isupper() or each.task.words[0].isdigit() for each in planned)
    # What is only poured out of a bottle wants no juice, no shaker and no mixing.
    assert not any("Short One" in key and key.startswith(("mix", "press")) for key in at)


def test_opened_bottles_go_first_then_the_shelf_the_stillroom_and_the_shop(golden):
    lines = shopping(
        [each.of for each in evening()],
        {
            "simple-syrup-1-1": Stock(100, "", True),
            "white-rum": Stock(400, "at hand"),
            "soda-water": Stock(0, "low"),
        },
        {},
        Conditions(),
    )
    told = {line.key: line for line in lines}
    assert [line.source for line in lines] == sorted((line.source for line in lines), key=("open", "shelf", "stillroom", "shop").index)
    assert told["open: white-rum"].ml == 400
    assert told["shelf: white-rum"].ml == 12 * 45 - 400
    assert told["open: simple-syrup-1-1"].ml == 100
    assert told["stillroom: simple-syrup-1-1"].amount == "200 ml"
    assert told["shop: soda-water"].amount == "1 bottle of 1000 ml"
    golden(told["shop: soda-water"].words)
    # The limes give zest, wheels and juice, each counted once; what is in the bottle already takes none.
    limes = told["fruit: lime"]
    assert limes.low <= limes.pieces <= limes.high
    assert limes.pieces >= 12 + 2
    assert told["garnish: mint sprig"].pieces == 12
    assert not any(line.slug == "london-dry-gin" for line in lines)
    assert told["ice"].amount.endswith(" kg")


def test_a_label_names_how_it_is_served_and_what_must_be_named(golden):
    made = drink(("white-rum", 45), ("lemon-juice", 22.5), ("simple-syrup-1-1", 20), ("egg-white", 30), ("sparkling-brut", 40, "topped"))
    label = label_of(batch_of(made, BatchWish("shaken", serves=10)))
    assert label.allergens == ("egg", "sulphites")
    assert "raw egg" in label.cautions
    golden(label.serve)
    assert len(label.each) == 2


BOTTLE = [
    Pour(LARDER["london-dry-gin"], 360, slot="base"),
    Pour(LARDER["lime-juice"], 180, slot="sour"),
    Pour(LARDER["simple-syrup-1-1"], 90, slot="sweet"),
    Pour(LARDER["still-water"], 180),
]


def level(pours, axis):
    return getattr(profile_of(mix([each.volume_ml for each in pours], [each.ingredient.composition.vector for each in pours])), axis)


@given(axis=st.sampled_from(sorted(AXES)), said=st.sampled_from([-2, -1, 1, 2]))
def test_what_is_added_moves_the_axis_by_what_the_tongue_asked_for(axis, said):
    for found in corrections(BOTTLE, axis, wanted_steps(said), grid_ml=1):
        after = [*BOTTLE, *(Pour(each.ingredient, each.ml) for each in found.additions)]
        steps = float(steps_between(level(after, axis), level(BOTTLE, axis), AXES[axis]))
        assert steps == pytest.approx(wanted_steps(said), abs=0.08)
        assert found.moves[axis] == pytest.approx(steps, abs=1e-9)
        # Half a step of it, poured, is half a step.
        share = found.half_step_ml / found.ml
        half = [*BOTTLE, *(Pour(each.ingredient, each.ml * share) for each in found.additions)]
        assert abs(float(steps_between(level(half, axis), level(BOTTLE, axis), AXES[axis]))) == pytest.approx(0.5, abs=0.05)


def test_corrections_are_what_a_bartender_would_pour(golden):
    # Common practice: the drink's own syrup sweetens, its own juice sharpens, water weakens; sugar and acid can't be taken out again.
    def poured(axis, said):
        return [each.ingredient.slug for each in corrections(BOTTLE, axis, wanted_steps(said))[0].additions]

    assert poured("sugar", -1) == ["simple-syrup-1-1"]
    assert poured("acid", -1) == ["lime-juice"]
    assert poured("abv", 1) == ["still-water"]
    assert poured("abv", -1) == ["london-dry-gin"]
    assert "simple-syrup-1-1" not in poured("sugar", 1)
    assert "lime-juice" not in poured("acid", 1)
    sweeter = corrections(BOTTLE, "sugar", wanted_steps(-1))[0]
    golden(sweeter.words)
    assert corrections(BOTTLE, "sugar", 0.0) == ()
    with golden.raises(DomainError):
        corrections(BOTTLE, "abv", wanted_steps(3))
    with pytest.raises(OutOfRange):
        wanted_steps(4)


@given(kept=st.floats(0.05, 0.9), many=st.integers(2, 8))
def test_each_filling_holds_its_share_of_the_older_ones(kept, many):
    chain = {1: Filling(1, 1000.0)} | {n: Filling(n, 1000 * (1 - kept), n - 1, 1000 * kept) for n in range(2, many + 1)}
    found = dict(shares(chain, many))
    # Batch n holds share x of n − 1, x² of n − 2 … (docs/model/batch.md).
    for key, share in found.items():
        grown = kept ** (many - key)
        assert share == pytest.approx(grown if key == 1 else grown * (1 - kept))


def test_a_filling_that_can_not_be_is_refused(golden):
    with golden.raises(DomainError):
        shares({1: Filling(1, 500, 2, 250), 2: Filling(2, 500, 1, 250)}, 1)
    with golden.raises(DomainError):
        shares({1: Filling(1, 500, 7, 250)}, 1)


def test_what_is_in_a_bottle_follows_from_all_that_went_in():
    contents = contents_of(BOTTLE)
    for axis, value in zip(("abv", "sugar", "acid"), contents.axes, strict=True):
        assert value == pytest.approx(level(BOTTLE, axis))
    # Spreads of independent things: less than any one of them alone.
    assert contents.relative_sd("acids") == pytest.approx(LARDER["lime-juice"].composition.relative_sd("acids"), rel=0.05)
