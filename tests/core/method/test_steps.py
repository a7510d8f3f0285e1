"""The steps of a drink: what holds for all of them, and what its own lines change. What each says is read in golden files.

What is done, and in which order, is common practice of the trade.
"""

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st
from support.drinks import SOUR, drink, served

from oenomel.core.method.step import ORDERS, SPARKLING, MethodOptions
from oenomel.core.method.steps import making_steps
from oenomel.core.spec.drink import STAGES, Drink
from oenomel.core.spec.technique import ICES, TECHNIQUES, Garnish, Method, OwnStep, Serve

STANDARD = MethodOptions()


def words(made: Drink, way: MethodOptions = STANDARD) -> list[str]:
    return [step.words for step in making_steps(made, way)]


def test_each_step_names_its_pour_its_amount_its_seconds_and_the_sign_that_it_is_done(golden):
    method = Method(seconds=9, dry_shake_seconds=10, seconds_between=(8, 10))
    steps = {step.key: step for step in making_steps(served(drink(*SOUR, ("egg-white", 30), method=method)))}
    juice = steps["pour: lemon-juice"]
    golden((juice.pour, juice.amount, juice.words))
    assert (steps["shake"].seconds, steps["shake"].words) == (9, "Shake for 8 to 10 seconds.")
    assert steps["shake"].sign == "Until the tin frosts."
    assert (steps["dry shake"].seconds, steps["dry shake"].moment) == (10, "shake")
    own = replace(method, sign="the seal creaks")
    assert next(step.sign for step in making_steps(served(drink(*SOUR, method=own))) if step.key == "shake") == "Until the seal creaks."


slugs = st.sampled_from(
    ["white-rum", "lemon-juice", "simple-syrup-1-1", "egg-white", "soda-water", "sparkling-brut", "raspberries", "mint", "caster-sugar"]
)
stages = st.sampled_from([stage for stage in STAGES if stage not in ("rim", "garnish")])
poured_units = st.sampled_from(["ml", "piece", "dash"])


@given(
    st.lists(st.tuples(slugs, st.sampled_from([5.0, 30.0]), stages, poured_units), min_size=1, max_size=8, unique_by=lambda each: each[0]),
    st.sampled_from(TECHNIQUES),
    st.sampled_from(ICES),
    st.sampled_from([MethodOptions(order, sparkling) for order in ORDERS for sparkling in SPARKLING]),
    st.sampled_from(["first", "last"]),
)
def test_every_pour_is_made_once_whole_and_nothing_sparkling_goes_in_a_vessel_that_is_worked(pours, technique, ice, way, dry_shake):
    made = drink(*(each[:3] for each in pours), method=Method(technique, dry_shake_seconds=5, dry_shake=dry_shake))
    units = tuple(replace(pour, unit=each[3]) for pour, each in zip(made.pours, pours, strict=True))
    steps = making_steps(served(made.with_pours(units), Serve("tall glass", ice)), way)
    for index, pour in enumerate(made.pours):
        mine = [step for step in steps if step.pour == index and not step.key.startswith("egg:")]
        assert sum(step.share for step in mine) == 1, pour
        if pour.ingredient.is_sparkling and technique not in ("build", "none"):
            assert not any(step.kind == "pour" for step in mine)
    assert len({step.key for step in steps}) == len(steps)


def test_a_tick_outlasts_a_change_elsewhere_and_of_the_amount():
    before = making_steps(served(drink(*SOUR)))
    after = making_steps(served(drink(("white-rum", 50), ("lemon-juice", 30), ("simple-syrup-1-1", 15), ("egg-white", 30))))
    assert {step.key for step in before} <= {step.key for step in after}


def test_lines_of_its_own_stand_before_their_moment_and_in_place_of_what_they_are_told_instead_of(golden):
    lines = (
        OwnStep("Peel into the tin", "shake"),
        OwnStep("Wipe the foot.", "top"),
        OwnStep("Strain slowly", instead_of="strain"),
        OwnStep("", instead_of="chill"),
        OwnStep("Bring it at once", "serve"),
    )
    made = served(drink(*SOUR, method=Method(steps=lines)), Serve("coupe", garnish=(Garnish("lime wheel"),)))
    told = words(made)
    assert "chill" not in [step.key for step in making_steps(made)]
    # There is nothing on top: the line stands before what comes next.
    golden(told)
    keys = [step.key for step in making_steps(made)]
    moved = replace(made, method=replace(made.method, order=("pour: white-rum", "pour: lemon-juice", "gone")))
    at = [keys.index(each) for each in ("pour: lemon-juice", "pour: white-rum")]
    after = [step.key for step in making_steps(moved)]
    assert [after[each] for each in at] == ["pour: white-rum", "pour: lemon-juice"]
    assert sorted(after) == sorted(keys)
