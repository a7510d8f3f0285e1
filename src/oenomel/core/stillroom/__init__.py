"""What a house cooks, infuses, thins and mixes: grams in, an ingredient out, with how sure it is and how long it keeps."""

from oenomel.core.stillroom.adjusting import to_acid, to_brix
from oenomel.core.stillroom.by_cup import by_cup_words
from oenomel.core.stillroom.goods import Good, all_goods, good_called, goods_found
from oenomel.core.stillroom.mass_balance import is_strained_out, may_be_strained_out
from oenomel.core.stillroom.outcome import OWN_RECIPE, Outcome, prepared
from oenomel.core.stillroom.preparation import (
    Do,
    FinalMeasure,
    KitchenStep,
    KitchenUnit,
    Line,
    Preparation,
    PreparationKind,
    checked_line,
    line_of,
    scaled,
)

__all__ = [
    "OWN_RECIPE", "Do", "FinalMeasure", "Good", "KitchenStep", "KitchenUnit", "Line", "Outcome", "Preparation", "PreparationKind",
    "all_goods", "by_cup_words", "checked_line", "good_called", "goods_found", "is_strained_out", "line_of", "may_be_strained_out",
    "prepared", "scaled", "to_acid", "to_brix",
]  # fmt: skip
