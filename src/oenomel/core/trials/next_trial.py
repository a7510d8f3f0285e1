"""Next trial: from "too sharp, a bit thin" to a pourable drink (docs/model/trials.md, "What to try next")."""

from __future__ import annotations

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Final, Literal

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import (
    AXES,
    USUAL_TONGUE,
    Change,
    OwnSteps,
    changes_between,
    in_words,
    loudness_between,
    paired_pours,
    profile_as_made,
    tasted,
)
from oenomel.core.balance.aroma_share import share_of_glass
from oenomel.core.dilution import Conditions
from oenomel.core.families import TypicalRange, steps_of
from oenomel.core.larder import Ingredient, SlotName
from oenomel.core.larder.aroma import kinship, likeness
from oenomel.core.rebalance import MOST_FREE, Budget, Objective, correctors_for
from oenomel.core.rebalance.solver import Residual, residuals_of
from oenomel.core.spec import GRID_ML, ML_PER_UNIT, Drink, Pour, grid_of
from oenomel.core.trials.answers import VOLUME_COUNTS, Answered, answer, moving, target_at
from oenomel.core.trials.palate import TRIAL_SD, WITHIN_STEPS, Palate, Tasted, learn, unknown_palate
from oenomel.core.trials.tasting import Verdict, verdict_words
from oenomel.core.wording import capital, listed
from oenomel.errors import DomainError, NothingFree

Floats = NDArray[np.float64]

GUM: Final = "gum-syrup"
GUM_ML: Final = 5.0
"""Ingredient that gives body to a thin drink, and its amount: a barspoon."""

LEAST_A_UNIT: Final = {"sugar": 1.0, "acid": 0.08, "abv": 1.2}
"""Least change for a unit of complaint, g per 100 ml and % v/v: a step of a tiny level is nothing (docs/model/trials.md, "What to try
next").
"""

DRINK_SD: Final = 0.5
"""Standard deviation of a drink's own ideal from its taster's general one, [steps]. An assumption."""

CLOSE_ENOUGH: Final = 0.8
TRIALS_BEFORE_GIVING_IN: Final = 3
NOTHING_BETTER: Final = 0.05
"""Probability of being within a step on every axis at which a drink is close enough; trials after which a smaller gain than the last
number ends the search.
"""

AS_LARGE: Final = 4.0
"""Weight of the volume where a drink should keep its size."""

QUIETER: Final = 2 / 3
"""Factor on the share of a pour that is too loud."""

MOST_AROMAS: Final = 3
"""Most changes of aroma that a proposal names, the largest first."""

ACCENT_DASHES: Final = 2
MOST_PROPOSALS: Final = 3
HALF_DONE: Final = 0.5
"""Dashes of an accent, most proposals, and the share of the squared distance that a single change may leave."""

SIZE_TOLD_ML: Final = 1.0
DROPS_ML: Final = 3.0
"""Change of volume that is mentioned, and the amount up to which a pour is an accent, [ml]."""


@dataclass(frozen=True)
class Sheet:
    """One tasting sheet: the drink as poured, the verdict, and the sitting; ``trial`` names the trial."""

    drink: Drink
    verdict: Verdict
    trial: int
    session: str = ""


State = Literal["not yet", "close enough", "as near as can be poured"]


@dataclass(frozen=True)
class TrialState:
    """State of a trial by its tasting sheets.

    ``chance`` is the probability that it is within a step on every axis; ``state`` is "close enough", "as near as can be poured" where
    the wish can't be reached, or "not yet".
    """

    chance: float
    state: State
    sentence: str


@dataclass(frozen=True)
class Proposal:
    """One proposal for a next trial.

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


def may_join(larder: Mapping[str, Ingredient], in_stock: Collection[str]) -> dict[str, Ingredient]:
    """Return the ingredients that the next trial may add: any corrector, and bitters in stock, or any bitters where no stock is kept."""
    keeps_stock = any(slug in larder and larder[slug].kind != "water" for slug in in_stock)
    return {slug: ingredient for slug, ingredient in larder.items() if not keeps_stock or ingredient.kind != "bitters" or slug in in_stock}


def reference_of(sheets: Sequence[Sheet], home: TypicalRange | None, conditions: Conditions) -> Floats:
    """Return the origin of a palate's coordinates, shape (3,), [steps]: the middle of the typical range; for an open form, the first
    trial tasted.
    """
    if home is not None:
        middle: Floats = home.points.mean(axis=0)
        return middle
    return steps_of(profile_as_made(sheets[0].drink, conditions))


def tasted_from(sheet: Sheet, reference: Floats, conditions: Conditions) -> Tasted:
    """Return what a sheet teaches of a palate: the drink's coordinates from the reference, and the verdict."""
    return Tasted(steps_of(profile_as_made(sheet.drink, conditions)) - reference, sheet.verdict.axes, sheet.session)


def ideal_of(
    sheets: Sequence[Sheet], reference: Floats, palate: Palate | None, conditions: Conditions, tongue: OwnSteps = USUAL_TONGUE
) -> Palate:
    """Estimate the ideal coordinates of this drink for its taster, from the reference; ``palate`` is learnt from his other drinks."""
    tasted = [tasted_from(sheet, reference, conditions) for sheet in sheets]
    prior = unknown_palate(TRIAL_SD)
    if palate is not None:
        prior = Palate(palate.mean, palate.covariance + DRINK_SD**2 * np.eye(3))
    return learn(tasted, prior, tongue)


def state_of(sheets: Sequence[Sheet], ideal: Palate, reference: Floats, present: Drink, best: float, conditions: Conditions) -> TrialState:
    """Describe the state of a trial; ``best`` is the probability of the best pourable drink."""
    off = steps_of(profile_as_made(present, conditions)) - reference - ideal.mean
    chance = ideal.chance_within(off + ideal.mean)
    trials = len({sheet.trial for sheet in sheets})
    if chance >= CLOSE_ENOUGH:
        return TrialState(chance, "close enough", "Almost certainly close enough: within one noticeable difference of what you asked for.")
    if trials >= TRIALS_BEFORE_GIVING_IN and best <= chance + NOTHING_BETTER:
        if np.abs(off).max() <= WITHIN_STEPS:
            return TrialState(chance, "close enough", f"After {trials} trials, no other amounts are likely to come closer.")
        return _out_of_reach(chance, -off)
    tasted_by = "one tasting note" if len(sheets) == 1 else f"{len(sheets)} tasting notes"
    return TrialState(chance, "not yet", f"Going by {tasted_by}, another trial tells you more than tasting this one again.")


def _out_of_reach(chance: float, asked: Floats) -> TrialState:
    """Return a sentence where no amounts reach the target; ``asked``, shape (3,), [steps]."""
    index = int(np.abs(asked).argmax())
    word = list(AXES.values())[index].word(asked[index])
    sentence = f"These ingredients can't make it {word} enough. Try a swap."
    return TrialState(chance, "as near as can be poured", sentence)


def proposals(
    sheets: Sequence[Sheet],
    present: Drink,
    trial: int,
    larder: Mapping[str, Ingredient],
    home: TypicalRange | None = None,
    palate: Palate | None = None,
    conditions: Conditions | None = None,
    grid_ml: float = GRID_ML,
    budget: Budget | None = None,
    tongue: OwnSteps = USUAL_TONGUE,
) -> tuple[TrialState, list[Proposal]]:
    """Propose two or three next trials after a tasting, the likeliest first, and describe the state of the present one.

    Parameters
    ----------
    sheets : sequence of Sheet    all tastings of this drink, oldest first; the proposals answer those of ``trial``
    larder : mapping of slug to ingredient    ingredients that may be added: correctors, and accents where something is lacking
    palate : Palate, optional     of the taster it is for, from other drinks, about the same typical range
    tongue : mapping of axis to steps    the taster's own step, the size of his "a touch"

    Raises
    ------
    DomainError
        The trial wasn't tasted yet.
    NothingFree
    """  # fmt: skip
    conditions = conditions or Conditions()
    verdicts = [sheet.verdict for sheet in sheets if sheet.trial == trial]
    if not verdicts:
        raise DomainError("this trial hasn't been tasted: write a tasting note first")
    verdict = _together(verdicts)
    reference = reference_of(sheets, home, conditions)
    ideal = ideal_of(sheets, reference, palate, conditions, tongue)
    here = steps_of(profile_as_made(present, conditions))
    wished = _wished(verdict, here, reference + ideal.mean, tongue, first=len(sheets) == 1)
    asked = _Question(present, verdict, len(sheets), here, wished, reference, ideal, larder, conditions, grid_ml, budget or Budget())
    all_proposals = asked.fuller() if (verdict.body or 0) < 0 else [asked.plain()]
    all_proposals += [*asked.quieter(), *asked.accent()]
    if len(all_proposals) < MOST_PROPOSALS and any(verdict.axes):
        all_proposals += asked.one_change()
    changed = [proposal for n, proposal in enumerate(all_proposals) if proposal.changes and not _again(proposal, all_proposals[:n])]
    best = max((proposal.chance for proposal in changed if proposal.key not in ("accent", "quieter")), default=0.0)
    standing = state_of(sheets, ideal, reference, present, best, conditions)
    if not changed and any(verdict.axes) and standing.state == "not yet":
        standing = _out_of_reach(standing.chance, wished - here)
    return standing, changed[:MOST_PROPOSALS]


@dataclass(frozen=True)
class _Question:
    """The tasting sheets of a trial with everything needed for proposals; each kind of proposal is a method."""

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
        """Propose the drink that the sheets point to."""
        title = "Follow the tasting" if any(self.verdict.axes) else "Follow all the tasting notes"
        why = "" if self.sheets == 1 else f"From all {self.sheets} tasting notes of this drink."
        return self._proposal("answer", title, self._answer(self.present, self.wished), why)

    def fuller(self) -> list[Proposal]:
        """Propose more body for a thin drink, with the strength or the sugar that is also wanted; neither where there is too much
        already.
        """
        by = [axis for axis in ("abv", "sugar") if (getattr(self.verdict, axis) or 0) <= 0]
        if "abv" in by and profile_as_made(self.present, self.conditions).abv < AXES["abv"].floor:
            by.remove("abv")
        result = []
        for axis in by or ["sugar"]:
            row, wished = list(AXES).index(axis), self.wished.copy()
            wished[row] = max(wished[row], self.here[row] - (self.verdict.body or 0))
            if axis == "abv":
                why = "Thin: more strength adds body."
                result.append(self._proposal("stronger", "Stronger, for more body", self._answer(self.present, wished), why))
            else:
                result.append(self._with_gum(wished))
        return result

    def _with_gum(self, wished: Floats) -> Proposal:
        """Add sugar, and a barspoon of gum syrup where there is some and none is in the drink yet."""
        pours = self.present.pours
        if GUM not in self.larder or any(pour.ingredient.slug == GUM for pour in pours):
            answered, why = self._answer(self.present, wished), "Thin: sugar gives the drink body."
        else:
            gummed = self.present.with_pours((*pours, Pour(self.larder[GUM], GUM_ML, slot="sweet")))
            answered = self._answer(gummed, wished, free=[*moving(self.present)[: MOST_FREE - 1], len(pours)])
            gum = any(pour.ingredient.slug == GUM and pour.volume_ml > 0 for pour in answered[0].pours)
            why = f"Thin: sugar{', and gum with it, give' if gum else ' gives'} the drink body."
        return self._proposal("sweeter", "Sweeter, for more body", answered, why)

    def quieter(self) -> list[Proposal]:
        """Propose two thirds of a pour that is too loud, at the same volume."""
        places = [i for i, p in enumerate(self.present.pours) if p.ingredient.slug == self.verdict.loud and p.liquid_ml > 0]
        if not self.verdict.loud or not places:
            return []
        pour = self.present.pours[places[0]]
        grid = grid_of(pour.ingredient, pour.unit, self.grid_ml)
        below = math.floor(pour.volume_ml * QUIETER / grid + 1e-9) * grid
        volume = profile_as_made(self.present, self.conditions).volume_ml
        share = QUIETER * share_of_glass(self.present, self.verdict.loud, volume)
        # The filler takes water from the ice, so the jigger's next mark may be closer to the share.
        tried = [self._cut_to(places[0], ml, volume) for ml in (below, below + grid) if 0 <= ml < pour.volume_ml]
        answered, _ = min(tried, key=lambda each: abs(each[1] - share))
        name = pour.ingredient.in_sentence
        more = _more_of(self.present, answered[0])
        fills = f" {capital(listed(more))} {'fill' if len(more) > 1 else 'fills'} the gap." if more else ""
        return [self._proposal("quieter", f"Less {pour.ingredient.in_sentence}", answered, f"{capital(name)} drowns the rest.{fills}")]

    def _cut_to(self, index: int, volume_ml: float, served_ml: float) -> tuple[Answered, float]:
        """Return the drink with one pour cut and the others rebalanced around it, and the share that it has then."""
        pours = self.present.pours
        cut = self.present.with_pours((*pours[:index], pours[index].at(volume_ml), *pours[index + 1 :]))
        free = [i for i in moving(cut) if i != index]
        try:
            answered = self._answer(cut, self.wished, free=free, volume_ml=served_ml, volume_counts=AS_LARGE)
        except NothingFree:
            answered = cut, (), ()
        drink = answered[0]
        return answered, share_of_glass(drink, pours[index].ingredient.slug, profile_as_made(drink, self.conditions).volume_ml)

    def accent(self) -> list[Proposal]:
        """Propose bitters for something lacking, whose aroma pairs with the drink and isn't in it yet."""
        rest = [pour.ingredient for pour in self.present.pours]
        poured_slugs = {ingredient.slug for ingredient in rest}

        def promise(ingredient: Ingredient) -> float:
            more_of_the_same = max((likeness(ingredient, other) for other in rest if other.aroma), default=0.0)
            return (kinship(ingredient, rest) or 0.0) - 0.5 * more_of_the_same

        offers = [
            bitters
            for slug, bitters in sorted(self.larder.items())
            if bitters.kind == "bitters" and bitters.aroma and slug not in poured_slugs
        ]
        if not self.verdict.lacking or not offers:
            return []
        first, *others = sorted(offers, key=promise, reverse=True)[:3]
        pour = Pour(first, ACCENT_DASHES * ML_PER_UNIT["dash"], unit="dash", slot="accent")
        with_it = replace(self.present, pours=(*self.present.pours, pour))
        aim = Objective(target_at(self.wished, profile_as_made(self.present, self.conditions).volume_ml))
        instead = f" {capital(listed([one_ingredient.in_sentence for one_ingredient in others], 'or'))} would work too." if others else ""
        why = f"For what is missing: its aroma pairs well with the drink.{instead}"
        residuals = residuals_of(with_it, aim, self.conditions)
        return [self._proposal("accent", f"Two dashes of {first.in_sentence}", (with_it, residuals, ()), why)]

    def one_change(self) -> list[Proposal]:
        """Propose one change of a single pour, its own or an added one, where that does at least half."""
        pours = self.present.pours
        joining = [self.present.with_pours((*pours, Pour(e, 0.0, slot=_slot(e)))) for e in correctors_for(self.present, self.larder)]
        own, others = [(self.present, index) for index in moving(self.present)], [(drink, len(pours)) for drink in joining]
        volume = profile_as_made(self.present, self.conditions).volume_ml
        start = _off(residuals_of(self.present, Objective(target_at(self.wished, volume)), self.conditions))
        for tried in (own, others):
            alone = [(self._answer(drink, self.wished, free=[index], joining=False), drink.pours[index]) for drink, index in tried]
            helpful = [outcome for outcome in alone if _off(outcome[0][1]) <= HALF_DONE * start]
            if helpful:
                break
        else:
            return []
        answered, pour = min(helpful, key=lambda each: _off(each[0][1]))
        why = "With one change you know what made the difference."
        return [self._proposal("one change", f"Only {pour.ingredient.in_sentence}", answered, why)]

    def _answer(
        self,
        drink: Drink,
        wished: Floats,
        *,
        free: Sequence[int] | None = None,
        joining: bool = True,
        volume_ml: float | None = None,
        volume_counts: float = VOLUME_COUNTS,
    ) -> Answered:
        # The first proposal may use half of the budget, the next half of the rest.
        budget = self.budget.share(0.5)
        return answer(
            drink,
            wished,
            self.larder,
            self.conditions,
            self.grid_ml,
            volume_ml=volume_ml,
            volume_counts=volume_counts,
            free=free,
            joining=joining,
            budget=budget,
        )

    def _proposal(self, key: str, title: str, answered: Answered, why: str) -> Proposal:
        drink, residuals, notes = answered
        changes = changes_between(drink, self.present, self.conditions)
        heard = f"Tasted: {verdict_words(self.verdict) or 'no comment on the balance'}."
        served, before = (profile_as_made(one_drink, self.conditions) for one_drink in (drink, self.present))
        loud = [
            loudness.sentence
            for loudness in loudness_between(drink, self.present, served.volume_ml, before.volume_ml)
            if loudness.is_noticeable
        ]
        nose = f"Aroma: {listed(loud[:MOST_AROMAS])}." if loud else ""
        reasons = tuple(reason for reason in (heard, why, *_change_words(changes), nose) if reason)
        chance = self.ideal.chance_within(steps_of(served) - self.reference)
        return Proposal(key, title, drink, reasons, changes, residuals, notes, chance)


def _wished(verdict: Verdict, here: Floats, ideal: Floats, tongue: OwnSteps, *, first: bool) -> Floats:
    """Return the target of the next trial: after one sheet the taster's step for each unit of complaint, at least `LEAST_A_UNIT`;
    later where all sheets together point.

    An axis of which nothing was ever said stays, and so does the strength of what has none.
    """
    wishes = {name: value for name, value in zip(AXES, verdict.axes, strict=True) if value is not None}
    if here[-1] <= AXES["abv"].at(AXES["abv"].floor):
        wishes.pop("abv", None)
    wished = here.copy()
    for row, (name, axis) in enumerate(AXES.items()):
        if name not in wishes:
            continue
        if not first:
            wished[row] = ideal[row]
        elif wishes[name]:
            now, asked = float(axis.level_at(here[row])), -wishes[name]
            by_steps = abs(float(axis.level_at(here[row] + asked * tongue[name])) - now)
            wished[row] = axis.at(now + math.copysign(max(by_steps, abs(asked) * LEAST_A_UNIT[name]), asked))
    return wished


def _together(verdicts: Sequence[Verdict]) -> Verdict:
    """Combine several sheets of one trial: the median of each axis, rounded toward right; a complaint of only one is kept."""

    def middle(name: str) -> int | None:
        scores = [getattr(verdict, name) for verdict in verdicts if getattr(verdict, name) is not None]
        return int(np.trunc(np.mean(scores))) if scores else None

    loud = [verdict.loud for verdict in verdicts if verdict.loud]
    return Verdict(
        middle("sugar"), middle("acid"), middle("abv"), middle("body"), loud[-1] if loud else "", any(v.lacking for v in verdicts)
    )


def _again(proposal: Proposal, before: Sequence[Proposal]) -> bool:
    """Check whether another proposal has the same pours already."""

    def poured(proposal: Proposal) -> list[tuple[str, float]]:
        return sorted((pour.ingredient.slug, round(pour.volume_ml, 6)) for pour in proposal.drink.pours)

    return any(poured(proposal) == poured(other) for other in before)


def _slot(ingredient: Ingredient) -> SlotName:
    return next(iter(ingredient.slots), "other")


def _off(residuals: Sequence[Residual]) -> float:
    """Return the distance of the axes together, as the square of steps."""
    return sum(residual.steps**2 for residual in residuals if residual.axis in AXES)


def _more_of(before: Drink, after: Drink) -> list[str]:
    """Return the ingredients that a drink has more of than before, in words."""
    return [
        new.ingredient.in_sentence
        for old, new in paired_pours(before.pours, after.pours)
        if new is not None
        and new.liquid_ml > (0.0 if old is None else old.liquid_ml)
        and (old is None or old.ingredient.slug == new.ingredient.slug)
    ]


def _change_words(changes: Sequence[Change]) -> list[str]:
    """Describe the effect of each change: the axes that it moves by half a step or more."""
    grown = sum(change.by["volume_ml"] for change in changes)
    change_words = []
    for change in changes:
        words = [in_words(change.steps[name], AXES[name]) for name in tasted(change.steps)]
        change_words.append(f"{capital(change.words)}: {listed(words) or _besides(change.by['volume_ml'], grown)}.")
    return change_words


def _besides(own_ml: float, grown_ml: float) -> str:
    """Return the purpose of a change that moves no axis noticeably; ``grown_ml`` is the volume added by all of them together."""
    if abs(own_ml) < DROPS_ML:
        return "for the aroma"
    # A change opposite to the others keeps the drink at its size.
    if abs(grown_ml - own_ml) > abs(grown_ml) + SIZE_TOLD_ML:
        return "keeps the size" if own_ml > 0 else "makes room"
    return "not noticeable on its own"
