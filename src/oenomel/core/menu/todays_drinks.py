"""A finished drink with today's lots compared with its recipe: fine, or what to pour instead (docs/model/menu.md)."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from oenomel.core.balance import AXES, can_be_tasted, in_words, steps_between, tasted
from oenomel.core.balance.perception import degree
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.larder import Composition, Ingredient
from oenomel.core.rebalance import Move, Objective, Target, rebalance, that_can_move
from oenomel.core.rebalance.solver import Rebalanced
from oenomel.core.spec import Drink
from oenomel.core.wording import listed, with_unit

MOVED_SLOTS = ("sour", "sweet")
"""Slots that today's correction may move: those that balance a drink, never those that define it."""


@dataclass(frozen=True)
class TodaysDrink:
    """A finished drink with today's lots.

    Parameters
    ----------
    written, present : Forecast     by the recipe with the usual values, and with today's lots
    supposed : Forecast             with the same lots but without their readings, to show what these contribute
    steps : mapping of axis to float    from the written to the present one
    instead : Rebalanced or None    what to pour instead; None where the drink is fine, or no amounts are closer
    """

    written: Forecast
    present: Forecast
    supposed: Forecast
    steps: Mapping[str, float]
    instead: Rebalanced | None

    @property
    def is_fine(self) -> bool:
        """True if nobody could taste a difference from the recipe."""
        return not tasted(self.steps)

    @cached_property
    def words(self) -> str:
        """Sentence on what today's lots change."""
        if self.is_fine:
            return "fine as it is"
        worst = tasted(self.steps)
        return listed([in_words(self.steps[name], AXES[name]) for name in worst])

    @property
    def moves(self) -> tuple[Move, ...]:
        """Amounts to pour instead; empty where the drink is fine."""
        return () if self.instead is None else self.instead.moves

    @cached_property
    def remaining(self) -> str:
        """Difference that remains after the correction, or without one; empty where nobody could taste it."""
        if self.is_fine:
            return ""
        if self.instead is None or not self.instead.moves:
            return "No other amount brings it closer: tell the guest, or blend the juice."
        felt = [residual.words for residual in self.instead.left if residual.felt and residual.axis in AXES]
        return f"After that it is still {listed(felt)}." if felt else ""

    def half_widths(self, axis: str) -> tuple[float, float]:
        """Half-widths of the 80 % intervals by axis: without the lots' readings, and with them."""
        was, now = self.supposed.interval80[axis], self.present.interval80[axis]
        return (was.high - was.low) / 2, (now.high - now.low) / 2


def todays_drink(written: Forecast, supposed: Forecast, lots: Mapping[str, Ingredient], grid_ml: float = 2.5) -> TodaysDrink:
    """Forecast a drink with today's lots, and find a pourable correction where the difference can be tasted.

    Parameters
    ----------
    written, supposed : Forecast    with the usual values, and with the lots but without their readings
    lots : mapping of slug          today's lots, as read

    Raises
    ------
    EmptyDrink
    """
    present = forecast_of(with_lots(written.drink, lots), written.conditions)
    steps = {name: float(steps_between(getattr(present.served, name), getattr(written.served, name), axis)) for name, axis in AXES.items()}
    instead = _instead(present, written, grid_ml) if any(can_be_tasted(step) for step in steps.values()) else None
    return TodaysDrink(written, present, supposed, steps, instead)


def with_lots(drink: Drink, lots: Mapping[str, Ingredient]) -> Drink:
    """Return the drink made with these lots."""
    pours = tuple(pour.of(lots[pour.ingredient.slug]) if pour.ingredient.slug in lots else pour for pour in drink.pours)
    return drink.with_pours(pours)


def effect_words(steps: Mapping[str, float]) -> str:
    """Describe a lot's effect on drinks by its largest one: "clearly drier"."""
    worst = max(steps, key=lambda name: abs(steps[name]))
    return degree(steps[worst]).headline.format(word=AXES[worst].word(steps[worst]), same=AXES[worst].same)


def making_headline(usual: Composition, measured: Composition, drinks: Sequence[tuple[str, TodaysDrink]]) -> str:
    """Compare a lot just made with the larder's values, and say how many of today's drinks it affects.

    Parameters
    ----------
    drinks : sequence of (name, drink)    that pour it, everything else with its usual values
    """
    figures = {"sugar": (usual.sugar, measured.sugar), "acid": (usual.acid, measured.acid), "abv": (usual.abv, measured.abv)}
    # The effect on drinks; where none pours it, the largest difference of composition.
    felt_most = {name: sum(abs(todays.steps[name]) for _, todays in drinks) for name in AXES}
    apart = {name: abs(now - was) / max(was, now, 0.3) for name, (was, now) in figures.items()}
    axis = max(AXES, key=lambda name: (felt_most[name], apart[name]))
    was, now = figures[axis]
    was_text, now_text = (f"{figure:.{1 if axis == 'acid' else 0}f}" for figure in (was, now))
    beside = f"{with_unit(now_text, AXES[axis].unit)} instead of {was_text}"
    felt = [(name, todays) for name, todays in drinks if not todays.is_fine]
    if not drinks:
        return f"{beside}. No drink on the menu uses it."
    if not felt:
        return f"{beside}: not noticeable in {drinks[0][0] if len(drinks) == 1 else f'the {len(drinks)} drinks that use it'}."
    where, them = (felt[0][0], "it") if len(felt) == 1 else (f"{len(felt)} drinks", "them")
    return f"{beside}: {effect_words(felt[0][1].steps)} in {where}. Rebalance {them} below."


def _instead(present: Forecast, before: Forecast, grid_ml: float) -> Rebalanced | None:
    drink = present.drink
    free = that_can_move(drink, [i for i, pour in enumerate(drink.pours) if pour.slot in MOVED_SLOTS])
    if not free:
        return None
    served = before.served
    aim = Objective(Target(served.sugar, served.acid, served.abv, served.volume_ml), grid_ml=grid_ml)
    return rebalance(drink, aim, free, conditions=present.conditions)


def todays_headline(drinks: Sequence[TodaysDrink]) -> str:
    """Return the state of today's drinks in a sentence."""
    if not drinks:
        return "No drink is on the menu yet."
    off = [drink for drink in drinks if not drink.is_fine]
    if not off:
        return f"All {len(drinks)} drinks are fine as written." if len(drinks) > 1 else "Fine as written."
    mended = [drink for drink in off if drink.moves]
    headline = f"Adjust {len(off)} of {len(drinks)} drinks" if len(drinks) > 1 else "Adjust the drink"
    if len(mended) < len(off):
        fixed = f"{len(mended)} of them" if mended else "none of them"
        headline = f"{len(off)} of {len(drinks)} drinks {'is' if len(off) == 1 else 'are'} off. An adjustment fixes {fixed}"
    return f"{headline}. The rest {'is' if len(drinks) - len(off) == 1 else 'are'} fine." if len(off) < len(drinks) else f"{headline}."


def shared_moves(drinks: Sequence[TodaysDrink]) -> list[str]:
    """Return corrections that several drinks share, the commonest first: "Lime juice: 25 instead of 22.5 ml in 3 drinks"."""
    counted: Counter[tuple[str, float, float]] = Counter()
    for drink in drinks:
        counted.update({(move.ingredient.name, move.before_ml, move.after_ml) for move in drink.moves if not move.joined})
    shared = [(many, *move) for move, many in counted.items() if many > 1]
    return [
        f"{name}: {after:g} instead of {before:g} ml in {many} drinks"
        for many, name, before, after in sorted(shared, key=lambda each: (-each[0], each[1:]))
    ]
