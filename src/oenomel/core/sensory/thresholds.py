"""A taster's threshold: how far apart two glasses must be to be told apart, from triangle tests (docs/model/sensory.md)."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from typing import Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.errors import DomainError, OutOfRange

Floats = NDArray[np.float64]

PRIOR_SD: Final = 0.5
"""Standard deviation of the logarithm of tasters' thresholds before any test; the usual one is one step (docs/model/sensory.md)."""

SLOPES: Final = (1.5, 2.0, 3.0)
"""Slopes of the psychometric function; the taster's own is unknown, so they are summed over."""

BY_CHANCE: Final = 1 / 3
ATTENTIVE: Final = 0.96
"""Probability of a right answer by chance, and the share of the other answers given with attention."""

GUESSES: Final = 0.02
"""Prior probability that a taster only guesses: a cold, a tired palate, the wrong bottle. An assumption."""

MOST_STEPS: Final = 8.0
"""Largest distance of a triangle, [steps]."""

DULLED_AFTER: Final = 12
"""Triangles of a sitting after which most palates are tired. Common practice: a panel rests after about twelve."""

WORTH_LESS: Final = 0.1
"""Share of the uncertainty that six more triangles must remove to be worthwhile. A house rule."""

ROUND: Final = 6
"""Triangles of a five-minute round; the longer one has twice as many."""

KNOWN_AFTER: Final = ROUND
"""Triangles from which a taster's own threshold is used. A house rule: fewer are luck."""

_SPAN, _PLACES = 4.0, 101
"""Grid of thresholds: standard deviations each way, and number of points."""


@dataclass(frozen=True, slots=True)
class TriangleAnswer:
    """One triangle: the distance of its two liquids in usual steps, and whether the odd glass was found.

    Raises
    ------
    OutOfRange
        The distance isn't between 0 and 8 steps.
    """

    steps: float
    right: bool

    def __post_init__(self) -> None:
        if not 0 < self.steps <= MOST_STEPS:
            raise OutOfRange("the differences between two glasses", self.steps, 0, MOST_STEPS)


@dataclass(frozen=True)
class Threshold:
    """Estimated threshold of a taster on one axis.

    Parameters
    ----------
    chances : ndarray, shape (2, slopes, places)   how likely each tongue is; the first row tastes, the second only guesses
    triangles, right : int                         what it was learnt from
    """

    chances: Floats
    triangles: int = 0
    right: int = 0

    @property
    def steps(self) -> float:
        """The taster's step in usual steps: as likely larger as smaller."""
        return self._quantile(0.5)

    @property
    def interval80(self) -> tuple[float, float]:
        """Central 80 % interval of the taster's step."""
        return self._quantile(0.1), self._quantile(0.9)

    @property
    def log_sd(self) -> float:
        """Standard deviation of the threshold's logarithm."""
        chance = self._of_places()
        logs = _log_places()
        mean = chance @ logs
        return float(math.sqrt(chance @ (logs - mean) ** 2))

    @property
    def guesses(self) -> float:
        """Probability that the taster only guessed."""
        return float(self.chances[1].sum())

    @property
    def finer(self) -> float:
        """Probability that the taster is more sensitive than usual."""
        return float(np.interp(0.0, _log_places(), np.cumsum(self._of_places()) - self._of_places() / 2))

    def right_at(self, steps: ArrayLike) -> Floats:
        """Return the probability of finding the odd glass at some distances, shape as given."""
        right: Floats = np.einsum("msp,...msp->...", self.chances, _right(steps))
        return right

    def _of_places(self) -> Floats:
        of_places: Floats = self.chances.sum(axis=(0, 1))
        return of_places

    def _quantile(self, share: float) -> float:
        below = np.cumsum(self._of_places())
        # Each grid point represents the interval around it: half of its probability lies below.
        return float(np.exp(np.interp(share, below - self._of_places() / 2, _log_places())))


def threshold_of(answers: Sequence[TriangleAnswer]) -> Threshold:
    """Estimate a taster's threshold from triangles; without any, the usual one.

    P(right) = 1/3 + 2/3·0.96·(1 − exp(−ln 2·(n/α)^β)), on a grid over α (log-normal prior, sd 0.5) and β {1.5, 2, 3}, beside the chance
    that he only guessed. At n = α half of the tasters' answers are right beyond guessing.
    Source: docs/model/sensory.md; a Weibull function over a triangle's chance of a third is usual for it.

    >>> threshold_of([]).interval80[1] / threshold_of([]).steps > 1.8
    True
    >>> threshold_of([TriangleAnswer(1.0, False)] * 6).steps > 1.3 > 0.8 > threshold_of([TriangleAnswer(0.7, True)] * 9).steps
    True
    """
    known = Threshold(_prior())
    for answer in answers:
        known = updated(known, answer)
    return known


def updated(known: Threshold, answer: TriangleAnswer) -> Threshold:
    """Update the estimate with one more answer."""
    likely = _right(answer.steps)
    chances = known.chances * (likely if answer.right else 1 - likely)
    return Threshold(chances / chances.sum(), known.triangles + 1, known.right + answer.right)


def most_informative(known: Threshold, distances: Sequence[float]) -> int:
    """Return the pourable distance whose answer is expected to leave the least uncertainty.

    Raises
    ------
    DomainError
        There is none.
    """
    if not distances:
        raise DomainError("no difference can be poured")
    return int(np.argmin(np.round(_expected_entropy(known.chances, np.asarray(distances, dtype=np.float64)), 9)))


def worth_going_on(known: Threshold, distances: Sequence[float]) -> bool:
    """Check whether six more triangles would reduce the uncertainty by a tenth, at the expected rate."""
    learnt = _unknown(known.chances) - float(_expected_entropy(known.chances, np.asarray(distances, dtype=np.float64)).min())
    # Reducing the uncertainty by a factor reduces the entropy by the factor's logarithm.
    return 1 - math.exp(-ROUND * learnt) >= WORTH_LESS


def _unknown(chances: Floats) -> float:
    """Compute the entropy of the threshold, [nats]."""
    places = chances.sum(axis=(0, 1))
    return -float(places @ np.log(np.maximum(places, 1e-300)))


def _expected_entropy(chances: Floats, distances: Floats) -> Floats:
    """Compute the expected entropy of the threshold after a triangle at each distance, shape (distances,), [nats]."""
    right = _right(distances)
    log_likelihood = np.zeros(len(distances))
    for likely in (right, 1 - right):
        joint = chances * likely
        answered = joint.sum(axis=(1, 2, 3))
        places = joint.sum(axis=(1, 2)) / answered[:, None]
        log_likelihood -= answered * np.einsum("dp,dp->d", places, np.log(np.maximum(places, 1e-300)))
    return log_likelihood


def _right(steps: ArrayLike) -> Floats:
    """Compute the probability of finding the odd glass for each threshold and slope, shape (..., 2, slopes, places)."""
    n = np.asarray(steps, dtype=np.float64)[..., None, None]
    tells = 1 - np.exp(-math.log(2) * (n / np.exp(_log_places())) ** np.array(SLOPES)[:, None])
    tasted = BY_CHANCE + (1 - BY_CHANCE) * ATTENTIVE * tells
    right: Floats = np.stack([tasted, np.full_like(tasted, BY_CHANCE)], axis=-3)
    return right


@cache
def _log_places() -> Floats:
    return np.linspace(-_SPAN * PRIOR_SD, _SPAN * PRIOR_SD, _PLACES)


@cache
def _prior() -> Floats:
    """Return the prior, shape (2, slopes, places)."""
    places = np.exp(-0.5 * (_log_places() / PRIOR_SD) ** 2)
    tongues = np.repeat((places / places.sum())[None], len(SLOPES), axis=0) / len(SLOPES)
    return np.stack([(1 - GUESSES) * tongues, GUESSES * tongues])
