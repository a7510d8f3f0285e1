"""The evening's list made of today's lots: what to pour instead, what to measure, what runs low, what it costs."""

from oenomel.core.today.costs import cost_of_drink, cost_of_preparation, pour_cost_words
from oenomel.core.today.drinks import TodaysDrink, effect_words, made_of, making_headline, shared_moves, todays_drink, todays_headline
from oenomel.core.today.measuring import WorthMeasuring, worth_measuring
from oenomel.core.today.stock import CRATE_LASTS_H, USUAL_SERVES, Standing, fruit_tonight, poured_tonight, to_prepare

__all__ = [
    "CRATE_LASTS_H", "USUAL_SERVES", "Standing", "TodaysDrink", "WorthMeasuring", "cost_of_drink", "cost_of_preparation",
    "effect_words", "fruit_tonight", "made_of", "making_headline", "pour_cost_words", "poured_tonight", "shared_moves", "to_prepare",
    "todays_drink", "todays_headline", "worth_measuring",
]  # fmt: skip
