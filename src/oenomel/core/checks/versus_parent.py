"""Checks against the parent: a swap with a hidden effect, and a trial that changed too much to teach anything."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import Final

from oenomel.core.balance import AXES, Change, Profile, steps_between
from oenomel.core.balance.attribution import change_words
from oenomel.core.checks.finding import Edit, Finding, Fix
from oenomel.core.spec import Drink, Pour

SEEN_COMING_STEPS: Final = 1.0
GRID_ML: Final = 2.5
LIQUEUR_KINDS: Final = frozenset({"liqueur", "syrup", "honey", "fortified", "aromatised", "sparkling"})


def findings_between(drink: Drink, parent: Drink, served: Profile, before: Profile, changes: Sequence[Change]) -> tuple[Finding, ...]:
    """Return the findings that need the parent; ``changes`` tell the effect of each change."""
    return (*_swap(drink, parent, served, before, changes), *_method(drink, parent))


def _swap(drink: Drink, parent: Drink, served: Profile, before: Profile, changes: Sequence[Change]) -> Iterator[Finding]:
    """Yield a finding for a swap that makes the drink sweeter or drier, where the whole drink is that too; a change that others offset
    needs no warning.
    """
    steps = float(steps_between(served.sugar, before.sugar, AXES["sugar"]))
    swapped = _swapped(drink, parent)
    if swapped is None or abs(steps) < SEEN_COMING_STEPS:
        return
    new, old = swapped
    own = sum(change.steps["sugar"] for change in changes if change.words == change_words(old, new))
    if own * steps <= 0 or abs(own) < SEEN_COMING_STEPS:
        return
    word = AXES["sugar"].word(steps)
    message = (
        f"{new.ingredient.name} makes it {word} than {old.ingredient.in_sentence}: {_sugar_of(new, old)} sugar "
        f"instead of {_sugar_of(old, new)}."
    )
    yield Finding("swap-changes-sweetness", "warning", message, _syrup(drink, new, old))


def _sugar_of(pour: Pour, other: Pour) -> str:
    """Compute the sugar of a pour: per 100 ml where both are poured in the same amount, else in the pour."""
    sugar = pour.ingredient.composition.sugar
    if abs(pour.liquid_ml - other.liquid_ml) < 1:
        return f"{sugar:.0f} g/100 ml"
    return f"{sugar * pour.liquid_ml / 100:.1f} g"


def _swapped(drink: Drink, parent: Drink) -> tuple[Pour, Pour] | None:
    """Return the sweet ingredient that came in, and the one it replaced."""
    came = [p for p in drink.pours if p.ingredient.slug not in {q.ingredient.slug for q in parent.pours} and p.liquid_ml > 0]
    went = [p for p in parent.pours if p.ingredient.slug not in {q.ingredient.slug for q in drink.pours} and p.liquid_ml > 0]
    pairs = ((new, old) for new in came for old in went if new.slot == old.slot and new.ingredient.kind in LIQUEUR_KINDS)
    return next(pairs, None)


def _syrup(drink: Drink, new: Pour, old: Pour) -> tuple[Fix, ...]:
    """Return the syrup with the sugar of the replaced ingredient: more of one in the drink, or a new pour."""
    grams = (old.liquid_ml * old.ingredient.composition.sugar - new.liquid_ml * new.ingredient.composition.sugar) / 100
    there = next(
        (
            (i, p)
            for i, p in enumerate(drink.pours)
            if p.slot == "sweet" and p is not new and p.ingredient.composition.sugar > 20 and p.meets_ice
        ),
        None,
    )
    content = (there[1].ingredient.composition.sugar if there else 61.48) / 100
    millilitres = round(grams / content / GRID_ML) * GRID_ML
    if there is not None:
        index, pour = there
        amount = max(0.0, pour.volume_ml + millilitres)
        if amount == pour.volume_ml:
            return ()
        sign = "more" if millilitres > 0 else "less"
        edit = Edit("pour", {"amount": amount, "unit": "ml"}, index)
        return (Fix(f"{abs(amount - pour.volume_ml):g} ml {sign} of {pour.ingredient.in_sentence}", (edit,)),)
    if millilitres <= 0:
        return ()
    added = {"ingredient": "simple-syrup-1-1", "amount": millilitres, "unit": "ml", "slot": "sweet", "stage": "mixed"}
    return (Fix(f"Add {millilitres:g} ml of simple syrup", (Edit("pour", added),)),)


def _method(drink: Drink, parent: Drink) -> Iterator[Finding]:
    poured = [(p.ingredient.slug, p.liquid_ml, p.stage) for p in drink.pours]
    before = [(p.ingredient.slug, p.liquid_ml, p.stage) for p in parent.pours]
    if drink.method == parent.method or poured == before:
        return
    method = parent.method
    back = {
        "technique": method.technique,
        "seconds": method.seconds,
        "dry_shake_seconds": method.dry_shake_seconds,
        "ice": method.ice,
    }
    message = "Ingredients and method both changed. Use the same method, or you can't know what made the difference."
    yield Finding("method-changed-too", "info", message, (Fix("Use the previous method", (Edit("method", back),)),))
