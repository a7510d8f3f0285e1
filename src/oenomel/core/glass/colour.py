"""Colour of a drink: colours mix by Beer–Lambert (docs/model/glass.md, "Appearance"). Only a preview."""

from __future__ import annotations

import colorsys
import re
from collections.abc import Sequence
from functools import cache
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.spec import Drink, Pour

PATH_CM: Final = 3.0
OF_THE_WIDTH: Final = 0.5
"""Path of light through a drink, [cm], and as a share of the glass's width: light comes through the edges too, and the bright parts
decide (by eye).
"""

CLOUD_LIGHTENS: Final = 0.3
SCATTERS_PER_CM: Final = 0.6
FAT_SCATTERS: Final = 0.5
"""How far a fully cloudy drink is lightened toward white, and how much path each cm loses by cloudiness and by each g of fat in 100 ml
(by eye).
"""

FOAMING: Final = frozenset({"shake", "blend"})
AIR_OF: Final = {"firm": 0.6, "light": 0.15, "": 0.0}
"""Cloudiness of a shaken drink with a foaming pour, which is full of bubbles at first (by eye)."""

BLACK_BELOW: Final = 0.10
COLOURLESS_BELOW: Final = 0.05
GREY_BELOW: Final = 0.14
WHITE_ABOVE: Final = 0.65
PALE_ABOVE: Final = 0.80
PINK_ABOVE: Final = 0.545
BROWN_BELOW: Final = 0.42
AMBER_BELOW: Final = 0.25
BEIGE_BELOW: Final = 0.40
DEEP_BELOW: Final = 0.28
_HUES: Final = (
    (16.0, "red"), (33.0, "orange"), (48.0, "gold"), (70.0, "yellow"), (165.0, "green"), (250.0, "blue"), (300.0, "violet"),
    (345.0, "pink"), (361.0, "red"),
)  # fmt: skip
"""Limits between the names of colours: lightness 0 to 1, chroma 0 to 1, hue in degrees (by eye)."""


def absorbance_of(pours: Sequence[Pour], volume_ml: float) -> NDArray[np.float64]:
    """Compute the absorbance per cm at red, green and blue of pours in a drink of some ml; absorbances add by volume."""
    parts = np.array([pour.ingredient.absorbance for pour in pours]).reshape(-1, 3)
    total: NDArray[np.float64] = np.array([pour.liquid_ml for pour in pours]) @ parts / volume_ml
    return total


def light_through(absorbance: NDArray[np.float64]) -> NDArray[np.float64]:
    """Share of red, green and blue light that comes through, 0 to 1."""
    through: NDArray[np.float64] = 10.0 ** (-absorbance * PATH_CM)
    return through


def hue_and_chroma(light: NDArray[np.float64]) -> tuple[float, float]:
    """Hue in degrees, and chroma from 0 (grey) to 1."""
    red, green, blue = light.tolist()
    hue, _, _ = colorsys.rgb_to_hsv(red, green, blue)
    return 360 * hue, max(light.tolist()) - min(light.tolist())


COLOURS: Final = {
    "pink": ("pink",), "rose": ("pink",), "blush": ("pink",), "red": ("red",), "ruby": ("red",), "crimson": ("red",), "scarlet": ("red",),
    "orange": ("orange", "gold"), "gold": ("gold", "amber", "yellow"), "golden": ("gold", "amber", "yellow"),
    "amber": ("amber", "gold", "orange"), "copper": ("amber", "orange"), "yellow": ("yellow", "gold"), "green": ("green",),
    "blue": ("blue",), "violet": ("violet", "blue"), "purple": ("violet", "pink"), "lavender": ("violet", "blue"),
    "brown": ("brown", "amber", "beige"), "black": ("black",), "white": ("pale",), "clear": ("pale",), "pale": ("pale", "light"),
}  # fmt: skip
"""Words for a wished colour, and the words of `colour_words` that match each."""


def swatch(pours: Sequence[Pour], volume_ml: float, path_cm: float = PATH_CM, air: float = 0.0) -> str:
    """Return the colour of a drink of some ml, seen through some cm, as "#rrggbb"; ``air`` is the cloudiness of the foam shaken into it.

    A cloudy drink scatters light back before it has passed all the way through, so that less is absorbed: it looks lighter and milky.
    """
    if volume_ml <= 0:
        return "#ffffff"
    # In plain numbers: a board asks for a thousand of these, and three of them are too few for numpy.
    dense, cloudy, fat = [0.0, 0.0, 0.0], air, 0.0
    for pour in pours:
        share = pour.liquid_ml / volume_ml
        if share > 0:
            dense = [sum_ + share * own for sum_, own in zip(dense, pour.ingredient.absorbance, strict=True)]
            cloudy += share * (pour.ingredient.label("cloudiness") or 0.0)
            fat += share * pour.ingredient.composition.fat
    cloudy = min(1.0, cloudy)
    path = path_cm / (1 + (SCATTERS_PER_CM * cloudy + FAT_SCATTERS * fat) * path_cm)
    milk = cloudy * CLOUD_LIGHTENS
    channels = [10.0 ** (-absorbance * path) for absorbance in dense]
    return "#" + "".join(f"{round(255 * (channel + (1 - channel) * milk)):02x}" for channel in channels)


def swatches(absorbance: NDArray[np.float64], cloudy: NDArray[np.float64], fat: NDArray[np.float64]) -> list[str]:
    """Compute `swatch` for many drinks at once.

    Parameters
    ----------
    absorbance : ndarray, shape (n, 3), [1/cm]    at red, green and blue, of the whole drink
    cloudy : ndarray, shape (n,)                  0 clear to 1, foam counted in; more counts as 1
    fat : ndarray, shape (n,), [g/100 ml]
    """
    cloudy = np.minimum(1.0, cloudy)
    path = PATH_CM / (1 + (SCATTERS_PER_CM * cloudy + FAT_SCATTERS * fat) * PATH_CM)
    through = 10.0 ** (-absorbance * path[:, None])
    seen = np.rint(255 * (through + (1 - through) * (cloudy * CLOUD_LIGHTENS)[:, None])).astype(np.uint8)
    return [f"#{red:02x}{green:02x}{blue:02x}" for red, green, blue in seen.tolist()]


def air_in(drink: Drink) -> float:
    """Cloudiness of the foam that is shaken through a drink, 0 to 1."""
    if drink.method.technique not in FOAMING:
        return 0.0
    return max((AIR_OF[pour.ingredient.foam] for pour in drink.pours if pour.meets_ice and pour.liquid_ml > 0), default=0.0)


@cache
def colour_words(colour: str) -> str:
    """Describe a colour "#rrggbb" as one would over a glass: "light pink", "amber", "deep red".

    >>> colour_words("#f4b8c0"), colour_words("#fafaf5"), colour_words("#b01c20")
    ('light pink', 'pale', 'red')
    """
    red, green, blue = (int(colour[at : at + 2], 16) / 255 for at in (1, 3, 5))
    hue, light, _ = colorsys.rgb_to_hls(red, green, blue)
    chroma = max(red, green, blue) - min(red, green, blue)
    if light < BLACK_BELOW:
        return "black"
    name = next(name for most, name in _HUES if 360 * hue < most)
    if name == "red" and light > PINK_ABOVE:
        name = "pink"
    if chroma < GREY_BELOW:
        hint = f"pale {name}" if name in ("pink", "blue", "violet") and chroma > COLOURLESS_BELOW else "pale"
        return hint if light > WHITE_ABOVE else "grey"
    if name in ("orange", "gold", "yellow") and light < BROWN_BELOW:
        return "brown" if light < AMBER_BELOW else "amber"
    if name == "orange" and chroma < BEIGE_BELOW:
        return "beige"
    shade = "light " if light > PALE_ABOVE else "deep " if light < DEEP_BELOW else ""
    return f"{shade}{name}"


def wished_colour(words: str) -> str:
    """Return the first of `COLOURS` among the words of a wish; empty where none is.

    >>> wished_colour("Pale pink, if it can be")
    'pale'
    """
    return next((word for word in re.findall(r"[a-z]+", words.lower()) if word in COLOURS), "")


def in_colour(wished: str, seen: str) -> bool:
    """Check whether a colour in words is one of a wished `COLOURS`."""
    return any(name in seen.split() for name in COLOURS[wished])
