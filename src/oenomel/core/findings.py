"""Checks of a drink: what goes wrong, and what can hurt someone (model.md §8; cautions of domain.md).

A first set; each check is one function that yields findings. Cautions are general and defer to labels, local rules and
licensed practice.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Final

from oenomel.core.dilution import dilution_model, is_extrapolated
from oenomel.core.drink import Drink
from oenomel.core.families import families
from oenomel.core.profile import PourShare, Profile

__all__ = ["Finding", "findings"]

LEAST_ACID: Final = 0.1
"""Served acidity below which nothing in the drink is sour, [g/100 ml]."""

LEAST_LIQUEUR_SHARE: Final = 0.25
"""Share of its sugar that a daisy takes from a liqueur at the least (model.md §8)."""

MANY_STANDARD_DRINKS_US: Final = 2.0


@dataclass(frozen=True, slots=True)
class Finding:
    """One finding: ``severity`` is info, warning or error; the message says what and what to do."""

    code: str
    severity: str
    message: str


@dataclass(frozen=True, slots=True)
class _Case:
    drink: Drink
    tin: Profile
    served: Profile
    shares: tuple[PourShare, ...]


def findings(drink: Drink, tin: Profile, served: Profile, shares: tuple[PourShare, ...]) -> tuple[Finding, ...]:
    """All findings of a drink, errors first, then warnings, then what is good to know."""
    case = _Case(drink, tin, served, shares)
    found = [finding for check in _CHECKS for finding in check(case)]
    order = {"error": 0, "warning": 1, "info": 2}
    return tuple(sorted(found, key=lambda finding: order[finding.severity]))


def _sparkling_in_the_tin(case: _Case) -> Iterator[Finding]:
    if case.drink.method.technique in ("build", "none"):
        return
    for pour in case.drink.pours:
        if pour.meets_ice and pour.ingredient.is_sparkling and pour.liquid_ml > 0:
            name = pour.ingredient.name
            yield Finding("sparkling-in-the-tin", "error", f"{name} is in the tin: a closed tin bursts. Pour it in the glass, or on top.")


def _required_slots(case: _Case) -> Iterator[Finding]:
    family = families().get(case.drink.family)
    if family is None:
        return
    poured = {pour.slot for pour in case.drink.pours if pour.liquid_ml > 0}
    # The acid and the sparkling part have findings of their own, which look at composition and not at the slot's name.
    for slot in family.slots:
        if slot.required and slot.slot not in poured | {"sour", "lengthener"}:
            yield Finding(
                f"no-{slot.slot}", "warning", f"A {case.drink.family} wants something in the {slot.slot} slot; nothing is poured there."
            )
    if case.served.acid < LEAST_ACID:
        yield Finding("no-acid", "warning", f"Nothing here is sour: a {case.drink.family} wants citrus or another acid.")


def _fizz_lengthener(case: _Case) -> Iterator[Finding]:
    sparkles = any(pour.ingredient.is_sparkling and not pour.meets_ice and pour.liquid_ml > 0 for pour in case.drink.pours)
    if case.drink.family == "fizz" and not sparkles:
        yield Finding("no-lengthener", "warning", "A fizz wants something sparkling on top or in the glass; nothing is poured there.")


def _daisy_liqueur(case: _Case) -> Iterator[Finding]:
    if case.drink.family != "daisy" or case.served.sugar == 0:
        return
    shares = zip(case.drink.pours, case.shares, strict=True)
    share = sum(s.sugar_share for pour, s in shares if pour.slot == "liqueur" or pour.ingredient.kind == "liqueur")
    if share < LEAST_LIQUEUR_SHARE:
        yield Finding(
            "little-liqueur", "warning", f"The liqueur gives {share:.0%} of the sugar; a daisy takes a quarter of it or more from there."
        )


def _water(case: _Case) -> Iterator[Finding]:
    if is_extrapolated(case.tin.abv / 100, case.drink.method):
        side = "weaker" if case.tin.abv < 10 else "stronger"
        yield Finding(
            "dilution-extrapolated",
            "info",
            f"At {case.tin.abv:.0f} % the tin is {side} than the drinks the dilution curve was made from: the water is a guess.",
        )
    if dilution_model(case.drink.method) == "estimate":
        yield Finding("dilution-estimated", "info", f"The water of a {case.drink.method.technique} is an estimate with a wide spread.")


def _raw_egg(case: _Case) -> Iterator[Finding]:
    if any("raw egg" in pour.ingredient.cautions for pour in case.drink.pours):
        yield Finding(
            "raw-egg",
            "info",
            "Raw egg can carry salmonella: pasteurised white or aquafaba for the young, the old, the pregnant, the ill; mind local rules.",
        )
    if case.drink.method.dry_shake_seconds > 0:
        yield Finding("dry-shake-pressure", "info", "A dry shake builds pressure: hold the seal.")


def _allergens(case: _Case) -> Iterator[Finding]:
    named = sorted({allergen for pour in case.drink.pours for allergen in pour.ingredient.allergens})
    if named:
        yield Finding("allergens", "info", f"Contains {', '.join(named)}. Labels of your bottles decide.")


_CAUTIONS: Final = {
    "grapefruit": "Grapefruit acts on many medicines; a guest who takes any should ask a pharmacist.",
    "quinine": "Tonic contains quinine, which some guests must avoid.",
}


def _ingredient_cautions(case: _Case) -> Iterator[Finding]:
    named = {caution for pour in case.drink.pours for caution in pour.ingredient.cautions}
    for caution, message in _CAUTIONS.items():
        if caution in named:
            yield Finding(caution, "info", message)


def _alcohol(case: _Case) -> Iterator[Finding]:
    measures = case.served.standard_drinks["us"]
    if measures >= MANY_STANDARD_DRINKS_US:
        yield Finding("strong-serve", "info", f"This glass holds {measures:.1f} US standard drinks: tell the guest, or pour it smaller.")


_CHECKS: Final[tuple[Callable[[_Case], Iterator[Finding]], ...]] = (
    _sparkling_in_the_tin,
    _required_slots,
    _fizz_lengthener,
    _daisy_liqueur,
    _water,
    _raw_egg,
    _allergens,
    _ingredient_cautions,
    _alcohol,
)
