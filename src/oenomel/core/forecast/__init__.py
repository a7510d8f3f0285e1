"""Forecast of a drink, its differences from the parent, and the reason for each figure."""

from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import STANDARD, Forecast, forecast_of

__all__ = ["STANDARD", "Forecast", "compare", "forecast_of"]
