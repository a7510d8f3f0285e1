"""The drink in its glass: how it looks, and what twenty minutes make of it."""

from oenomel.core.glass.appearance import Appearance, Layer, appearance_of, to_the_line_ml
from oenomel.core.glass.colour import (
    AIR_OF,
    COLOURS,
    absorbance_of,
    air_in,
    colour_words,
    hue_and_chroma,
    in_colour,
    light_through,
    swatch,
    swatches,
    wished_colour,
)
from oenomel.core.glass.edge import EdgeSip, edge_sip
from oenomel.core.glass.glassware import HALF_EMPTY, LINE, fill, glasses, ice_for, others_for, size_to
from oenomel.core.glass.twenty_minutes import LEAST_FLOAT_ML, Course, course_of

__all__ = [
    "AIR_OF", "COLOURS", "HALF_EMPTY", "LEAST_FLOAT_ML", "LINE", "Appearance", "Course", "EdgeSip", "Layer", "absorbance_of", "air_in",
    "appearance_of", "colour_words", "course_of", "edge_sip", "fill", "glasses", "hue_and_chroma", "ice_for", "in_colour",
    "light_through", "others_for", "size_to", "swatch", "swatches", "to_the_line_ml", "wished_colour",
]  # fmt: skip
