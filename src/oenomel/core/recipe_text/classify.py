"""Classification of a recipe: the slot of each ingredient, family and form, each with a reason."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.families import families
from oenomel.core.larder import Ingredient, SlotName, is_non_alcoholic
from oenomel.core.spec import FamilyName, Stage

_ACCENT_ML: Final = 10.0
_SHARP: Final = 2.0
_SWEET: Final = 4.0
_SHORT_LENGTHENER_ML: Final = 45.0
_LIQUEUR_SHARE: Final = 0.4
"""Limits of classification: amount of an accent, [ml]; acid of a sour juice and sugar of a sweet lengthener, [g/100 ml]; lengthener up
to which a daisy stays one, [ml]; and the liqueur's share of the sugar in a daisy (house rules).
"""


@dataclass(frozen=True, slots=True)
class RolePour:
    """The part of a pour that classification needs."""

    ingredient: Ingredient
    ml: float
    slot: SlotName
    stage: Stage


@dataclass(frozen=True, slots=True)
class Guess:
    """A guessed family and form, with the reason."""

    family: FamilyName
    form: str
    why: str


def slot_of(ingredient: Ingredient, ml: float | None, has_base: bool) -> SlotName:
    """Return the slot of an ingredient: its first one, unless the amount or the other pours speak for another."""
    able = ingredient.slots
    if not able:
        return "other"
    small = ml is not None and ml <= _ACCENT_ML
    if able[0] == "edge" and "seasoning" in able:  # a pinch of it; an edge is told as one
        return "seasoning"
    if ingredient.kind in ("spirit", "liqueur", "fortified", "aromatised") and small and "accent" in able and has_base:
        return "accent"
    if ingredient.kind in ("spirit", "zero-proof") and not small and "base" in able:
        return "base"
    if ingredient.kind in ("fortified", "aromatised", "wine") and has_base:
        return next((slot for slot in able if slot in ("liqueur", "accent", "lengthener")), able[0])
    if ingredient.kind == "juice" and "sour" in able and ingredient.composition.acid < _SHARP:
        # A soft juice lengthens or sweetens unless it is all the acid there is.
        return "lengthener" if "lengthener" in able and (ml or 0) >= _SHORT_LENGTHENER_ML else "sour"
    return able[0]


def stage_of(ingredient: Ingredient, slot: SlotName) -> Stage:
    """Return when a pour goes in, where no sentence says so."""
    if slot == "edge":
        return "rim"
    if slot == "garnish":
        return "garnish"
    return "topped" if ingredient.is_sparkling else "mixed"


def guess_of(parts: Sequence[RolePour], technique: str | None, serve_ice: str) -> Guess:
    """Guess the family and the form of a recipe."""
    family, why = _family(parts, technique)
    return Guess(family, _form(family, parts, serve_ice), why)


def _family(parts: Sequence[RolePour], technique: str | None) -> tuple[FamilyName, str]:
    has = {part.slot for part in parts}
    top = sum(part.ml for part in parts if part.slot == "lengthener" and part.ingredient.is_sparkling)
    sugar = {slot: sum(part.ml * part.ingredient.composition.sugar for part in parts if part.slot == slot) for slot in has}
    liqueur, whole = sugar.get("liqueur", 0.0), sum(sugar.values())
    if technique in ("stir", "build") and not any(
        part.ingredient.kind in ("juice", "egg", "dairy") and part.slot == "sour" for part in parts
    ):
        return "open", "Open: nothing sour, and not shaken."
    if "base" not in has:
        return "open", "Open: nothing strong."
    if "sour" not in has:
        return "open", "Open: nothing sour."
    sweetened = any(part.slot == "lengthener" and part.ingredient.composition.sugar >= _SWEET for part in parts)
    if not has & {"sweet", "liqueur"} and not sweetened:
        return "open", "Open: nothing sweet."
    by_liqueur = whole > 0 and liqueur / whole >= _LIQUEUR_SHARE
    if top > _SHORT_LENGTHENER_ML or (top > 0 and not by_liqueur):
        return "fizz", f"Fizz: a sour with {top:.0f} ml of something sparkling."
    if by_liqueur:
        names = " and ".join(part.ingredient.name for part in parts if part.slot == "liqueur")
        return "daisy", f"Daisy: {100 * liqueur / whole:.0f}% of its sugar comes from the liqueur ({names})."
    return "sour", "Sour: strong, sour and sweet."


def _form(family: FamilyName, parts: Sequence[RolePour], serve_ice: str) -> str:
    """Return the form of a family that suits the slots and the ice; the first that fits."""
    foam = any(part.slot == "texture" and part.ingredient.foam == "firm" for part in parts)
    cream = any(part.ingredient.kind == "dairy" for part in parts)
    floated = any(part.stage == "floated" for part in parts)
    wine = any(part.ingredient.kind == "sparkling" for part in parts if part.slot == "lengthener")
    edges = {part.ingredient.kind for part in parts if part.stage == "rim"}
    free = all(is_non_alcoholic(part.ingredient.composition.abv) for part in parts)
    wanted = {
        "sour": "crushed with float"
        if floated and serve_ice == "crushed"
        else "with foam"
        if foam
        else "up"
        if serve_ice == "none"
        else "rocks",
        "daisy": "sugared edge" if "sugar" in edges else "salted edge" if edges else "up" if serve_ice == "none" else "rocks",
        "fizz": "short with foam and cream"
        if foam and cream
        else "sparkling wine on top"
        if wine
        else "soda on top"
        if serve_ice == "none"
        else "long",
        "open": "without alcohol"
        if free
        else "built over crushed ice"
        if serve_ice == "crushed"
        else "sparkling aperitif"
        if wine
        else "stirred",
    }[family]
    return wanted if any(form.name == wanted for form in families()[family].forms) else ""
