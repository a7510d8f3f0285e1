"""What is said of a riff, situation by situation, word for word: read aloud once, and held here."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.balance.aroma_share import louder_words, loudness_between, part_words
from oenomel.core.balance.attribution import changes_between
from oenomel.core.forecast.comparison import Comparison, compare
from oenomel.core.forecast.forecast import STANDARD
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.technique import Method

GIN, LEMON, SYRUP = ("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5)
TEQUILA, LIME = ("blanco-agave-spirit", 45), ("lime-juice", 22.5)
SOUR = drink(GIN, LEMON, SYRUP)
DAISY = drink(TEQUILA, ("orange-liqueur-sweet", 30), LIME, family="daisy")
FIZZ = drink(GIN, ("lemon-juice", 30), SYRUP, ("soda-water", 75, "topped"), family="fizz")


def daisy(liqueur: str, liqueur_ml: float, agave_ml: float = 0.0) -> Drink:
    agave = [("agave-syrup", agave_ml)] if agave_ml else []
    return drink(TEQUILA, (liqueur, liqueur_ml), LIME, *agave, family="daisy")


# Riff and parent.
SAID = {
    "one pour alone": (drink(GIN, ("lemon-juice", 15), SYRUP), SOUR),
    "two pours, each its own axis": (drink(GIN, ("lemon-juice", 30), ("simple-syrup-1-1", 30)), SOUR),
    "a drier liqueur": (daisy("orange-liqueur-dry", 30), DAISY),
    "a drier liqueur, and agave for it": (daisy("orange-liqueur-dry", 30, 5), DAISY),
    "a drier liqueur, and as much agave as it takes": (daisy("orange-liqueur-dry", 30, 3.5), DAISY),
    "half of the liqueur": (daisy("orange-liqueur-sweet", 15), DAISY),
    "bubbles lost": (drink(GIN, ("lemon-juice", 30), SYRUP, family="fizz"), FIZZ),
    "fewer bubbles": (drink(GIN, ("lemon-juice", 30), SYRUP, ("soda-water", 40, "topped"), family="fizz"), FIZZ),
    "bubbles gained": (drink(GIN, LEMON, SYRUP, ("soda-water", 60, "topped")), SOUR),
    "another spirit of the same numbers": (drink(("white-rum", 60), LEMON, SYRUP), SOUR),
    "a split base is not told as two things that cancel in sugar": (drink(("london-dry-gin", 30), ("white-rum", 30), LEMON, SYRUP), SOUR),
    "four changes, and who brings the sugar is blamed for it": (
        drink(("white-rum", 45), ("lime-juice", 30), ("honey-syrup", 15), ("aromatic-bitters", 1.6)),
        SOUR,
    ),
    "made another way": (replace(SOUR, method=Method(seconds=4)), SOUR),
    "nothing": (SOUR, SOUR),
}  # fmt: skip


@pytest.mark.parametrize("situation", SAID)
def test_what_is_said_of_a_riff_is_true_and_blames_who_made_it(situation: str, golden):
    said: Comparison = compare(*SAID[situation])
    golden([said.headline.change, said.headline.effect, said.lean, said.bubbles, said.suggested_name])
    golden({axis.axis: axis.made_by for axis in said.axes if axis.made_by}, "made by")
    golden([each.sentence for each in said.loudness if each.told], "loudness")


@pytest.mark.parametrize(
    "ratio",
    [
        0.02, 0.25, 0.34, 0.5,
        0.67, 0.76, 1.0, 1.26, 1.34,
        1.5, 2.0, 2.9, 9.0,
    ],
)  # fmt: skip
def test_how_loud_is_said_as_the_trade_says_it(ratio: float, golden):
    golden(louder_words(ratio))


def test_parts_are_said_to_the_nearest_that_has_a_name(golden):
    golden([part_words(part) for part in (0.08, 0.17, 0.24, 0.34, 0.5, 0.66, 0.9, 1.0)])  # fmt: skip


def test_loudness_is_the_share_of_the_glass_and_nothing_that_smells_of_nothing_has_one():
    # By hand: 15 ml in 150 ml is a tenth, 10 ml in 150 ml a fifteenth: two thirds of it, ln(2/3)/0.25 = −1.62 steps of smell.
    before, after = drink(GIN, ("orange-liqueur-sweet", 15), SYRUP), drink(GIN, ("orange-liqueur-sweet", 10), SYRUP)
    told = {each.slug: each for each in loudness_between(after, before, 150, 150)}
    assert told.keys() == {"london-dry-gin", "orange-liqueur-sweet"}
    orange = told["orange-liqueur-sweet"]
    assert (orange.before, orange.after, orange.words) == (pytest.approx(0.1), pytest.approx(1 / 15), "a third quieter")
    assert orange.steps == pytest.approx(-1.622, abs=1e-3)
    assert [told[slug].told for slug in told] == [True, False]
    bare = drink(("vodka", 60), SYRUP)
    assert loudness_between(bare, bare, 120, 130) == ()


def test_names_inside_a_sentence_keep_their_capital_only_where_they_are_called_after_something():
    said = {slug: catalogue()[slug].said for slug in ("lemon-juice", "london-dry-gin", "old-style-sweetened-gin", "egg-white", "champagne")}
    assert list(said.values()) == ["lemon juice", "London dry gin", "Old Tom gin", "egg white", "Champagne"]
    own = replace(catalogue()["lemon-juice"], name="Wren's Own bitters")
    assert own.said == "Wren's Own bitters"
    assert isinstance(own, Ingredient)


def test_a_change_says_which_axes_its_pour_holds_something_of():
    changes = changes_between(daisy("orange-liqueur-dry", 30, 5), DAISY, STANDARD)
    assert {change.cause: change.brings for change in changes} == {"the dry curaçao": ("abv", "sugar"), "the agave syrup": ("sugar",)}
