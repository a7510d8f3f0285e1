"""Whether a difference can be tasted, and the words for it (model.md §5)."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

__all__ = ["AXES", "CROSSTALK", "Axis", "Degree", "degree", "steps_between"]

CROSSTALK: Final = 0.25
"""How much sugar and acid mask each other; house default of model.md §5."""


@dataclass(frozen=True, slots=True)
class Axis:
    """One of the three axes.

    Parameters
    ----------
    name : str                      the figure of a profile: sugar, acid or abv
    just_noticeable : float         Weber ratio k; a step is a factor of 1 + k
    floor : float                   levels below count as this, in the figure's unit
    more, less, same : str          the trade's words
    """

    name: str
    just_noticeable: float
    floor: float
    more: str
    less: str
    same: str


AXES: Final = {
    # Sucrose and citric acid: Schutz & Pilgrim, Am. J. Psychol. 70 (1957) 41 (from memory). That of strength is an assumption.
    "sugar": Axis("sugar", 0.17, 0.3, "sweeter", "drier", "as sweet"),
    "acid": Axis("acid", 0.22, 0.03, "sharper", "softer", "as sharp"),
    "abv": Axis("abv", 0.15, 0.5, "stronger", "weaker", "as strong"),
}


@dataclass(frozen=True, slots=True)
class Degree:
    """How large a difference is: the trade's hedged verdict, a headline around the word of its direction, a full sentence."""

    below_steps: float
    verdict: str
    headline: str
    sentence: str


_DEGREES: Final = (
    Degree(0.5, "hard to tell apart, even side by side", "{same}, to the tongue", "Hard to tell apart, even side by side."),
    Degree(1.0, "perhaps, side by side", "a touch {word}", "A guest might taste it, side by side."),
    Degree(2.0, "likely, side by side; not from memory", "{word}", "A guest would likely taste it side by side; not from memory."),
    Degree(4.0, "clear", "clearly {word}", "A guest would clearly taste it."),
    Degree(np.inf, "another drink", "far {word}", "It is another drink."),
)


def steps_between(level: ArrayLike, reference: ArrayLike, axis: Axis) -> NDArray[np.float64]:
    """Noticeable steps from a reference to a level, n = ln(x/x*)/ln(1+k), shape as broadcast; positive means more.

    A good ruler and a rough threshold: the ratios come from single tastes in water.

    >>> round(float(steps_between(1.17 * 8, 8, AXES["sugar"])), 6)
    1.0
    """
    x = np.maximum(np.asarray(level, dtype=np.float64), axis.floor)
    x0 = np.maximum(np.asarray(reference, dtype=np.float64), axis.floor)
    steps: NDArray[np.float64] = np.log(x / x0) / np.log1p(axis.just_noticeable)
    return steps


def degree(steps: float) -> Degree:
    """Which degree a difference of so many steps has, of either sign.

    >>> degree(-1.2).verdict
    'likely, side by side; not from memory'
    """
    return next((each for each in _DEGREES if abs(steps) < each.below_steps), _DEGREES[-1])
