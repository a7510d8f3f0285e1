"""A drink as it is written: pours, method and serve, measures as they are said, and what a jigger can pour."""

from oenomel.core.spec.drink import FAMILIES, RINSE_ML, Drink, FamilyName, Pour, Stage
from oenomel.core.spec.jigger import GRID_ML, MORE_ML, grid_of, ladder, usual_bounds
from oenomel.core.spec.measures import EGG_ML, Said, beginnings, is_by_eye, plain, read_said
from oenomel.core.spec.method import (
    ICES,
    PIECE_G,
    DryShake,
    Edge,
    Garnish,
    Ice,
    Method,
    Moment,
    OwnStep,
    Serve,
    SparklingPlace,
    Strain,
    Technique,
    garnish_from_words,
)
from oenomel.core.spec.typed_amount import PART_SIZES_ML, Asks, TypedAmount, parse_typed
from oenomel.core.spec.units import BAR_OUNCE_ML, ML_PER_UNIT, UNITS, Measure, Unit, parse_amount, pourable, to_ml, unit_words

__all__ = [
    "BAR_OUNCE_ML", "EGG_ML", "FAMILIES", "GRID_ML", "ICES", "ML_PER_UNIT", "MORE_ML", "PART_SIZES_ML", "PIECE_G", "RINSE_ML", "UNITS",
    "Asks", "Drink", "DryShake", "Edge", "FamilyName", "Garnish", "Ice", "Measure", "Method", "Moment", "OwnStep", "Pour", "Said",
    "Serve", "SparklingPlace", "Stage", "Strain", "Technique", "TypedAmount", "Unit", "beginnings", "garnish_from_words", "grid_of",
    "is_by_eye", "ladder", "parse_amount", "parse_typed", "plain", "pourable", "read_said", "to_ml", "unit_words", "usual_bounds",
]  # fmt: skip
