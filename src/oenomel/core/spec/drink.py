"""A drink as it is poured: ingredients in slots and stages, the method, and the glass."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Final, Literal, get_args

from oenomel.core.larder import Ingredient, SlotName
from oenomel.core.spec.units import Unit

FamilyName = Literal["sour", "daisy", "fizz", "open"]
FAMILIES: Final[tuple[FamilyName, ...]] = get_args(FamilyName)
Stage = Literal["mixed", "glass", "topped", "floated", "rinse", "rim", "garnish"]
STAGES: Final[tuple[Stage, ...]] = get_args(Stage)
Technique = Literal["shake", "stir", "build", "blend", "swizzle", "roll", "none"]
TECHNIQUES: Final[tuple[Technique, ...]] = get_args(Technique)
Ice = Literal["none", "cubes", "large", "crushed"]
ICES: Final[tuple[Ice, ...]] = get_args(Ice)

RINSE_STAYS_ML: Final = 1.5
"""What stays of a rinse of the glass, [ml]. Common practice: 1 to 2 ml."""


@dataclass(frozen=True, slots=True)
class Pour:
    """One pour: ``volume_ml`` is the amount resolved to the liquid it brings, before any of it is thrown away; ``by_eye`` tells that nobody
    measured it.
    """

    ingredient: Ingredient
    volume_ml: float
    unit: Unit = "ml"
    slot: SlotName = "other"
    stage: Stage = "mixed"
    by_eye: bool = False

    @property
    def liquid_ml(self) -> float:
        """What ends up in the drink, [ml]: a rim and a garnish add nothing, of a rinse 1.5 ml stays."""
        if self.stage in ("rim", "garnish"):
            return 0.0
        return min(self.volume_ml, RINSE_STAYS_ML) if self.stage == "rinse" else self.volume_ml

    @property
    def meets_ice(self) -> bool:
        """Whether it is in the tin or mixing glass when the ice is."""
        return self.stage == "mixed"


@dataclass(frozen=True, slots=True)
class Method:
    """How the tin is worked. ``seconds`` None stands for the reference time of the technique; 0 is no contact with ice."""

    technique: Technique = "shake"
    seconds: float | None = None
    dry_shake_seconds: float = 0.0
    ice: Ice = "cubes"


@dataclass(frozen=True, slots=True)
class Serve:
    """What it is served in."""

    glass: str = ""
    ice: Ice = "none"
    garnish: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Drink:
    """A whole drink."""

    name: str
    family: FamilyName
    pours: tuple[Pour, ...]
    form: str = ""
    method: Method = field(default_factory=Method)
    serve: Serve = field(default_factory=Serve)
