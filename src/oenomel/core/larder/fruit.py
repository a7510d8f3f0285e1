"""Fruit: juice a piece, learnt by the crate, how many to buy, and what a piece gives besides juice (docs/model/menu.md)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.wording import counted, plural
from oenomel.errors import ImpossibleMeasurement, OutOfRange

PIECE_SD: Final = 0.25
CRATE_SD: Final = 0.15
"""Standard deviations between fruits of a crate, and between crates, as shares of a piece (docs/model/menu.md)."""

Z_SURE: Final = 0.8416212335729143
"""Normal quantile of the probability that the fruit bought is enough: four evenings in five."""

MOST_PER_PIECE: Final = 3.0
"""Factor over the usual juice of a piece from which an entry counts as a slip."""


@dataclass(frozen=True, slots=True)
class Fruit:
    """A fruit for juicing: its name, the juice's slug, the usual ml a piece, and how many wheels, wedges and zests a piece gives."""

    name: str
    juice: str
    piece_ml: float
    wheels: int
    wedges: int
    zests: int


FRUIT: Final[Mapping[str, Fruit]] = {
    # ml a piece: docs/model/menu.md, common practice; wheels, wedges and zests a piece: common practice.
    "lime": Fruit("lime", "lime-juice", 22.5, 6, 6, 3),
    "lemon": Fruit("lemon", "lemon-juice", 45.0, 8, 8, 6),
    "orange": Fruit("orange", "orange-juice", 75.0, 8, 10, 8),
    "grapefruit": Fruit("grapefruit", "grapefruit-juice", 150.0, 8, 12, 12),
}

_BY_JUICE: Final = {fruit.juice: fruit for fruit in FRUIT.values()}


@dataclass(frozen=True, slots=True)
class Pressing:
    """A number of pieces from one crate, and the juice they gave, [ml]."""

    pieces: int
    volume_ml: float


@dataclass(frozen=True, slots=True)
class PieceYield:
    """Juice a piece, [ml]: the mean of this crate and its uncertainty, and the number of pieces pressed."""

    mean_ml: float
    sd_ml: float
    pieces: int


@dataclass(frozen=True, slots=True)
class FruitNeed:
    """Need of one fruit: juice in ml, and pieces of garnish cut from it."""

    juice_ml: float = 0.0
    wheels: int = 0
    wedges: int = 0
    zests: int = 0


@dataclass(frozen=True, slots=True)
class FruitToBuy:
    """Number of one fruit to buy so that it is enough 8 times in 10, the usual and the least number, what decides it (``juice`` or
    ``garnish``), and the calculation in words.
    """

    fruit: Fruit
    pieces: int
    usual: int
    least: int
    decided_by: str
    why: str


def fruit_of(juice_slug: str) -> Fruit | None:
    """Return the fruit that a juice is pressed from, where it is bought by the piece."""
    return _BY_JUICE.get(juice_slug)


def piece_yield(fruit: Fruit, crate: Sequence[Pressing]) -> PieceYield:
    """Estimate the juice a piece of this crate gives, from what was pressed of it.

    Raises
    ------
    OutOfRange, ImpossibleMeasurement
        Nothing was pressed, or the fruit would have given more than fruit does.

    >>> found = piece_yield(FRUIT["lime"], [Pressing(8, 144)])
    >>> round(found.mean_ml, 1), round(found.sd_ml, 2)
    (19.2, 1.71)
    """
    pieces, volume = 0, 0.0
    for pressing in crate:
        if not 1 <= pressing.pieces <= 5000:
            raise OutOfRange(f"the number of {plural(fruit.name)}", pressing.pieces, 1, 5000)
        if not 0 < pressing.volume_ml <= MOST_PER_PIECE * fruit.piece_ml * pressing.pieces:
            raise ImpossibleMeasurement(
                f"{pressing.volume_ml:g} ml out of {counted(pressing.pieces, fruit.name)} would be "
                f"{pressing.volume_ml / pressing.pieces:.0f} ml each. About {fruit.piece_ml:g} is usual: count or measure again"
            )
        pieces, volume = pieces + pressing.pieces, volume + pressing.volume_ml
    prior_variance = (CRATE_SD * fruit.piece_ml) ** 2
    if pieces == 0:
        return PieceYield(fruit.piece_ml, math.sqrt(prior_variance), 0)
    measured_variance = (PIECE_SD * fruit.piece_ml) ** 2 / pieces
    weight = prior_variance / (prior_variance + measured_variance)
    mean = fruit.piece_ml + weight * (volume / pieces - fruit.piece_ml)
    return PieceYield(mean, math.sqrt(prior_variance * (1 - weight)), pieces)


def pieces_for(fruit: Fruit, juice_ml: float, known: PieceYield) -> int:
    """Return the fewest pieces that give some ml of juice with 80 % probability.

    >>> pieces_for(FRUIT["lime"], 180, piece_yield(FRUIT["lime"], []))
    10
    """
    if juice_ml <= 0:
        return 0
    pieces = max(1, math.floor(juice_ml / known.mean_ml))
    while pieces * known.mean_ml - Z_SURE * _sd_of(pieces, fruit, known) < juice_ml:
        pieces += 1
        if pieces > 100_000:
            raise OutOfRange("the juice in ml", juice_ml, 0, 100_000 * fruit.piece_ml)
    return pieces


def usual_pieces(juice_ml: float, known: PieceYield) -> int:
    """Return the pieces that give some ml of juice with 50 % probability.

    >>> usual_pieces(180, piece_yield(FRUIT["lime"], []))
    8
    """
    return math.ceil(juice_ml / known.mean_ml - 1e-9)


def least_pieces(fruit: Fruit, juice_ml: float, known: PieceYield) -> int:
    """Return the fewest pieces that can be enough: with 20 % probability.

    >>> least_pieces(FRUIT["lime"], 180, piece_yield(FRUIT["lime"], []))
    7
    """
    pieces = usual_pieces(juice_ml, known)
    while pieces > 1 and (pieces - 1) * known.mean_ml + Z_SURE * _sd_of(pieces - 1, fruit, known) >= juice_ml:
        pieces -= 1
    return pieces


def fruit_to_buy(fruit: Fruit, need: FruitNeed, known: PieceYield) -> FruitToBuy:
    """Count the pieces that drinks need of a fruit: a piece gives its zest, then its juice; one cut for wheels or wedges gives no juice."""
    zested = math.ceil(need.zests / fruit.zests)
    cut = math.ceil(need.wheels / fruit.wheels) + math.ceil(need.wedges / fruit.wedges)
    pressed = pieces_for(fruit, need.juice_ml, known)
    # Zest is taken first from fruit that is pressed; only more zest needs further fruit.
    pieces, usual, least = (
        cut + max(count, zested) for count in (pressed, usual_pieces(need.juice_ml, known), least_pieces(fruit, need.juice_ml, known))
    )
    result = []
    if need.juice_ml > 0:
        result.append(f"{counted(pressed, fruit.name)} for {need.juice_ml:.0f} ml juice")
    if need.zests:
        result.append(f"{need.zests} zests, {'from the same fruit, before juicing' if zested <= pressed else f'from {zested} fruits'}")
    if cut:
        result.append(f"{cut} for {need.wheels + need.wedges} wheels or wedges")
    return FruitToBuy(fruit, pieces, usual, least, "juice" if pressed >= zested else "garnish", ", ".join(result))


def garnish_of_fruit(words: str) -> tuple[Fruit, FruitNeed] | None:
    """Return the fruit and the pieces that a garnish needs; None where it isn't cut from a listed fruit.

    >>> garnish_of_fruit("lime wheel")[1].wheels
    1
    """
    text = words.lower()
    for fruit in sorted(FRUIT.values(), key=lambda each: -len(each.name)):
        if fruit.name not in text:
            continue
        if any(word in text for word in ("zest", "peel", "twist", "swath", "coin")):
            return fruit, FruitNeed(zests=1)
        if any(word in text for word in ("wheel", "slice", "round")):
            return fruit, FruitNeed(wheels=1)
        if any(word in text for word in ("wedge", "half", "quarter")):
            return fruit, FruitNeed(wedges=1)
    return None


def _sd_of(pieces: int, fruit: Fruit, known: PieceYield) -> float:
    """Return the standard deviation of the juice of some pieces: that of the crate's mean, and of each fruit."""
    return math.hypot(pieces * known.sd_ml, math.sqrt(pieces) * PIECE_SD * fruit.piece_ml)
