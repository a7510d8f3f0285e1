"""What is said of a tongue and to it: how fine it is, when it is tired, and what was drunk."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Final

from oenomel.core.balance import AXES, USUAL_TONGUE, OwnSteps
from oenomel.core.tongue.jugs import Matter
from oenomel.core.tongue.threshold import DULLED_AFTER, KNOWN_AFTER, ROUND, Threshold

USUAL_LEVEL: Final[Mapping[str, float]] = {"sugar": 8.0, "acid": 0.85, "abv": 15.0}
"""Where a step is told in grams and per cent: about the middle of a shaken sour."""

_UNITS: Final = {"sugar": "g of sugar", "acid": "g of acid", "abv": "% of alcohol"}

ONLY_GUESSED: Final = 0.5
A_DRINK_G: Final = 10.0
"""From here on the alcohol of a sitting is worth a warning, [g]: about one standard drink in many countries."""


def known_steps(thresholds: Mapping[Matter, Threshold]) -> OwnSteps:
    """A taster's own steps by axis, the usual one where there were too few triangles, or only guesses."""
    known: dict[str, float] = {
        str(name): known.steps
        for name, known in thresholds.items()
        if name in AXES and known.triangles >= KNOWN_AFTER and known.guesses < ONLY_GUESSED
    }
    return {**USUAL_TONGUE, **known}


def threshold_words(known: Threshold) -> str:
    """How fine a tongue is beside the usual one, in a sentence."""
    low, high = known.interval80
    if known.triangles == 0:
        return "Nothing is known yet: the usual step stands in its place."
    if known.triangles >= KNOWN_AFTER and known.guesses >= ONLY_GUESSED:
        return "So far the answers can’t be told from guessing. After a rest, or with another liquid, it can be tried again."
    if known.triangles < KNOWN_AFTER:
        return f"A first idea. It counts from {KNOWN_AFTER} triangles on; {KNOWN_AFTER - known.triangles} to go."
    if high < 1:
        return "A finer tongue than the usual one."
    if low > 1:
        return "This tongue wants more than the usual step."
    if abs(known.log_sd) > 0.3:
        return "Finer or coarser than the usual one: it can’t be told yet."
    return "About the usual step."


def in_figures(matter: Matter, steps: float) -> str:
    """What a step comes to in a drink; empty for an aroma, which has no unit.

    >>> in_figures("sugar", 1.0)
    'tells 8.0 from 9.4 g of sugar in 100 ml'
    """
    if matter not in AXES:
        return ""
    level, axis = USUAL_LEVEL[matter], AXES[matter]
    other = float(axis.level_at(axis.at(level) + steps))
    of, digits = _UNITS[matter], 2 if matter == "acid" else 1
    where = "" if matter == "abv" else " in 100 ml"
    return f"tells {level:.{digits}f} from {other:.{digits}f} {of}{where}"


def before_sitting(matter: Matter) -> tuple[str, ...]:
    """What is said before the first glass."""
    told = ["Rinse with water between the glasses, and eat a bite of plain bread between the triangles."]
    if matter in ("abv", "smell"):
        told.append("Spit: the glasses hold alcohol. Nothing to swallow for whoever drives, is pregnant or doesn’t drink.")
    if matter == "acid":
        told.append("Sharp liquids tire the teeth and the tongue: a small sip, and a minute between the triangles.")
    told.append("Glasses of one kind, all equally cold. Smell, sip, and go back as often as you like; if nothing stands out, guess.")
    return tuple(told)


def sitting_words(triangles: int, alcohol_g: float, *, worth_it: bool) -> tuple[str, ...]:
    """What is said to a taster after so many triangles, with so much alcohol in his glasses, [g]."""
    told = []
    if triangles >= DULLED_AFTER:
        told.append(f"{triangles} triangles tire most palates, and what follows teaches little. Go on tomorrow.")
    elif triangles and triangles % ROUND == 0:
        told.append("Half a minute, water and a bite of bread before the next one.")
    if alcohol_g >= A_DRINK_G:
        told.append(f"About {alcohol_g:.0f} g of alcohol were in these glasses so far: as much as in a drink, if nothing was spat.")
    if triangles and not worth_it:
        told.append("Six more would hardly tell more of this tongue: another matter would.")
    return tuple(told)
