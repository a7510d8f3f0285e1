"""Today's drinks with today's lots: what to pour instead, what to measure, what runs low, what it costs."""

from oenomel.core.menu.stock_needed import fruit_tonight
from oenomel.core.menu.todays_drinks import TodaysDrink, todays_drink, with_lots
from oenomel.core.menu.worth_measuring import WorthMeasuring, worth_measuring

__all__ = ["TodaysDrink", "WorthMeasuring", "fruit_tonight", "todays_drink", "with_lots", "worth_measuring"]
