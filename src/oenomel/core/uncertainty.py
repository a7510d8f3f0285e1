"""How sure a forecast is: spreads of pours, composition and dilution carried through to first order (model.md §6)."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.dilution import dilution_relative_sd
from oenomel.core.drink import Drink, Pour
from oenomel.core.mixing import serve
from oenomel.core.profile import Profile

__all__ = ["Z80", "Interval", "intervals80"]

Z80: Final = 1.2815515655446004
"""Half-width of a central 80 % interval in standard deviations of a normal distribution."""

JIGGER_SHARED_SD: Final = 0.02
JIGGER_SD: Final = 0.03
JIGGER_LEAST_ML: Final = 0.5
DASH_SD: Final = 0.25
BY_EYE_SD: Final = 0.20
BY_EYE_UNITS: Final = frozenset({"splash", "piece", "leaf"})
FIGURES: Final = ("volume_ml", "abv", "sugar", "acid")


@dataclass(frozen=True, slots=True)
class Interval:
    """A central 80 % interval, in the unit of its figure."""

    low: float
    high: float


def intervals80(drink: Drink, tin: Profile, served: Profile) -> dict[str, Interval]:
    """80 % intervals of volume, strength, sweetness and acidity of a drink that is foreseen as ``tin`` and as ``served``.

    Each input is moved by one standard deviation up and down, all in one batch of drinks; the effects are independent and
    add in squares. Inputs: the measure (shared by all pours of a jigger, and each pour's own), strength, sugar and acid of
    each ingredient (an ingredient poured twice is one unknown), and the water from the ice.
    """
    volumes = np.array([pour.liquid_ml for pour in drink.pours])
    composition = np.array([pour.ingredient.composition.axes for pour in drink.pours])
    meets_ice = np.array([pour.meets_ice for pour in drink.pours])
    volume_moves, composition_moves = _moves(drink, volumes, composition)
    # The last input is the ice: it moves no pour.
    up_down = np.array([1.0, -1.0])[:, None, None]
    moved_volumes = np.maximum(volumes + up_down * volume_moves, 0)
    moved_composition = np.maximum(composition + up_down[..., None] * composition_moves, 0)
    melt = np.ones((2, len(volume_moves)))
    melt[:, -1] += np.array([1.0, -1.0]) * dilution_relative_sd(tin.abv / 100, drink.method)
    glass = serve(moved_volumes, moved_composition, meets_ice, drink.method, melt).glass
    moved = np.concatenate([glass.volume_ml[..., None], glass.concentrations], axis=-1)
    half_widths = Z80 * np.sqrt((((moved[0] - moved[1]) / 2) ** 2).sum(axis=0))
    return {
        name: Interval(max(0.0, getattr(served, name) - half_width), getattr(served, name) + half_width)
        for name, half_width in zip(FIGURES, half_widths.tolist(), strict=True)
    }


def _moves(drink: Drink, volumes: NDArray[np.float64], composition: NDArray[np.float64]) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """One standard deviation of each input, the ice last: of volumes, shape (inputs, pours); of composition, shape (inputs, pours, 3)."""
    shared, own = np.array([_pour_sd_ml(pour) for pour in drink.pours]).T
    volume_moves = np.vstack([shared, np.diag(own)])

    # An ingredient that is poured twice is one unknown: which pours, shape (ingredients, pours).
    slugs = [pour.ingredient.slug for pour in drink.pours]
    poured = np.array([[slug == one for slug in slugs] for one in dict.fromkeys(slugs)], dtype=np.float64)
    spread = np.array([pour.ingredient.composition.axes_relative_sd for pour in drink.pours])
    composition_moves = np.zeros((len(poured), 3, *composition.shape))
    for column in range(3):
        composition_moves[:, column, :, column] = poured * (composition * spread)[:, column]

    inputs = len(volume_moves) + 3 * len(poured) + 1
    all_volume_moves = np.zeros((inputs, len(volumes)))
    all_volume_moves[: len(volume_moves)] = volume_moves
    all_composition_moves = np.zeros((inputs, *composition.shape))
    all_composition_moves[len(volume_moves) : -1] = composition_moves.reshape(-1, *composition.shape)
    return all_volume_moves, all_composition_moves


def _pour_sd_ml(pour: Pour) -> tuple[float, float]:
    """Standard deviations of a pour: what all pours of a jigger share, and its own, [ml]."""
    volume = pour.liquid_ml
    if volume == 0:
        return 0.0, 0.0
    if pour.unit in ("dash", "drop"):
        return 0.0, DASH_SD * volume
    if pour.unit in BY_EYE_UNITS or pour.stage == "rinse":
        return 0.0, BY_EYE_SD * volume
    shared = JIGGER_SHARED_SD * volume
    return shared, math.sqrt(max(JIGGER_SD * volume, JIGGER_LEAST_ML) ** 2 - shared**2)
