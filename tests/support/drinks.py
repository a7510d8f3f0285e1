"""Drinks that several tests pour."""

from dataclasses import replace

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.composition import Composition
from oenomel.core.larder.ingredient import Ingredient
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Method, Serve

TABLE_LIME = Ingredient(
    "table-lime", "Lime of the published table", "juice", Composition(sugars={"other": 1.6}, acids={"citric": 4.0, "malic": 2.0})
)

UP = Serve("coupe")
SOUR = (("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))


def served(made: Drink, serve: Serve = UP) -> Drink:
    """The drink in a glass."""
    return replace(made, serve=serve)


def drink(*pours: tuple[str, float] | tuple[str, float, str], family: str = "sour", method: Method | None = None) -> Drink:
    """A drink from slugs and millilitres, each with a stage if it isn't in the tin; slots are the ingredients' first."""
    larder = catalogue()
    made = tuple(
        Pour(larder[slug], ml, slot=next(iter(larder[slug].slots), "other"), stage=stage[0] if stage else "mixed")
        for slug, ml, *stage in pours
    )
    return Drink("A drink", family, made, method=method or Method())


def eight_three_three() -> Drink:
    """The 8 : 3 : 3 of the published table."""
    larder = catalogue()
    return Drink(
        "8 : 3 : 3",
        "sour",
        (
            Pour(larder["white-rum"], 60, slot="base"),
            Pour(TABLE_LIME, 22.5, slot="sour"),
            Pour(larder["simple-syrup-1-1"], 22.5, slot="sweet"),
        ),
    )
