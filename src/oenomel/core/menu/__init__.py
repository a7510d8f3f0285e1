"""Today's drinks with today's lots: what to pour instead, what to measure, what runs low, what it costs."""

from oenomel.core.menu.stock_needed import fruit_tonight
from oenomel.core.menu.todays_drinks import TodaysDrink, made_of, todays_drink
from oenomel.core.menu.worth_measuring import WorthMeasuring, worth_measuring

__all__ = ["TodaysDrink", "WorthMeasuring", "fruit_tonight", "made_of", "todays_drink", "worth_measuring"]
