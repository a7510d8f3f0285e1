"""The forecast of a drink, how it differs from its parent, and why each figure is what it is."""

from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import STANDARD, Forecast, forecast_of

__all__ = ["STANDARD", "Forecast", "compare", "forecast_of"]
