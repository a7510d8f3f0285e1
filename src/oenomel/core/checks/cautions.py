"""Cautions: things that can hurt someone. General advice: it defers to labels, local rules and licensed practice."""

from __future__ import annotations

import tomllib
from collections.abc import Collection, Iterator
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Final

from oenomel.core.checks.finding import Case, Edit, Finding, Fix
from oenomel.core.larder import is_non_alcoholic, is_past_shelf_life
from oenomel.core.larder.alcohol import is_flammable
from oenomel.core.larder.shelf_life import is_of_the_day
from oenomel.core.lots.lot import old_lot_words
from oenomel.core.wording import counted, listed

MANY_STANDARD_DRINKS_US: Final = 2.0
LEAST_ALCOHOL_G: Final = 0.5

EASY_STANDARD_DRINKS_US: Final = 1.6
SWEET_G_PER_100ML: Final = 9.0
VERY_COLD_C: Final = -6.0
SPARKLING_G_PER_L: Final = 1.5
LONG_ML: Final = 220.0
"""Limits above which a caution says what hides the alcohol: standard drinks, sugar, cold, bubbles, length (house rules)."""


@dataclass(frozen=True, slots=True)
class Caution:
    """One caution; it applies where an ingredient carries it, or where one of its words is in the drink's texts."""

    code: str
    severity: str
    message: str
    caution: str = ""
    words: tuple[str, ...] = ()


def caution_messages(carried: Collection[str]) -> Iterator[str]:
    """Return the messages of the cautions that ingredients carry, in the order of the data file."""
    return (caution.message for caution in cautions() if caution.caution and caution.caution in carried)


@cache
def cautions() -> tuple[Caution, ...]:
    """Return the cautions of the data file."""
    text = (resources.files("oenomel.core.checks") / "data" / "cautions.toml").read_text(encoding="utf-8")
    return tuple(
        Caution(code, t["severity"], t["message"], t.get("caution", ""), tuple(t.get("words", ())))
        for code, t in tomllib.loads(text).items()
    )


# The fix of a caution, for the ingredients that have one.
_MENDS: Final = {
    "raw-egg": {"egg-white": (("egg-white-pasteurised", "Use pasteurised white"), ("aquafaba", "Use aquafaba"))},
}


def _from_the_list(case: Case) -> Iterator[Finding]:
    carried = {caution: i for i, pour in reversed(tuple(enumerate(case.drink.pours))) for caution in pour.ingredient.cautions}
    texts = " ".join(
        [*(pour.ingredient.name for pour in case.drink.pours), *(garnish.what for garnish in case.drink.serve.garnish)]
    ).lower()
    for listed_caution in cautions():
        if listed_caution.caution in carried or any(word in texts for word in listed_caution.words):
            index = carried.get(listed_caution.caution)
            slug = case.drink.pours[index].ingredient.slug if index is not None else ""
            mends = tuple(
                Fix(words, (Edit("pour", {"ingredient": instead}, index),))
                for instead, words in _MENDS.get(listed_caution.code, {}).get(slug, ())
            )
            yield Finding(listed_caution.code, listed_caution.severity, listed_caution.message, mends, index)


def _allergens(case: Case) -> Iterator[Finding]:
    named = sorted({allergen for pour in case.drink.pours for allergen in pour.ingredient.allergens})
    if named:
        yield Finding("allergens", "info", f"Contains {', '.join(named)}. Check your labels.")


def _alcohol(case: Case) -> Iterator[Finding]:
    grams, measures = case.served.alcohol_g, case.served.standard_drinks["us"]
    if grams < LEAST_ALCOHOL_G:
        return
    if case.serves > 1:
        # A whole batch is judged as a batch, not as one glass.
        grams, measures = grams / case.serves, measures / case.serves
    if measures >= MANY_STANDARD_DRINKS_US and case.serves == 1:
        message = f"This glass has {measures:.1f} US standard drinks: tell the guest, or serve less."
        smaller = Fix("Make it smaller", (Edit("amounts", {"times": 0.95 * MANY_STANDARD_DRINKS_US / measures}),))
        yield Finding("strong-serve", "info", message, (smaller,))
    easy = _easy(case)
    if measures >= EASY_STANDARD_DRINKS_US and easy and case.serves == 1:
        message = f"{measures:.1f} US standard drinks that taste like less, being {easy}: tell the guest."
        yield Finding("goes-down-easily", "info", message)
    message = f"{grams:.0f} g alcohol{' per serve' if case.serves > 1 else ''}. Not for minors, in pregnancy or before driving."
    yield Finding("alcohol", "info", message, _without_alcohol(case))


def _easy(case: Case) -> str:
    """Return what hides the strength of a drink, in words; empty where nothing does."""
    signs = (
        (case.served.sugar >= SWEET_G_PER_100ML, "sweet"),
        (case.served_c <= VERY_COLD_C, "very cold"),
        (case.co2 >= SPARKLING_G_PER_L, "sparkling"),
        (case.served.volume_ml >= LONG_ML, "long"),
    )
    apparent_reasons = [word for holds, word in signs if holds]
    # Every shaken drink is cold, and many are sweet: one of the two alone hides nothing.
    return listed(apparent_reasons) if len(apparent_reasons) > 1 or {"sparkling", "long"} & set(apparent_reasons) else ""


def _without_alcohol(case: Case) -> tuple[Fix, ...]:
    """Return the drink with non-alcoholic distillates in place of its spirits, where that leaves hardly any alcohol."""
    spirits = [(i, pour) for i, pour in case.poured if pour.ingredient.kind == "spirit"]
    if not spirits or any(
        not is_non_alcoholic(pour.ingredient.composition.abv) and pour.ingredient.kind not in ("spirit", "bitters")
        for _, pour in case.poured
    ):
        return ()
    edits = tuple(
        Edit("pour", {"ingredient": "juniper-water" if pour.ingredient.aroma.get("juniper") else "cane-distillate-free"}, i)
        for i, pour in spirits
    )
    return (Fix("Make it non-alcoholic", edits),)


def _flammable(case: Case) -> Iterator[Finding]:
    for index, pour in enumerate(case.drink.pours):
        if is_flammable(pour.ingredient.composition.abv) and pour.ingredient.kind != "bitters":
            message = f"{pour.ingredient.name} is flammable: keep it away from flames."
            yield Finding("flammable", "info", message, pour=index)


def _keeps(case: Case) -> Iterator[Finding]:
    fresh = [p.ingredient.in_sentence for _, p in case.poured if is_of_the_day(p.ingredient)]
    if fresh:
        juices = listed(list(dict.fromkeys(fresh)))
        yield Finding("press-today", "info", f"Use {juices} on the day: yesterday's juice tastes flat.")
    keeps_days = {p.ingredient.name: p.ingredient.label("keeps_days") for _, p in case.poured if "home-made" in p.ingredient.cautions}
    if keeps_days:
        days = ", ".join(f"{name} about {counted(round(keeps), 'day')}" for name, keeps in keeps_days.items() if keeps)
        message = f"Keep house-made syrups and infusions in the fridge, with a use-by date{f': {days}' if days else ''}."
        yield Finding("use-by", "info", message)


def _old_lot(case: Case) -> Iterator[Finding]:
    for index, pour in case.poured:
        hours = pour.ingredient.lot_hours
        if hours is not None and is_past_shelf_life(pour.ingredient, hours):
            yield Finding("old-lot", "warning", old_lot_words(pour.ingredient, hours), pour=index)


def _ice(case: Case) -> Iterator[Finding]:
    if case.drink.serve.ice != "none" or case.drink.method.ice != "none":
        yield Finding("ice-is-food", "info", "Treat ice as food: use a scoop, never a hand or a glass.")


CHECKS: Final = (_from_the_list, _allergens, _alcohol, _flammable, _keeps, _old_lot, _ice)
