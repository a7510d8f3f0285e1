"""What a drink looks like: colours mix by Beer–Lambert (model.md §9). A preview, and called one."""

from __future__ import annotations

import colorsys
from collections.abc import Sequence
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.spec import Pour

PATH_CM: Final = 5.0
"""How far light goes through a drink: the width of a common glass."""

CLOUD_LIGHTENS: Final = 0.3
"""How far what is wholly cloudy goes toward white (by eye)."""


def absorbance_of(pours: Sequence[Pour], volume_ml: float) -> NDArray[np.float64]:
    """Absorbance per cm at red, green and blue of pours in a drink of so many ml; absorbances add by volume."""
    parts = np.array([pour.ingredient.absorbance for pour in pours]).reshape(-1, 3)
    total: NDArray[np.float64] = np.array([pour.liquid_ml for pour in pours]) @ parts / volume_ml
    return total


def light_through(absorbance: NDArray[np.float64]) -> NDArray[np.float64]:
    """Share of red, green and blue light that comes through, 0 to 1."""
    through: NDArray[np.float64] = 10.0 ** (-absorbance * PATH_CM)
    return through


def hue_and_chroma(light: NDArray[np.float64]) -> tuple[float, float]:
    """Hue in degrees, and how coloured it is from 0 (grey) to 1."""
    red, green, blue = light.tolist()
    hue, _, _ = colorsys.rgb_to_hsv(red, green, blue)
    return 360 * hue, max(light.tolist()) - min(light.tolist())


def swatch(pours: Sequence[Pour], volume_ml: float, path_cm: float = PATH_CM) -> str:
    """What a drink of so many ml looks like through so many cm, as a colour of a screen "#rrggbb"; cloudiness lightens it toward milk."""
    if volume_ml <= 0:
        return "#ffffff"
    # In plain numbers: a board asks for a thousand of these, and three of them are too few for numpy.
    dense, cloudy = [0.0, 0.0, 0.0], 0.0
    for pour in pours:
        share = pour.liquid_ml / volume_ml
        if share > 0:
            dense = [sum_ + share * own for sum_, own in zip(dense, pour.ingredient.absorbance, strict=True)]
            cloudy += share * (pour.ingredient.label("cloudiness") or 0.0)
    milk = min(1.0, cloudy) * CLOUD_LIGHTENS
    channels = [10.0 ** (-absorbance * path_cm) for absorbance in dense]
    return "#" + "".join(f"{round(255 * (channel + (1 - channel) * milk)):02x}" for channel in channels)
