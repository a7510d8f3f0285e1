"""What to try next: from "too sharp, a bit thin" to a trial that can be poured (model.md §10)."""

from __future__ import annotations

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final, Literal

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, Change, changes_between, in_words, profile_of_made, tasted
from oenomel.core.families import Home, steps_of
from oenomel.core.ice import Conditions
from oenomel.core.larder import Ingredient, kinship, likeness
from oenomel.core.notebook.palate import TRIAL_SD, WITHIN_STEPS, Palate, Tasted, learn, unknown_palate
from oenomel.core.notebook.tasting import Verdict, verdict_words
from oenomel.core.spec import GRID_ML, ML_PER_UNIT, Drink, Pour, grid_of
from oenomel.core.swaps import (
    CORRECTORS,
    MOST_FREE,
    Aim,
    Budget,
    Residual,
    Target,
    Weights,
    rebalance,
    residuals_of,
    that_can_move,
    usually_free,
)
from oenomel.errors import DomainError, NothingFree

Floats = NDArray[np.float64]

Answered = tuple[Drink, tuple[Residual, ...], tuple[str, ...]]
"""A pourable drink, what is left between it and what was wished, and what else has to be said."""

BODY_CORRECTORS: Final = ("gum-syrup",)
"""What joins besides where a drink is thin."""

DRINK_SD: Final = 0.5
"""How far one drink's own ideal lies from what its taster likes in general, [steps]. An assumption: a long drink is no strong one."""

JOIN_FROM_STEPS: Final = 0.7
"""Correctors are offered where an axis would stay further off than this."""

VOLUME_COUNTS: Final = 0.4
"""Weight of the drink's size where a complaint is answered: the tongue asked for a taste, not for a volume."""

CLOSE_ENOUGH: Final = 0.8
TRIALS_BEFORE_GIVING_IN: Final = 3
NOTHING_BETTER: Final = 0.05
"""A drink is close enough when it is this likely to lie within a step on every axis, or when after three trials nothing that can be
poured is likelier by more than the last."""

QUIETER: Final = 2 / 3
"""A pour that is too loud is cut to this at most."""

ACCENT_DASHES: Final = 2
MOST_PROPOSALS: Final = 3
SAME_J: Final = 1e-6


@dataclass(frozen=True)
class Sheet:
    """A tasting sheet of a trial: the drink as it was poured, what was said, and at which sitting; ``trial`` names the trial."""

    drink: Drink
    verdict: Verdict
    trial: int
    session: str = ""


State = Literal["not yet", "close enough", "as near as can be poured"]


@dataclass(frozen=True)
class TrialStanding:
    """How a trial stands to what the tongue asks for.

    ``chance`` is how likely it lies within a step on every axis; ``state`` is "close enough", "as near as can be poured" where what is
    asked for can't be reached, or "not yet".
    """

    chance: float
    state: State
    sentence: str


@dataclass(frozen=True)
class Proposal:
    """A trial to try next.

    Parameters
    ----------
    key : str                 which kind: answer, stronger, sweeter, quieter, accent or one change
    title : str               what it does, in a line
    reasons : tuple of str    why, in sentences
    changes, left             what each change does, and what stays off its target
    notes : tuple of str      what else has to be said: what can't be reached
    chance : float            how likely it lies within a step of what is asked for, on every axis
    """

    key: str
    title: str
    drink: Drink
    reasons: tuple[str, ...]
    changes: tuple[Change, ...]
    left: tuple[Residual, ...]
    notes: tuple[str, ...]
    chance: float


def may_join(larder: Mapping[str, Ingredient], at_hand: Collection[str]) -> dict[str, Ingredient]:
    """What an answer may bring in: correctors may be anything; of accents a house that keeps a shelf is offered what stands on it."""
    return {slug: each for slug, each in larder.items() if not at_hand or each.kind != "bitters" or slug in at_hand}


def reference_of(sheets: Sequence[Sheet], home: Home | None, conditions: Conditions) -> Floats:
    """The point from which a palate is told, shape (3,), [steps]: the middle of the home; of an open form, the first trial tasted."""
    if home is not None:
        middle: Floats = home.points.mean(axis=0)
        return middle
    return steps_of(profile_of_made(sheets[0].drink, conditions))


def tasted_from(sheet: Sheet, reference: Floats, conditions: Conditions) -> Tasted:
    """What a sheet teaches of a palate: where its drink stands from the reference, and what was said of it."""
    return Tasted(steps_of(profile_of_made(sheet.drink, conditions)) - reference, sheet.verdict.axes, sheet.session)


def ideal_of(sheets: Sequence[Sheet], reference: Floats, palate: Palate | None, conditions: Conditions) -> Palate:
    """Where this drink should stand for who tasted it, from the reference; ``palate`` is what is known of him from other drinks."""
    tasted = [tasted_from(sheet, reference, conditions) for sheet in sheets]
    prior = unknown_palate(TRIAL_SD)
    if palate is not None:
        prior = Palate(palate.mean, palate.covariance + DRINK_SD**2 * np.eye(3))
    return learn(tasted, prior)


def answer(
    drink: Drink,
    wished: Floats,
    larder: Mapping[str, Ingredient],
    conditions: Conditions,
    grid_ml: float = GRID_ML,
    *,
    body: bool = False,
    free: Sequence[int] | None = None,
    budget: Budget | None = None,
) -> Answered:
    """The pourable drink nearest to ``wished``, shape (3,), [steps]: its own pours first, and correctors where these leave an axis off.

    Raises
    ------
    NothingFree
        No pour can move, and none can join.
    """  # fmt: skip
    volume = profile_of_made(drink, conditions).volume_ml
    aim = Aim(_target(wished, volume), Weights(volume_ml=VOLUME_COUNTS), grid_ml)
    moving = _moving(drink) if free is None else tuple(free)
    try:
        own = rebalance(drink, aim, moving, conditions=conditions, budget=budget)
    except NothingFree:
        own = None
    reached = own is not None and all(abs(left.steps) <= JOIN_FROM_STEPS for left in own.left if left.axis in AXES)
    names = (*(BODY_CORRECTORS if body else ()), *CORRECTORS)
    joining = [larder[slug] for slug in names if slug in larder]
    if free is None and not (reached and not body):
        helped = rebalance(drink, aim, moving, joining, conditions, budget)
        # Where none of them joins the two are the same drink, but only the second knows that they were asked.
        if own is None or helped.costs.total <= own.costs.total + SAME_J:
            own = helped
    if own is None:
        raise NothingFree
    return own.drink, own.left, own.notes


def standing_of(
    sheets: Sequence[Sheet], ideal: Palate, reference: Floats, present: Drink, best: float, conditions: Conditions
) -> TrialStanding:
    """How a trial stands; ``best`` is the chance of the best that could be poured instead."""
    off = steps_of(profile_of_made(present, conditions)) - reference - ideal.mean
    chance = ideal.chance_within(off + ideal.mean)
    trials = len({sheet.trial for sheet in sheets})
    if chance >= CLOSE_ENOUGH:
        return TrialStanding(chance, "close enough", "Very likely within a noticeable step of what was asked for, on every axis.")
    if trials >= TRIALS_BEFORE_GIVING_IN and best <= chance + NOTHING_BETTER:
        if np.abs(off).max() <= WITHIN_STEPS:
            return TrialStanding(chance, "close enough", f"After {trials} trials, nothing that can be poured is likely to be nearer.")
        index = int(np.abs(off).argmax())
        axis = list(AXES.values())[index]
        asked = axis.word(-off[index])
        return TrialStanding(
            chance,
            "as near as can be poured",
            f"It should be {asked} than these pours get it. Another ingredient could: see the swaps.",
        )
    told = "one sheet" if len(sheets) == 1 else f"{len(sheets)} sheets"
    return TrialStanding(chance, "not yet", f"As far as {told} can tell. A sheet is noisy: one more trial says more than this one again.")


def proposals(
    sheets: Sequence[Sheet],
    present: Drink,
    trial: int,
    larder: Mapping[str, Ingredient],
    home: Home | None = None,
    palate: Palate | None = None,
    conditions: Conditions | None = None,
    grid_ml: float = GRID_ML,
    budget: Budget | None = None,
) -> tuple[TrialStanding, list[Proposal]]:
    """Two or three trials to try next after what was said, the likeliest first, and how the present one stands.

    Parameters
    ----------
    sheets : sequence of Sheet    all tastings of this drink, oldest first; those of ``trial`` are answered
    larder : mapping of slug to ingredient    what may join: correctors, and accents where something is lacking
    palate : Palate, optional     of whoever it is for, from other drinks, about the same home

    Raises
    ------
    DomainError
        The trial wasn't tasted yet.
    NothingFree
    """  # fmt: skip
    conditions = conditions or Conditions()
    said = [sheet.verdict for sheet in sheets if sheet.trial == trial]
    if not said:
        raise DomainError("this trial wasn't tasted yet: fill a sheet, and it can be answered")
    verdict = _together(said)
    reference = reference_of(sheets, home, conditions)
    ideal = ideal_of(sheets, reference, palate, conditions)
    here = steps_of(profile_of_made(present, conditions))
    wished = _wished(verdict, here, reference + ideal.mean, first=len(sheets) == 1)
    asked = _Question(present, verdict, len(sheets), here, wished, reference, ideal, larder, conditions, grid_ml, budget or Budget())
    found = asked.fuller() if (verdict.body or 0) < 0 else [asked.plain()]
    found += [*asked.quieter(), *asked.accent()]
    if len(found) < MOST_PROPOSALS and any(verdict.axes):
        found += asked.one_change()
    changed = [each for n, each in enumerate(found) if each.changes and not _again(each, found[:n])]
    best = max((each.chance for each in changed if each.key not in ("accent", "quieter")), default=0.0)
    return standing_of(sheets, ideal, reference, present, best, conditions), changed[:MOST_PROPOSALS]


@dataclass(frozen=True)
class _Question:
    """What was said of a trial, and everything that is needed to answer it; each kind of answer is a method."""

    present: Drink
    verdict: Verdict
    sheets: int
    here: Floats
    wished: Floats
    reference: Floats
    ideal: Palate
    larder: Mapping[str, Ingredient]
    conditions: Conditions
    grid_ml: float
    budget: Budget

    def plain(self) -> Proposal:
        """To where the sheets point."""
        title = "Answer it" if any(self.verdict.axes) else "Where all the sheets point"
        why = "" if self.sheets == 1 else f"From {self.sheets} sheets of this drink, not from the last alone."
        return self._proposal("answer", title, self._answer(self.present, self.wished), why)

    def fuller(self) -> list[Proposal]:
        """Thin: body comes with the strength or the sugar that is asked for besides; neither where it is too much already."""
        by = [axis for axis in ("abv", "sugar") if (getattr(self.verdict, axis) or 0) <= 0]
        if "abv" in by and profile_of_made(self.present, self.conditions).abv < AXES["abv"].floor:
            by.remove("abv")
        found = []
        for axis in by or ["sugar"]:
            row, wished = list(AXES).index(axis), self.wished.copy()
            wished[row] = max(wished[row], self.here[row] - (self.verdict.body or 0))
            if axis == "abv":
                words = "stronger", "Answer it, with more strength", "Thin: more strength, and with it less water."
            else:
                words = "sweeter", "Answer it, with more sweetness and body", "Thin: sugar, and gum with it, give the drink body."
            key, title, why = words
            found.append(self._proposal(key, title, self._answer(self.present, wished, body=axis == "sugar"), why))
        return found

    def quieter(self) -> list[Proposal]:
        """One thing too loud: a third less of it, and the others fill the gap."""
        places = [i for i, p in enumerate(self.present.pours) if p.ingredient.slug == self.verdict.loud and p.liquid_ml > 0]
        if not self.verdict.loud or not places:
            return []
        index = places[0]
        pour = self.present.pours[index]
        grid = grid_of(pour.ingredient, pour.unit, self.grid_ml)
        most = math.floor(pour.volume_ml * QUIETER / grid + 1e-9) * grid
        pours = tuple(replace(p, volume_ml=most) if i == index else p for i, p in enumerate(self.present.pours))
        cut = replace(self.present, pours=pours)
        free = [i for i in _moving(cut) if i != index]
        answered = self._answer(cut, self.wished, free=free) if free else (cut, (), ())
        name = pour.ingredient.name
        return [
            self._proposal("quieter", f"{name} quieter", answered, f"{name} drowns the rest: a third less, and the others fill the gap.")
        ]

    def accent(self) -> list[Proposal]:
        """Something lacking: bitters whose aroma is kin to what is there, and isn't there yet."""
        rest = [pour.ingredient for pour in self.present.pours]
        held = {ingredient.slug for ingredient in rest}

        def promise(ingredient: Ingredient) -> float:
            more_of_the_same = max((likeness(ingredient, other) for other in rest if other.aroma), default=0.0)
            return (kinship(ingredient, rest) or 0.0) - 0.5 * more_of_the_same

        offers = [each for slug, each in sorted(self.larder.items()) if each.kind == "bitters" and each.aroma and slug not in held]
        if not self.verdict.lacking or not offers:
            return []
        first, *others = sorted(offers, key=promise, reverse=True)[:3]
        pour = Pour(first, ACCENT_DASHES * ML_PER_UNIT["dash"], unit="dash", slot="accent")
        with_it = replace(self.present, pours=(*self.present.pours, pour))
        aim = Aim(_target(self.wished, profile_of_made(self.present, self.conditions).volume_ml))
        instead = f" {' or '.join(each.name for each in others)} would do as well." if others else ""
        why = f"Something is lacking: its aroma is kin to what is there, and isn't there yet.{instead}"
        left = residuals_of(with_it, aim, self.conditions)
        return [self._proposal("accent", f"Two dashes of {first.name}", (with_it, left, ()), why)]

    def one_change(self) -> list[Proposal]:
        """One pour alone: the tongue then knows what made the difference."""
        alone = {index: self._answer(self.present, self.wished, free=[index]) for index in usually_free(self.present)}
        if not alone:
            return []
        index = min(alone, key=lambda each: sum(left.steps**2 for left in alone[each][1] if left.axis in AXES))
        name = self.present.pours[index].ingredient.name
        why = "One pour alone: the tongue then knows what made the difference."
        return [self._proposal("one change", f"Only {name}", alone[index], why)]

    def _answer(self, drink: Drink, wished: Floats, *, body: bool = False, free: Sequence[int] | None = None) -> Answered:
        # The first answer may take half of it, what follows half of the rest.
        budget = self.budget.share(0.5)
        return answer(drink, wished, self.larder, self.conditions, self.grid_ml, body=body, free=free, budget=budget)

    def _proposal(self, key: str, title: str, answered: Answered, why: str) -> Proposal:
        drink, left, notes = answered
        changes = changes_between(drink, self.present, self.conditions)
        heard = f"Said of it: {verdict_words(self.verdict) or 'nothing of the axes'}."
        reasons = tuple(reason for reason in (heard, why, *_told(changes)) if reason)
        chance = self.ideal.chance_within(steps_of(profile_of_made(drink, self.conditions)) - self.reference)
        return Proposal(key, title, drink, reasons, changes, left, notes, chance)


def _moving(drink: Drink) -> tuple[int, ...]:
    """Pours that an answer may move: those that usually may, and a lengthener, which is what makes a long drink weak."""
    long = [i for i, pour in enumerate(drink.pours) if pour.slot == "lengthener" and pour.liquid_ml > 0]
    return tuple(sorted({*usually_free(drink), *that_can_move(drink, long)}))[:MOST_FREE]


def _target(wished: Floats, volume_ml: float) -> Target:
    levels = [max(axis.floor, float(axis.level_at(n))) for n, axis in zip(wished, AXES.values(), strict=True)]
    sugar, acid, abv = levels
    return Target(min(sugar, 150.0), min(acid, 150.0), min(abv, 95.0), volume_ml)


def _wished(verdict: Verdict, here: Floats, ideal: Floats, *, first: bool) -> Floats:
    """Where the next trial should stand: by the first sheet one step for each unit of complaint, then where all sheets together point.

    An axis of which nothing was ever said stays.
    """
    heard = np.array([said is not None for said in verdict.axes])
    asked = here - np.array([said or 0 for said in verdict.axes], dtype=np.float64)
    return np.where(heard, asked if first else ideal, here)


def _together(verdicts: Sequence[Verdict]) -> Verdict:
    """What several sheets of one trial say together: the middle of each axis, rounded toward right; what one alone found is kept."""

    def middle(name: str) -> int | None:
        said = [getattr(verdict, name) for verdict in verdicts if getattr(verdict, name) is not None]
        return int(np.trunc(np.mean(said))) if said else None

    loud = [verdict.loud for verdict in verdicts if verdict.loud]
    return Verdict(
        middle("sugar"), middle("acid"), middle("abv"), middle("body"), loud[-1] if loud else "", any(v.lacking for v in verdicts)
    )


def _again(proposal: Proposal, before: Sequence[Proposal]) -> bool:
    """Whether another proposal pours the same already."""

    def poured(each: Proposal) -> list[tuple[str, float]]:
        return sorted((pour.ingredient.slug, round(pour.volume_ml, 6)) for pour in each.drink.pours)

    return any(poured(proposal) == poured(other) for other in before)


def _told(changes: Sequence[Change]) -> list[str]:
    """What each change does, in a sentence: the axes that it moves by half a step or more."""
    told = []
    for change in changes:
        words = [in_words(change.steps[name], AXES[name]) for name in tasted(change.steps)]
        told.append(
            f"{change.words[0].upper()}{change.words[1:]}: {', '.join(words) if words else 'keeps the size, hardly moves an axis'}."
        )
    return told
