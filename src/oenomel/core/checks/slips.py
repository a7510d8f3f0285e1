"""Mistaken units: an ounce for a spoon, an ounce for a millilitre, a dash too many."""

from __future__ import annotations

import statistics
from collections.abc import Iterator
from typing import Final

from oenomel.core.checks.finding import Case, Edit, Finding, Fix
from oenomel.core.spec import BAR_OUNCE_ML, ML_PER_UNIT, Pour
from oenomel.core.wording import agreeing, capital

SLIP_TIMES: Final = 3.0
"""Factor over the slot's usual measure from which an amount looks like a slip (docs/model/checks.md)."""

SLIP_SHARE: Final = 1 / 6
"""Factor below which it does: less than any drink pours, such as 1 ml for 1 oz (house rule)."""

LEAST_PART_ML: Final = 2.5
"""Least amount that anybody pours by the jigger on purpose, [ml]."""

FLOAT_ML: Final = 22.5
"""Usual amount of a float in any slot, [ml]."""

BY_THE_SPOON: Final = frozenset({"accent", "seasoning"})
OUNCES: Final = {7.5: "a quarter of an ounce", 15.0: "half an ounce", 22.5: "three quarters of an ounce", 30.0: "an ounce"}
BY_BARSPOON: Final = ("a barspoon is", "Make it a barspoon", {"amount": 1, "unit": "barspoon"})
BY_DASHES: Final = ("a dash or two are", "Make it two dashes", {"amount": 2, "unit": "dash"})
OUNCES_AGREE: Final = 0.02
TWICE: Final = 2.0
"""Slots measured by the barspoon or the dash: twice the usual looks like a slip where the amount is a multiple of a quarter ounce
(docs/model/checks.md).
"""

USUAL_DASHES: Final = 12
PARTS: Final = frozenset({"base", "sour", "sweet", "liqueur", "texture", "lengthener"})

# For slots and kinds without a usual measure in the family; common practice.
_USUAL_ML: Final = {
    "base": 60.0, "sour": 30.0, "sweet": 22.5, "liqueur": 30.0, "accent": 7.5, "texture": 30.0, "lengthener": 90.0, "seasoning": 1.0,
}  # fmt: skip
_ML_PER_UNIT: Final[dict[str, float]] = {
    **{unit: ml for unit, ml in ML_PER_UNIT.items() if unit not in ("cup", "splash")},
    "oz": BAR_OUNCE_ML,
}


def _slips(case: Case) -> Iterator[Finding]:
    usual: dict[str, float] = {
        **_USUAL_ML,
        **({slot.slot: slot.usual_ml for slot in case.family.slots if slot.usual_ml > 0} if case.family else {}),
    }
    # A liqueur as the strong pour is measured like a base.
    strongest = max(range(len(case.shares)), key=lambda i: case.shares[i].alcohol_ml, default=None)
    times = {
        i: pour.volume_ml / (usual["base"] if i == strongest and pour.slot == "liqueur" else _usual_ml(pour, usual))
        for i, pour in case.poured
        if (pour.slot in usual or pour.stage == "floated") and pour.stage != "rinse"
    }
    if not times:
        return
    # A spec for ten guests is large in every pour, and one for a tiny cup small: only a pour that stands out is a slip.
    size = statistics.median(times.values()) if len(times) > 2 else 1.0
    for index, pour in case.poured:
        if index in times and _stands_out(pour, times[index], size):
            yield _slip(index, pour, _usual_ml(pour, usual) * size)
        elif index in times and _for_a_barspoon(pour, times[index], size):
            name, ounces = pour.ingredient.in_sentence, _ounces(pour)
            usually, words, change = BY_DASHES if pour.ingredient.kind == "bitters" else BY_BARSPOON
            message = f"{capital(ounces)} of {name}, where {usually} usual. Is that a slip?"
            mend = Fix(words, (Edit("pour", change, index),))
            yield Finding("slip-of-measure", "warning", message, (mend,), index)


def _stands_out(pour: Pour, times: float, size: float) -> bool:
    if pour.unit == "dash":
        return pour.volume_ml > (USUAL_DASHES + 0.5) * ML_PER_UNIT["dash"]
    little = pour.slot in PARTS and pour.unit in ("ml", "cl", "oz") and times < SLIP_SHARE * min(size, 1.0)
    return (little and pour.volume_ml < LEAST_PART_ML) or times >= SLIP_TIMES * max(size, 1.0)


def _for_a_barspoon(pour: Pour, times: float, size: float) -> bool:
    """Check whether an ingredient that is measured by the barspoon or dash is given in ounces."""
    by_spoon = pour.stage == "mixed" and (pour.slot in BY_THE_SPOON or pour.ingredient.kind == "bitters")
    return by_spoon and times >= TWICE * max(size, 1.0) * 0.98 and bool(_ounces(pour))


def _ounces(pour: Pour) -> str:
    """Return a pour in words that is a multiple of a quarter ounce, by either ounce; empty for any other."""
    return next((words for ml, words in OUNCES.items() if abs(pour.volume_ml / ml - 1) < OUNCES_AGREE), "")


def _usual_ml(pour: Pour, usual: dict[str, float]) -> float:
    if pour.stage == "floated":
        return FLOAT_ML
    # Bitters are dashed whatever their slot, and a family's usual dash or two doesn't limit them.
    return _USUAL_ML["accent"] if pour.slot in ("accent", "seasoning") or pour.ingredient.kind == "bitters" else usual[pour.slot]


def _slip(index: int, pour: Pour, usual_ml: float) -> Finding:
    """Return the finding, with the unit that was likely meant: the one whose amount is nearest to the usual measure."""
    # Pieces, weights and parts are judged by their volume.
    unit = pour.unit if pour.unit in _ML_PER_UNIT else "ml"
    amount = pour.volume_ml / _ML_PER_UNIT[unit]
    # A main pour is never measured by the dash or the drop.
    measures = [measure for measure in _ML_PER_UNIT if pour.slot not in PARTS or measure not in ("dash", "drop")]
    likely = min(measures, key=lambda unit: max(amount * _ML_PER_UNIT[unit] / usual_ml, usual_ml / (amount * _ML_PER_UNIT[unit])))
    near = amount * _ML_PER_UNIT[likely] / usual_ml
    meant = likely != unit and unit == pour.unit and 1 / SLIP_TIMES < near < SLIP_TIMES
    name = pour.ingredient.in_sentence
    question = f" Did you mean {likely}?" if meant else ""
    mends = (
        (
            Fix(
                f"Make it {amount:.4g} {likely if likely in ('ml', 'cl', 'oz', 'g') else agreeing(amount, likely)}",
                (Edit("pour", {"unit": likely}, index),),
            ),
        )
        if meant
        else ()
    )
    size = "much" if pour.volume_ml > usual_ml else "little"
    message = f"{amount:.4g} {unit} of {name} is {size} for its role. Is that a slip?{question}"
    return Finding("slip-of-measure", "warning", message, mends, index)


CHECKS: Final = (_slips,)
