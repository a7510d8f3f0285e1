"""A step of a method, and a bar's choices about methods."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final, Literal, get_args

from oenomel.core.method.amount_words import Measures, Shown, amount_words, pour_words
from oenomel.core.spec import BAR_OUNCE_ML, Drink, Moment, Pour

Order = Literal["cheap and risky first", "spirit first", "as written"]
ORDERS: Final[tuple[Order, ...]] = get_args(Order)
Sparkling = Literal["on top", "in the glass first", "half and half"]
SPARKLING: Final[tuple[Sparkling, ...]] = get_args(Sparkling)
StepKind = Literal["prepare", "pour", "work", "serve", "top", "taste", "garnish", "own"]

_OF_THIS_DRINK: Final[dict[str, Sparkling]] = {"top": "on top", "first": "in the glass first", "both": "half and half"}
_VESSEL: Final = {"shake": "tin", "roll": "tin", "stir": "mixing glass", "blend": "blender"}


@dataclass(frozen=True, slots=True)
class MethodOptions:
    """A bar's choices about methods: the order of pours, when the sparkling one goes in, and the unit of amounts."""

    order: Order = ORDERS[0]
    sparkling: Sparkling = SPARKLING[0]
    shown: Shown = "ml"
    ounce_ml: float = BAR_OUNCE_ML

    @property
    def measures(self) -> Measures:
        """Unit of amounts in words."""
        return Measures(self.shown, self.ounce_ml)

    def sparkling_of(self, drink: Drink) -> Sparkling:
        """Return where the sparkling pour goes: by the drink's own method, else by the bar's choice."""
        return _OF_THIS_DRINK.get(drink.method.sparkling, self.sparkling)


@dataclass(frozen=True, slots=True)
class Step:
    """One step, as a sentence.

    ``pour`` is the index of its pour, ``share`` the share of it, and ``amount`` that amount as written in ``words``; ``seconds`` of a
    shake or stir; ``sign`` is a sentence on how one sees that it is done, or why. ``moment`` is the one that begins with it. ``listed``
    is the shorter text for where the pours are listed anyway: one text for all that are only poured, else empty. ``own`` is the index
    of one of the drink's own lines. ``key`` stays the same while the rest of the drink changes.
    """

    key: str
    kind: StepKind
    words: str
    sign: str = ""
    pour: int | None = None
    share: float = 1.0
    amount: str = ""
    seconds: float | None = None
    moment: Moment | None = None
    listed: str = ""
    own: int | None = None


@dataclass(frozen=True, slots=True)
class Making:
    """A drink being made, and the words for its vessels and pours."""

    drink: Drink
    way: MethodOptions

    @property
    def glass(self) -> str:
        """Glass that the drink is served in."""
        return self.drink.serve.glass or "glass"

    @property
    def vessel(self) -> str:
        """Vessel that the drink is mixed in."""
        return _VESSEL.get(self.drink.method.technique, self.glass)

    @property
    def foams(self) -> bool:
        """True if the drink gets a firm foam."""
        return any(pour.ingredient.foam == "firm" and self.goes_in(pour) for pour in self.drink.pours)

    def of(self, pour: Pour, share: float = 1.0) -> str:
        """Return a pour in words, inside a sentence."""
        return pour_words(pour, self.way.measures, share)

    def amount(self, pour: Pour, share: float = 1.0) -> str:
        """Return the amount of a pour in words."""
        return amount_words(pour, self.way.measures, share)

    def goes_in(self, pour: Pour) -> bool:
        """Check whether a pour goes in the vessel; a sparkling one never does in a shaken or stirred drink."""
        worked = self.drink.method.technique not in ("none", "build")
        return pour.stage == "mixed" and not (pour.ingredient.is_sparkling and worked)

    @property
    def mixed(self) -> list[tuple[int, Pour]]:
        """Pours that go into the vessel, each with its index."""
        return [(index, pour) for index, pour in enumerate(self.drink.pours) if self.goes_in(pour)]

    @property
    def sparkling(self) -> list[tuple[int, Pour]]:
        """Sparkling pours that go in later, each with its index."""
        apart = ("mixed", "glass", "topped", "floated")
        return [
            (index, pour)
            for index, pour in enumerate(self.drink.pours)
            if pour.ingredient.is_sparkling and pour.stage in apart and not self.goes_in(pour) and pour.volume_ml > 0
        ]

    def staged(self, stage: str) -> list[tuple[int, Pour]]:
        """Return the still pours of a stage, each with its index."""
        return [(i, p) for i, p in enumerate(self.drink.pours) if p.stage == stage and not p.ingredient.is_sparkling]
