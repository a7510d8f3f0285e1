"""Checks of the method: the tin, the glass, and steps that were forgotten."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Final

from oenomel.core.checks.finding import Case, Edit, Finding, Fix
from oenomel.core.dilution import dilution_model
from oenomel.core.dilution.curves import is_extrapolated
from oenomel.core.glass.glassware import HALF_EMPTY, LINE, fill, glasses, others_for, size_to
from oenomel.core.wording import with_article

CLOSED: Final = frozenset({"shake"})
WORKED: Final = frozenset({"shake", "stir", "blend", "swizzle", "roll"})

THICK_G_PER_100ML: Final = 100.0
THICK_UNSHAKEN_G_PER_100ML: Final = 85.0
"""Sugar from which a syrup stays undissolved on ice: like honey, or like rich syrup in an unshaken drink (house rule)."""

SATURATED_G_PER_100ML: Final = 88.8
"""Sucrose in a saturated syrup at 20 °C: 66.9 % by weight (handbook, from memory); near it a syrup may crystallise in the cold."""

OVERFULL: Final = 1.0
"""Share of a glass to the brim that no longer fits; for a foaming drink the line is the limit."""

ON_TOP: Final = {"stage": "topped"}


def _sparkling_in_the_tin(case: Case) -> Iterator[Finding]:
    if case.drink.method.technique not in WORKED:
        return
    for index, pour in case.poured:
        if pour.meets_ice and pour.ingredient.is_sparkling:
            name = pour.ingredient.name
            yield Finding(
                "sparkling-in-the-tin",
                "error",
                f"{name} is in the tin: a closed tin can burst. Pour it in the glass, or on top.",
                (Fix(f"Put the {pour.ingredient.in_sentence} on top", (Edit("pour", ON_TOP, index),)),),
                index,
            )


def _hot_in_the_tin(case: Case) -> Iterator[Finding]:
    if case.drink.method.technique not in CLOSED:
        return
    for index, pour in case.poured:
        if pour.meets_ice and "hot" in pour.ingredient.cautions:
            name = pour.ingredient.name
            message = f"{name} is hot: in a closed shaker it builds pressure and scalds. Pour it in the glass."
            yield Finding(
                "hot-in-the-tin",
                "error",
                message,
                (Fix(f"Put the {pour.ingredient.in_sentence} in the glass", (Edit("pour", ON_TOP, index),)),),
                index,
            )


def _dry_shake(case: Case) -> Iterator[Finding]:
    if case.drink.method.dry_shake_seconds > 0:
        yield Finding("dry-shake-pressure", "info", "A dry shake builds pressure: hold the tin closed.")
    foams = any(pour.ingredient.foam == "firm" for _, pour in case.poured)
    if foams and case.drink.method.technique == "shake" and case.drink.method.dry_shake_seconds == 0:
        message = "Egg white and aquafaba foam better with a dry shake first."
        yield Finding("no-dry-shake", "info", message, (Fix("Add a dry shake", (Edit("method", {"dry_shake_seconds": 10}),)),))


def _thick_syrup(case: Case) -> Iterator[Finding]:
    shaken = case.drink.method.technique in ("shake", "blend")
    for index, pour in case.poured:
        sugar = pour.ingredient.composition.sugar
        if not pour.meets_ice or pour.ingredient.composition.solid or dilution_model(case.drink.method, case.conditions) == "none":
            continue
        if sugar >= (THICK_G_PER_100ML if shaken else THICK_UNSHAKEN_G_PER_100ML):
            name = pour.ingredient.name
            message = f"{name} is thick and won't dissolve on ice: stir it into the juice first, or thin it."
            edit = Edit("method", {"dry_shake_seconds": 5}) if shaken else Edit("method", {"technique": "shake"})
            words = "Dry shake first" if shaken else "Shake it"
            if not shaken or case.drink.method.dry_shake_seconds == 0:
                yield Finding("thick-syrup", "info", message, (Fix(words, (edit,)),), index)


def _dry_sugar(case: Case) -> Iterator[Finding]:
    for index, pour in case.poured:
        if pour.ingredient.composition.solid and pour.meets_ice and case.drink.method.ice != "none":
            name = pour.ingredient.name
            message = f"{name} dissolves slowly in the cold: stir it into the juice before the ice."
            grams = pour.volume_ml * pour.ingredient.composition.sugar / 100
            syrup = {"ingredient": "simple-syrup-1-1", "amount": round(grams / 0.6148 / 2.5) * 2.5, "unit": "ml"}
            yield Finding("undissolved-sugar", "info", message, (Fix("Use syrup instead", (Edit("pour", syrup, index),)),), index)


def _over_saturated(case: Case) -> Iterator[Finding]:
    for index, pour in case.poured:
        composition = pour.ingredient.composition
        sucrose = composition.sugars.get("sucrose", 0.0)
        if not composition.solid and composition.abv == 0 and sucrose > SATURATED_G_PER_100ML and sucrose > 0.9 * composition.sugar:
            message = f"{pour.ingredient.name} is richer than 2:1, so it will crystallise in the cold."
            yield Finding("beyond-dissolving", "warning", message, pour=index)


def _for_many(case: Case) -> Iterator[Finding]:
    if case.serves > 1:
        message = (
            f"{case.tin.volume_ml:.0f} ml is more than one glass: about {case.serves} serves. Make one, and plan a batch for the rest."
        )
        one = Fix("Make it one serve", (Edit("amounts", {"times": 1 / case.serves}),))
        yield Finding("for-many", "info", message, (one,))


def _glass(case: Case) -> Iterator[Finding]:
    serve, volume = case.drink.serve, case.served.volume_ml
    full = fill(serve.glass, serve.ice, volume)
    if full is None or case.serves > 1:
        return
    brim_ml = glasses()[serve.glass].brim_ml
    other = others_for(serve.glass, serve.ice, volume, sparkling=case.sparkles)
    other_glass = (Fix(f"Use {with_article(other)}", (Edit("serve", {"glass": other}),)),) if other else ()
    times = size_to(serve.glass, serve.ice, volume)
    sized = (Fix("Fit to the glass", (Edit("amounts", {"times": times}),)),) if times else ()
    foaming = case.sparkles and any(pour.ingredient.foam == "firm" or pour.ingredient.composition.sugar > 5 for _, pour in case.poured)
    if full > OVERFULL:
        with_ice = "" if serve.ice == "none" else " and the ice"
        message = f"{volume:.0f} ml{with_ice} doesn't fit in {with_article(serve.glass)}: it holds {brim_ml:.0f} ml to the brim."
        yield Finding("glass-too-small", "warning", message, (*other_glass, *sized))
    elif full > LINE and foaming:
        message = "Sugar and bubbles foam over in so little room: pour half first, tilt the glass, then top up."
        yield Finding("foams-over", "info", message, other_glass)
    elif full < HALF_EMPTY:
        yield Finding(
            "glass-half-empty", "info", f"The drink fills {100 * full:.0f}% of {with_article(serve.glass)}.", (*other_glass, *sized)
        )


def _forgotten(case: Case) -> Iterator[Finding]:
    if any("egg" in pour.ingredient.allergens and pour.ingredient.foam for _, pour in case.poured):
        garnished = case.drink.serve.garnish or any(p.stage == "garnish" or p.ingredient.kind == "bitters" for p in case.drink.pours)
        if not garnished:
            message = "Egg has an aroma of its own: put a zest or bitters on the foam."
            over_egg = {"what": "lemon zest", "how": "expressed and thrown away", "why": "covers the egg aroma"}
            zest = Edit("serve", {"garnish": [over_egg]})
            yield Finding("egg-without-garnish", "info", message, (Fix("Add a lemon zest", (zest,)),))
    if any(pour.stage == "rim" for pour in case.drink.pours):
        yield Finding("dry-edge", "info", "Rim a dry glass and tap off the excess. On a wet glass it melts.")


def _water(case: Case) -> Iterator[Finding]:
    method = case.drink.method
    if is_extrapolated(case.tin.abv / 100, method, case.conditions):
        side = "weaker" if case.tin.abv < 10 else "stronger"
        message = f"At {case.tin.abv:.0f}% the tin is {side} than the drinks behind the dilution curve, so the dilution is a guess."
        yield Finding("dilution-extrapolated", "info", message)
    if dilution_model(method, case.conditions) == "estimate":
        technique = {"build": "drink built over ice", "roll": "roll", "swizzle": "swizzle", "blend": "blend"}[method.technique]
        yield Finding("dilution-estimated", "info", f"Dilution of a {technique} is a rough estimate.")


CHECKS: Final = (
    _sparkling_in_the_tin,
    _hot_in_the_tin,
    _dry_shake,
    _thick_syrup,
    _dry_sugar,
    _over_saturated,
    _for_many,
    _glass,
    _forgotten,
    _water,
)
