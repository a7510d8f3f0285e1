"""The search for original drinks: drawn, sifted, poured, scored, and a diverse handful picked (model.md §11)."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.originals.ground import ROUNDED, Ground, Sifted
from oenomel.core.originals.handful import RELEVANCE, Bench, most_of, picked
from oenomel.core.originals.made import Original, Weighed, drink_of, told
from oenomel.core.originals.parts import plan_of
from oenomel.core.originals.scoring import BALANCE_COUNTS, balance_of, before_pouring, met, promise_of
from oenomel.core.originals.space import ORDER, SAMPLE, Space
from oenomel.core.originals.wish import Wish
from oenomel.errors import DomainError

POURED_AT_ONCE: Final = 2048
MOST_POURED: Final = {"curve": 16_384, "heat balance": 2_048}
POOL: Final = 1500
"""How many are poured in a turn and, by the school of dilution, in all; and among how many of the best the handful is picked.

The heat balance takes eight times as long to weigh: a wish that nothing meets is answered in seconds all the same.
"""

FIRST_LOOK: Final = 12
"""Every twelfth combination is looked at first, so that a first glass stands there at once."""

ALIKE_RELEVANCE: Final = 0.95
"""Who asks for more like one doesn't ask for the most diverse."""


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


def originals(ground: Ground, wish: Wish, known: Sequence[str] = (), at_least: int = SAMPLE) -> Iterator[Handful]:
    """A first handful at once, then the handful of the whole sample; ``known`` are names that are given already, ``at_least`` tells how
    many combinations are drawn.

    Raises
    ------
    DomainError
        The wish can't be met by any drink; the sentence says which single wish, dropped, would open how many.
    """
    drawn = ground.has_drawn(wish, at_least)
    whole = ground.sift(wish, at_least if drawn else at_least // FIRST_LOOK)
    if not (drawn or whole.space.is_drawn_whole):
        first = _handful(ground, wish, whole, known, done=False)
        if first.originals:
            yield first
    yield handful_of(ground, wish, known, at_least)


def handful_of(ground: Ground, wish: Wish, known: Sequence[str] = (), at_least: int = SAMPLE) -> Handful:
    """The handful of the whole sample, without a first look; raises as ``originals``."""
    found = _handful(ground, wish, ground.sift(wish, at_least), known, done=True)
    if not found.originals:
        raise DomainError(_nothing(ground, wish))
    return found


def _handful(ground: Ground, wish: Wish, sifted: Sifted, known: Sequence[str], *, done: bool) -> Handful:
    pourings = ground.pourings(wish, sifted)
    eligible, gladly = before_pouring(ground, wish, sifted)
    promise = promise_of(sifted, gladly)
    order = np.flatnonzero(eligible)
    order = order[np.lexsort((order, -promise[order].round(ROUNDED)))]
    score = np.full(len(promise), -np.inf)
    reached = 0
    # A promise is a score with nothing off in the balance: once enough stand above the best promise that is left, no other can pass them.
    most = min(len(order), MOST_POURED[ground.conditions.dilution])
    for start in range(0, most, POURED_AT_ONCE):
        rows = order[start : start + POURED_AT_ONCE]
        pourings.pour(rows)
        reached = start + len(rows)
        kept = rows[met(ground, wish, sifted, pourings.at, rows)]
        score[kept] = promise[kept] - BALANCE_COUNTS * (1 - balance_of(pourings.at.cost[kept]))
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
    seen: set[frozenset[str]] = set()

    def stands(place: int) -> bool:
        row = int(ranked[place])
        nearest = ground.book[sifted.nearest[row]] if ground.book else None
        parts = sifted.space.slugs(sifted.drawn[row].tolist())
        # Which of two sweeteners balances is no other drink.
        if frozenset(parts.values()) in seen:
            return False
        drink = drink_of(ground.ingredients, sifted.drawn[row], pourings.at.volumes[row], wish, ground.larder)
        weighed = Weighed(parts, float(sifted.kinship[row]), float(sifted.novelty[row]), nearest, float(score[row]))
        found = told(ground, drink, wish, weighed, names)
        if found is None:
            return False
        made.append(found)
        seen.add(frozenset(parts.values()))
        names.append(found.drink.name)
        return True

    notes = picked(bench, wish.count, stands)
    made.sort(key=lambda each: -round(each.score, ROUNDED))
    return Handful(tuple(made), sifted.space.size, sifted.looked_at, reached, tuple(notes), done)


def _exempt(ground: Ground, wish: Wish, space: Space) -> NDArray[np.bool_]:
    """Which ingredients may come as often as they like, shape (parts, ingredients): the sour, what is asked for, and who
    plays a part that every drink has, where so few do that a handful couldn't be filled otherwise.
    """
    exempt = np.zeros((len(ORDER), len(ground.ingredients)), dtype=np.bool_)
    exempt[ORDER.index("sour")] = True
    asked = {*wish.must, *wish.may, *wish.like, *wish.soon}
    exempt[:, [each.slug in asked for each in ground.ingredients]] = True
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
    eligible, _ = before_pouring(ground, wish, sifted)
    rows = np.flatnonzero(eligible)
    tried = rows[:: max(1, len(rows) // COUNTED_BY)]
    pourings = ground.pourings(wish, sifted)
    pourings.pour(tried)
    kept = met(ground, wish, sifted, pourings.at, tried).sum() / max(len(tried), 1)
    share = len(rows) / sifted.looked_at * kept
    return Left(sifted.space.size, round(share * sifted.space.size))


COUNTED_BY: Final = 1500


def what_would_open(ground: Ground, wish: Wish) -> list[tuple[str, int]]:
    """Which single wish, dropped, would open how many combinations, the most first."""
    found = [(called, left_of(ground, less).balanced) for called, less in wish.dropped()]
    return sorted(((called, many) for called, many in found if many), key=lambda each: (-each[1], each[0]))


def _nothing(ground: Ground, wish: Wish) -> str:
    opening = [f"drop {called} and {about(many)} are left" for called, many in what_would_open(ground, wish)[:3]]
    if opening:
        return f"no drink meets all of this wish; {'; '.join(opening)}"
    return "no drink meets this wish, whichever single part of it is dropped: ask for less, or put more on the shelf"


def about(count: int) -> str:
    """A count that is an estimate, with two figures of it.

    >>> about(310_460_221), about(4_180), about(12)
    ('about 310 million', 'about 4.2 thousand', '12')
    """
    for size, word in ((10**9, "billion"), (10**6, "million"), (10**3, "thousand")):
        if count >= size:
            return f"about {float(f'{count / size:.2g}'):g} {word}"
    return str(count)
