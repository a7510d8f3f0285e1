"""Effect of a salted or sugared rim on a sip: it seasons the sip, not the liquid. All of it is an estimate."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Final, Literal

from oenomel.core.balance import AXES, in_words, steps_between
from oenomel.core.glass.glassware import glasses
from oenomel.core.spec import Drink, Pour

STAYS_G_PER_CM: Final = 0.1
"""Fine salt or sugar that stays on a wetted rim, [g/cm]: a little under 3 g around a coupe (house estimate)."""

LIP_CM: Final = 4.0
"""Length of the rim under the lips in one sip, [cm] (house estimate)."""

SIP_ML: Final = 15.0
"""Size of a sip, [ml] (common practice: a tablespoon)."""

USUAL_RADIUS_CM: Final = 4.0


@dataclass(frozen=True, slots=True)
class EdgeSip:
    """A sip over the rim: grams of sugar or salt, which of them, and a sentence on how it tastes beside one without."""

    pour: int
    grams: float
    brings: Literal["sugar", "salt", ""]
    sugar_with: float
    words: str


def edge_sip(drink: Drink, sugar: float) -> EdgeSip | None:
    """Estimate what the rim adds to a sip of a drink with some sugar, [g/100 ml]; None without a rim."""
    for index, pour in enumerate(drink.pours):
        if pour.stage == "rim":
            return _sip(drink, index, pour, sugar)
    return None


def _sip(drink: Drink, index: int, pour: Pour, sugar: float) -> EdgeSip:
    edge, glass = drink.serve.edge, glasses().get(drink.serve.glass)
    radius = USUAL_RADIUS_CM if glass is None else glass.radius_cm(math.inf)
    around = 2 * math.pi * radius * (0.5 if edge.half else 1.0)
    told_sugar, told_salt = (pour.volume_ml * part / 100 for part in (pour.ingredient.composition.sugar, pour.ingredient.composition.salt))
    grams_in_sip = told_sugar + told_salt
    stays = STAYS_G_PER_CM * around if not grams_in_sip else min(grams_in_sip, STAYS_G_PER_CM * around)
    grams = stays / around * min(LIP_CM, around)
    over = "The half rim" if edge.half else "The rim"
    sweet = pour.ingredient.kind == "sugar" or told_sugar > told_salt
    if sweet:
        with_it = sugar + 100 * grams / SIP_ML
        how = in_words(float(steps_between(with_it, sugar, AXES["sugar"])), AXES["sugar"])
        words = f"{over} adds about {grams:.1f} g sugar to a sip: {how}."
        return EdgeSip(index, grams, "sugar", with_it, words)
    if told_salt or "salt" in pour.ingredient.in_sentence.lower():
        words = f"{over} adds about {grams:.1f} g salt to a sip: less bitter, less sharp."
        return EdgeSip(index, grams, "salt", sugar, words)
    return EdgeSip(index, grams, "", sugar, f"{over} adds some {pour.ingredient.in_sentence} to a sip.")
