"""Checks of the balance: a part missing, one part too loud, a drink far from its family."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Final

from oenomel.core.balance import AXES
from oenomel.core.balance.profile import body_word
from oenomel.core.checks.finding import Case, Edit, Finding, Fix
from oenomel.core.families import OUTSIDE_HOME_STEPS, steps_of
from oenomel.core.families.typical_range import is_long_on_juice, lean_words
from oenomel.core.glass.colour import absorbance_of, hue_and_chroma, light_through
from oenomel.core.larder import aromas
from oenomel.core.spec import GRID_ML
from oenomel.core.wording import with_article

LEAST_ACID: Final = 0.1
"""Served acidity below which nothing in the drink is sour, [g/100 ml]."""

LEAST_SUGAR: Final = 1.0
"""Served sweetness below which nothing in the drink is sweet, [g/100 ml]."""

LEAST_LIQUEUR_SHARE: Final = 0.25
"""Share of its sugar that a daisy takes from a liqueur at the least (docs/model/checks.md)."""

WATERY_TIMES_HOME: Final = 1.3
WATERY_STEPS: Final = 1.5
"""Factor over the family's mean volume from which a thin drink counts as large and watery, and steps of strength below its middle for
one of usual volume (house rules).
"""

PROMISES_NO_COLOUR: Final = frozenset({"spirit", "bitters", "water", "zero-proof", "beer", "sugar", "honey"})
"""Kinds whose brown or gold nobody expects to see in the drink: whiskey, brandy, tea."""

CLOYS_G_PER_100ML: Final = 12.0
"""Served sweetness from which a drink has to be very cold (house rule)."""

VIVID: Final = 0.25
HUE_LOST_DEGREES: Final = 60.0
"""Chroma from which an ingredient promises a colour, and the allowed change of hue in degrees (house rules)."""

# Ingredient to add for a missing slot, where the family names none: the simplest.
_PLAIN: Final = {
    "sour": ("lemon-juice", "mixed"),
    "sweet": ("simple-syrup-1-1", "mixed"),
    "liqueur": ("orange-liqueur-sweet", "mixed"),
    "lengthener": ("soda-water", "topped"),
}


def _add(case: Case, slot: str) -> tuple[Fix, ...]:
    if slot not in _PLAIN or case.family is None:
        return ()
    ingredient, stage = _PLAIN[slot]
    usual = next((own_slot.usual_ml for own_slot in case.family.slots if own_slot.slot == slot), 22.5)
    words = ingredient.replace("-1-1", "").replace("-", " ")
    pour = {"ingredient": ingredient, "amount": usual, "unit": "ml", "slot": slot, "stage": stage}
    return (Fix(f"Add {usual:g} ml of {words}", (Edit("pour", pour),)),)


def _missing(case: Case) -> Iterator[Finding]:
    if case.family is None or case.home is None:
        return
    poured = {pour.slot for _, pour in case.poured}
    # Acid, sugar and the sparkling part have findings of their own, which look at composition and not at the slot's name.
    for slot in case.family.slots:
        # A liqueur may be the strong part, and without alcohol there need be none.
        needless = slot.slot == "base" and (case.home.branch == "without alcohol" or case.base is not None)
        if slot.required and not needless and slot.slot not in poured | {"sour", "sweet", "lengthener"}:
            message = f"A {case.drink.family} needs {with_article(slot.slot)} ingredient."
            yield Finding(f"no-{slot.slot}", "warning", message, _add(case, slot.slot))
    if case.served.acid < LEAST_ACID:
        message = f"Nothing here is sour: a {case.drink.family} needs citrus or another acid."
        yield Finding("no-acid", "warning", message, _add(case, "sour"))
    if case.served.sugar < LEAST_SUGAR and not any(pour.dissolves_later for pour in case.drink.pours):
        message = f"Nothing here is sweet: a {case.drink.family} needs syrup, honey or a liqueur."
        yield Finding("no-sugar", "warning", message, _add(case, "sweet"))


def _fizz_lengthener(case: Case) -> Iterator[Finding]:
    if case.drink.family == "fizz" and not case.sparkles and not is_long_on_juice(case.drink, case.served.volume_ml):
        yield Finding("no-lengthener", "warning", "A fizz needs something sparkling on top.", _add(case, "lengthener"))


def _daisy_liqueur(case: Case) -> Iterator[Finding]:
    if case.drink.family != "daisy" or case.served.sugar == 0:
        return
    shares = zip(case.drink.pours, case.shares, strict=True)
    share = sum(s.sugar_share for pour, s in shares if pour.slot == "liqueur" or pour.ingredient.kind == "liqueur")
    if share < LEAST_LIQUEUR_SHARE:
        message = f"The liqueur adds {100 * share:.0f}% of the sugar. In a daisy it is a quarter or more."
        yield Finding("little-liqueur", "warning", message)


def _too_loud(case: Case) -> Iterator[Finding]:
    for index, pour in case.poured:
        most = pour.ingredient.label("loud_above_ml")
        if most is not None and pour.liquid_ml > most * 1.01 and index != case.base:
            name = pour.ingredient.name
            message = f"{name} is loud: above {most:g} ml it drowns the rest."
            mend = Fix(f"Reduce it to {most:g} ml", (Edit("pour", {"amount": most, "unit": "ml"}, index),))
            yield Finding("one-too-loud", "info", message, (mend,), index)


def _large_and_watery(case: Case) -> Iterator[Finding]:
    if case.home is None or case.drink.family == "fizz" or case.served.volume_ml <= WATERY_TIMES_HOME * case.home.volume_ml:
        return
    off = steps_of(case.served) - case.home.points.mean(axis=0)
    level = lean_words(case.home.lean(case.served)) == "level"
    thin = body_word(case.served.body) == "thin"
    # The balance may be right while the drink is watery: then strength shows it.
    if not thin and not (level and "abv" in case.home.axes and off[2] <= -WATERY_STEPS):
        return
    juice = max(
        ((i, p) for i, p in case.poured if p.ingredient.kind in ("juice", "water") and not p.ingredient.is_sparkling),
        key=lambda each: each[1].liquid_ml,
        default=None,
    )
    what = "Balanced, but" if level else "It is"
    if juice is None:
        yield Finding("large-and-watery", "warning", f"{what} large and watery: {case.served.volume_ml:.0f} ml, and thin for that.")
        return
    index, pour = juice
    citrus = any(aromas()[tag].group == "citrus" for tag in pour.ingredient.aroma)
    advice = f"half of the {pour.ingredient.in_sentence}" + (", and a zest for the aroma" if citrus else "")
    message = f"{what} large and watery, {case.served.volume_ml:.0f} ml. Try {advice}."
    halved = Edit("pour", {"amount": max(GRID_ML, round(pour.volume_ml / 2 / GRID_ML) * GRID_ML), "unit": "ml"}, index)
    yield Finding("large-and-watery", "warning", message, (Fix(f"Halve the {pour.ingredient.in_sentence}", (halved,)),), index)


def _colour_lost(case: Case) -> Iterator[Finding]:
    coloured = [(index, pour) for index, pour in case.poured if any(pour.ingredient.absorbance)]
    if len(coloured) < 2:
        return
    volume = case.served.volume_ml
    hue, chroma = hue_and_chroma(light_through(absorbance_of([pour for _, pour in coloured], volume)))
    for index, pour in coloured:
        own_hue, own_chroma = hue_and_chroma(light_through(absorbance_of([pour], volume)))
        turned = abs((hue - own_hue + 180) % 360 - 180)
        if pour.ingredient.kind in PROMISES_NO_COLOUR or index == case.base:
            continue
        if own_chroma > VIVID and (turned > HUE_LOST_DEGREES or chroma < own_chroma / 3):
            message = f"The colour of {pour.ingredient.name} gets lost among the other ingredients."
            yield Finding("colour-lost", "info", message, pour=index)


def _outside_home(case: Case) -> Iterator[Finding]:
    if case.home is None or case.home.distance(case.served) <= OUTSIDE_HOME_STEPS:
        return
    beyond = steps_of(case.served) - case.home.points.min(axis=0), steps_of(case.served) - case.home.points.max(axis=0)
    words = [
        axis.more if high > OUTSIDE_HOME_STEPS else axis.less
        for axis, low, high in zip(AXES.values(), *beyond, strict=True)
        if axis.name in case.home.axes and (high > OUTSIDE_HOME_STEPS or low < -OUTSIDE_HOME_STEPS)
    ]
    of = f"{case.drink.family}{f' {case.home.branch}' if case.home.branch else ''}"
    message = f"{' and '.join(words)} than any usual ratio of a {of}" if words else f"no usual ratio of a {of} combines these"
    yield Finding("outside-home", "info", f"Unusual for the family: {message}.")


def _sweet_wants_cold(case: Case) -> Iterator[Finding]:
    if case.served.sugar >= CLOYS_G_PER_100ML and case.drink.serve.ice == "none":
        message = f"{case.served.sugar:.0f} g sugar/100 ml is sweet: freeze the glass, or serve it on ice."
        yield Finding("sweet-wants-cold", "info", message, (Fix("Serve it on ice", (Edit("serve", {"ice": "cubes"}),)),))


def _sugar_lump(case: Case) -> Iterator[Finding]:
    grams = sum(p.volume_ml * p.ingredient.composition.sugar / 100 for p in case.drink.pours if p.dissolves_later)
    if grams > 0:
        last = case.served.sugar + 100 * grams / case.served.volume_ml
        sips = f"{case.served.sugar:.1f} g/100 ml at the first sip, about {last:.1f} g at the last"
        message = f"The sugar dissolves as you drink: {sips}. Muddle it with the bitters or juice for sweetness at once."
        yield Finding("sugar-dissolves-later", "info", message)


CHECKS: Final = (
    _missing,
    _fizz_lengthener,
    _daisy_liqueur,
    _too_loud,
    _large_and_watery,
    _colour_lost,
    _outside_home,
    _sweet_wants_cold,
    _sugar_lump,
)
