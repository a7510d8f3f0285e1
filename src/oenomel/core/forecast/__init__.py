"""The forecast of a drink, how it differs from its parent, and why each figure is what it is."""

from oenomel.core.forecast.comparison import AxisDifference, Comparison, Headline, compare
from oenomel.core.forecast.forecast import STANDARD, Dilution, Forecast, Place, forecast_of
from oenomel.core.forecast.serving_ice import ServedOnIce, Sip, on_each_ice
from oenomel.core.forecast.why import Checkpoint, ExplainedFigure, Why, explain

__all__ = [
    "STANDARD", "AxisDifference", "Checkpoint", "Comparison", "Dilution", "ExplainedFigure", "Forecast", "Headline", "Place",
    "ServedOnIce", "Sip", "Why", "compare", "explain", "forecast_of", "on_each_ice",
]  # fmt: skip
