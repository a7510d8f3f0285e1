"""Exercises without a glass, from the book's own drinks: guess a swap, name a fault, find the correction."""

from __future__ import annotations

import math
import random
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from typing import Final, Literal, get_args

from oenomel.core.balance import AXES, TASTED_STEPS, in_words, profile_as_made, steps_between, tasted
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import compare
from oenomel.core.forecast.comparison import AxisDifference
from oenomel.core.larder import Ingredient
from oenomel.core.spec import GRID_ML, Drink, Pour
from oenomel.core.swaps import Filters
from oenomel.core.swaps.candidates import candidates_for
from oenomel.core.trials.tasting import complaint_words
from oenomel.core.wording import capital, listed
from oenomel.errors import DomainError

ExerciseKind = Literal["swap", "fault", "correction"]
EXERCISES: Final[tuple[ExerciseKind, ...]] = get_args(ExerciseKind)

NEAR_THE_LINE: Final = 0.15
"""Distance from half a step within which "a touch" and "the same" are both right, [steps]."""

AS_MUCH: Final = 0.8
"""Size relative to the largest fault from which a second one is right too."""

FAULT_STEPS: Final = (1.2, 4.0)
MENDED: Final = 0.5
WORSE_STEPS: Final = 0.5
"""Range of a fault, [steps]; the share of the distance that the right correction may leave; and how much farther each other one
must be.
"""

MOST_ML: Final = 15.0
MOST_OF_BASE: Final = 1 / 4
"""Largest correction, [ml], and of a base, as a share: nobody corrects a liqueur with a third more spirit."""

TRIES: Final = 150

_MOVING: Final = ("base", "sour", "sweet", "liqueur")


@dataclass(frozen=True, slots=True)
class Option:
    """A possible answer."""

    key: str
    words: str


@dataclass(frozen=True, slots=True)
class Ask:
    """One question, and its possible answers."""

    key: str
    words: str
    options: tuple[Option, ...]


@dataclass(frozen=True)
class Exercise:
    """An exercise with its solution.

    Parameters
    ----------
    kind : str
    drink : Drink                  what is shown, as it would be poured
    of : str                       the drink of the book that it is made of
    title : str                    what was done to it, or what is asked
    asks : tuple of Ask
    right : mapping of key to keys    what is right of each ask; near a line two answers are
    told : tuple of str            the solution in sentences, as the model tells it
    """

    kind: ExerciseKind
    drink: Drink
    of: str
    title: str
    asks: tuple[Ask, ...]
    right: Mapping[str, tuple[str, ...]]
    told: tuple[str, ...]


def score_of(right: Mapping[str, Sequence[str]], answers: Mapping[str, str]) -> float:
    """Return the share of right answers, 0 to 1; missing answers are wrong.

    >>> score_of({"sugar": ("more",), "acid": ("same", "less")}, {"sugar": "less", "acid": "same"})
    0.5
    """
    return sum(answers.get(key) in keys for key, keys in right.items()) / len(right)


def exercise(
    kind: ExerciseKind,
    book: Sequence[Drink],
    larder: Mapping[str, Ingredient],
    in_stock: Collection[str],
    conditions: Conditions,
    seed: int,
) -> Exercise:
    """Return an exercise from the book, the same for the same seed.

    Raises
    ------
    DomainError
        No drink of the book suits it.
    """
    draw = random.Random(seed)
    for _ in range(TRIES if book else 0):
        new_exercise = _MAKERS[kind](draw.choice(book), larder, in_stock, conditions, draw)
        if new_exercise is not None:
            return new_exercise
    raise DomainError("no finished drink to ask about: mark a trial as finished first")


def _swap(
    drink: Drink, larder: Mapping[str, Ingredient], in_stock: Collection[str], conditions: Conditions, draw: random.Random
) -> Exercise | None:
    """Make an exercise: guess the effect of swapping one ingredient, pour for pour."""
    swapped = _swapped(drink, larder, in_stock, draw)
    if swapped is None:
        return None
    riff, gone, come = swapped
    compared = compare(riff, drink, conditions)
    axes = [
        difference
        for difference in compared.axes
        if difference.axis != "abv" or max(difference.value, difference.parent) >= AXES["abv"].floor
    ]
    # Of four swaps without a noticeable effect three are skipped: only differences that can be tasted teach something.
    if not any(axis.tasted for axis in axes) and draw.random() < 0.75:
        return None
    asks = tuple(
        Ask(
            difference.axis,
            f"{capital(AXES[difference.axis].noun)}?",
            (
                Option("more", AXES[difference.axis].more),
                Option("same", f"just {AXES[difference.axis].same}"),
                Option("less", AXES[difference.axis].less),
            ),
        )
        for difference in axes
    )
    right = {difference.axis: _direction(difference.steps) for difference in axes}
    axes_in_words = tuple(_axis_words(difference) for difference in axes)
    title = f"{capital(come.in_sentence)} replaces {gone.in_sentence} in the same amount. How does the drink change?"
    return Exercise("swap", drink, drink.name, title, asks, right, (*axes_in_words, *compared.unseen[:1]))


def _axis_words(axis: AxisDifference) -> str:
    if axis.direction == "same":
        return f"Just {AXES[axis.axis].same} as before."
    return " ".join(filter(None, (f"{axis.headline}.", axis.made_by)))


def _direction(steps: float) -> tuple[str, ...]:
    towards = "more" if steps > 0 else "less"
    if abs(abs(steps) - TASTED_STEPS) <= NEAR_THE_LINE:
        return (towards, "same")
    return (towards,) if abs(steps) > TASTED_STEPS else ("same",)


def _fault(
    drink: Drink, _larder: Mapping[str, Ingredient], _in_stock: Collection[str], conditions: Conditions, draw: random.Random
) -> Exercise | None:
    """Make an exercise: name the fault of a drink with one wrong amount."""
    places = _movable(drink)
    if not places:
        return None
    index = draw.choice(places)
    pour = drink.pours[index]
    times = draw.choice((0.4, 0.5, 0.6, 1.5, 1.75, 2.0))
    amount = max(GRID_ML, round(pour.volume_ml * times / GRID_ML) * GRID_ML)
    wrong = _with(drink, index, amount)
    steps = _steps(wrong, drink, conditions)
    worst = max(abs(step) for step in steps.values())
    if not FAULT_STEPS[0] <= worst <= FAULT_STEPS[1]:
        return None
    right = [name for name in tasted(steps) if abs(steps[name]) >= AS_MUCH * worst]
    options = [
        Option(f"{name} {sign}", capital(complaint_words(name, sign)))
        for name in AXES
        for sign in (1, -1)
        if name != "abv" or profile_as_made(drink, conditions).abv >= AXES["abv"].floor
    ]
    keys = tuple(f"{name} {1 if steps[name] > 0 else -1}" for name in right)
    effect = listed([in_words(steps[name], AXES[name]) for name in tasted(steps)])
    answer = (
        f"It has {amount:g} ml {pour.ingredient.in_sentence}. The recipe has {pour.volume_ml:g} ml.",
        f"That makes it {effect}.",
    )
    title = "One amount in this drink is wrong. What do you taste first?"
    return Exercise("fault", wrong, drink.name, title, (Ask("fault", "It is", tuple(options)),), {"fault": keys}, answer)


def _correction(
    drink: Drink, larder: Mapping[str, Ingredient], in_stock: Collection[str], conditions: Conditions, draw: random.Random
) -> Exercise | None:
    """Make an exercise: find the change of another pour that brings a drink after a swap nearest to where it was."""
    swapped = _swapped(drink, larder, in_stock, draw)
    if swapped is None:
        return None
    riff, gone, come = swapped
    start = _distance(riff, drink, conditions)
    if not FAULT_STEPS[0] <= start <= FAULT_STEPS[1]:
        return None
    moves = []
    for index in _movable(riff):
        pour = riff.pours[index]
        # A liqueur or a base that was chosen stays; a juice or a syrup is adjusted by its own strength.
        if pour.ingredient.slug == come.slug and pour.slot in ("base", "liqueur"):
            continue
        most = round(min(MOST_ML, MOST_OF_BASE * pour.volume_ml if pour.slot == "base" else MOST_ML) / GRID_ML)
        for k in range(-most, most + 1):
            if k and pour.volume_ml + k * GRID_ML >= GRID_ML:
                altered = _with(riff, index, pour.volume_ml + k * GRID_ML)
                moves.append((_distance(altered, drink, conditions), index, k, altered))
    if not moves:
        return None
    best = min(moves, key=lambda each: each[:3])
    others = _others(moves, best, draw)
    if best[0] > MENDED * start or others is None:
        return None
    asked = sorted([best, *others], key=lambda each: each[1:3])
    options = tuple(Option(f"{index} {k}", _move_words(riff.pours[index], k * GRID_ML)) for _, index, k, _ in asked)
    answer = _move_words(riff.pours[best[1]], best[2] * GRID_ML)
    steps = _steps(riff, drink, conditions)
    remaining_steps = _steps(best[3], drink, conditions)
    felt = [in_words(remaining_steps[name], AXES[name]) for name in tasted(remaining_steps)]
    effect = listed([in_words(steps[name], AXES[name]) for name in tasted(steps)])
    choices = (
        f"With {come.in_sentence} the drink is {effect}.",
        f"{capital(answer)}: {f'still {listed(felt)}' if felt else 'no noticeable difference is left'}.",
    )
    title = f"{capital(come.in_sentence)} replaces {gone.in_sentence}. Which change rebalances the drink best?"
    return Exercise(
        "correction", riff, drink.name, title, (Ask("change", "Pour", options),), {"change": (f"{best[1]} {best[2]}",)}, choices
    )


_MAKERS: Final = {"swap": _swap, "fault": _fault, "correction": _correction}

_Moved = tuple[float, int, int, Drink]


def _others(moves: Sequence[_Moved], best: _Moved, draw: random.Random) -> list[_Moved] | None:
    """Return three other changes that are clearly worse, the opposite one among them where possible; None where there are fewer."""
    worse = [move for move in moves if move[0] >= best[0] + WORSE_STEPS]
    opposite = [change for change in worse if change[1] == best[1] and change[2] == -best[2]]
    elsewhere = [change for change in worse if change[1] != best[1] and abs(change[2]) <= abs(best[2]) + 2]
    rest = draw.sample(elsewhere, len(elsewhere))
    chosen = opposite[:1]
    for option in rest:
        if all((option[1], option[2] > 0) != (other[1], other[2] > 0) for other in chosen):
            chosen.append(option)
    return chosen[:3] if len(chosen) >= 3 else None


def _swapped(
    drink: Drink, larder: Mapping[str, Ingredient], in_stock: Collection[str], draw: random.Random
) -> tuple[Drink, Ingredient, Ingredient] | None:
    """Return a drink with one pour swapped for another of its kind, preferably in stock; None where there is none."""
    places = _movable(drink)
    if not places:
        return None
    index = draw.choice(places)
    pour = drink.pours[index]
    poured_slugs = {one_pour.ingredient.slug for one_pour in drink.pours}
    ingredients = [
        candidate.ingredient
        for candidate in candidates_for(drink, index, larder, Filters())[0]
        if candidate.share == 1 and candidate.helper is None
    ]
    alike = [
        ingredient
        for ingredient in ingredients
        if ingredient.kind == pour.ingredient.kind
        and ingredient.slug not in poured_slugs
        and (ingredient.rank <= 2 or ingredient.slug in in_stock)
    ]
    near = [kindred for kindred in alike if kindred.slug in in_stock]
    if not alike:
        return None
    come = draw.choice(near if near and draw.random() < 0.7 else alike)
    pours = (*drink.pours[:index], pour.of(come), *drink.pours[index + 1 :])
    return drink.with_pours(pours), pour.ingredient, come


def _movable(drink: Drink) -> list[int]:
    return [i for i, p in enumerate(drink.pours) if p.slot in _MOVING and p.liquid_ml >= 2 * GRID_ML and p.unit in ("ml", "cl", "oz")]


def _with(drink: Drink, index: int, volume_ml: float) -> Drink:
    pour = drink.pours[index].at(volume_ml)
    return drink.with_pours(
        (*drink.pours[:index], Pour(pour.ingredient, volume_ml, "ml", pour.slot, pour.stage), *drink.pours[index + 1 :])
    )


def _steps(drink: Drink, beside: Drink, conditions: Conditions) -> dict[str, float]:
    now, then = (profile_as_made(one_drink, conditions) for one_drink in (drink, beside))
    return {name: float(steps_between(getattr(now, name), getattr(then, name), axis)) for name, axis in AXES.items()}


def _distance(drink: Drink, beside: Drink, conditions: Conditions) -> float:
    """Return the distance of two drinks over the three axes, [steps]."""
    return math.hypot(*_steps(drink, beside, conditions).values())


def _move_words(pour: Pour, by_ml: float) -> str:
    return f"{abs(by_ml):g} ml {'more' if by_ml > 0 else 'less'} {pour.ingredient.in_sentence}"
