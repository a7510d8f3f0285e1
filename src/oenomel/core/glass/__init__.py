"""The drink in its glass: its look, and how it changes over twenty minutes."""

from oenomel.core.glass.appearance import Appearance
from oenomel.core.glass.colour import air_in, swatch

__all__ = ["Appearance", "air_in", "swatch"]
