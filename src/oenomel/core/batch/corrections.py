"""Correcting a batch by taste or by reading: what to add, and how much moves it by half a step (docs/model/batch.md)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final

from oenomel.core.balance import AXES, Axis, can_be_tasted, in_words, mix, steps_between, tasted
from oenomel.core.balance.profile import profile_of
from oenomel.core.batch.batchable import water
from oenomel.core.batch.pouring_order import measured_amount
from oenomel.core.batch.rounding import measured_ml
from oenomel.core.larder import Ingredient, SlotName, catalogue
from oenomel.core.spec import Pour
from oenomel.core.wording import listed, with_unit
from oenomel.errors import DomainError, OutOfRange

STEPS_OF_A_COMPLAINT: Final = (0.75, 1.5, 3.0)
"""Steps that a touch, clearly and far too much stand for (house rule, within the words of `balance.perception`)."""

HALF: Final = 0.5
TASTE_ML: Final = 30.0
"""Half a step, and the size of a taste, [ml], poured over ice: at serving strength."""

MOST_SHARE: Final = 0.5
"""Share of a batch above which an addition makes it another batch (house rule)."""

MOST: Final = 0.5
LITTLE: Final = 0.15
"""Shares of a batch's sugar, acid or alcohol above which an ingredient is its main source, and below which it can be added without
moving it.
"""

_GRID_ML: Final = 1.0
_PLACE: Final = {"abv": 0, "sugar": 1, "acid": 2}
_SLOT: Final[Mapping[str, SlotName]] = {"sugar": "sweet", "acid": "sour", "abv": "base"}
_USUAL: Final = {"sugar": "simple-syrup-1-1", "acid": "lemon-juice"}


@dataclass(frozen=True, slots=True)
class CorrectionPour:
    """An addition to a batch, [ml], and its slot."""

    ingredient: Ingredient
    ml: float
    slot: SlotName = "other"


@dataclass(frozen=True, slots=True)
class Correction:
    """Correction of a batch on one axis: what to add, how much moves it by half a step, the change of every axis, [steps], and a
    sentence.
    """

    axis: str
    word: str
    additions: tuple[CorrectionPour, ...]
    half_step_ml: float
    moves: Mapping[str, float]
    words: str

    @property
    def ml(self) -> float:
        """Total volume added, [ml]."""
        return sum(addition.ml for addition in self.additions)


def wanted_steps(verdict: int) -> float:
    """Convert a tasting verdict, −3 (far too little) to 3 (far too much), to the steps that an axis should move.

    Raises
    ------
    OutOfRange

    >>> wanted_steps(-1), wanted_steps(2)
    (0.75, -1.5)
    """
    if not -3 <= verdict <= 3:
        raise OutOfRange("the tasting word", verdict, -3, 3)
    return 0.0 if verdict == 0 else (-1 if verdict > 0 else 1) * STEPS_OF_A_COMPLAINT[abs(verdict) - 1]


def corrections(
    pours: Sequence[Pour], axis_name: str, steps: float, grid_ml: float = 5.0, level: float | None = None
) -> tuple[Correction, ...]:
    """Return the additions that move one axis of a batch by some steps, those in stock first.

    ``pours`` are the whole batch with its water; ``level`` is its measured level per 100 ml, if any. A lack is corrected by adding; an
    excess by adding all other pours in proportion. x ml of something with k per 100 ml take c to ρc where x = V·c(ρ − 1)/(k − ρc).

    Raises
    ------
    DomainError
        No pour moves the axis that way.
    """
    axis = AXES[axis_name]
    if steps == 0:
        return ()
    all_corrections = [
        correction
        for correction in (_with(pours, axis, steps, grid_ml, added, level) for added in _candidates(pours, axis, steps))
        if correction
    ]
    if not all_corrections:
        raise DomainError(f"none of its ingredients makes it {axis.word(steps)}: make a new batch")
    return tuple(all_corrections)


def back_to(
    pours: Sequence[Pour], axis_name: str, recipe: float, measured: float, grid_ml: float = 5.0
) -> tuple[str, tuple[Correction, ...]]:
    """Compare a batch that was measured with its recipe, in a sentence, and return what corrects it; nothing where the difference
    can't be tasted.

    ``recipe`` and ``measured`` are in % v/v or g per 100 ml; raises as `corrections`.
    """
    axis = AXES[axis_name]
    steps = float(steps_between(recipe, measured, axis))
    unit = "% ABV" if axis_name == "abv" else "g/100 ml"
    words = f"The bottle reads {with_unit(f'{measured:.2f}', unit)}, the recipe {recipe:.2f}: {in_words(-steps, axis)}."
    return words, corrections(pours, axis_name, steps, grid_ml, measured) if can_be_tasted(steps) else ()


def serves_in(left_ml: float, serve_ml: float) -> int:
    """Return how many whole serves are left in a batch.

    >>> serves_in(645, 126.6)
    5
    """
    return int(left_ml / serve_ml + 1e-6)


def _candidates(pours: Sequence[Pour], axis: Axis, steps: float) -> list[list[CorrectionPour]]:
    """Return the possible additions, in proportion, for one ml of each first ingredient; the drink's own first."""
    index, together = _PLACE[axis.name], _together(pours)
    brought = {slug: share.ml * share.ingredient.composition.axes[index] for slug, share in together.items()}
    whole = sum(brought.values())
    if steps > 0:
        wanted = _SLOT[axis.name]
        own = [share for share in together.values() if share.slot == wanted]
        # Without a pour for it in the drink: the main source, then what every bar has.
        own = own or [share for slug, share in together.items() if brought[slug] > MOST * whole]
        own.sort(key=lambda each: -each.ingredient.composition.axes[index])
        usual = [CorrectionPour(catalogue()[_USUAL[axis.name]], 1.0, wanted)] if axis.name in _USUAL else []
        known = {share.ingredient.slug for share in own}
        return [[replace(share, ml=1.0)] for share in (*own, *(share for share in usual if share.ingredient.slug not in known))][:2]
    if axis.name == "abv":
        return [[CorrectionPour(water(), 1.0)]]
    # Sugar and acid can't be taken out: everything but their sources is added, in proportion.
    rest = [share for slug, share in together.items() if brought[slug] < LITTLE * whole]
    return [rest] if rest else []


def _together(pours: Sequence[Pour]) -> dict[str, CorrectionPour]:
    """Return the contents of a batch by slug, equal ingredients added up."""
    result: dict[str, CorrectionPour] = {}
    for pour in pours:
        before = result.get(pour.ingredient.slug)
        if pour.volume_ml > 0:
            ml = pour.volume_ml + (0.0 if before is None else before.ml)
            result[pour.ingredient.slug] = CorrectionPour(pour.ingredient, ml, pour.slot if before is None else before.slot)
    return result


def _with(
    pours: Sequence[Pour], axis: Axis, steps: float, grid_ml: float, shares: Sequence[CorrectionPour], measured: float | None
) -> Correction | None:
    index = _PLACE[axis.name]
    volume = sum(pour.volume_ml for pour in pours)
    supposed = sum(pour.volume_ml * pour.ingredient.composition.axes[index] for pour in pours) / volume
    level = supposed if measured is None else measured
    one = sum(one_share.ml for one_share in shares)
    contains = sum(one_share.ml * one_share.ingredient.composition.axes[index] for one_share in shares) / one

    def needed(by: float) -> float:
        """Return the total addition that moves the axis by some steps, [ml]; negative where it can't."""
        times = (1 + axis.just_noticeable) ** by
        lack = contains - times * level
        return volume * level * (times - 1) / lack if abs(lack) > 1e-9 else -1.0

    if level <= 0:
        return None
    whole, half = needed(steps), needed(HALF if steps > 0 else -HALF)
    if whole <= 0 or half <= 0 or whole > MOST_SHARE * volume:
        return None
    fine = min(grid_ml, _GRID_ML) if whole < 2 * grid_ml else grid_ml
    additions = tuple(
        CorrectionPour(share.ingredient, max(fine, measured_ml(whole * share.ml / one, fine)), share.slot) for share in shares
    )
    added = [*pours, *(Pour(addition.ingredient, addition.ml) for addition in additions)]
    moves = _moves(pours, added)
    return Correction(axis.name, axis.word(steps), additions, half, moves, _words(axis, additions, half, moves))


def _moves(before: Sequence[Pour], after: Sequence[Pour]) -> dict[str, float]:
    was, now = (
        profile_of(mix([pour.volume_ml for pour in pours], [pour.ingredient.composition.vector for pour in pours]))
        for pours in (before, after)
    )
    return {name: float(steps_between(getattr(now, name), getattr(was, name), axis)) for name, axis in AXES.items()}


def _words(axis: Axis, additions: Sequence[CorrectionPour], half: float, moves: Mapping[str, float]) -> str:
    side = [in_words(moves[name], AXES[name]) for name in tasted(moves) if name != axis.name]
    besides = f" That also makes it {listed(side)} too." if side else ""
    additions_in_words = listed(
        [f"{measured_amount(addition.ingredient, addition.ml)} of {addition.ingredient.in_sentence}" for addition in additions]
    )
    if len(additions) == 1:
        name = additions[0].ingredient.in_sentence
        amount = measured_amount(additions[0].ingredient, additions[0].ml)
        least = f"{half:.0f}" if half >= 1 else f"{half:.1g}"
        return f"Add {amount} of {name}. You can notice {least} ml or more.{besides}"
    what = {"sugar": "Sugar", "acid": "Acid"}[axis.name]
    return f"{what} can't be taken out: add the rest of the drink, {additions_in_words}.{besides}"
