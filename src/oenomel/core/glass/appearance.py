"""Appearance of a drink in its glass: level, layers, foam, ice and colour (docs/model/glass.md, "Appearance"). It is only a preview."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.glass.colour import FOAMING, OF_THE_WIDTH, air_in, swatch
from oenomel.core.glass.glassware import HALF_EMPTY, LINE, Glass, glasses, ice_for
from oenomel.core.glass.time_course import LEAST_FLOAT_ML, ice_in_glass
from oenomel.core.spec import Drink, Pour
from oenomel.errors import DomainError

FOAM_ML_PER_ML: Final = {"firm": 1.0, "light": 0.3, "": 0.0}
DRY_SHAKEN: Final = 1.6
"""Foam for each ml of a foaming pour, [ml], and the factor of a dry shake (estimates by eye)."""

FOAM_COLOUR: Final = "#f6efe0"
NEAR_LINE_ML: Final = 3.0
"""Colour of foam, and the distance from the line that counts as on it, [ml] (house rule)."""


@dataclass(frozen=True, slots=True)
class Layer:
    """One layer in the glass: its name, its bottom and top in cm, its ml, and its colour as "#rrggbb"."""

    name: str
    from_cm: float
    to_cm: float
    volume_ml: float
    colour: str


@dataclass(frozen=True, slots=True)
class Appearance:
    """A drink as it looks in its glass.

    ``liquid`` are its layers from below, ``foam`` lies on them. ``state`` is "overflows", "over the line", "right" or "low", ``words``
    says it with the ml. ``lifted_ml`` is the room that floating ice takes below the surface.
    """

    glass: Glass
    ice: str
    lifted_ml: float
    line_cm: float
    liquid: tuple[Layer, ...]
    foam: Layer | None
    drops: tuple[str, ...]
    state: str
    words: str

    @property
    def line_ml(self) -> float:
        """Volume of the glass up to its wash line, [ml]."""
        return self.glass.line_ml


def appearance_of(drink: Drink, volume_ml: float) -> Appearance | None:
    """Draw some ml of a drink as served; None where its glass isn't listed."""
    glass = glasses().get(drink.serve.glass)
    if glass is None:
        return None
    lifted = ice_for(glass.name, drink.serve.ice, volume_ml).grams
    floated = [pour for pour in drink.pours if pour.stage == "floated" and pour.liquid_ml > 0]
    on_top = sum(pour.liquid_ml for pour in floated)
    parts: list[tuple[str, float, Sequence[Pour]]]
    if LEAST_FLOAT_ML <= on_top < volume_ml:
        below = [pour for pour in drink.pours if pour.stage != "floated"]
        parts = [("drink", volume_ml - on_top, below), (" and ".join(p.ingredient.name for p in floated), on_top, floated)]
    else:
        parts = [("drink", volume_ml, drink.pours)]
    foam_ml = _foam_ml(drink)
    liquid, reached = _stacked(glass, lifted, parts, air_in(drink))
    foam = Layer("foam", liquid[-1].to_cm, glass.height_cm(reached + foam_ml), foam_ml, FOAM_COLOUR) if foam_ml else None
    drops = tuple(p.ingredient.name for p in floated) if 0 < on_top < LEAST_FLOAT_ML else ()
    state, words = _fill_words(glass, reached, foam_ml)
    return Appearance(glass, drink.serve.ice, lifted, glass.height_cm(LINE * glass.brim_ml), tuple(liquid), foam, drops, state, words)


def _stacked(glass: Glass, lifted_ml: float, parts: Sequence[tuple[str, float, Sequence[Pour]]], air: float) -> tuple[list[Layer], float]:
    """Return the layers from below, and the volume up to their surface with the ice, [ml]; ``air`` is shaken into the first."""
    whole = sum(volume for _, volume, _ in parts)
    layers: list[Layer] = []
    reached = 0.0
    for name, volume, pours in parts:
        # Ice floats in all of it: each layer is lifted by its share.
        room = volume + lifted_ml * volume / whole if whole else 0.0
        bottom, top = glass.height_cm(reached), glass.height_cm(reached + room)
        path = OF_THE_WIDTH * 2 * glass.radius_cm((bottom + top) / 2)
        layers.append(Layer(name, bottom, top, volume, swatch(pours, volume, path, 0.0 if layers else air)))
        reached += room
    return layers, reached


def _foam_ml(drink: Drink) -> float:
    if drink.method.technique not in FOAMING:
        return 0.0
    shaken = sum(FOAM_ML_PER_ML[pour.ingredient.foam] * pour.liquid_ml for pour in drink.pours if pour.meets_ice)
    return shaken * (DRY_SHAKEN if drink.method.dry_shake_seconds > 0 else 1.0)


def _fill_words(glass: Glass, reached_ml: float, foam_ml: float) -> tuple[str, str]:
    """Return how full a glass is with its ice, as a state and in words."""
    if reached_ml > glass.brim_ml:
        return "overflows", f"{reached_ml - glass.brim_ml:.0f} ml too much: it overflows"
    if reached_ml + foam_ml > glass.brim_ml:
        return "overflows", "the foam overflows"
    over = reached_ml - glass.line_ml
    if over > NEAR_LINE_ML:
        return "over the line", f"{over:.0f} ml above the wash line"
    if over >= -NEAR_LINE_ML:
        return "right", "at the wash line"
    return "low" if reached_ml < HALF_EMPTY * glass.brim_ml else "right", f"{-over:.0f} ml below the wash line"


def to_the_line_ml(drink: Drink, pour: int, volume_ml: float) -> float:
    """Return how much of a pour fills the glass to its line, given the ml of the drink as served, [ml].

    Raises
    ------
    DomainError
        The pour meets the ice, so that the water would change too; the glass isn't listed; or the drink is over the line already.
    """
    glass, chosen = glasses().get(drink.serve.glass), drink.pours[pour]
    if chosen.stage not in ("glass", "topped", "floated"):
        raise DomainError(f"{chosen.ingredient.name} goes in before the ice: only what is poured in the glass can be topped up")
    if glass is None:
        raise DomainError("choose a glass first, to know how far to top up")
    room = glass.line_ml - (volume_ml - chosen.liquid_ml) - ice_in_glass(drink.serve.ice).grams
    if room <= 0:
        raise DomainError(f"the {glass.name} is full before {chosen.ingredient.name} goes in: use a larger glass, or less of the rest")
    return room
