"""What is said of a riff, situation by situation, word for word: read aloud once, and held here."""

from dataclasses import replace

import pytest
from support.drinks import drink

from oenomel.core.balance.attribution import changes_between
from oenomel.core.balance.loudness import louder_words, loudness_between, part_words
from oenomel.core.forecast.comparison import Comparison, compare
from oenomel.core.forecast.forecast import STANDARD
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.larder.larder_files import catalogue
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.method import Method

GIN, LEMON, SYRUP = ("london-dry-gin", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5)
TEQUILA, LIME = ("blanco-agave-spirit", 45), ("lime-juice", 22.5)
SOUR = drink(GIN, LEMON, SYRUP)
DAISY = drink(TEQUILA, ("orange-liqueur-sweet", 30), LIME, family="daisy")
FIZZ = drink(GIN, ("lemon-juice", 30), SYRUP, ("soda-water", 75, "topped"), family="fizz")


def daisy(liqueur: str, liqueur_ml: float, agave_ml: float = 0.0) -> Drink:
    agave = [("agave-syrup", agave_ml)] if agave_ml else []
    return drink(TEQUILA, (liqueur, liqueur_ml), LIME, *agave, family="daisy")


# Riff, parent, what is changed, what it does, who made each axis, what the nose, the bubbles and sweet against tart say, its name.
SAID = {
    "one pour alone": (
        drink(GIN, ("lemon-juice", 15), SYRUP), SOUR, "Less lemon juice", "Softer", {},
        ["lemon juice a quarter quieter"], "", "", "Less lemon juice",
    ),
    "two pours, each its own axis": (
        drink(GIN, ("lemon-juice", 30), ("simple-syrup-1-1", 30)), SOUR, "More lemon juice and more simple syrup 1:1",
        "Sweeter, a touch sharper, a touch weaker", {"sugar": "Sweeter by more simple syrup 1:1.", "acid": "Sharper by more lemon juice."},
        [], "", "", "More lemon juice",
    ),
    "a drier liqueur": (
        daisy("orange-liqueur-dry", 30), DAISY, "Dry curaçao for triple sec", "Clearly drier", {},
        [], "Leans tart, where the parent stood level.", "", "Dry curaçao for triple sec",
    ),
    "a drier liqueur, and agave for it": (
        daisy("orange-liqueur-dry", 30, 5), DAISY, "Dry curaçao for triple sec and agave syrup added", "Sweeter",
        {"sugar": "Sweeter by the agave syrup, drier by the dry curaçao."}, [], "", "", "Dry curaçao for triple sec",
    ),
    "a drier liqueur, and as much agave as it takes": (
        daisy("orange-liqueur-dry", 30, 3.5), DAISY, "Dry curaçao for triple sec and agave syrup added",
        "As sweet, as sharp and as strong, to the tongue",
        {"sugar": "Sweeter by the agave syrup, drier by the dry curaçao: they cancel."}, [], "", "", "Dry curaçao for triple sec",
    ),
    "half of the liqueur": (
        daisy("orange-liqueur-sweet", 15), DAISY, "Less triple sec", "Clearly drier, a touch sharper", {},
        ["triple sec two fifths quieter"], "Leans tart, where the parent stood level.", "", "Less triple sec",
    ),
    "bubbles lost": (
        drink(GIN, ("lemon-juice", 30), SYRUP, family="fizz"), FIZZ, "Soda water left out",
        "Clearly stronger, clearly sweeter, sharper", {},
        ["London dry gin half as loud again", "lemon juice half as loud again"], "", "The bubbles are gone: it is a still drink.",
        "Without soda water",
    ),
    "fewer bubbles": (
        drink(GIN, ("lemon-juice", 30), SYRUP, ("soda-water", 40, "topped"), family="fizz"), FIZZ, "Less soda water",
        "Stronger, a touch sweeter, a touch sharper", {}, [], "", "Fewer bubbles than the parent has.", "Less soda water",
    ),
    "bubbles gained": (
        drink(GIN, LEMON, SYRUP, ("soda-water", 60, "topped")), SOUR, "Soda water added", "Clearly weaker, clearly drier, softer", {},
        ["lemon juice a quarter quieter", "London dry gin a quarter quieter"], "Stands level, where the parent leant sweet.",
        "It sparkles now.", "With soda water",
    ),
    "another spirit of the same numbers": (
        drink(("white-rum", 60), LEMON, SYRUP), SOUR, "White rum for London dry gin", "As sweet, as sharp and as strong, to the tongue", {},
        [], "", "", "White rum for London dry gin",
    ),
    "a split base is not told as two things that cancel in sugar": (
        drink(("london-dry-gin", 30), ("white-rum", 30), LEMON, SYRUP), SOUR, "Less London dry gin and white rum added",
        "As sweet, as sharp and as strong, to the tongue",
        {"abv": "Weaker by less London dry gin, stronger by the white rum: they cancel."}, ["London dry gin half as loud"], "", "",
        "Less London dry gin",
    ),
    "four changes, and who brings the sugar is blamed for it": (
        drink(("white-rum", 45), ("lime-juice", 30), ("honey-syrup", 15), ("aromatic-bitters", 1.6)), SOUR,
        "White rum for London dry gin and 3 more changes", "Clearly drier, clearly sharper, a touch weaker",
        {"sugar": "Drier by the honey syrup 1:1.", "acid": "Sharper by the lime juice.", "abv": "Weaker by the white rum."},
        [], "Leans tart, where the parent leant sweet.", "", "White rum for London dry gin",
    ),
    "made another way": (
        replace(SOUR, method=Method(seconds=4)), SOUR, "Made another way", "A touch stronger, a touch sweeter, a touch sharper", {},
        [], "", "", "Made another way",
    ),
    "nothing": (SOUR, SOUR, "", "As the parent", {}, [], "", "", "As it stands"),
}  # fmt: skip


@pytest.mark.parametrize("situation", SAID)
def test_what_is_said_of_a_riff_is_true_and_blames_who_made_it(situation: str):
    riff, parent, change, effect, made_by, nose, lean, bubbles, name = SAID[situation]
    said: Comparison = compare(riff, parent)
    assert said.headline.change == change
    assert said.headline.effect == effect
    assert {axis.axis: axis.made_by for axis in said.axes if axis.made_by} == made_by
    assert [each.sentence for each in said.loudness if each.told] == nose
    assert (said.lean, said.bubbles, said.suggested_name) == (lean, bubbles, name)


@pytest.mark.parametrize(
    ("ratio", "words"),
    [
        (0.02, "all but gone"), (0.25, "three quarters quieter"), (0.34, "two thirds quieter"), (0.5, "half as loud"),
        (0.67, "a third quieter"), (0.76, "a quarter quieter"), (1.0, "as loud"), (1.26, "a quarter louder"), (1.34, "a third louder"),
        (1.5, "half as loud again"), (2.0, "twice as loud"), (2.9, "three times as loud"), (9.0, "many times as loud"),
    ],
)  # fmt: skip
def test_how_loud_is_said_as_the_trade_says_it(ratio: float, words: str):
    assert louder_words(ratio) == words


def test_parts_are_said_to_the_nearest_that_has_a_name():
    assert [part_words(part) for part in (0.08, 0.17, 0.24, 0.34, 0.5, 0.66, 0.9, 1.0)] == [
        "a tenth", "a sixth", "a quarter", "a third", "half", "two thirds", "nine tenths", "nearly all",
    ]  # fmt: skip


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
