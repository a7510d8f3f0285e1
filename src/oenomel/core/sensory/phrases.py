"""Sentences about a taster's sensitivity, fatigue and alcohol."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Final

from oenomel.core.balance import AXES, USUAL_TONGUE, OwnSteps, sureness
from oenomel.core.sensory.blends import Attribute
from oenomel.core.sensory.thresholds import DULLED_AFTER, KNOWN_AFTER, ROUND, Threshold
from oenomel.core.wording import capital, with_unit

USUAL_LEVEL: Final[Mapping[str, float]] = {"sugar": 8.0, "acid": 0.85, "abv": 15.0}
"""Level at which a step is given in grams and per cent: about the middle of a shaken sour."""

ONLY_GUESSED: Final = 0.5
WELL_KNOWN: Final = 0.25
"""Probability of guessing from which answers teach nothing; and the standard deviation of a threshold's logarithm below which it can be
called average.
"""

WORTH_A_WORD_G: Final = 8.0
A_DRINK_G: Final = 14.0
"""Alcohol from which a sitting mentions it, and that of a drink, [g]: a standard drink is 8 to 14 g by country."""


def known_steps(thresholds: Mapping[Attribute, Threshold]) -> OwnSteps:
    """Return a taster's own steps by axis; the usual ones where there are too few triangles, or only guesses."""
    known: dict[str, float] = {
        str(name): known.steps
        for name, known in thresholds.items()
        if name in AXES and known.triangles >= KNOWN_AFTER and known.guesses < ONLY_GUESSED
    }
    return {**USUAL_TONGUE, **known}


def threshold_words(known: Threshold) -> str:
    """Compare a taster's sensitivity with the usual one, in a sentence."""
    if known.triangles == 0:
        return "Not tested yet, so the standard threshold is used."
    if known.triangles >= KNOWN_AFTER and known.guesses >= ONLY_GUESSED:
        return "The answers so far could be guesses. Try again after a rest, or with another drink."
    if known.triangles < KNOWN_AFTER:
        return f"A first estimate. It counts after {KNOWN_AFTER} tests: {KNOWN_AFTER - known.triangles} to go."
    finer = known.finer
    if finer >= 0.5:
        sure, words = sureness(finer), "more sensitive than usual"
    else:
        sure, words = sureness(1 - finer), "less sensitive than usual"
    if sure:
        return f"{capital(sure)} {words}."
    return "About as sensitive as usual." if known.log_sd < WELL_KNOWN else "More or less sensitive than usual: too close to call."


def in_figures(attribute: Attribute, steps: float) -> str:
    """Return a step in a drink's own units; empty for an aroma, which has no unit.

    >>> in_figures("sugar", 1.0)
    'notices 8.0 against 9.4 g sugar/100 ml'
    """
    if attribute not in AXES:
        return ""
    level, axis = USUAL_LEVEL[attribute], AXES[attribute]
    other = float(axis.level_at(axis.at(level) + steps))
    digits = 2 if attribute == "acid" else 1
    return f"notices {level:.{digits}f} against {with_unit(f'{other:.{digits}f}', axis.unit)}"


def before_sitting(attribute: Attribute) -> tuple[str, ...]:
    """Return the advice before the first glass."""
    sentences = ["Rinse with water between glasses, and eat plain bread between tests."]
    if attribute in ("abv", "smell"):
        sentences.append("Spit: the glasses contain alcohol. Don’t swallow if you drive, are pregnant or don’t drink.")
    if attribute == "acid":
        sentences.append("Sharp liquids tire the palate: take small sips, and wait a minute between tests.")
    sentences.append("Use the same glasses, equally cold. Go back as often as you like, and guess if you must.")
    return tuple(sentences)


def sitting_words(triangles: int, alcohol_g: float, *, worth_it: bool) -> tuple[str, ...]:
    """Return the advice after some triangles, with some alcohol in the glasses, [g]."""
    sentences = []
    if triangles >= DULLED_AFTER:
        sentences.append(f"{triangles} tests tire most palates. Continue tomorrow.")
    elif triangles and triangles % ROUND == 0:
        sentences.append("Take half a minute, water and a bite of bread before the next one.")
    if alcohol_g >= WORTH_A_WORD_G:
        drinks = max(1, round(alcohol_g / A_DRINK_G))
        in_all = "a drink" if drinks == 1 else f"{drinks} drinks"
        sentences.append(f"These glasses had {alcohol_g:.0f} g alcohol so far, as much as {in_all}. Take small sips and spit.")
    if triangles and not worth_it:
        sentences.append("Six more tests would add little. Test another attribute.")
    return tuple(sentences)
