"""A drink: ingredients in slots and stages, with a method and a serve."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Final, Literal, get_args

from oenomel.core.larder import Ingredient, SlotName
from oenomel.core.spec.technique import Method, Serve
from oenomel.core.spec.units import Unit

FamilyName = Literal["sour", "daisy", "fizz", "open"]
FAMILIES: Final[tuple[FamilyName, ...]] = get_args(FamilyName)
Stage = Literal["mixed", "glass", "topped", "floated", "rinse", "rim", "garnish"]
STAGES: Final[tuple[Stage, ...]] = get_args(Stage)

RINSE_ML: Final = 1.5
"""What stays of a rinse in the glass, [ml]. Common practice: 1 to 2 ml."""


@dataclass(frozen=True, slots=True)
class Pour:
    """One pour. ``volume_ml`` is the liquid it adds before anything is thrown away; ``by_eye`` marks an amount that isn't measured,
    ``dissolves_later`` a sugar cube that isn't dissolved yet when the drink is served. ``amount`` is the amount as written, in its
    unit; None where there is none.
    """

    ingredient: Ingredient
    volume_ml: float
    unit: Unit = "ml"
    slot: SlotName = "other"
    stage: Stage = "mixed"
    by_eye: bool = False
    dissolves_later: bool = False
    amount: float | None = field(default=None, compare=False)

    @property
    def liquid_ml(self) -> float:
        """Volume that reaches the drink as served, [ml]: none of a rim or a garnish, 1.5 ml of a rinse."""
        if self.stage in ("rim", "garnish") or self.dissolves_later:
            return 0.0
        return min(self.volume_ml, RINSE_ML) if self.stage == "rinse" else self.volume_ml

    def at(self, volume_ml: float) -> Pour:
        """Return the pour with another amount; ten times as fast as `dataclasses.replace`, for searches over thousands."""
        return Pour(self.ingredient, volume_ml, self.unit, self.slot, self.stage, self.by_eye, self.dissolves_later)

    def of(self, ingredient: Ingredient) -> Pour:
        """Return the same amount of another ingredient, or of another lot."""
        return replace(self, ingredient=ingredient)

    @property
    def meets_ice(self) -> bool:
        """True if it is in the tin or mixing glass together with the ice."""
        return self.stage == "mixed"


@dataclass(frozen=True, slots=True)
class Drink:
    """A whole drink."""

    name: str
    family: FamilyName
    pours: tuple[Pour, ...]
    form: str = ""
    method: Method = field(default_factory=Method)
    serve: Serve = field(default_factory=Serve)

    def __post_init__(self) -> None:
        # A sugar cube is left undissolved in the glass, and in a drink that is only built.
        alone = self.method.technique in ("build", "none")
        if any(pour.unit == "piece" and pour.ingredient.kind == "sugar" for pour in self.pours):
            pours = (
                replace(p, dissolves_later=p.stage == "glass" or (p.stage == "mixed" and alone))
                if p.unit == "piece" and p.ingredient.kind == "sugar"
                else p
                for p in self.pours
            )
            object.__setattr__(self, "pours", tuple(pours))

    def with_pours(self, pours: tuple[Pour, ...]) -> Drink:
        """Return the drink with other pours."""
        return Drink(self.name, self.family, pours, self.form, self.method, self.serve)
