"""Shelf life and cautions of a preparation. General advice: labels, local rules and noses decide."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Final

from oenomel.core.checks.cautions import caution_messages
from oenomel.core.larder import Composition, is_non_alcoholic
from oenomel.core.larder.alcohol import is_flammable
from oenomel.core.larder.shelf_life import (
    ACID_SOLUTION_DAYS,
    DAIRY_DAYS,
    FRESH_DAYS,
    FRUIT_DAYS,
    JUICE_DAYS,
    KEEPS_BY_STRENGTH_ABV,
    SALINE_DAYS,
    SPIRIT_DAYS,
    SYRUP_DAYS,
    THIN_BRIX,
    days_at_least,
)
from oenomel.core.preparations.goods import Good
from oenomel.core.preparations.preparation import Preparation, RecipeLine
from oenomel.core.wording import listed

SATURATED_BRIX: Final = 67.0
"""°Bx above which sugar crystallises from a plain syrup in the cold (handbook: 66.6 to 67.1 % at 20 °C)."""


def keeps_days(preparation: Preparation, composition: Composition, brix: float) -> int:
    """Estimate how many days it keeps in the fridge; a nose overrides it."""
    if composition.fat > 1 or composition.protein > 1:
        return DAIRY_DAYS
    if preparation.kind == "adjusted juice":
        return JUICE_DAYS
    if composition.abv >= KEEPS_BY_STRENGTH_ABV:
        return days_at_least(SPIRIT_DAYS, composition.abv)
    if preparation.kind == "infusion":
        return days_at_least(SPIRIT_DAYS, composition.abv) if not is_non_alcoholic(composition.abv) or brix < THIN_BRIX else FRUIT_DAYS
    if preparation.kind == "saline":
        return days_at_least(SALINE_DAYS, composition.salt)
    if preparation.kind == "acid solution":
        return days_at_least(ACID_SOLUTION_DAYS, composition.acid)
    by_sugar = days_at_least(SYRUP_DAYS, brix)
    fresh = any(_is_fresh(line) for line in preparation.lines)
    return min(by_sugar, FRUIT_DAYS) if fresh or preparation.kind in ("fruit syrup", "cordial") else by_sugar


def cautions_of(preparation: Preparation, composition: Composition, keeps: int) -> Iterator[str]:
    """Yield the cautions of a preparation, one sentence each."""
    sweet = any(isinstance(line.what, Good) and line.what.role == "sugar" for line in preparation.lines) or composition.sugar > 20
    strong = any(_strength(line) >= 20 for line in preparation.lines)
    if preparation.is_heated and sweet:
        yield "Hot sugar causes deep burns: use a large pot and keep cold water near."
    if preparation.is_heated:
        yield "Let it cool before adding egg, cream or ice. Never shake it hot."
    if preparation.is_heated and strong:
        yield "Spirit fumes catch fire: use a water bath away from flames, or add the spirit cold."
    if preparation.is_heated and not is_non_alcoholic(composition.abv):
        yield "Some alcohol evaporates on the heat, so the strength shown is the maximum."
    if is_flammable(composition.abv):
        yield "Flammable: keep it away from flames."
    carried = {caution for line in preparation.lines for caution in line.what.cautions}
    yield from caution_messages(carried)
    greens = any(isinstance(line.what, Good) and line.what.role == "plant" and not line.what.allergens for line in preparation.lines)
    if greens and "wild plant" not in carried:
        yield "Use only plants sold as food: a strong infusion holds more than any dish."
    allergens = sorted({allergen for line in preparation.lines for allergen in line.what.allergens})
    if allergens:
        yield f"Contains {listed(allergens)}. Write it on the label, and check the labels of its ingredients."
    if preparation.kind in ("syrup", "gum syrup") and 100 * composition.sugar / composition.density_g_per_ml / 100 > SATURATED_BRIX:
        yield "Richer than 2:1: it will crystallise in the cold."
    days = "day" if keeps == 1 else "days"
    yield (
        "Keep it cold in a clean bottle, labelled with name, date and contents. "
        f"It keeps about {keeps} {days}: trust your nose over the date."
    )


def _is_fresh(line: RecipeLine) -> bool:
    if isinstance(line.what, Good):
        return line.what.role == "fruit"
    return line.what.kind == "juice" or (line.what.label("keeps_days") or 99) <= FRESH_DAYS


def _strength(line: RecipeLine) -> float:
    return 0.0 if isinstance(line.what, Good) else line.what.composition.abv
