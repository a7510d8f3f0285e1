"""The drink in its glass: how it looks, and what twenty minutes make of it."""

from oenomel.core.glass.appearance import Appearance
from oenomel.core.glass.colour import air_in, swatch

__all__ = ["Appearance", "air_in", "swatch"]
