"""The glasses of the app's list, and how full a drink makes one."""

from __future__ import annotations

import tomllib
from functools import cache
from importlib import resources

from oenomel.core.in_the_glass import serving_ice

__all__ = ["fill", "glasses"]


@cache
def glasses() -> dict[str, float]:
    """What each glass holds to the brim, [ml], smallest first."""
    text = (resources.files("oenomel.core") / "data" / "glasses.toml").read_text(encoding="utf-8")
    sizes = {name: float(table["brim_ml"]) for name, table in tomllib.loads(text).items()}
    return dict(sorted(sizes.items(), key=lambda each: each[1]))


def fill(glass: str, ice: str, volume_ml: float) -> float | None:
    """How full a drink makes a glass with its ice, 1 to the brim; None for a glass outside the list.

    Floating ice lifts the drink by the room of its own weight in water.

    >>> fill("coupe", "none", 110)
    0.5
    """
    brim_ml = glasses().get(glass)
    return None if brim_ml is None else (volume_ml + serving_ice(ice).grams) / brim_ml
