"""Compare a drink with its parent, axis by axis and in one headline."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Final

from oenomel.core.balance import (
    AXES,
    USUAL_TONGUE,
    Axis,
    Change,
    OwnSteps,
    can_be_tasted,
    changes_between,
    in_words,
    loudness_between,
    steps_between,
    sureness,
    tasted,
)
from oenomel.core.balance.aroma_share import Loudness
from oenomel.core.balance.attribution import THE_METHOD, matching_indices
from oenomel.core.balance.perception import A_GUEST, CROSSTALK, UNCHANGED_STEPS, degree, felt_by
from oenomel.core.balance.uncertainty import Difference, difference_of
from oenomel.core.checks import Finding
from oenomel.core.checks.versus_parent import findings_between
from oenomel.core.dilution import Conditions
from oenomel.core.families import TypicalRanges
from oenomel.core.forecast.forecast import STANDARD, FamilyPosition, Forecast, forecast_of
from oenomel.core.spec import Drink
from oenomel.core.wording import capital, listed

FIZZY: Final = 1.5
FLAT: Final = 0.8
FEWER_BUBBLES: Final = 1.5
"""Carbon dioxide of the drink by mixing, [g/l], above which it is sparkling and below which it is still, and the factor for more or
fewer bubbles (house rules).
"""


@dataclass(frozen=True, slots=True)
class AxisDifference:
    """Difference from the parent on one axis.

    ``value`` and ``parent`` in the axis's unit, ``direction`` "more", "less" or "same", ``headline`` and ``sentence`` in the trade's
    words; ``made_by`` names the changes that caused it, where there are several; ``sureness`` is the certainty of its direction in a
    word, ``certainty`` the same with the direction; ``tasted`` whether it can be tasted. ``difference`` has the numbers; ``steps`` is
    for drawing and ranking, too rough to print; ``felt`` are the steps by the taster's own thresholds, which the words use.
    """

    axis: str
    value: float
    parent: float
    steps: float
    felt: float
    direction: str
    headline: str
    sentence: str
    made_by: str
    sureness: str
    certainty: str
    tasted: bool
    difference: Difference


@dataclass(frozen=True, slots=True)
class Headline:
    """A riff in one sentence each: what was changed, what that does to the drink, and whether a guest would notice."""

    change: str
    effect: str
    noticed: str


@dataclass(frozen=True, slots=True)
class Comparison:
    """A drink compared with its parent: both forecasts, the three axes, the effect of each change, the aromas that both share,
    findings that need the parent, effects the figures can't show, and a headline; for each pour the index of the parent's matching
    pour, and a suggested name. ``lean`` is sweet against tart where it differs from the parent's.
    """

    present: Forecast
    parent: Forecast
    axes: tuple[AxisDifference, ...]
    changes: tuple[Change, ...]
    loudness: tuple[Loudness, ...]
    lean: str
    bubbles: str
    findings: tuple[Finding, ...]
    unseen: tuple[str, ...]
    headline: Headline
    stands_for: tuple[int | None, ...]
    suggested_name: str

    @property
    def volume_by_ml(self) -> float:
        """Difference of volume from the parent, [ml]."""
        return self.present.served.volume_ml - self.parent.served.volume_ml

    @property
    def water_by_ml(self) -> float:
        """Part of that difference that is dilution, [ml]."""
        return self.present.dilution.water_ml - self.parent.dilution.water_ml


def compare(
    drink: Drink,
    parent: Drink,
    conditions: Conditions = STANDARD,
    homes: TypicalRanges | None = None,
    tongue: OwnSteps = USUAL_TONGUE,
    who: str = A_GUEST,
) -> Comparison:
    """Compare a drink with its parent, axis by axis as served; uncertainty that both share cancels.

    The figures are the same for everyone; the words use the thresholds ``tongue`` and name ``who`` they are of.

    Raises
    ------
    EmptyDrink
    """
    present, before = forecast_of(drink, conditions, homes), forecast_of(parent, conditions, homes)
    steps = {name: float(steps_between(getattr(present.served, name), getattr(before.served, name), axis)) for name, axis in AXES.items()}
    apart = difference_of(present.doubt, before.doubt)
    changes, unseen = changes_between(drink, parent, conditions), _unseen(drink, parent)
    differences = tuple(
        _difference(name, (getattr(present.served, name), getattr(before.served, name)), steps, apart[name], changes, tongue, who)
        for name in AXES
    )
    beside = findings_between(drink, parent, present.served, before.served, changes)
    pairs = matching_indices(drink.pours, parent.pours)
    return Comparison(
        present,
        before,
        differences,
        changes,
        loudness_between(drink, parent, present.served.volume_ml, before.served.volume_ml),
        _lean(present.position, before.position),
        _bubbles(present.co2, before.co2),
        beside,
        unseen,
        _headline(differences, changes, unseen, who),
        pairs,
        _suggested_name(drink, parent, pairs),
    )


def _difference(
    name: str,
    levels: tuple[float, float],
    steps: Mapping[str, float],
    apart: Difference,
    changes: Sequence[Change],
    tongue: OwnSteps,
    who: str,
) -> AxisDifference:
    axis, felt = AXES[name], felt_by(steps, tongue)
    n = felt[name]
    masking = _masking(name, felt)
    if abs(steps[name]) < UNCHANGED_STEPS:
        direction, headline, sentence, sure, certainty = "same", "no change", "", "", ""
    else:
        direction, headline, sentence = "more" if n > 0 else "less", in_words(n, axis), degree(n).sentence_for(who)
        # Where nobody can taste a difference, its certainty is irrelevant.
        sure = sureness(apart.sign_probability) if can_be_tasted(n) else ""
        certainty = _certainty(axis.word(n), sure) if can_be_tasted(n) else ""
    whole = (sentence + masking).strip()
    made_by = causes_in_words(axis, steps[name], changes)
    return AxisDifference(
        name, *levels, steps[name], n, direction, capital(headline), whole, made_by, sure, certainty, can_be_tasted(n), apart
    )


def causes_in_words(axis: Axis, steps: float, changes: Sequence[Change]) -> str:
    """Return a sentence on the changes that caused a difference on an axis; empty where one change caused it all, or none can be tasted."""
    felt = sorted((change for change in changes if can_be_tasted(change.steps[axis.name])), key=lambda each: -abs(each.steps[axis.name]))
    # A change that contributes to the axis is named before one that only adds or removes volume, unless the latter did more.
    bringing = [change for change in felt if axis.name in change.brings]
    whole, brought = (math.fsum(max(0.0, c.steps[axis.name] * steps) for c in column) for column in (felt, bringing))
    named_changes = bringing if 2 * brought >= whole > 0 or not can_be_tasted(steps) else felt
    if len(changes) < 2 or not named_changes:
        return ""
    words = []
    for up in (True, False):
        causes = [change.cause for change in named_changes if (change.steps[axis.name] > 0) is up]
        if causes:
            words.append(f"{axis.more if up else axis.less} from {listed(causes)}")
    if len(words) == 1 and not can_be_tasted(steps):
        return ""
    # The deciding change comes first.
    if steps < 0:
        words.reverse()
    cancel = "" if can_be_tasted(steps) else ". These cancel out"
    return f"{capital(', '.join(words))}{cancel}."


def _lean(position: FamilyPosition | None, parent: FamilyPosition | None) -> str:
    """Return sweet against tart, where it differs from the parent's."""
    if position is None or parent is None or position.lean == parent.lean:
        return ""
    was = "was balanced" if parent.lean == "level" else f"leaned {parent.lean.removeprefix('leans ')}"
    now = "Balanced" if position.lean == "level" else capital(position.lean)
    return f"{now}, it {was} before."


def _bubbles(co2: float, parent: float) -> str:
    """Describe bubbles that were added or lost."""
    if parent >= FIZZY and co2 < FLAT:
        return "Still: the bubbles are gone."
    if co2 >= FIZZY and parent < FLAT:
        return "Sparkling now."
    if parent >= FIZZY and co2 < parent / FEWER_BUBBLES:
        return "Less fizzy than before."
    if co2 >= FIZZY and parent >= FLAT and co2 > parent * FEWER_BUBBLES:
        return "Fizzier than before."
    return ""


def _headline(axes: Sequence[AxisDifference], changes: Sequence[Change], unseen: Sequence[str], who: str) -> Headline:
    if not changes:
        return Headline("", "No change", "")
    words = ["another method" if change.words == THE_METHOD else change.words for change in changes]
    what = " and ".join(words) if len(words) < 3 else f"{words[0]} and {len(words) - 1} more changes"
    by_name = {axis.axis: axis for axis in axes}
    felt = [by_name[name] for name in tasted({name: axis.felt for name, axis in by_name.items()})]
    if felt:
        effect = ", ".join(axis.headline[0].lower() + axis.headline[1:] for axis in felt)
        return Headline(capital(what), capital(effect), degree(felt[0].felt).sentence_for(who))
    # A swap that moves no axis is never described as no change.
    noticed = "You can still taste what the figures can’t show." if unseen else degree(0.0).sentence_for()
    return Headline(capital(what), "Same sweetness, acidity and strength", noticed)


def _suggested_name(drink: Drink, parent: Drink, pairs: Sequence[int | None]) -> str:
    """Return the swap as a name, or else the first pour that changed; in sentence case."""
    both = [(parent.pours[before], pour) for before, pour in zip(pairs, drink.pours, strict=True) if before is not None]
    for before, pour in both:
        if before.ingredient.name != pour.ingredient.name:
            return f"{pour.ingredient.name} for {before.ingredient.in_sentence}"
    for before, pour in both:
        name = pour.ingredient.in_sentence
        if before.unit != pour.unit:
            return f"Another amount of {name}"
        if before.volume_ml != pour.volume_ml:
            return f"{'More' if pour.volume_ml > before.volume_ml else 'Less'} {name}"
    came = next((pour for before, pour in zip(pairs, drink.pours, strict=True) if before is None), None)
    went = next((pour for index, pour in enumerate(parent.pours) if index not in pairs), None)
    if came or went:
        return f"With {came.ingredient.in_sentence}" if came else f"Without {went.ingredient.in_sentence}" if went else ""
    return "Another method" if drink.method != parent.method else "As it is"


def _certainty(word: str, sure: str) -> str:
    """Describe the certainty of a difference's direction."""
    return f"{sure} {word}" if sure else "too close to call"


def _masking(name: str, steps: Mapping[str, float]) -> str:
    """Return a hint where the other axis changes too, because sugar and acid mask each other."""
    other = {"sugar": "acid", "acid": "sugar"}.get(name)
    if other is None or not can_be_tasted(CROSSTALK * steps[other]):
        return ""
    tastes, cause = AXES[name].word(-steps[other]), AXES[other].word(steps[other])
    return f" It can taste a little {tastes} still, because the drink is {cause}."


def _unseen(drink: Drink, parent: Drink) -> tuple[str, ...]:
    """Return the impressions of ingredients that came in, which composition doesn't show; never "no change"."""
    before = {pour.ingredient.slug for pour in parent.pours}
    came = {pour.ingredient.slug: pour.ingredient for pour in drink.pours if pour.ingredient.slug not in before}
    return tuple(f"{i.name}: {i.impression}." if i.impression else f"{i.name}: taste it on its own first." for i in came.values())
