"""Sentences about a taster's sensitivity, fatigue and alcohol."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Final

from oenomel.core.balance import AXES, USUAL_TONGUE, OwnSteps, sureness
from oenomel.core.sensory.blends import Attribute
from oenomel.core.sensory.thresholds import DULLED_AFTER, KNOWN_AFTER, ROUND, Threshold
from oenomel.core.wording import capital

USUAL_LEVEL: Final[Mapping[str, float]] = {"sugar": 8.0, "acid": 0.85, "abv": 15.0}
"""Level at which a step is given in grams and per cent: about the middle of a shaken sour."""

_UNITS: Final = {"sugar": "g of sugar", "acid": "g of acid", "abv": "% of alcohol"}

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
        return "Nothing is known yet: the usual step stands in its place."
    if known.triangles >= KNOWN_AFTER and known.guesses >= ONLY_GUESSED:
        return "So far the answers can’t be told from guessing. After a rest, or with another liquid, it can be tried again."
    if known.triangles < KNOWN_AFTER:
        return f"A first idea. It counts from {KNOWN_AFTER} triangles on; {KNOWN_AFTER - known.triangles} to go."
    finer = known.finer
    if finer >= 0.5:
        sure, words = sureness(finer), "finer than the usual tongue"
    else:
        sure, words = sureness(1 - finer), "coarser than the usual tongue: it wants more than the usual step"
    if sure:
        return f"{capital(sure)} {words}."
    return "About the usual step." if known.log_sd < WELL_KNOWN else "Finer or coarser than the usual tongue: it can’t be told yet."


def in_figures(attribute: Attribute, steps: float) -> str:
    """Return a step in a drink's own units; empty for an aroma, which has no unit.

    >>> in_figures("sugar", 1.0)
    'tells 8.0 from 9.4 g of sugar in 100 ml'
    """
    if attribute not in AXES:
        return ""
    level, axis = USUAL_LEVEL[attribute], AXES[attribute]
    other = float(axis.level_at(axis.at(level) + steps))
    of, digits = _UNITS[attribute], 2 if attribute == "acid" else 1
    where = "" if attribute == "abv" else " in 100 ml"
    return f"tells {level:.{digits}f} from {other:.{digits}f} {of}{where}"


def before_sitting(attribute: Attribute) -> tuple[str, ...]:
    """Return the advice before the first glass."""
    sentences = ["Rinse with water between the glasses, and eat a bite of plain bread between the triangles."]
    if attribute in ("abv", "smell"):
        sentences.append("Spit: the glasses hold alcohol. Nothing to swallow for whoever drives, is pregnant or doesn’t drink.")
    if attribute == "acid":
        sentences.append("Sharp liquids tire the teeth and the tongue: a small sip, and a minute between the triangles.")
    sentences.append("Glasses of one kind, all equally cold. Smell, sip, and go back as often as you like; if nothing stands out, guess.")
    return tuple(sentences)


def sitting_words(triangles: int, alcohol_g: float, *, worth_it: bool) -> tuple[str, ...]:
    """Return the advice after some triangles, with some alcohol in the glasses, [g]."""
    sentences = []
    if triangles >= DULLED_AFTER:
        sentences.append(f"{triangles} triangles tire most palates, and what follows teaches little. Go on tomorrow.")
    elif triangles and triangles % ROUND == 0:
        sentences.append("Half a minute, water and a bite of bread before the next one.")
    if alcohol_g >= WORTH_A_WORD_G:
        drinks = max(1, round(alcohol_g / A_DRINK_G))
        in_all = "a drink" if drinks == 1 else f"{drinks} drinks"
        sentences.append(
            f"These glasses held {alcohol_g:.0f} g of alcohol so far, as much as {in_all}: a sip of each is enough, and spit it."
        )
    if triangles and not worth_it:
        sentences.append("Six more would hardly tell more of this tongue: another matter would.")
    return tuple(sentences)
