"""Attribution: the effect of each change between two drinks, as its mean over all orders of making the changes (docs/model/balance.md,
"Reported values").
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance.levels import FIGURES, levels_of
from oenomel.core.balance.perception import AXES, steps_between
from oenomel.core.dilution import Conditions
from oenomel.core.spec import Drink, Pour

Floats = NDArray[np.float64]

THE_METHOD: Final = "the method"
"""Name of a change of technique, seconds or ice, which count as one change."""

HOLDS: Final = {"abv": 5.0, "sugar": 3.0, "acid": 0.3}
"""Content from which an ingredient contributes to an axis, % v/v and g per 100 ml (house rule)."""

MOST_CHANGES: Final = 10
"""Changes attributed one by one; of more, the last are grouped, because every order of ten is a thousand drinks."""

_STAGE_WORDS: Final = {
    "mixed": "in the tin",
    "glass": "in the glass first",
    "topped": "on top",
    "floated": "floated",
    "rinse": "as a rinse",
}

# Criteria for matching two pours, the closest first.
_ALIKE: Final[tuple[Callable[[Pour, Pour], bool], ...]] = (
    lambda a, b: a == b,
    lambda a, b: a.ingredient.slug == b.ingredient.slug and a.stage == b.stage,
    lambda a, b: a.ingredient.slug == b.ingredient.slug,
    lambda a, b: a.slot == b.slot and a.stage == b.stage,
    lambda a, b: a.slot == b.slot,
)


@dataclass(frozen=True, slots=True)
class Change:
    """One change in words, and its effect: on each figure in its unit, and on each axis in noticeable steps.

    ``cause`` names it after a "by": "drier by the triple sec"; ``brings`` are the axes to which its pour contributes more than volume.
    The effects of all changes between two drinks add up to their whole difference.
    """

    words: str
    cause: str
    brings: tuple[str, ...]
    by: Mapping[str, float]
    steps: Mapping[str, float]


@dataclass(frozen=True, slots=True)
class _Row:
    """One pour before and after, either of them None where it is missing; the index of its change, None where it is equal."""

    before: Pour | None
    after: Pour | None
    change: int | None


def changes_between(drink: Drink, parent: Drink, conditions: Conditions) -> tuple[Change, ...]:
    """Return the changes between a drink and its parent, each with its share of the difference; none where the two are equal."""
    changes, rows, method_change = _changes(drink, parent)
    if not changes:
        return ()
    # One drink for each set of changes, bit by bit.
    subsets = np.arange(2 ** len(changes))
    figures = _figures_by_subset(subsets, rows, parent, drink, method_change, conditions)
    axes = [FIGURES.index(name) for name in AXES]
    steps = np.array([steps_between(figures[row], figures[row, 0], axis) for row, axis in zip(axes, AXES.values(), strict=True)])
    shares = _mean_over_orders(np.concatenate([figures, steps]), len(changes))
    return tuple(
        Change(
            words,
            cause,
            brings,
            dict(zip(FIGURES, column[: len(FIGURES)].tolist(), strict=True)),
            dict(zip(AXES, column[len(FIGURES) :].tolist(), strict=True)),
        )
        for (words, cause, brings), column in zip(changes, shares.T, strict=True)
    )


def _changes(drink: Drink, parent: Drink) -> tuple[list[tuple[str, str, tuple[str, ...]]], list[_Row], int | None]:
    """Return words, cause and axes of each change, the pours of both drinks side by side, and the index of the method's change."""
    changes: list[tuple[str, str, tuple[str, ...]]] = []
    rows: list[_Row] = []
    for before, after in paired_pours(parent.pours, drink.pours):
        words = change_words(before, after)
        rows.append(_Row(before, after, min(len(changes), MOST_CHANGES - 1) if words else None))
        if words:
            changes.append((words, _cause(words, before, after), _brings(before, after)))
    method_change = None
    if drink.method != parent.method:
        method_change = min(len(changes), MOST_CHANGES - 1)
        changes.append((THE_METHOD, THE_METHOD, ("abv", "sugar", "acid")))
    if len(changes) > MOST_CHANGES:
        together = f"{len(changes) - MOST_CHANGES + 1} more changes"
        changes[MOST_CHANGES - 1 :] = [(together, together, ("abv", "sugar", "acid"))]
    return changes, rows, method_change


def paired_pours(before: tuple[Pour, ...], after: tuple[Pour, ...]) -> list[tuple[Pour | None, Pour | None]]:
    """Match the pours of two drinks: by ingredient, else by slot; the rest are matched with None."""
    pours, right = list(before), list(after)
    pairs: list[tuple[Pour | None, Pour | None]] = []
    for alike in _ALIKE:
        for one in list(right):
            match = next((other for other in pours if alike(other, one)), None)
            if match is not None:
                pours.remove(match)
                right.remove(one)
                pairs.append((match, one))
    return [*pairs, *((one, None) for one in pours), *((None, one) for one in right)]


def matching_indices(after: tuple[Pour, ...], before: tuple[Pour, ...]) -> tuple[int | None, ...]:
    """Return for each pour the index of the matching pour of the parent; None where it is new."""
    places = {id(pour): index for index, pour in enumerate(before)}
    of = {id(new): places[id(old)] for old, new in paired_pours(before, after) if old is not None and new is not None}
    return tuple(of.get(id(pour)) for pour in after)


def change_words(before: Pour | None, after: Pour | None) -> str:
    """Describe the change between two matching pours; empty where nothing changed that reaches the liquid."""
    if before is None or after is None:
        alone = after or before
        assert alone is not None
        if alone.liquid_ml == 0 and not alone.dissolves_later:
            return ""
        return f"{alone.ingredient.in_sentence} {'added' if after else 'left out'}"
    if before.ingredient.composition != after.ingredient.composition and before.ingredient.slug == after.ingredient.slug:
        return f"another bottle of {after.ingredient.in_sentence}"
    if before.ingredient.slug != after.ingredient.slug:
        return f"{after.ingredient.in_sentence} for {before.ingredient.in_sentence}" if before.liquid_ml or after.liquid_ml else ""
    if before.stage != after.stage and (before.liquid_ml or after.liquid_ml):
        return f"{after.ingredient.in_sentence} {_STAGE_WORDS.get(after.stage, 'on the rim')}"
    if before.liquid_ml == after.liquid_ml:
        return ""
    return f"{'more' if after.liquid_ml > before.liquid_ml else 'less'} {after.ingredient.in_sentence}"


def _brings(before: Pour | None, after: Pour | None) -> tuple[str, ...]:
    """Return the axes to which a changed pour contributes, before or after."""
    contents = [pour.ingredient.composition.axes for pour in (before, after) if pour is not None and pour.liquid_ml > 0]
    return tuple(name for row, (name, least) in enumerate(HOLDS.items()) if any(content[row] >= least for content in contents))


def _cause(words: str, before: Pour | None, after: Pour | None) -> str:
    """Return a change's words after a "by"."""
    if after is None:
        assert before is not None
        return f"leaving out the {before.ingredient.in_sentence}"
    if before is None or before.ingredient.slug != after.ingredient.slug:
        return f"the {after.ingredient.in_sentence}"
    return words if before.stage == after.stage else f"pouring the {words}"


def _figures_by_subset(
    subsets: NDArray[np.int64], rows: list[_Row], parent: Drink, drink: Drink, method_change: int | None, conditions: Conditions
) -> Floats:
    """Compute the drink's figures with each set of changes made, shape (4, sets)."""
    volumes = np.empty((len(rows), len(subsets)))
    axes = np.empty((len(rows), 3, len(subsets)))
    in_tin = np.empty((len(rows), len(subsets)))
    for index, row in enumerate(rows):
        done = np.ones(len(subsets), dtype=bool) if row.change is None else (subsets >> row.change) % 2 == 1
        (old_ml, old_axes, old_tin), (new_ml, new_axes, new_tin) = _poured(row.before), _poured(row.after)
        volumes[index] = np.where(done, new_ml, old_ml)
        axes[index] = np.where(done, new_axes[:, None], old_axes[:, None])
        in_tin[index] = np.where(done, new_tin, old_tin)
    if method_change is None:
        return levels_of(volumes, axes, in_tin, parent.method, conditions).figures
    done = (subsets >> method_change) % 2 == 1
    before, after = (levels_of(volumes, axes, in_tin, one_drink.method, conditions).figures for one_drink in (parent, drink))
    return np.where(done, after, before)


def _poured(pour: Pour | None) -> tuple[float, Floats, float]:
    if pour is None:
        return 0.0, np.zeros(3), 0.0
    return pour.liquid_ml, np.array(pour.ingredient.composition.axes), float(pour.meets_ice)


def _mean_over_orders(figures: Floats, changes: int) -> Floats:
    """Average what each change adds over every order of making them, shape (figures, changes); column s of the argument is the drink
    with the set of changes s.
    """
    sets = np.arange(2**changes)
    size = np.array([bin(subset).count("1") for subset in sets])
    orders = np.array([math.factorial(n) * math.factorial(max(0, changes - n - 1)) / math.factorial(changes) for n in range(changes + 1)])
    shares = np.empty((len(figures), changes))
    for change in range(changes):
        without = sets[(sets >> change) % 2 == 0]
        shares[:, change] = (figures[:, without | 1 << change] - figures[:, without]) @ orders[size[without]]
    return shares
