"""The steps of a drink, written from it. What is done, and in which order, is common practice of the trade (domain.md)."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from support.drinks import drink

from oenomel.core.larder.larder_files import catalogue
from oenomel.core.making.steps import ORDERS, SPARKLING, Way, making_steps
from oenomel.core.spec.drink import ICES, STAGES, TECHNIQUES, Drink, Method, Pour, Serve

UP = Serve("coupe")
SOUR = (("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))


def served(made: Drink, serve: Serve = UP) -> Drink:
    return replace(made, serve=serve)


def mint_crush() -> Drink:
    larder = catalogue()
    pours = (Pour(larder["corn-whiskey"], 60, slot="base"), Pour(larder["simple-syrup-1-1"], 10, slot="sweet"))
    mint = Pour(larder["mint"], 0, unit="leaf", slot="accent")
    method, serve = Method("swizzle", ice="crushed"), Serve("large rocks glass", "crushed", ("mint sprig",))
    return Drink("Crush", "open", (*pours, mint), method=method, serve=serve)


CONFIGURATIONS = {
    "sour up": (
        served(drink(*SOUR)),
        Way(),
        """Chill the coupe | Press the lemon | Lemon juice into the tin | Simple syrup 1:1 into the tin | White rum into the tin
        | Ice into the tin: cubes | Shake | Double strain into the coupe""",
    ),
    "spirit first, with a zest that is cut before the fruit is juiced": (
        served(drink(*SOUR), Serve("coupe", garnish=("lemon zest",))),
        Way(order="spirit first"),
        """Chill the coupe | Cut the lemon zest | Press the lemon | White rum into the tin | Simple syrup 1:1 into the tin
        | Lemon juice into the tin | Ice into the tin: cubes | Shake | Double strain into the coupe | Garnish: lemon zest""",
    ),
    "foam: egg apart first, shaken dry, bitters on the foam": (
        served(drink(*SOUR, ("egg-white", 30), ("aromatic-bitters", 1.6, "floated"), method=Method(dry_shake_seconds=10))),
        Way(),
        """Chill the coupe | Press the lemon | Separate the egg into a cup of its own | Egg white into the tin
        | Lemon juice into the tin | Simple syrup 1:1 into the tin | White rum into the tin | Shake without ice | Ice into the tin: cubes
        | Shake | Double strain into the coupe | Drip the Aromatic bitters on the foam""",
    ),
    "daisy with a sugared edge": (
        served(
            drink(("white-rum", 45), ("orange-liqueur-sweet", 30), ("lime-juice", 15), ("caster-sugar", 3, "rim"), family="daisy"),
            Serve("coupe", garnish=("verbena leaf, an echo of the syrup",)),
        ),
        Way(),
        """Chill the coupe | Sugar the edge of the coupe | Press the lime | Lime juice into the tin
        | Triple sec into the tin | White rum into the tin | Ice into the tin: cubes | Shake | Double strain into the coupe
        | Garnish: verbena leaf""",
    ),
    "fizz, topped at the end": (
        served(drink(*SOUR, ("soda-water", 75, "topped"), family="fizz"), Serve("tall glass", "cubes")),
        Way(),
        """Press the lemon | Lemon juice into the tin | Simple syrup 1:1 into the tin | White rum into the tin | Ice into the tin: cubes
        | Shake | Fresh cubes into the tall glass | Strain into the tall glass | Soda water on top""",
    ),
    "fizz, half of the sparkling part first": (
        served(drink(*SOUR, ("sparkling-brut", 60, "topped"), family="fizz"), Serve("wine glass")),
        Way(sparkling="half and half"),
        """Chill the wine glass | Press the lemon | Lemon juice into the tin | Simple syrup 1:1 into the tin | White rum into the tin
        | Ice into the tin: cubes | Shake | Half of the Brut sparkling wine into the wine glass | Double strain into the wine glass
        | The rest of the Brut sparkling wine on top""",
    ),
    "sparkling part that the spec shakes all the same": (
        served(drink(*SOUR, ("soda-water", 60), family="fizz"), Serve("tall glass")),
        Way(sparkling="in the glass first"),
        """Chill the tall glass | Press the lemon | Lemon juice into the tin | Simple syrup 1:1 into the tin | White rum into the tin
        | Ice into the tin: cubes | Shake | Soda water into the tall glass | Double strain into the tall glass""",
    ),
    "stirred, in a rinsed glass": (
        served(
            drink(("rye-whiskey", 60), ("sweet-vermouth", 30), ("anise-wormwood-spirit", 5, "rinse"), family="open", method=Method("stir"))
        ),
        Way(order="as written"),
        """Chill the coupe | Rinse the coupe with Absinthe | Rye whiskey into the mixing glass
        | Sweet vermouth into the mixing glass | Ice into the mixing glass: cubes | Stir | Strain into the coupe""",
    ),
    "crushed, with leaves and a float": (
        replace(mint_crush(), pours=(*mint_crush().pours, Pour(catalogue()["aged-rum"], 10, slot="base", stage="floated"))),
        Way(),
        """Mint, pressed lightly in the large rocks glass | Simple syrup 1:1 into the large rocks glass
        | Bourbon into the large rocks glass | Crushed ice into the large rocks glass, heaped | Swizzle
        | Float the Aged rum over the back of a spoon | Garnish: mint sprig""",
    ),
    "built on a large cube, lengthened": (
        served(
            drink(("orange-bitter-aperitif", 45), ("soda-water", 30, "topped"), family="open", method=Method("build")),
            Serve("small rocks glass", "large"),
        ),
        Way(),
        """Orange aperitivo into the small rocks glass | One large cube into the small rocks glass
        | Lift once or twice with a spoon | Soda water on top""",
    ),
}


@pytest.mark.parametrize(("made", "way", "expected"), CONFIGURATIONS.values(), ids=CONFIGURATIONS)
def test_steps_of_ten_configurations(made, way, expected):
    assert [step.words for step in making_steps(made, way)] == [" ".join(each.split()) for each in expected.split("|")]


def test_each_step_names_its_pour_its_seconds_and_the_sign_that_it_is_done():
    made, _, _ = CONFIGURATIONS["foam: egg apart first, shaken dry, bitters on the foam"]
    steps = {step.words: step for step in making_steps(replace(made, method=Method(seconds=9, dry_shake_seconds=10)))}
    assert steps["Lemon juice into the tin"].pour == 1
    assert (steps["Shake"].seconds, steps["Shake without ice"].seconds) == (9, 10)
    assert "frosts" in steps["Shake"].sign
    assert "hold the seal" in steps["Shake without ice"].sign
    assert "yolk" in steps["Separate the egg into a cup of its own"].sign
    daisy, way, _ = CONFIGURATIONS["daisy with a sugared edge"]
    assert making_steps(daisy, way)[-1].sign == "an echo of the syrup"


slugs = st.sampled_from(
    ["white-rum", "lemon-juice", "simple-syrup-1-1", "egg-white", "soda-water", "sparkling-brut", "mint", "caster-sugar"]
)
stages = st.sampled_from([stage for stage in STAGES if stage not in ("rim", "garnish")])


@given(
    st.lists(st.tuples(slugs, st.sampled_from([5.0, 30.0]), stages), min_size=1, max_size=8, unique_by=lambda each: each[0]),
    st.sampled_from(TECHNIQUES),
    st.sampled_from(ICES),
    st.sampled_from([Way(order, sparkling) for order in ORDERS for sparkling in SPARKLING]),
)
def test_every_pour_is_made_once_whole_and_nothing_sparkling_goes_in_a_vessel_that_is_worked(pours, technique, ice, way):
    made = served(drink(*pours, method=Method(technique, dry_shake_seconds=5)), Serve("tall glass", ice))
    steps = making_steps(made, way)
    for index, pour in enumerate(made.pours):
        shares = [step.share for step in steps if step.pour == index and not step.words.startswith("Separate")]
        assert sum(shares) == 1, pour
        if pour.ingredient.is_sparkling and technique not in ("build", "none"):
            assert not any(step.kind == "pour" for step in steps if step.pour == index)
    assert len({step.key for step in steps}) == len(steps)


@pytest.mark.parametrize(
    ("method", "last_work"),
    [
        (Method("roll"), "Roll from tin to tin, five times"),
        (Method("blend"), "Blend"),
        (Method("shake", seconds=0), "Mix without ice"),
        (Method("stir", ice="none"), "Mix without ice"),
        (Method("shake", ice="crushed"), "Shake"),
    ],
)
def test_each_technique_has_its_way(method, last_work):
    steps = making_steps(served(drink(*SOUR, method=method)))
    work = [step.words for step in steps if step.kind == "work"]
    assert work[-1] == last_work
    assert any(words.startswith("Ice into") for words in work) == (last_work != "Mix without ice" and method.technique != "none")


@pytest.mark.parametrize(
    ("edge", "words"),
    [
        ("caster-sugar", "Sugar the edge of the coupe"),
        ("saline", "Salt the edge of the coupe"),
        ("mint", "Coat the edge of the coupe with Mint"),
    ],
)
def test_an_edge_wants_a_dry_glass(edge, words):
    chill, coat, *_ = making_steps(served(drink(*SOUR, (edge, 1, "rim"))))
    assert (chill.sign, coat.words) == ("dry, or the edge won't hold", words)
    assert "dry" in coat.sign


def test_a_tick_outlasts_a_change_elsewhere():
    before = making_steps(served(drink(*SOUR)))
    after = making_steps(served(drink(("white-rum", 60), ("lemon-juice", 30), ("simple-syrup-1-1", 15), ("egg-white", 30))))
    assert {step.key for step in before} <= {step.key for step in after}
