"""Similarity of two drinks: half by their ingredients, half by their aroma."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.larder import Ingredient, SlotName
from oenomel.core.originals.aroma_pairings import smells, tags
from oenomel.core.spec import Drink

Floats = NDArray[np.float64]

WEIGHTS: Final[Mapping[SlotName, float]] = {
    "base": 1.0, "liqueur": 1.0, "accent": 0.7, "sweet": 0.7, "lengthener": 0.7, "texture": 0.4, "sour": 0.4, "seasoning": 0.2,
    "other": 0.5, "edge": 0.1, "garnish": 0.1,
}  # fmt: skip
"""Weights of the slots in comparing drinks: base and liqueur matter most, citrus hardly (house rule)."""

PLAIN: Final = 0.4
"""Factor on the weight of an ingredient without an aroma."""


@dataclass(frozen=True)
class Features:
    """Features by which drinks are compared.

    Parameters
    ----------
    held : ndarray, shape (drinks, ingredients)    weight of each ingredient, 0 where it isn't in a drink
    smell : ndarray, shape (drinks, tags)          rows of length one, or zero
    """

    held: Floats
    smell: Floats

    def take(self, rows: NDArray[np.int64]) -> Features:
        """Return a selection of rows."""
        return Features(self.held[rows], self.smell[rows])


def weight_of(ingredient: Ingredient, slot: SlotName) -> float:
    """Return the weight of an ingredient in a slot."""
    return WEIGHTS[slot] * (1.0 if ingredient.aroma else PLAIN)


def features_of(drinks: Sequence[Drink], ingredients: Sequence[Ingredient]) -> Features:
    """Return the features of drinks over a larder's ingredients; unknown ingredients get columns of their own, so that they match
    nothing.
    """
    places = {ingredient.slug: column for column, ingredient in enumerate(ingredients)}
    others: dict[str, Ingredient] = {}
    for drink in drinks:
        for pour in drink.pours:
            if pour.ingredient.slug not in places:
                places[pour.ingredient.slug] = len(places)
                others[pour.ingredient.slug] = pour.ingredient
    membership = np.zeros((len(drinks), len(places)))
    for row, drink in enumerate(drinks):
        for pour in drink.pours:
            index = places[pour.ingredient.slug]
            membership[row, index] = max(membership[row, index], weight_of(pour.ingredient, pour.slot))
    return Features(membership, smell_of(membership, smells([*ingredients, *others.values()])[1]))


def smell_of(membership: Floats, by_tag: Floats) -> Floats:
    """Return the aroma of drinks, rows of length one, from their ingredients."""
    smell = membership @ by_tag if len(membership) else np.zeros((0, len(tags())))
    length = np.linalg.norm(smell, axis=1, keepdims=True)
    unit: Floats = smell / np.maximum(length, 1e-12)
    return unit


def feature_distance(some: Features, others: Features) -> Floats:
    """Return the distances between two sets of drinks, shape (some, others): 0 equal, 1 nothing in common."""
    width = max(some.held.shape[1], others.held.shape[1])
    one, other = _wide(some.held, width), _wide(others.held, width)
    shared = np.zeros((len(one), len(other)))
    for column in range(len(other)):
        other_row = other[column]
        places = np.flatnonzero(other_row)
        shared[:, column] = np.minimum(one[:, places], other_row[places]).sum(axis=1)
    return distance_of(shared, some, others)


def distance_of(shared: Floats, some: Features, others: Features) -> Floats:
    """Return the distances between two sets of drinks, from the weight each pair shares, both of shape (some, others)."""
    together = some.held.sum(axis=1)[:, None] + others.held.sum(axis=1)[None] - shared
    jaccard = np.divide(shared, together, out=np.zeros_like(shared), where=together > 0)
    distance: Floats = np.clip(1 - (jaccard + some.smell @ others.smell.T) / 2, 0.0, 1.0)
    return distance


def _wide(membership: Floats, width: int) -> Floats:
    return np.pad(membership, ((0, 0), (0, width - membership.shape[1]))) if membership.shape[1] < width else membership
