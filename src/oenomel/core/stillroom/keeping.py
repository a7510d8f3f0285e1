"""How long a preparation keeps, and what can hurt whoever makes or drinks it. General advice: labels, local rules and noses decide."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Final

from oenomel.core.larder import Composition, listed
from oenomel.core.stillroom.goods import Good
from oenomel.core.stillroom.preparation import Line, Preparation

THIN_BRIX, MIDDLE_BRIX, RICH_BRIX = 42.0, 55.0, 62.5
"""°Bx from which a syrup keeps as a 1:1 (by the cup too), a 1.5:1 and a 2:1 does."""

SYRUP_DAYS: Final = ((RICH_BRIX, 60), (MIDDLE_BRIX, 42), (THIN_BRIX, 21), (30.0, 14), (0.0, 7))
FRUIT_DAYS: Final = 14
"""Common practice: 1:1 three weeks, 2:1 two months, with fruit two weeks, all cold
(docs/model.md, "The stillroom"); between them and below, estimates."""

SPIRIT_DAYS: Final = ((35.0, 180), (20.0, 60), (0.0, 5))
SALINE_DAYS: Final = ((10.0, 180), (0.0, 30))
ACID_DAYS: Final = ((4.0, 60), (0.0, 14))
JUICE_DAYS: Final = 1
DAIRY_DAYS: Final = 3
"""By strength, salt or acid; juice is the day's (estimates)."""

FLAMMABLE_ABV: Final = 50.0
SATURATED_BRIX: Final = 67.0
"""Above this sugar comes out of a syrup of sugar alone in the cold (handbook: 66.6 to 67.1 % at 20 °C)."""

_BY_CAUTION: Final = {
    "rhubarb": "Rhubarb: the stalks only, its leaves are poisonous.",
    "elderberry": "Elderberries: ripe ones only, boiled before anyone drinks of it; raw or unripe they are poisonous.",
    "stones": "Take the stones out whole: broken kernels of stone fruit are poisonous.",
    "wild plant": "Only food-grade plants, unsprayed and known for sure; many have poisonous look-alikes.",
    "strong acid": "Food-grade acid only, weighed with care; keep it off eyes and skin.",
    "grapefruit": "Grapefruit acts on many medicines; a guest who takes any should ask a pharmacist.",
    "quinine": "Quinine is in this: some guests must avoid it.",
    "liquorice": "Liquorice raises blood pressure in quantity and acts on some medicines; tell the guest.",
    "raw egg": "Raw egg can carry salmonella: pasteurised egg for the young, the old, the pregnant, the ill.",
}


def keeps_days(preparation: Preparation, composition: Composition, brix: float) -> int:
    """Days that it keeps in the fridge (an estimate that a nose overrides)."""
    if composition.fat > 1 or composition.protein > 1:
        return DAIRY_DAYS
    if preparation.kind == "adjusted juice":
        return JUICE_DAYS
    if composition.abv >= 20:
        return _at_least(SPIRIT_DAYS, composition.abv)
    if preparation.kind == "infusion":
        return _at_least(SPIRIT_DAYS, composition.abv) if composition.abv >= 1 or brix < THIN_BRIX else FRUIT_DAYS
    if preparation.kind == "saline":
        return _at_least(SALINE_DAYS, composition.salt)
    if preparation.kind == "acid solution":
        return _at_least(ACID_DAYS, composition.acid)
    by_sugar = _at_least(SYRUP_DAYS, brix)
    fresh = any(_is_fresh(line) for line in preparation.lines)
    return min(by_sugar, FRUIT_DAYS) if fresh or preparation.kind in ("fruit syrup", "cordial") else by_sugar


def cautions_of(preparation: Preparation, composition: Composition, keeps: int) -> Iterator[str]:
    """What has to be said, one sentence each."""
    sweet = any(isinstance(line.what, Good) and line.what.role == "sugar" for line in preparation.lines) or composition.sugar > 20
    strong = any(_strength(line) >= 20 for line in preparation.lines)
    if preparation.is_heated and sweet:
        yield "Hot sugar burns deep: a roomy pot, no hands near it, cold water by."
    if preparation.is_heated:
        yield "Let it cool before it meets egg, cream or ice, and never shake it hot."
    if preparation.is_heated and strong:
        yield "Spirit over heat gives fumes that catch fire: warm it in a water bath away from flames, or add it once the rest is cold."
    if preparation.is_heated and composition.abv >= 0.5:
        yield "Alcohol goes off on the fire; how much nobody measured: the strength told is the most that there can be."
    if composition.abv >= FLAMMABLE_ABV:
        yield "It burns: keep it from flames."
    carried = {caution for line in preparation.lines for caution in line.what.cautions}
    yield from (words for caution, words in _BY_CAUTION.items() if caution in carried)
    greens = any(isinstance(line.what, Good) and line.what.role == "plant" and not line.what.allergens for line in preparation.lines)
    if greens and "wild plant" not in carried:
        yield "Only plants sold as food; a strong infusion holds more of a plant than any dish does."
    allergens = sorted({each for line in preparation.lines for each in line.what.allergens})
    if allergens:
        yield f"Contains {listed(allergens)}: it stands on the label. Labels of what went in decide."
    if preparation.kind in ("syrup", "gum syrup") and 100 * composition.sugar / composition.density_g_per_ml / 100 > SATURATED_BRIX:
        yield "More sugar than water keeps dissolved: it will crystallise in the cold."
    days = "day" if keeps == 1 else "days"
    yield f"Clean bottle, cold, labelled with name, date and what is in it: about {keeps} {days}, and a nose overrides that."


def _is_fresh(line: Line) -> bool:
    if isinstance(line.what, Good):
        return line.what.role == "fruit"
    return line.what.kind == "juice" or (line.what.label("keeps_days") or 99) <= 4


def _strength(line: Line) -> float:
    return 0.0 if isinstance(line.what, Good) else line.what.composition.abv


def _at_least(table: tuple[tuple[float, int], ...], value: float) -> int:
    return next(days for least, days in table if value >= least)
