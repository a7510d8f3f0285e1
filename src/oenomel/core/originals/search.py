"""The search for original drinks: drawn, sifted, poured, scored, and a diverse handful picked (model.md §11)."""

from __future__ import annotations

import itertools
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import FIGURES, Profile, profile_of_made
from oenomel.core.families import Branch, Homes, standard_homes
from oenomel.core.findings import CLASHES, sense_classes
from oenomel.core.forecast import forecast_of
from oenomel.core.glass import air_in, colour_words, in_colour, swatch
from oenomel.core.ice import Conditions
from oenomel.core.larder import Ingredient, Larder, aromas
from oenomel.core.originals.handful import RELEVANCE, Bench, most_of, picked
from oenomel.core.originals.kinship import LINK_FROM, KinshipTable, kin, smells
from oenomel.core.originals.made import Original, Weighed, drink_of, told
from oenomel.core.originals.measures import seasons
from oenomel.core.originals.parts import PARTS, plan_of
from oenomel.core.originals.pouring import Poured, Pourer
from oenomel.core.originals.resemblance import Marks, apart, marks_of, weight_of
from oenomel.core.originals.space import NONE, ORDER, SAMPLE, Space, space_of
from oenomel.core.originals.wish import Wish
from oenomel.core.spec import Drink
from oenomel.errors import DomainError

Floats = NDArray[np.float64]
Ints = NDArray[np.int64]
Bools = NDArray[np.bool_]

BALANCE_COUNTS: Final = 0.45
KINSHIP_COUNTS: Final = 0.25
NOVELTY_COUNTS: Final = 0.2
USUAL_COUNTS: Final = 0.1
GLADLY_COUNTS: Final = 0.3
"""What each part of a score counts for, all of them from 0 to 1 (house rules; kinship is weak evidence and counts little)."""

LESS_COUNTS: Final = 0.3
AT_HOME: Final = 1.0
NEAR_BOOK: Final = 0.55
FAR_FROM_BOOK: Final = 0.8
"""Distances from the nearest drink of the book up to which one is near, and from which one is far."""

POURED_AT_ONCE: Final = 2048
MOST_POURED: Final = 16_384
POOL: Final = 1500
"""How many are poured in a turn and in all, and among how many of the best the handful is picked."""

FIRST_LOOK: Final = 12
"""Every twelfth combination is looked at first, so that a first glass stands there at once."""

ALIKE_RELEVANCE: Final = 0.95
"""Who asks for more like one doesn't ask for the most diverse."""

ROUNDED: Final = 9


@dataclass(frozen=True)
class BookDrink:
    """A drink of the book that an original is held against."""

    name: str
    drink: Drink
    id: int = 0


@dataclass(frozen=True, slots=True)
class Handful:
    """What was found so far: the originals, best first, how many combinations there are, were looked at and poured, and notes.

    ``done`` is false for a first look.
    """

    originals: tuple[Original, ...]
    combinations: int
    looked_at: int
    poured: int
    notes: tuple[str, ...]
    done: bool


@dataclass(frozen=True)
class Sifted:
    """Combinations that make sense to a bartender, with what is known of them before anything is poured.

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

    def take(self, rows: Ints) -> Sifted:
        """Some of them."""
        return replace(
            self, drawn=self.drawn[rows], kinship=self.kinship[rows], novelty=self.novelty[rows], usual=self.usual[rows],
            nearest=self.nearest[rows],
        )  # fmt: skip


class Ground:
    """A larder with a table of kinship and a book, on which wishes are tried; keeps what serves the next wish as well."""

    def __init__(
        self,
        larder: Mapping[str, Ingredient],
        book: Sequence[BookDrink] = (),
        table: KinshipTable | None = None,
        homes: Homes | None = None,
        conditions: Conditions | None = None,
    ) -> None:
        self.larder = larder if isinstance(larder, Larder) else Larder(larder)
        self.ingredients = tuple(sorted(larder.values(), key=lambda each: each.slug))
        self.book, self.table = tuple(book), table or KinshipTable()
        self.homes, self.conditions = homes or standard_homes(), conditions or Conditions()
        self.by_group, self.by_tag = smells(self.ingredients)
        self.kin, self.smelt = kin(self.ingredients, self.table)
        self.in_book = marks_of([each.drink for each in self.book], self.ingredients)
        self.weights = np.array([[weight_of(each, PARTS[part].slot) for each in self.ingredients] for part in ORDER])
        self.usual = np.array([1 - (each.rank - 1) / 3 if each.origin == "catalogue" else 1.0 for each in self.ingredients])
        self.prices = np.array([price if (price := each.label("price_per_litre")) is not None else np.nan for each in self.ingredients])
        # Tap water and ice cost a bar nothing that it would count.
        self.prices[[each.slug in ("still-water", "soda-water") for each in self.ingredients]] = 0.0
        names = sorted({name for clash in CLASHES for name in (clash.one, clash.other)} | {"hot", "raw egg"})
        self.class_names = {name: place for place, name in enumerate(names)}
        self.classes = np.zeros((len(self.ingredients), len(names)), dtype=np.int8)
        for row, each in enumerate(self.ingredients):
            for name in sense_classes(each) | ({"raw egg"} & set(each.cautions)):
                if name in self.class_names:
                    self.classes[row, self.class_names[name]] = 1
        self._spaces: dict[Wish, Space] = {}
        self._sifted: dict[tuple[Wish, int], Sifted] = {}
        self._poured: dict[tuple[object, ...], _Pourings] = {}

    def sift(self, wish: Wish, at_least: int = SAMPLE) -> Sifted:
        """The combinations of a wish's structure that make sense; what was sifted once serves every wish of that structure."""
        space = self._space(wish)
        key = wish.structure, 0 if space.is_drawn_whole else at_least
        if key not in self._sifted:
            if len(self._sifted) > MOST_KEPT:
                self._sifted.clear()
                self._poured.clear()
            drawn = space.drawn(wish.seed, at_least)
            looked_at = len(drawn)
            drawn = drawn[self._sensible(drawn, wish)]
            kinship, linked = self._kinship(drawn)
            drawn, kinship = drawn[linked], kinship[linked]
            novelty, nearest = self._novelty(drawn)
            there = drawn != NONE
            usual = (self.usual[np.maximum(drawn, 0)] * there).sum(axis=1) / np.maximum(there.sum(axis=1), 1)
            self._sifted[key] = Sifted(space, drawn, kinship, novelty, usual, nearest, looked_at)
        return self._sifted[key]

    def _space(self, wish: Wish) -> Space:
        if wish.structure not in self._spaces:
            if len(self._spaces) > MOST_KEPT:
                self._spaces.clear()
            self._spaces[wish.structure] = space_of(wish, self.larder)
        return self._spaces[wish.structure]

    def served(self, drink: Drink) -> Profile:
        """A drink as served, of what this ground supposes."""
        return profile_of_made(drink, self.conditions)

    def cost(self, drink: Drink) -> float | None:
        """What a drink's pours cost; None where a price isn't told."""
        return forecast_of(drink, self.conditions, self.homes).cost

    def home_branch(self, wish: Wish) -> Branch:
        """Which of a family's homes a wish is brought to."""
        return "without alcohol" if wish.without_alcohol else "long on juice" if wish.form == "long on juice" else ""

    def pourings(self, wish: Wish, sifted: Sifted) -> _Pourings:
        """What was poured for a wish so far: another wish of the same target goes on with it."""
        key = id(sifted), wish.off, wish.sweetness, wish.abv
        if key not in self._poured:
            home = self.homes[wish.family, self.home_branch(wish)]
            pourer = Pourer(self.ingredients, wish, home, self.conditions)
            self._poured[key] = _Pourings(sifted, pourer)
        return self._poured[key]

    def _sensible(self, drawn: Ints, wish: Wish) -> Bools:
        """Which a bartender wouldn't refuse on sight; what somebody asks for by name is his own affair."""
        there = drawn != NONE
        asked = np.array([each.slug in wish.must for each in self.ingredients])
        found = np.ones(len(drawn), dtype=np.bool_)
        counts = np.zeros((len(drawn), len(self.class_names)), dtype=np.int16)
        forced = np.zeros_like(counts)
        for column in range(drawn.shape[1]):
            place, has = np.maximum(drawn[:, column], 0), there[:, column]
            counts += self.classes[place] * has[:, None]
            forced += self.classes[place] * (has & asked[place])[:, None]
        for clash in CLASHES:
            one, other = self.class_names[clash.one], self.class_names[clash.other]
            if clash.most:
                found &= (counts[:, one] <= clash.most) | (forced[:, one] > clash.most)
                continue
            both = self.classes[:, one] & self.classes[:, other]
            alone = np.zeros(len(drawn), dtype=np.bool_)
            if both.any():
                same = (both[np.maximum(drawn, 0)] * there).sum(axis=1)
                alone = (counts[:, one] == 1) & (counts[:, other] == 1) & (same == 1)
            found &= ~((counts[:, one] > 0) & (counts[:, other] > 0)) | alone | ((forced[:, one] > 0) & (forced[:, other] > 0))
        if wish.without_alcohol:
            for name in ("hot", "raw egg"):
                found &= (counts[:, self.class_names[name]] == 0) | (forced[:, self.class_names[name]] > 0)
        return found

    def _kinship(self, drawn: Ints) -> tuple[Floats, Bools]:
        """Mean kinship over the pairs that smell, and whether each pour that smells has a link."""
        place = np.maximum(drawn, 0)
        smelt = (drawn != NONE) & self.smelt[place]
        total, pairs = np.zeros(len(drawn)), np.zeros(len(drawn))
        best = np.zeros(drawn.shape)
        for one, other in itertools.combinations(range(drawn.shape[1]), 2):
            both = smelt[:, one] & smelt[:, other]
            rows = np.flatnonzero(both)
            value = self.kin[place[rows, one], place[rows, other]]
            total[rows] += value
            pairs[rows] += 1
            best[rows, one] = np.maximum(best[rows, one], value)
            best[rows, other] = np.maximum(best[rows, other], value)
        linked = ((best >= LINK_FROM) | ~smelt).all(axis=1) | (pairs == 0)
        return np.where(pairs > 0, np.clip(total / np.maximum(pairs, 1), 0, 1), UNTOLD_KINSHIP), linked

    def marks(self, drawn: Ints) -> Marks:
        """What combinations are compared by."""
        place, there = np.maximum(drawn, 0), drawn != NONE
        held = np.zeros((len(drawn), len(self.ingredients)))
        weight = self.weights[np.arange(len(ORDER)), place] * there
        rows = np.arange(len(drawn))
        for column in range(drawn.shape[1]):
            held[rows[there[:, column]], place[there[:, column], column]] = weight[there[:, column], column]
        smell = held @ self.by_tag
        return Marks(held, smell / np.maximum(np.linalg.norm(smell, axis=1, keepdims=True), 1e-12))

    def _novelty(self, drawn: Ints) -> tuple[Floats, Ints]:
        """Distance from the nearest drink of the book, and which that is."""
        if not self.book:
            return np.ones(len(drawn)), np.full(len(drawn), -1)
        novelty, nearest = np.empty(len(drawn)), np.empty(len(drawn), dtype=np.int64)
        for start in range(0, len(drawn), POURED_AT_ONCE):
            part = slice(start, start + POURED_AT_ONCE)
            distance = apart(self.marks(drawn[part]), self.in_book).round(ROUNDED)
            nearest[part] = distance.argmin(axis=1)
            novelty[part] = distance.min(axis=1)
        return novelty, nearest


MOST_KEPT: Final = 12
UNTOLD_KINSHIP: Final = 0.5


class _Pourings:
    """Combinations that are poured when somebody wants to know of them."""

    def __init__(self, sifted: Sifted, pourer: Pourer) -> None:
        self.sifted, self.pourer = sifted, pourer
        many = len(sifted.drawn)
        self.done = np.zeros(many, dtype=np.bool_)
        self.at = Poured(np.zeros((many, len(ORDER))), np.zeros((4, many)), np.full(many, np.inf), np.full(many, np.inf))

    def pour(self, rows: Ints) -> None:
        """Pours those of them that aren't yet."""
        rows = rows[~self.done[rows]]
        if not len(rows):
            return
        poured = self.pourer.pour(self.sifted.drawn[rows])
        self.at.volumes[rows], self.at.figures[:, rows] = poured.volumes, poured.figures
        self.at.cost[rows], self.at.distance[rows] = poured.cost, poured.distance
        self.done[rows] = True


def originals(ground: Ground, wish: Wish, known: Sequence[str] = (), at_least: int = SAMPLE) -> Iterator[Handful]:
    """A first handful at once, then the handful of the whole sample; ``known`` are names that are given already, ``at_least`` tells how
    many combinations are drawn.

    Raises
    ------
    DomainError
        The wish can't be met by any drink; the sentence says which single wish, dropped, would open how many.
    """
    whole = ground.sift(wish, at_least // FIRST_LOOK)
    if not whole.space.is_drawn_whole:
        first = _handful(ground, wish, whole, known, done=False)
        if first.originals:
            yield first
        whole = ground.sift(wish, at_least)
    found = _handful(ground, wish, whole, known, done=True)
    if not found.originals:
        raise DomainError(_nothing(ground, wish))
    yield found


def _handful(ground: Ground, wish: Wish, sifted: Sifted, known: Sequence[str], *, done: bool) -> Handful:
    pourings = ground.pourings(wish, sifted)
    eligible, gladly = _before_pouring(ground, wish, sifted)
    promise = _promise(sifted, gladly)
    order = np.flatnonzero(eligible)
    order = order[np.lexsort((order, -promise[order].round(ROUNDED)))]
    score = np.full(len(promise), -np.inf)
    reached = 0
    # A promise is a score with nothing off in the balance: once enough stand above the best promise that is left, no other can pass them.
    for start in range(0, min(len(order), MOST_POURED), POURED_AT_ONCE):
        rows = order[start : start + POURED_AT_ONCE]
        pourings.pour(rows)
        reached = start + len(rows)
        met = _met(ground, wish, sifted, pourings.at, rows)
        score[rows[met]] = promise[rows[met]] - BALANCE_COUNTS * (1 - balance_of(pourings.at.cost[rows[met]]))
        best = np.sort(score[score > -np.inf])[::-1]
        if len(best) >= POOL and reached < len(order) and best[wish.count - 1] >= promise[order[reached]]:
            break
    ranked = np.flatnonzero(score > -np.inf)
    ranked = ranked[np.lexsort((ranked, -score[ranked].round(ROUNDED)))]
    bench = Bench(
        drawn=sifted.drawn[ranked[:POOL]],
        score=score[ranked[:POOL]].round(ROUNDED),
        marks=ground.marks(sifted.drawn[ranked[:POOL]]),
        exempt=_exempt(ground, wish, sifted.space),
        relevance=ALIKE_RELEVANCE if wish.like else RELEVANCE,
    )
    names = list(known)
    made: list[Original] = []

    def stands(place: int) -> bool:
        row = int(ranked[place])
        drink = drink_of(ground.ingredients, sifted.drawn[row], pourings.at.volumes[row], wish, ground.larder)
        nearest = ground.book[sifted.nearest[row]] if ground.book else None
        parts = sifted.space.slugs(sifted.drawn[row].tolist())
        weighed = Weighed(parts, float(sifted.kinship[row]), float(sifted.novelty[row]), nearest, float(score[row]))
        found = told(ground, drink, wish, weighed, names)
        if found is None:
            return False
        made.append(found)
        names.append(found.drink.name)
        return True

    notes = picked(bench, wish.count, stands)
    made.sort(key=lambda each: -round(each.score, ROUNDED))
    return Handful(tuple(made), sifted.space.size, sifted.looked_at, reached, tuple(notes), done)


def balance_of(cost: Floats) -> Floats:
    """How well balanced, 1 at what was aimed at, from J."""
    balance: Floats = 1 / (1 + cost)
    return balance


def _promise(sifted: Sifted, gladly: Floats) -> Floats:
    """The score with nothing off in the balance."""
    promise: Floats = (
        BALANCE_COUNTS
        + KINSHIP_COUNTS * sifted.kinship
        + NOVELTY_COUNTS * sifted.novelty
        + USUAL_COUNTS * sifted.usual
        + GLADLY_COUNTS * gladly
    )
    return promise


def _before_pouring(ground: Ground, wish: Wish, sifted: Sifted) -> tuple[Bools, Floats]:
    """Which keep what is asked of smell and of the distance from the book; and what is met of what is asked for gladly."""
    drawn, many = sifted.drawn, len(sifted.drawn)
    place, there = np.maximum(drawn, 0), drawn != NONE
    eligible = np.ones(many, dtype=np.bool_)
    for word in wish.aroma:
        smelt = np.array([_smells_of(each, word) for each in ground.ingredients])
        eligible &= (smelt[place] & there).any(axis=1)
    if wish.from_book == "near":
        eligible &= sifted.novelty <= NEAR_BOOK
    elif wish.from_book == "far":
        eligible &= sifted.novelty >= FAR_FROM_BOOK
    gladly = np.zeros(many)
    slugs = [each.slug for each in ground.ingredients]
    for wanted, counts in ((set(wish.may), 1.0), (set(wish.soon), 0.7), (set(wish.less), -LESS_COUNTS / GLADLY_COUNTS)):
        if wanted:
            these = np.array([slug in wanted for slug in slugs])
            # One of them is what was asked for, a second one a little more.
            gladly += counts * np.minimum(1.2, 0.8 * np.sign(hits := (these[place] & there).sum(axis=1)) + 0.2 * hits)
    if wish.season:
        brought = set(seasons()[wish.season])
        these = np.array([any(tag in brought and weight > 1 for tag, weight in each.aroma.items()) for each in ground.ingredients])
        gladly += 0.5 * (these[place] & there).sum(axis=1) / np.maximum(there.sum(axis=1), 1)
    if wish.like:
        shared = np.array([slug in wish.like for slug in slugs])
        total = np.zeros((1, len(slugs)))
        total[0, shared] = 1.0
        smell = total @ ground.by_tag
        like = Marks(total, smell / max(float(np.linalg.norm(smell)), 1e-12))
        for start in range(0, many, POURED_AT_ONCE):
            part = slice(start, start + POURED_AT_ONCE)
            gladly[part] += 1.5 * (1 - apart(ground.marks(drawn[part]), like)[:, 0])
    return eligible, gladly


def _smells_of(each: Ingredient, word: str) -> bool:
    return any(weight > 1 and word in (tag, aromas()[tag].group) for tag, weight in each.aroma.items())


def _met(ground: Ground, wish: Wish, sifted: Sifted, at: Poured, rows: Ints) -> Bools:
    """Which of these stand at home and keep what is asked of strength, price and colour."""
    met = at.distance[rows] <= AT_HOME
    abv = at.figures[FIGURES.index("abv"), rows]
    if wish.abv is not None:
        met &= (abv >= wish.abv[0]) & (abv <= wish.abv[1])
    if wish.without_alcohol:
        met &= abv < MOST_WITHOUT
    if wish.most_cost is not None:
        prices = np.where(sifted.drawn[rows] != NONE, ground.prices[np.maximum(sifted.drawn[rows], 0)], 0.0)
        cost = (prices * at.volumes[rows]).sum(axis=1) / 1000
        met &= cost <= wish.most_cost
    if wish.colour:
        for index in np.flatnonzero(met):
            row = rows[index]
            drink = drink_of(ground.ingredients, sifted.drawn[row], at.volumes[row], wish, ground.larder, finished=False)
            seen = swatch(drink.pours, float(at.figures[0, row]), air=air_in(drink))
            met[index] = in_colour(wish.colour, colour_words(seen))
    return met


MOST_WITHOUT: Final = 0.5
"""Strength under which a drink counts as without alcohol, [% v/v]."""


def _exempt(ground: Ground, wish: Wish, space: Space) -> Bools:
    """Which ingredients may come as often as they like, shape (parts, ingredients): the sour, what must be used, and who
    plays a part that every drink has, where so few do that a handful couldn't be filled otherwise.
    """
    exempt = np.zeros((len(ORDER), len(ground.ingredients)), dtype=np.bool_)
    exempt[ORDER.index("sour")] = True
    exempt[:, [each.slug in wish.must or each.slug in wish.like for each in ground.ingredients]] = True
    players: dict[str, set[int]] = {}
    for cell in space.cells:
        for digit in cell.digits:
            for column, part in enumerate(digit.parts):
                players.setdefault(part, set()).update(digit.choices[:, column].tolist())
    for part in plan_of(wish).always:
        who = players.get(part, set())
        if len(who) * most_of(wish.count) < wish.count:
            exempt[ORDER.index(part), list(who)] = True
    return exempt


@dataclass(frozen=True, slots=True)
class Left:
    """How many combinations a wish leaves: on paper, and about how many of them make sense, keep it, and stand at home."""

    combinations: int
    balanced: int


def left_of(ground: Ground, wish: Wish) -> Left:
    """What a wish leaves, by a small sample poured: the second figure is an estimate, and exact where the space is small."""
    try:
        sifted = ground.sift(wish, COUNTED_BY)
    except DomainError:
        return Left(0, 0)
    if not sifted.looked_at:
        return Left(0, 0)
    eligible, _ = _before_pouring(ground, wish, sifted)
    rows = np.flatnonzero(eligible)
    tried = rows[:: max(1, len(rows) // COUNTED_BY)]
    pourings = ground.pourings(wish, sifted)
    pourings.pour(tried)
    met = _met(ground, wish, sifted, pourings.at, tried).sum() / max(len(tried), 1)
    share = len(rows) / sifted.looked_at * met
    return Left(sifted.space.size, round(share * sifted.space.size))


COUNTED_BY: Final = 1500


def what_would_open(ground: Ground, wish: Wish) -> list[tuple[str, int]]:
    """Which single wish, dropped, would open how many combinations, the most first."""
    found = [(called, left_of(ground, less).balanced) for called, less in wish.dropped()]
    return sorted(((called, many) for called, many in found if many), key=lambda each: (-each[1], each[0]))


def _nothing(ground: Ground, wish: Wish) -> str:
    opening = [f"without “{called}” there would be about {many:,}".replace(",", " ") for called, many in what_would_open(ground, wish)[:3]]
    if opening:
        return f"no drink meets all of this wish; {'; '.join(opening)}"
    return "no drink meets this wish, whichever single part of it is dropped: ask for less, or put more on the shelf"
