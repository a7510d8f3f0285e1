"""What goes wrong with the balance: a part missing, one part too loud, a drink far from its family."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Final

from oenomel.core.balance import AXES, body_word
from oenomel.core.families import OUTSIDE_HOME_STEPS, steps_of
from oenomel.core.findings.finding import Case, Edit, Finding, Mend
from oenomel.core.glass import absorbance_of, hue_and_chroma, light_through

LEAST_ACID: Final = 0.1
"""Served acidity below which nothing in the drink is sour, [g/100 ml]."""

LEAST_SUGAR: Final = 1.0
"""Served sweetness below which nothing in the drink is sweet, [g/100 ml]."""

LEAST_LIQUEUR_SHARE: Final = 0.25
"""Share of its sugar that a daisy takes from a liqueur at the least (model.md §8)."""

WATERY_TIMES_HOME: Final = 1.3
"""Volume over the family's mean from which a thin drink counts as large and watery (house rule)."""

VIVID: Final = 0.35
HUE_LOST_DEGREES: Final = 60.0
"""Chroma from which an ingredient promises a colour, and how far the drink's hue may turn from it (house rules)."""

# What is added where a part is missing, when the family tells no more: the plainest that there is.
_PLAIN: Final = {
    "sour": ("lemon-juice", "mixed"),
    "sweet": ("simple-syrup-1-1", "mixed"),
    "liqueur": ("orange-liqueur-sweet", "mixed"),
    "lengthener": ("soda-water", "topped"),
}


def _add(case: Case, slot: str) -> tuple[Mend, ...]:
    if slot not in _PLAIN or case.family is None:
        return ()
    ingredient, stage = _PLAIN[slot]
    usual = next((each.usual_ml for each in case.family.slots if each.slot == slot), 22.5)
    words = ingredient.replace("-1-1", "").replace("-", " ")
    pour = {"ingredient": ingredient, "amount": usual, "unit": "ml", "slot": slot, "stage": stage}
    return (Mend(f"Add {usual:g} ml of {words}", (Edit("pour", pour),)),)


def _missing(case: Case) -> Iterator[Finding]:
    if case.family is None or case.home is None:
        return
    poured = {pour.slot for _, pour in case.poured}
    # Acid, sugar and the sparkling part have findings of their own, which look at composition and not at the slot's name.
    for slot in case.family.slots:
        if slot.required and slot.slot not in poured | {"sour", "sweet", "lengthener"}:
            message = f"A {case.drink.family} wants something in the {slot.slot} slot; nothing is poured there."
            yield Finding(f"no-{slot.slot}", "warning", message, _add(case, slot.slot))
    if case.served.acid < LEAST_ACID:
        message = f"Nothing here is sour: a {case.drink.family} wants citrus or another acid."
        yield Finding("no-acid", "warning", message, _add(case, "sour"))
    if case.served.sugar < LEAST_SUGAR:
        message = f"Nothing here is sweet: a {case.drink.family} wants syrup, honey or a liqueur."
        yield Finding("no-sugar", "warning", message, _add(case, "sweet"))


def _fizz_lengthener(case: Case) -> Iterator[Finding]:
    if case.drink.family == "fizz" and not any(pour.ingredient.is_sparkling for _, pour in case.poured):
        yield Finding("no-lengthener", "warning", "A fizz wants something sparkling on top; nothing is poured.", _add(case, "lengthener"))


def _daisy_liqueur(case: Case) -> Iterator[Finding]:
    if case.drink.family != "daisy" or case.served.sugar == 0:
        return
    shares = zip(case.drink.pours, case.shares, strict=True)
    share = sum(s.sugar_share for pour, s in shares if pour.slot == "liqueur" or pour.ingredient.kind == "liqueur")
    if share < LEAST_LIQUEUR_SHARE:
        message = f"The liqueur gives {100 * share:.0f} % of the sugar; a daisy takes a quarter of it or more from there."
        yield Finding("little-liqueur", "warning", message)


def _too_loud(case: Case) -> Iterator[Finding]:
    for index, pour in case.poured:
        most = pour.ingredient.label("loud_above_ml")
        if most is not None and pour.liquid_ml > most * 1.01:
            name = pour.ingredient.name
            message = f"{name} is loud: above {most:g} ml it tends to drown the rest."
            mend = Mend(f"Bring it down to {most:g} ml", (Edit("pour", {"amount": most, "unit": "ml"}, index),))
            yield Finding("one-too-loud", "info", message, (mend,), index)


def _large_and_watery(case: Case) -> Iterator[Finding]:
    if case.home is None or case.drink.family == "fizz":
        return
    if case.served.volume_ml > WATERY_TIMES_HOME * case.home.volume_ml and body_word(case.served.body) == "thin":
        juice = max(
            ((i, p) for i, p in case.poured if p.ingredient.kind in ("juice", "water") and not p.ingredient.is_sparkling),
            key=lambda each: each[1].liquid_ml,
            default=None,
        )
        message = "Large and watery: the drink is thin for its size. Half of the juice and a zest for the aroma may say the same."
        mends: tuple[Mend, ...] = ()
        if juice is not None:
            halved = Edit("amounts", {"times": 0.5}, juice[0])
            mends = (Mend(f"Halve {juice[1].ingredient.name}", (halved,)),)
        yield Finding("large-and-watery", "warning", message, mends)


def _colour_lost(case: Case) -> Iterator[Finding]:
    coloured = [(index, pour) for index, pour in case.poured if any(pour.ingredient.absorbance)]
    if len(coloured) < 2:
        return
    volume = case.served.volume_ml
    hue, chroma = hue_and_chroma(light_through(absorbance_of([pour for _, pour in coloured], volume)))
    for index, pour in coloured:
        own_hue, own_chroma = hue_and_chroma(light_through(absorbance_of([pour], volume)))
        turned = abs((hue - own_hue + 180) % 360 - 180)
        if own_chroma > VIVID and (turned > HUE_LOST_DEGREES or chroma < own_chroma / 3):
            message = f"The colour that {pour.ingredient.name} promises disappears among the other pours."
            yield Finding("colour-lost", "info", message, pour=index)


def _outside_home(case: Case) -> Iterator[Finding]:
    if case.home is None or case.home.distance(case.served) <= OUTSIDE_HOME_STEPS:
        return
    beyond = steps_of(case.served) - case.home.points.min(axis=0), steps_of(case.served) - case.home.points.max(axis=0)
    words = [
        axis.more if high > OUTSIDE_HOME_STEPS else axis.less
        for axis, low, high in zip(AXES.values(), *beyond, strict=True)
        if high > OUTSIDE_HOME_STEPS or low < -OUTSIDE_HOME_STEPS
    ]
    told = f"{' and '.join(words)} than any school of the {case.drink.family}" if words else "no school has these three together"
    yield Finding("outside-home", "info", f"Far from the family: {told}.")


CHECKS: Final = (
    _missing,
    _fizz_lengthener,
    _daisy_liqueur,
    _too_loud,
    _large_and_watery,
    _colour_lost,
    _outside_home,
)
