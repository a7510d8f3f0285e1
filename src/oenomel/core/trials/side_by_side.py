"""Comparison of two to four trials: differences, whether they can be tasted, how certain that is, and other explanations."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Final

from oenomel.core.balance import AXES, can_be_tasted, paired_pours, sureness, tasted
from oenomel.core.balance.attribution import THE_METHOD, change_words
from oenomel.core.dilution import Conditions
from oenomel.core.families import TypicalRanges
from oenomel.core.forecast import compare
from oenomel.core.forecast.comparison import AxisDifference, Comparison
from oenomel.core.spec import Drink, Pour
from oenomel.core.wording import capital, listed
from oenomel.errors import DomainError

MOST_TRIALS: Final = 4


@dataclass(frozen=True)
class TrialAsMade:
    """A trial as made: its drink, and circumstances that composition doesn't show, in words.

    ``lots`` are the names of the lots, by slug of the ingredient.
    """

    name: str
    drink: Drink
    strainer: str = ""
    maker: str = ""
    lots: Mapping[str, str] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class TrialsRow:
    """One pour across the trials, None where a trial hasn't it; ``differs`` where not all are equal. ``brings`` are the steps that
    this pour's change made in each trial, on the axes that can be tasted; empty for the first.
    """

    pours: tuple[Pour | None, ...]
    differs: bool
    brings: tuple[Mapping[str, float], ...]


@dataclass(frozen=True, slots=True)
class Circumstance:
    """A difference apart from the pours: what it was in each trial, its effect in a sentence, and whether it could explain a verdict;
    ``axis`` is the one it could explain, empty for none.
    """

    what: str
    values: tuple[str, ...]
    words: str
    could_explain: bool
    axis: str = ""


@dataclass(frozen=True)
class SideBySide:
    """Trials compared with the first: rows of pours, differing ones first, each comparison, other circumstances, and a summary."""

    rows: tuple[TrialsRow, ...]
    comparisons: tuple[Comparison, ...]
    circumstances: tuple[Circumstance, ...]
    sentence: str


def compare_trials(trials: Sequence[TrialAsMade], conditions: Conditions, homes: TypicalRanges | None = None) -> SideBySide:
    """Compare two to four trials, differences first; each with the first, uncertainty that both share cancels.

    Raises
    ------
    DomainError
        Fewer than two trials, or more than four.
    EmptyDrink
    """
    if not 2 <= len(trials) <= MOST_TRIALS:
        raise DomainError(f"{len(trials)} trials can't be compared: choose two to four")
    comparisons = tuple(compare(trial.drink, trials[0].drink, conditions, homes) for trial in trials[1:])
    circumstances = tuple(_circumstances(trials, comparisons))
    rows = _rows([trial.drink for trial in trials], comparisons)
    return SideBySide(rows, comparisons, circumstances, _summed_up(trials, comparisons, circumstances))


def _rows(drinks: Sequence[Drink], comparisons: Sequence[Comparison]) -> tuple[TrialsRow, ...]:
    """Return matching pours of all drinks, by the first's; differing ones first."""
    rows: list[list[Pour | None]] = [[pour] for pour in drinks[0].pours]
    for column, drink in enumerate(drinks[1:], start=1):
        seen = [next((pour for pour in row if pour is not None), None) for row in rows]
        pairs = paired_pours(tuple(pour for pour in seen if pour is not None), drink.pours)
        beside = {id(before): after for before, after in pairs if before is not None}
        for row, pour in zip(rows, seen, strict=True):
            row.append(beside.get(id(pour)))
        rows += [[*[None] * column, after] for before, after in pairs if before is None]
    trials_rows = [
        TrialsRow(
            tuple(row),
            any(pour is None or _poured(pour) != _poured(row[0]) for pour in row),
            ({}, *(_brings(beside, row[0], pour) for beside, pour in zip(comparisons, row[1:], strict=True))),
        )
        for row in rows
    ]
    return tuple(sorted(trials_rows, key=lambda row: not row.differs))


def _brings(beside: Comparison, before: Pour | None, after: Pour | None) -> Mapping[str, float]:
    words = change_words(before, after) if before or after else ""
    steps = next((change.steps for change in beside.changes if change.words == words), {})
    return {name: steps[name] for name in tasted(steps)}


def _poured(pour: Pour | None) -> tuple[object, ...]:
    return () if pour is None else (pour.ingredient.slug, pour.ingredient.name, round(pour.volume_ml, 6), pour.stage)


def _circumstances(trials: Sequence[TrialAsMade], comparisons: Sequence[Comparison]) -> list[Circumstance]:
    """Return the differences besides the pours, each with what it could explain."""
    circumstances = []
    for what, values in (
        ("technique", [trial.drink.method.technique for trial in trials]),
        ("seconds", [_seconds(trial.drink) for trial in trials]),
        ("dry shake", [f"{trial.drink.method.dry_shake_seconds:g} s" for trial in trials]),
        ("ice in the tin", [trial.drink.method.ice for trial in trials]),
        ("glass", [trial.drink.serve.glass or "not given" for trial in trials]),
        ("ice in the glass", [trial.drink.serve.ice for trial in trials]),
        ("strainer", [trial.strainer or "not given" for trial in trials]),
        ("maker", [trial.maker or "not given" for trial in trials]),
    ):
        if len(set(values)) > 1:
            circumstances.append(Circumstance(what, tuple(values), *_explains(what, comparisons)))
    slugs = {slug: None for trial in trials for slug in trial.lots}
    for slug in slugs:
        holders = [trial for trial in trials if any(pour.ingredient.slug == slug for pour in trial.drink.pours)]
        lots = [holder.lots.get(slug) or "not given" for holder in holders]
        if len(holders) > 1 and len(set(lots)) > 1:
            name = next(p.ingredient.in_sentence for p in holders[0].drink.pours if p.ingredient.slug == slug)
            axis = _decides(slug, holders[0].drink)
            felt = axis in {name for comparison in comparisons for name in tasted({a.axis: a.steps for a in comparison.axes})}
            which = f"{AXES[axis].more} or {AXES[axis].less}" if axis else ""
            why = f"Another bottle of {name} could make it {which}: measure it." if felt else ""
            values = [trial.lots.get(slug) or "not given" if trial in holders else "not in it" for trial in trials]
            circumstances.append(Circumstance(f"bottle of {name}", tuple(values), why, felt, axis if felt else ""))
    return circumstances


def _explains(what: str, comparisons: Sequence[Comparison]) -> tuple[str, bool, str]:
    """Describe the effect of a circumstance, and return whether it could explain a verdict, and on which axis."""
    if what in ("technique", "seconds", "ice in the tin"):
        felt = [
            (name, AXES[name].word(change.steps[name]))
            for comparison in comparisons
            for change in comparison.changes
            if change.words == THE_METHOD
            for name in AXES
            if can_be_tasted(change.steps[name])
        ]
        if felt:
            return f"Its dilution alone could explain “{felt[0][1]}”.", True, felt[0][0]
        return "It changes the dilution too little to notice.", False, ""
    words, could = {
        "strainer": ("A finer strainer removes foam, pulp and ice shards, which can make a drink thin or smooth.", True),
        "dry shake": ("It makes foam, which mutes aroma and bitterness.", False),
        "ice in the glass": ("Ice in the glass keeps melting, so the last sip is weaker.", True),
        "glass": ("Another glass changes the aroma and the sip.", False),
        "maker": ("Everyone shakes differently: weigh it before and after the ice.", False),
    }[what]
    return words, could, ""


def _decides(slug: str, drink: Drink) -> str:
    """Return the axis that an ingredient affects most; empty where it affects none."""
    total = [sum(p.liquid_ml * p.ingredient.composition.axes[i] for p in drink.pours) for i in range(3)]
    own = [sum(p.liquid_ml * p.ingredient.composition.axes[i] for p in drink.pours if p.ingredient.slug == slug) for i in range(3)]
    shares = [part / whole if whole else 0.0 for part, whole in zip(own, total, strict=True)]
    best = max(range(3), key=lambda i: shares[i])
    return ("abv", "sugar", "acid")[best] if shares[best] >= 0.3 else ""


def _seconds(drink: Drink) -> str:
    return "standard time" if drink.method.seconds is None else f"{drink.method.seconds:g} s"


def _summed_up(trials: Sequence[TrialAsMade], comparisons: Sequence[Comparison], circumstances: Sequence[Circumstance]) -> str:
    """Summarise in one sentence: each trial compared with the first, and whether something else than the pours could explain a verdict."""
    result = []
    for trial, beside in zip(trials[1:], comparisons, strict=True):
        by_name = {axis.axis: axis for axis in beside.axes}
        felt = [by_name[name] for name in tasted({name: axis.steps for name, axis in by_name.items()})]
        if not beside.changes:
            result.append(f"{trial.name} has the same ingredients as {trials[0].name}")
        elif not felt:
            result.append(f"{trial.name} has no noticeable difference from {trials[0].name} in sweetness, acidity or strength")
        else:
            unsure = [axis for axis in beside.axes if axis not in felt and axis.direction != "same"]
            sure = {_sure(axis): [a.headline.lower() for a in felt if _sure(a) == _sure(axis)] for axis in felt}
            words = ", ".join(f"{how} {' and '.join(names)}" for how, names in sure.items())
            rest = f", with no noticeable difference in {listed([AXES[axis.axis].noun for axis in unsure])}" if unsure else ""
            result.append(f"{trial.name} is {words}{rest}")
    # Only a circumstance that moves a differing axis can explain the difference.
    besides = [circumstance.what for circumstance in circumstances if circumstance.axis]
    tail = f" {capital(listed(besides))} differed too, and could explain it." if besides else ""
    return f"{'. '.join(map(capital, result))}.{tail}"


def _sure(axis: AxisDifference) -> str:
    return sureness(axis.difference.sign_probability) or "perhaps"
