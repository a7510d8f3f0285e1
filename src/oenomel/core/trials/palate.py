"""A palate: the ideal coordinates of a taster's drinks, learnt from many verdicts (docs/model/trials.md, "Palate").

The ideal point θ is in noticeable steps from a reference, usually the middle of the family's typical range. A verdict is one of seven
words an axis: a straight line through such numbers is biased, since "far too strong" can't be exceeded and "right" is a band. So the
answers are modelled as ordered words about a perceived difference.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from typing import Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.core.balance import AXES, USUAL_TONGUE, Z80, Axis, OwnSteps, can_be_tasted, in_words
from oenomel.errors import OutOfRange

Floats = NDArray[np.float64]

PALATE_SD: Final = 1.5
"""Standard deviation of palates from the middle of a typical range, before any tasting, [steps]."""

TRIAL_SD: Final = 2.0
"""The same for one drink of an unknown taster, [steps]."""

WITHIN_STEPS: Final = 1.0
"""Distance on every axis within which a drink is right, [steps]."""

_CUTS: Final = (0.7, 1.7, 2.7)
"""Perceived differences from which "a touch", "clearly" and "far" are said, [steps]; each taster has a factor of his own on them."""

_NOISE: Final = ((0.5, 0.3), (0.8, 0.45), (1.2, 0.25))
_OWN_CUTS: Final = ((0.75, 0.25), (1.0, 0.5), (1.33, 0.25))
_CROSSTALK: Final = ((0.0, 0.25), (0.2, 0.5), (0.4, 0.25))
"""Values of parameters that few sheets can't determine and that are summed over: sensory noise, width of the words, masking of sweet and
sour; each with its prior weight, an assumption.
"""

_LAPSE: Final = 0.05
"""Share of answers unrelated to the drink: a slip of the finger, the wrong glass."""

_DRIFT_SD: Final = 0.3
"""Standard deviation of a palate's shift from one evening to the next, [steps]."""

_LONGEST_STEP: Final = 2.0
_ROUNDS: Final = 12
_HALVINGS: Final = 4
_CLOSE: Final = 1e-3

_FARTHEST: Final = 8.0
"""Standard deviations beyond which a lapse is likelier than the normal distribution."""

_PER_SD: Final = 1024
"""Entries of the normal table for each standard deviation."""


@dataclass(frozen=True)
class Tasted:
    """One sheet: the drink's coordinates, and the verdict.

    Parameters
    ----------
    x : ndarray, shape (3,), [steps]    sweetness, acidity and strength of the forecast from the reference
    said : three ints or None           −3 too little … 3 too much; None where none was given
    session : str                       the day or sitting: what an evening shifts is shared by its sheets
    """

    x: Floats
    said: tuple[int | None, ...]
    session: str = ""


@dataclass(frozen=True)
class Palate:
    """An ideal point with its uncertainty.

    Parameters
    ----------
    mean : ndarray, shape (3,), [steps]           from the reference, sweetness, acidity, strength
    covariance : ndarray, shape (3, 3), [steps²]
    sheets, sessions : int                        what it was learnt from
    """

    mean: Floats
    covariance: Floats
    sheets: int = 0
    sessions: int = 0

    @property
    def sd(self) -> Floats:
        """Standard deviation of each axis, shape (3,), [steps]."""
        sd: Floats = np.sqrt(np.diag(self.covariance))
        return sd

    @property
    def interval80(self) -> Floats:
        """Central 80 % interval of each axis, shape (3, 2), [steps]."""
        return np.stack([self.mean - Z80 * self.sd, self.mean + Z80 * self.sd], axis=1)

    def chance_within(self, x: ArrayLike, forecast_sd: ArrayLike = 0.0) -> float:
        """Return the probability that a drink at ``x``, shape (3,), is within one step of the ideal on every axis, 0 to 1.

        ``forecast_sd``, [steps], is the uncertainty of the forecast of a drink that wasn't tasted itself.
        """
        sure = self.covariance + np.diag(np.broadcast_to(np.asarray(forecast_sd, dtype=np.float64) ** 2, 3))
        points = self.mean + _normal_points() @ np.linalg.cholesky(sure + 1e-12 * np.eye(3)).T
        return float((np.abs(points - np.asarray(x)) <= WITHIN_STEPS).all(axis=1).mean())


@dataclass(frozen=True, slots=True)
class PalateAxis:
    """One axis of a palate: steps from the middle of a typical range (for drawing), its 80 % interval, and a sentence."""

    axis: str
    steps: float
    low: float
    high: float
    words: str


def palate_axes(palate: Palate) -> tuple[PalateAxis, ...]:
    """Describe a palate axis by axis."""
    return tuple(
        PalateAxis(axis.name, steps, low, high, _axis_words(axis, steps, sure=low > 0 or high < 0))
        for axis, steps, (low, high) in zip(AXES.values(), palate.mean.tolist(), palate.interval80.tolist(), strict=True)
    )


def _axis_words(axis: Axis, steps: float, *, sure: bool) -> str:
    if not can_be_tasted(steps):
        return "about the middle"
    if not sure:
        return f"{axis.word(steps)} or not: too close to call"
    return f"{in_words(steps, axis)} than the middle of the typical range"


def unknown_palate(sd: float = PALATE_SD) -> Palate:
    """Return the prior: the middle, with a wide uncertainty."""
    return Palate(np.zeros(3), sd**2 * np.eye(3))


def learn(sheets: Sequence[Tasted], prior: Palate | None = None, tongue: OwnSteps = USUAL_TONGUE) -> Palate:
    """Return the ideal point that explains the sheets best, with its uncertainty.

    For each of 27 kinds of taster (noise, width of words, masking) the most likely θ is found by Newton's method, and the 27 are
    mixed by how well they explain the sheets. Sheets that contradict each other make a noisy taster likelier, and so widen the doubt.

    Parameters
    ----------
    prior : Palate, optional      the prior; by default 1.5 steps around the reference
    tongue : mapping of axis to steps    the taster's own step: one that is twice the usual means "clearly" for four usual steps

    Raises
    ------
    OutOfRange
        A verdict isn't between −3 and 3.
    """
    prior = prior or unknown_palate()
    tastings = [sheet for sheet in sheets if any(value is not None for value in sheet.said)]
    for sheet in tastings:
        for answer in sheet.said:
            if answer is not None and not -3 <= answer <= 3:
                raise OutOfRange("the tasting score", answer, -3, 3)
    if not tastings:
        return prior
    # In the taster's own steps the words mean the same as for everyone; the result is converted to usual steps again.
    own = np.array([tongue[name] for name in AXES])
    x = np.array([sheet.x for sheet in tastings]) / own
    felt = Palate(prior.mean / own, prior.covariance / np.outer(own, own))
    answers = np.array([[0 if y is None else y for y in sheet.said] for sheet in tastings])
    heard = np.array([[y is not None for y in sheet.said] for sheet in tastings])
    means, covariances, weights = _fits(x, answers, heard, felt)
    mean = weights @ means
    apart = means - mean
    covariance = np.einsum("g,gij->ij", weights, covariances) + np.einsum("g,gi,gj->ij", weights, apart, apart)
    sessions = len({sheet.session for sheet in tastings})
    told_in = np.outer(own, own)
    drift = _DRIFT_SD**2 / sessions * np.eye(3)
    return Palate(mean * own, covariance * told_in + drift, prior.sheets + len(tastings), prior.sessions + sessions)


def _fits(x: Floats, verdicts: NDArray[np.int64], heard: NDArray[np.bool_], prior: Palate) -> tuple[Floats, Floats, Floats]:
    """Mode, covariance and weight of each kind of taster: shapes (27, 3), (27, 3, 3), (27,)."""
    noise, masks, low, high, log_prior = _tasters(verdicts)
    precision = np.linalg.inv(prior.covariance)
    theta = np.repeat(prior.mean[None], len(noise), axis=0)

    def posterior(at: Floats, kinds: NDArray[np.int64]) -> tuple[Floats, Floats, Floats]:
        mask = masks[kinds]
        felt = np.einsum("gij,gsj->gsi", mask, x[None] - at[:, None])
        value, slope, bend = _log_likelihood(felt, low[kinds], high[kinds], noise[kinds], heard)
        off = at - prior.mean
        gradient = -np.einsum("gij,gi->gj", mask, slope.sum(axis=1)) - off @ precision
        curvature = np.einsum("gia,gi,gib->gab", mask, bend.sum(axis=1), mask) + precision
        return value.sum(axis=(1, 2)) - 0.5 * np.einsum("gi,ij,gj->g", off, precision, off), gradient, curvature

    every = np.arange(len(noise))
    value, gradient, curvature = posterior(theta, every)
    for _ in range(_ROUNDS):
        step = np.linalg.solve(curvature, gradient[..., None])[..., 0]
        step *= np.minimum(1.0, _LONGEST_STEP / np.maximum(np.linalg.norm(step, axis=1), 1e-12))[:, None]
        there = posterior(theta + step, every)
        for _ in range(_HALVINGS):
            worse = np.flatnonzero(there[0] < value - 1e-12)
            if not worse.size:
                break
            step[worse] *= 0.5
            for figures, halved in zip(there, posterior(theta[worse] + step[worse], worse), strict=True):
                figures[worse] = halved
        theta, (value, gradient, curvature) = theta + step, there
        if np.abs(step).max() < _CLOSE:
            break
    covariance = np.linalg.inv(curvature)
    log_weight = log_prior + value + 0.5 * np.linalg.slogdet(covariance)[1]
    weights = np.exp(log_weight - log_weight.max())
    total: Floats = weights / weights.sum()
    return theta, np.asarray(covariance, dtype=np.float64), total


def _tasters(verdicts: NDArray[np.int64]) -> tuple[Floats, Floats, Floats, Floats, Floats]:
    """Return the kinds of taster: noise (27,), masking matrix (27, 3, 3), bounds of the verdicts (27, sheets, 3) twice, log of their
    weight.
    """
    kinds = [(s, k, c, math.log(ws * wk * wc)) for s, ws in _NOISE for k, wk in _OWN_CUTS for c, wc in _CROSSTALK]
    noise, own, crosstalk, log_prior = (np.array(column) for column in zip(*kinds, strict=True))
    masks = np.repeat(np.eye(3)[None], len(kinds), axis=0)
    masks[:, 0, 1] = masks[:, 1, 0] = -crosstalk
    edges = np.array([-np.inf, *(-cut for cut in reversed(_CUTS)), *_CUTS, np.inf])
    low, high = own[:, None, None] * edges[verdicts + 3][None], own[:, None, None] * edges[verdicts + 4][None]
    return noise, masks, low, high, log_prior


def _log_likelihood(felt: Floats, low: Floats, high: Floats, noise: Floats, heard: NDArray[np.bool_]) -> tuple[Floats, Floats, Floats]:
    """Compute the log-likelihood of each answer, and its first and negative second derivative by the perceived difference, shape (27,
    sheets, 3).

    Lapses keep every chance above 0.7 %, so that no logarithm of a vanishing difference is ever taken.
    """
    sigma = noise[:, None, None]
    upper, lower = (high - felt) / sigma, (low - felt) / sigma
    chance = _below(upper) - _below(lower)
    at_upper, at_lower = _density(upper), _density(lower)
    total = (1 - _LAPSE) * chance + _LAPSE / 7
    slope = (1 - _LAPSE) * (at_lower - at_upper) / sigma / total
    bend = slope**2 - (1 - _LAPSE) * (_moment(lower, at_lower) - _moment(upper, at_upper)) / sigma**2 / total
    return np.where(heard, np.log(total), 0.0), np.where(heard, slope, 0.0), np.where(heard, np.maximum(bend, 0.0), 0.0)


def _below(z: Floats) -> Floats:
    """Return the normal distribution function, within 1e−7, by its table, since NumPy has none."""
    table = _normal_table()
    position = np.clip((z + _FARTHEST) * _PER_SD, 0, len(table) - 1)
    # The last entry has none to its right.
    lower = np.minimum(position.astype(np.int64), len(table) - 2)
    below = table[lower]
    chance: Floats = below + (position - lower) * (table[lower + 1] - below)
    return chance


@cache
def _normal_table() -> Floats:
    grid = np.linspace(-_FARTHEST, _FARTHEST, round(2 * _FARTHEST * _PER_SD) + 1)
    return np.array([0.5 * math.erfc(-z / math.sqrt(2)) for z in grid.tolist()])


def _density(z: Floats) -> Floats:
    density: Floats = np.exp(-0.5 * z**2) / math.sqrt(2 * math.pi)
    return density


def _moment(z: Floats, density: Floats) -> Floats:
    """Return z·φ(z), 0 at the infinite bounds."""
    return np.where(np.isfinite(z), z, 0.0) * density


@cache
def _normal_points() -> Floats:
    """Return points of a standard normal in three dimensions, shape (4096, 3), deterministic; mirrored, so that their mean is 0."""
    half = np.random.default_rng(3).standard_normal((2048, 3))
    return np.concatenate([half, -half])
