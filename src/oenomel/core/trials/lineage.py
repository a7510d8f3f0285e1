"""Lineage of trials: where each pour came from, and what changed (common practice)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

from oenomel.core.balance import AXES, changes_between, in_words, paired_pours, tasted
from oenomel.core.dilution import Conditions
from oenomel.core.spec import Drink, Pour
from oenomel.errors import DomainError

MOST_PARENTS: Final = 3

_WHOSE: Final = ("base", "sour", "sweet", "liqueur", "accent", "texture", "lengthener", "seasoning", "edge", "garnish", "other")


@dataclass(frozen=True, slots=True)
class Branch:
    """One line from a parent to a trial: changes in words, their effect on the axes in words, and in steps (for drawing only)."""

    change: str
    effect: str
    steps: Mapping[str, float]


def branch(drink: Drink, parent: Drink, conditions: Conditions) -> Branch:
    """Return the changes between a parent and its child."""
    changes = changes_between(drink, parent, conditions)
    steps = {name: sum(change.steps[name] for change in changes) for name in AXES}
    words = [change.words for change in changes]
    label = ", ".join(words[:2]) + (f" and {len(words) - 2} more" if len(words) > 2 else "")
    effect = ", ".join(in_words(steps[name], AXES[name]) for name in tasted(steps))
    return Branch(f"{label[0].upper()}{label[1:]}" if label else "Made again", effect, steps)


def origins(drink: Drink, parents: Sequence[Drink]) -> tuple[int | None, ...]:
    """Return for each pour the index of the parent it came from: the first with an equal pour, else with the same ingredient; None
    where it is new.
    """
    same = [{id(after): before for before, after in paired_pours(parent.pours, drink.pours) if before and after} for parent in parents]

    def origin(pour: Pour) -> int | None:
        matches = [(index, counterparts.get(id(pour))) for index, counterparts in enumerate(same)]
        kept = [index for index, match in matches if match == pour]
        changed = [index for index, match in matches if match is not None and match.ingredient.slug == pour.ingredient.slug]
        return next(iter(kept + changed), None)

    return tuple(origin(pour) for pour in drink.pours)


def cross(parents: Sequence[Drink]) -> Drink:
    """Cross two or three drinks: the frame (amounts, method, glass) of the first, and one feature of each of the others.

    Of the slots sweet, liqueur, accent and sour, the first in which another parent has a different ingredient is replaced, at the first
    parent's amount; an ingredient that the first lacks is added. Where they differ in the base only, that is replaced. A start to
    rebalance from, not a finished drink.

    Raises
    ------
    DomainError
        Not two or three parents.
    """
    if not 2 <= len(parents) <= MOST_PARENTS:
        raise DomainError(f"{len(parents)} trials can't be combined: choose two or three")
    frame, *others = parents
    pours = list(frame.pours)
    drinks = list(others)
    for slot in ("sweet", "liqueur", "accent", "sour", "base"):
        poured_slugs = {pour.ingredient.slug for pour in pours}
        gifts = [
            (giver, pour) for giver in drinks for pour in giver.pours if pour.slot == slot and pour.ingredient.slug not in poured_slugs
        ]
        if not gifts or (slot == "base" and len(drinks) < len(others)):
            continue
        giver, given = gifts[0]
        index = next((i for i, pour in enumerate(pours) if pour.slot == slot), None)
        if index is None:
            pours.append(given)
        else:
            pours[index] = replace(given, volume_ml=pours[index].volume_ml, unit=pours[index].unit, stage=pours[index].stage)
        drinks = [drink for drink in drinks if drink is not giver]
    order = {slot: n for n, slot in enumerate(_WHOSE)}
    return replace(frame, pours=tuple(sorted(pours, key=lambda pour: order.get(pour.slot, len(order)))))
