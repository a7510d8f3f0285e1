"""What is said of a riff, situation by situation, word for word: read aloud once, and held here."""

from dataclasses import replace

import pytest
from support.drinks import drink

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
    golden([each.sentence for each in said.loudness if each.is_noticeable], "loudness")


def test_names_inside_a_sentence_keep_their_capital_only_where_they_are_called_after_something():
    said = {
        slug: catalogue()[slug].in_sentence
        for slug in ("lemon-juice", "london-dry-gin", "old-style-sweetened-gin", "egg-white", "champagne")
    }
    assert list(said.values()) == ["lemon juice", "London dry gin", "Old Tom gin", "egg white", "Champagne"]
    own = replace(catalogue()["lemon-juice"], name="Wren's Own bitters")
    assert own.in_sentence == "Wren's Own bitters"
    assert isinstance(own, Ingredient)


def test_a_change_says_which_axes_its_pour_holds_something_of():
    changes = changes_between(daisy("orange-liqueur-dry", 30, 5), DAISY, STANDARD)
    assert {change.cause: change.brings for change in changes} == {"the dry curaçao": ("abv", "sugar"), "the agave syrup": ("sugar",)}
