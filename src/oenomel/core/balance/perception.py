"""Noticeable differences: how many there are between two levels, whether they can be tasted, how certain, and in which words
(docs/model/balance.md, "Can it be tasted?").
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

CROSSTALK: Final = 0.25
"""Mutual masking of sugar and acid; house default of docs/model/balance.md, "Can it be tasted?"."""

TASTED_STEPS: Final = 0.5
"""Steps from which a difference might be tasted side by side."""

UNCHANGED_STEPS: Final = 0.0005
"""Steps below which a change is called "unchanged": the screen's rounding hides it."""


@dataclass(frozen=True, slots=True)
class Axis:
    """One of the three axes.

    Parameters
    ----------
    name : str                      the figure of a profile: sugar, acid or abv
    noun : str                      what the trade calls it
    just_noticeable : float         Weber ratio k; a step is a factor of 1 + k
    floor : float                   levels below count as this, in the figure's unit
    more, less, same : str          the trade's words
    """

    name: str
    noun: str
    just_noticeable: float
    floor: float
    more: str
    less: str
    same: str
    unit: str

    @property
    def step(self) -> float:
        """One noticeable difference as a difference of logarithms."""
        return float(np.log1p(self.just_noticeable))

    def word(self, steps: float) -> str:
        """Return the direction of a difference of so many steps: "sweeter" or "drier"."""
        return self.more if steps > 0 else self.less

    def at(self, level: ArrayLike) -> NDArray[np.float64]:
        """Convert a level to noticeable steps, shape as given; differences between two results are steps between levels."""
        at: NDArray[np.float64] = np.log(np.maximum(level, self.floor)) / self.step
        return at

    def level_at(self, at: ArrayLike) -> NDArray[np.float64]:
        """Convert steps back to a level in the figure's unit: the inverse of `at` above the floor."""
        level: NDArray[np.float64] = np.exp(np.asarray(at) * self.step)
        return level


AXES: Final[Mapping[str, Axis]] = {
    # Sucrose and citric acid: Schutz & Pilgrim, Am. J. Psychol. 70 (1957) 41 (from memory). That of strength is an assumption.
    "sugar": Axis("sugar", "sweetness", 0.17, 0.3, "sweeter", "drier", "as sweet", "g sugar/100 ml"),
    "acid": Axis("acid", "acidity", 0.22, 0.03, "sharper", "less sharp", "as sharp", "g acid/100 ml"),
    "abv": Axis("abv", "strength", 0.15, 0.5, "stronger", "weaker", "as strong", "% ABV"),
}


A_GUEST: Final = "A guest"


@dataclass(frozen=True, slots=True)
class Degree:
    """One band of the scale of differences: a short verdict, a headline, and a sentence about who would notice."""

    below_steps: float
    verdict: str
    headline: str
    sentence: str

    def sentence_for(self, who: str = A_GUEST) -> str:
        """Return the sentence, about a guest or about the taster whose thresholds are used."""
        return self.sentence.format(who=who)


OwnSteps = Mapping[str, float]
"""A taster's own step on each axis, in usual steps: 0.7 is a more sensitive taster."""

USUAL_TONGUE: Final[OwnSteps] = dict.fromkeys(AXES, 1.0)

_DEGREES: Final = (
    Degree(TASTED_STEPS, "no noticeable difference", "just {same}", "Not noticeable, even side by side."),
    Degree(1.0, "borderline, side by side", "a touch {word}", "{who} might notice side by side."),
    Degree(2.0, "noticeable side by side", "{word}", "{who} would notice side by side, not on its own."),
    Degree(4.0, "clear", "clearly {word}", "{who} would clearly notice."),
    Degree(np.inf, "another drink", "much {word}", "A different drink."),
)

_SURENESS: Final = ((0.975, "almost certainly"), (0.75, "probably"))
"""Probability that a direction must have for each word; house rules."""


def steps_between(level: ArrayLike, reference: ArrayLike, axis: Axis) -> NDArray[np.float64]:
    """Noticeable steps from a reference to a level, n = ln(x/x*)/ln(1+k), shape as broadcast; positive means more.

    A good measure of distance but a rough threshold: the ratios come from single tastes in water.

    >>> round(float(steps_between(1.17 * 8, 8, AXES["sugar"])), 6)
    1.0
    """
    x, x0 = np.maximum(level, axis.floor), np.maximum(reference, axis.floor)
    steps: NDArray[np.float64] = np.log(x / x0) / axis.step
    return steps


def degree(steps: float) -> Degree:
    """Return the band of the scale that a difference falls in, whatever its sign.

    >>> degree(-1.2).verdict
    'noticeable side by side'
    """
    return next((band for band in _DEGREES if abs(steps) < band.below_steps), _DEGREES[-1])


def in_words(steps: float, axis: Axis, same: str | None = None) -> str:
    """Describe a difference on an axis in the trade's words; ``same`` for no difference.

    >>> in_words(-2.5, AXES["sugar"]), in_words(0.2, AXES["acid"])
    ('clearly drier', 'just as sharp')
    """
    return degree(steps).headline.format(word=axis.word(steps), same=axis.same if same is None else same)


def felt_by(steps: Mapping[str, float], tongue: OwnSteps) -> dict[str, float]:
    """Convert a difference to a taster's own noticeable steps.

    >>> felt_by({"sugar": 1.0, "acid": 1.0, "abv": 0.0}, {"sugar": 0.5, "acid": 2.0, "abv": 1.0})
    {'sugar': 2.0, 'acid': 0.5, 'abv': 0.0}
    """
    return {name: n / tongue[name] for name, n in steps.items()}


def can_be_tasted(steps: float) -> bool:
    """Check whether a difference can be tasted side by side."""
    return abs(steps) >= TASTED_STEPS


def tasted(steps: Mapping[str, float]) -> list[str]:
    """Return the axes on which a difference can be tasted, the largest first."""
    return sorted((name for name, n in steps.items() if can_be_tasted(n)), key=lambda name: -abs(steps[name]))


def sureness(probability: float) -> str:
    """Describe the certainty of a direction in a word; empty where it is unknown.

    >>> sureness(0.93)
    'probably'
    """
    return next((word for least, word in _SURENESS if probability >= least), "")
