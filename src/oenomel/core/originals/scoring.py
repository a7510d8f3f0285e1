"""Score of a new drink, and which criteria it meets (docs/model/originals.md)."""

from __future__ import annotations

from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import FIGURES
from oenomel.core.families.typical_range import EDGE_OF_HOME_STEPS
from oenomel.core.glass.colour import colour_words, in_colour, swatches
from oenomel.core.larder import Ingredient, aromas
from oenomel.core.larder.alcohol import NON_ALCOHOLIC_ABV
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.pour_sizes import Poured
from oenomel.core.originals.search_context import MOST_MARKS, SearchContext, Sifted
from oenomel.core.originals.similarity import Features, feature_distance, smell_of
from oenomel.core.originals.space import NONE
from oenomel.core.originals.usual_measures import seasons

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]
Bools = NDArray[np.bool_]

BALANCE_COUNTS: Final = 0.45
KINSHIP_COUNTS: Final = 0.25
NOVELTY_COUNTS: Final = 0.15
USUAL_COUNTS: Final = 0.15
GLADLY_COUNTS: Final = 0.3
"""Weights of the parts of a score, each from 0 to 1 (house rules; pairing is weak evidence and counts little)."""

LESS_COUNTS: Final = 0.3
NEAR_BOOK: Final = 0.55
FAR_FROM_BOOK: Final = 0.8
"""Penalty for unwanted ingredients, and the distances from the nearest drink of the book that count as near and as far."""


def balance_of(cost: Floats) -> Floats:
    """Return the score of balance, 1 at the target, from J."""
    balance: Floats = 1 / (1 + cost)
    return balance


def score_upper_bound(sifted: Sifted, preference: Floats) -> Floats:
    """Return the score for a perfect balance."""
    bound: Floats = (
        BALANCE_COUNTS
        + KINSHIP_COUNTS * sifted.kinship
        + NOVELTY_COUNTS * sifted.novelty
        + USUAL_COUNTS * sifted.usual
        + GLADLY_COUNTS * preference
    )
    return bound


def before_pouring(context: SearchContext, criteria: Criteria, sifted: Sifted) -> tuple[Bools, Floats]:
    """Return which combinations meet the criteria of aroma and novelty, and their score for the preferences."""
    drawn, many = sifted.drawn, len(sifted.drawn)
    index, there = np.maximum(drawn, 0), drawn != NONE
    eligible = np.ones(many, dtype=np.bool_)
    for word in criteria.aroma:
        smelt = np.array([_smells_of(ingredient, word) for ingredient in context.ingredients])
        eligible &= (smelt[index] & there).any(axis=1)
    if criteria.from_book == "near":
        eligible &= sifted.novelty <= NEAR_BOOK
    elif criteria.from_book == "far":
        eligible &= sifted.novelty >= FAR_FROM_BOOK
    preference = np.zeros(many)
    slugs = [ingredient.slug for ingredient in context.ingredients]
    for wanted, counts in ((set(criteria.may), 1.0), (set(criteria.soon), 0.7), (set(criteria.less), -LESS_COUNTS / GLADLY_COUNTS)):
        if wanted:
            these = np.array([slug in wanted for slug in slugs])
            # One preferred ingredient counts fully, a second one a little more.
            preference += counts * np.minimum(1.2, 0.8 * np.sign(hits := (these[index] & there).sum(axis=1)) + 0.2 * hits)
    if criteria.season:
        brought = set(seasons()[criteria.season])
        these = np.array(
            [any(tag in brought and weight > 1 for tag, weight in ingredient.aroma.items()) for ingredient in context.ingredients]
        )
        preference += 0.5 * (these[index] & there).sum(axis=1) / np.maximum(there.sum(axis=1), 1)
    if criteria.like:
        shared = np.array([slug in criteria.like for slug in slugs])
        total = np.zeros((1, len(slugs)))
        total[0, shared] = 1.0
        like = Features(total, smell_of(total, context.by_tag))
        at_once = max(1, MOST_MARKS // len(slugs))
        for start in range(0, many, at_once):
            part = slice(start, start + at_once)
            preference[part] += 1.5 * (1 - feature_distance(context.marks(drawn[part]), like)[:, 0])
    return eligible, preference


def _smells_of(ingredient: Ingredient, word: str) -> bool:
    return any(weight > 1 and word in (tag, aromas()[tag].group) for tag, weight in ingredient.aroma.items())


def satisfies(context: SearchContext, criteria: Criteria, sifted: Sifted, at: Poured, rows: Ints) -> Bools:
    """Return which combinations are in their typical range and meet the criteria of strength, price and colour."""
    keeps = at.distance[rows] <= EDGE_OF_HOME_STEPS
    abv = at.figures[FIGURES.index("abv"), rows]
    if criteria.abv is not None:
        keeps &= (abv >= criteria.abv[0]) & (abv <= criteria.abv[1])
    if criteria.without_alcohol:
        keeps &= abv <= NON_ALCOHOLIC_ABV
    if criteria.most_cost is not None:
        prices = np.where(sifted.drawn[rows] != NONE, context.prices[np.maximum(sifted.drawn[rows], 0)], 0.0)
        cost = (prices * at.volumes[rows]).sum(axis=1) / 1000
        keeps &= cost <= criteria.most_cost
    if criteria.colour:
        kept = np.flatnonzero(keeps)
        keeps[kept] = [in_colour(criteria.colour, colour_words(seen)) for seen in _seen(context, sifted, at, rows[kept])]
    return keeps


def _seen(context: SearchContext, sifted: Sifted, at: Poured, rows: Ints) -> list[str]:
    """Return the colours of these drinks, as `swatch` does."""
    drawn, volumes = sifted.drawn[rows], at.volumes[rows]
    index, share = np.maximum(drawn, 0), np.where(drawn != NONE, volumes, 0.0) / at.figures[0, rows][:, None]
    air = np.where(share > 0, context.air[index], 0.0).max(axis=1)
    absorbance = np.einsum("np,npc->nc", share, context.absorbance[index])
    return swatches(absorbance, air + (share * context.cloudiness[index]).sum(axis=1), (share * context.fat[index]).sum(axis=1))
