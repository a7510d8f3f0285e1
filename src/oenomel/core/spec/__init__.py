"""A drink as written: pours, method and serve, spoken measures, and the marks of a jigger."""

from oenomel.core.spec.drink import Drink, FamilyName, Pour, Stage
from oenomel.core.spec.jigger import GRID_ML, grid_of, usual_bounds
from oenomel.core.spec.measures import SpokenAmount, parse_measure, plain
from oenomel.core.spec.technique import Garnish, Ice, Method, Moment, Serve, Technique
from oenomel.core.spec.units import BAR_OUNCE_ML, ML_PER_UNIT, Unit, parse_amount, to_ml

__all__ = [
    "BAR_OUNCE_ML",
    "GRID_ML",
    "ML_PER_UNIT",
    "Drink",
    "FamilyName",
    "Garnish",
    "Ice",
    "Method",
    "Moment",
    "Pour",
    "Serve",
    "SpokenAmount",
    "Stage",
    "Technique",
    "Unit",
    "grid_of",
    "parse_amount",
    "parse_measure",
    "plain",
    "to_ml",
    "usual_bounds",
]
