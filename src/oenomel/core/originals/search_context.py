"""Context of a search: larder, book and pairings, and the samples drawn and poured so far."""

from __future__ import annotations

import itertools
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.checks.clashes import CLASHES, sense_classes
from oenomel.core.dilution import Conditions
from oenomel.core.families import Branch, TypicalRanges, standard_typical_ranges
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.glass.colour import AIR_OF
from oenomel.core.larder import Ingredient, Larder
from oenomel.core.originals.aroma_pairings import LINK_FROM, KinshipTable, pairing_matrix, smells
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.parts import PARTS
from oenomel.core.originals.pour_sizes import Poured, Pourer
from oenomel.core.originals.similarity import Features, distance_of, features_of, smell_of, weight_of
from oenomel.core.originals.space import NONE, ORDER, SAMPLE, Space, space_of
from oenomel.core.spec import Drink

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]
Bools = NDArray[np.bool_]

MOST_MARKS: Final = 1_000_000
MOST_DISTANCES: Final = 100_000
ROUNDED: Final = 9
"""Sizes of arrays compared at once, to fit a processor's cache; digits to which distances and scores are rounded, so that ties are ties
everywhere.
"""

MOST_KEPT: Final = 6
"""Samples kept, by structure of the criteria."""

USUAL_OF_PART: Final = np.array([3.0 if part == "sour" else 1.0 for part in ORDER])
"""Weights of the roles in how usual a drink is: nobody presses sour oranges for one drink (house rule)."""

UNTOLD_KINSHIP: Final = 0.5
"""Pairing value of an ingredient with too little aroma (house rule)."""


@dataclass(frozen=True)
class BookDrink:
    """A drink of the book that an original is compared with."""

    name: str
    drink: Drink
    id: int = 0


@dataclass(frozen=True)
class Sifted:
    """Sensible combinations, with everything known before amounts are chosen.

    Parameters
    ----------
    space : Space
    drawn : ndarray, shape (n, parts)      places in the larder
    kinship, novelty, usual : ndarray, shape (n,), 0 to 1
    nearest : ndarray, shape (n,)          place in the book, −1 where that is empty
    looked_at : int                        how many were drawn before those without sense were left out
    """

    space: Space
    drawn: Ints
    kinship: Floats
    novelty: Floats
    usual: Floats
    nearest: Ints
    looked_at: int


class SearchContext:
    """A larder, a table of pairings and a book to search over; keeps its samples for the next search."""

    def __init__(
        self,
        larder: Mapping[str, Ingredient],
        book: Sequence[BookDrink] = (),
        table: KinshipTable | None = None,
        homes: TypicalRanges | None = None,
        conditions: Conditions | None = None,
    ) -> None:
        self.larder = larder if isinstance(larder, Larder) else Larder(larder)
        self.ingredients = tuple(sorted(larder.values(), key=lambda each: each.slug))
        self.book, self.table = tuple(book), table or KinshipTable()
        self.homes, self.conditions = homes or standard_typical_ranges(), conditions or Conditions()
        self.by_group, self.by_tag = smells(self.ingredients)
        # A large larder has many ingredients with few distinct aromas: pairings are computed once for each.
        of_smell = {tuple(sorted(ingredient.aroma.items())): ingredient for ingredient in self.ingredients}
        places = {smell: index for index, smell in enumerate(of_smell)}
        self.smell = np.array([places[tuple(sorted(ingredient.aroma.items()))] for ingredient in self.ingredients])
        self.kin, smelt = pairing_matrix(list(of_smell.values()), self.table)
        self.smelt = smelt[self.smell]
        self.names = [book_drink.name for book_drink in self.book]
        self.in_book = features_of([book_drink.drink for book_drink in self.book], self.ingredients)
        self.weights = np.array([[weight_of(ingredient, PARTS[part].slot) for ingredient in self.ingredients] for part in ORDER])
        self.absorbance = np.array([ingredient.absorbance for ingredient in self.ingredients]).reshape(-1, 3)
        self.cloudiness = np.array([ingredient.label("cloudiness") or 0.0 for ingredient in self.ingredients])
        self.fat = np.array([ingredient.composition.fat for ingredient in self.ingredients])
        self.air = np.array([AIR_OF[ingredient.foam] for ingredient in self.ingredients])
        self.usual = np.array(
            [1 - (ingredient.rank - 1) / 3 if ingredient.origin == "catalogue" else 1.0 for ingredient in self.ingredients]
        )
        self.prices = np.array(
            [price if (price := ingredient.label("price_per_litre")) is not None else np.nan for ingredient in self.ingredients]
        )
        names = sorted({name for clash in CLASHES for name in (clash.one, clash.other)} | {"hot", "raw egg"})
        self.class_names = {name: index for index, name in enumerate(names)}
        self.classes = np.zeros((len(self.ingredients), len(names)), dtype=np.int8)
        for row, one in enumerate(self.ingredients):
            for name in sense_classes(one) | ({"raw egg"} & set(one.cautions)):
                if name in self.class_names:
                    self.classes[row, self.class_names[name]] = 1
        self._spaces: dict[Criteria, Space] = {}
        self._sifted: dict[tuple[Criteria, int], Sifted] = {}
        self._poured: dict[tuple[object, ...], Pourings] = {}

    def sift(self, criteria: Criteria, at_least: int = SAMPLE) -> Sifted:
        """Return the sensible combinations for the structure of some criteria; computed once for each structure."""
        space = self._space(criteria)
        key = criteria.structure, 0 if space.is_drawn_whole else at_least
        if key not in self._sifted:
            if len(self._sifted) > MOST_KEPT:
                self._sifted.clear()
                self._poured.clear()
            drawn = space.drawn(criteria.seed, at_least)
            looked_at = len(drawn)
            drawn = drawn[self._sensible(drawn, criteria)]
            kinship, linked = self._kinship(drawn)
            drawn, kinship = drawn[linked], kinship[linked]
            novelty, nearest = self._novelty(drawn)
            counts = (drawn != NONE) * USUAL_OF_PART
            usual = (self.usual[np.maximum(drawn, 0)] * counts).sum(axis=1) / np.maximum(counts.sum(axis=1), 1)
            self._sifted[key] = Sifted(space, drawn, kinship, novelty, usual, nearest, looked_at)
        return self._sifted[key]

    def _space(self, criteria: Criteria) -> Space:
        if criteria.structure not in self._spaces:
            if len(self._spaces) > MOST_KEPT:
                self._spaces.clear()
            self._spaces[criteria.structure] = space_of(criteria, self.larder)
        return self._spaces[criteria.structure]

    def forecast(self, drink: Drink) -> Forecast:
        """Forecast a drink under the context's conditions."""
        return forecast_of(drink, self.conditions, self.homes)

    def has_drawn(self, criteria: Criteria, at_least: int) -> bool:
        """Check whether the sample for some criteria was drawn already."""
        return (criteria.structure, at_least) in self._sifted

    def home_branch(self, criteria: Criteria) -> Branch:
        """Return which branch of its family the criteria aim at."""
        return "without alcohol" if criteria.without_alcohol else "long on juice" if criteria.form == "long on juice" else ""

    def pourings(self, criteria: Criteria, sifted: Sifted) -> Pourings:
        """Return the combinations with amounts for some criteria so far: others with the same target continue with them."""
        key = id(sifted), criteria.off, criteria.sweetness, criteria.abv
        if key not in self._poured:
            home = self.homes[criteria.family, self.home_branch(criteria)]
            pourer = Pourer(self.ingredients, criteria, home, self.conditions)
            self._poured[key] = Pourings(sifted, pourer)
        return self._poured[key]

    def _sensible(self, drawn: Ints, criteria: Criteria) -> Bools:
        """Return which combinations a bartender wouldn't refuse on sight; ingredients asked for by name are always allowed."""
        there = drawn != NONE
        asked = np.array([ingredient.slug in criteria.must for ingredient in self.ingredients])
        allowed = np.ones(len(drawn), dtype=np.bool_)
        counts = np.zeros((len(drawn), len(self.class_names)), dtype=np.int16)
        forced = np.zeros_like(counts)
        for column in range(drawn.shape[1]):
            index, has = np.maximum(drawn[:, column], 0), there[:, column]
            counts += self.classes[index] * has[:, None]
            forced += self.classes[index] * (has & asked[index])[:, None]
        for clash in CLASHES:
            one, other = self.class_names[clash.one], self.class_names[clash.other]
            if clash.most:
                allowed &= (counts[:, one] <= clash.most) | (forced[:, one] > clash.most)
                continue
            both = self.classes[:, one] & self.classes[:, other]
            alone = np.zeros(len(drawn), dtype=np.bool_)
            if both.any():
                same = (both[np.maximum(drawn, 0)] * there).sum(axis=1)
                alone = (counts[:, one] == 1) & (counts[:, other] == 1) & (same == 1)
            allowed &= ~((counts[:, one] > 0) & (counts[:, other] > 0)) | alone | ((forced[:, one] > 0) & (forced[:, other] > 0))
        if criteria.without_alcohol:
            for name in ("hot", "raw egg"):
                allowed &= (counts[:, self.class_names[name]] == 0) | (forced[:, self.class_names[name]] > 0)
        return allowed

    def _kinship(self, drawn: Ints) -> tuple[Floats, Bools]:
        """Return the mean pairing value over the pairs with an aroma, and whether each aromatic pour has a partner."""
        index = np.maximum(drawn, 0)
        smell, smelt = self.smell[index], (drawn != NONE) & self.smelt[index]
        total, pairs = np.zeros(len(drawn)), np.zeros(len(drawn))
        best = np.zeros(drawn.shape)
        for one, other in itertools.combinations(range(drawn.shape[1]), 2):
            both = smelt[:, one] & smelt[:, other]
            rows = np.flatnonzero(both)
            value = self.kin[smell[rows, one], smell[rows, other]]
            total[rows] += value
            pairs[rows] += 1
            best[rows, one] = np.maximum(best[rows, one], value)
            best[rows, other] = np.maximum(best[rows, other], value)
        linked = ((best >= LINK_FROM) | ~smelt).all(axis=1) | (pairs == 0)
        return np.where(pairs > 0, np.clip(total / np.maximum(pairs, 1), 0, 1), UNTOLD_KINSHIP), linked

    def marks(self, drawn: Ints) -> Features:
        """Return the features by which combinations are compared."""
        index, there = np.maximum(drawn, 0), drawn != NONE
        membership = np.zeros((len(drawn), len(self.ingredients)))
        weight = self.weights[np.arange(len(ORDER)), index] * there
        rows = np.arange(len(drawn))
        for column in range(drawn.shape[1]):
            membership[rows[there[:, column]], index[there[:, column], column]] = weight[there[:, column], column]
        return Features(membership, smell_of(membership, self.by_tag))

    def _novelty(self, drawn: Ints) -> tuple[Floats, Ints]:
        """Return the distance from the nearest drink of the book, and its index."""
        if not self.book:
            return np.ones(len(drawn)), np.full(len(drawn), -1)
        novelty, nearest = np.empty(len(drawn)), np.empty(len(drawn), dtype=np.int64)
        at_once = max(1, min(MOST_MARKS // len(self.ingredients), MOST_DISTANCES // len(self.book)))
        for start in range(0, len(drawn), at_once):
            part = slice(start, start + at_once)
            distance = self._from_book(drawn[part]).round(ROUNDED)
            nearest[part] = distance.argmin(axis=1)
            novelty[part] = distance.min(axis=1)
        return novelty, nearest

    def _from_book(self, drawn: Ints) -> Floats:
        """Return the distance of each combination from each drink of the book, shape (n, book), as `distance_of` defines it.

        A combination holds few ingredients: summing over its parts takes a tenth of the time of comparing whole rows.
        """
        marks = self.marks(drawn)
        shared = np.zeros((len(drawn), len(self.book)))
        by_ingredient = np.ascontiguousarray(self.in_book.held.T)
        for column in range(drawn.shape[1]):
            rows = np.flatnonzero(drawn[:, column] != NONE)
            index = drawn[rows, column]
            shared[rows] += np.minimum(self.weights[column, index][:, None], by_ingredient[index])
        return distance_of(shared, marks, self.in_book)


class Pourings:
    """Combinations whose amounts are chosen on demand."""

    def __init__(self, sifted: Sifted, pourer: Pourer) -> None:
        self.sifted, self.pourer = sifted, pourer
        many = len(sifted.drawn)
        self.done = np.zeros(many, dtype=np.bool_)
        self.at = Poured(np.zeros((many, len(ORDER))), np.zeros((4, many)), np.full(many, np.inf), np.full(many, np.inf))

    def pour(self, rows: Ints) -> None:
        """Choose the amounts of those that have none yet."""
        rows = rows[~self.done[rows]]
        if not len(rows):
            return
        poured = self.pourer.pour(self.sifted.drawn[rows])
        self.at.volumes[rows], self.at.figures[:, rows] = poured.volumes, poured.figures
        self.at.cost[rows], self.at.distance[rows] = poured.cost, poured.distance
        self.done[rows] = True
