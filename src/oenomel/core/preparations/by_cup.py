"""The same ratio by the cup and by weight, to let the user choose (common practice: the unit decides)."""

from __future__ import annotations

from dataclasses import replace

from oenomel.core.preparations.mass_balance import brix_of, cook
from oenomel.core.preparations.preparation import FinalMeasure, Preparation
from oenomel.errors import DomainError

TOLD_FROM_BRIX = 0.5


def by_cup_words(preparation: Preparation) -> str:
    """Explain what a ratio such as "two to one" gives by the cup and by weight, where that makes a difference; else empty."""
    units = {line.unit for line in preparation.lines if line.unit != "piece"}
    plain = len(preparation.lines) == 2 and preparation.kind in ("syrup", "thinned honey")
    # Fruit in grams was weighed; "two to one" in grams may have been meant by the cup.
    if len(preparation.lines) < 2 or not (units == {"cup"} or (units == {"g"} and plain)):
        return ""
    written = [tuple(replace(line, unit=unit) for line in preparation.lines) for unit in ("g", "cup")]
    try:
        weighed, by_cup = (brix_of(cook(replace(preparation, lines=lines, final=FinalMeasure())).liquid) for lines in written)
    except DomainError:
        return ""
    if abs(weighed - by_cup) < TOLD_FROM_BRIX:
        return ""
    by = "the cup" if units == {"cup"} else "weight"
    return f"By the cup this makes {by_cup:.1f} °Bx, by weight {weighed:.1f} °Bx. The recipe goes by {by}."
