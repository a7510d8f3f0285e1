"""The learnt palate against the whole posterior, summed on a fine grid with SciPy's normal distribution: no Newton, no Laplace, no table.

The model is the targets in bench/run.py; its prior weights are those of the product. SciPy 1.17 stands in for the handbook's table of
the normal.
"""

import itertools

import numpy as np
import pytest
from scipy.special import ndtr
from scipy.stats import norm
from support.depth import DEPTH
from support.tasters import tastings

from oenomel.core.trials.palate import Tasted, learn

CUTS = np.array([0.7, 1.7, 2.7])
EDGES = np.concatenate([[-np.inf], -CUTS[::-1], CUTS, [np.inf]])
KINDS = [
    (sigma, own, crosstalk, w1 * w2 * w3)
    for (sigma, w1), (own, w2), (crosstalk, w3) in itertools.product(
        ((0.5, 0.3), (0.8, 0.45), (1.2, 0.25)),
        ((0.75, 0.25), (1.0, 0.5), (1.33, 0.25)),
        ((0.0, 0.25), (0.2, 0.5), (0.4, 0.25)),
    )
]
DRIFT = 0.3
GRID = np.linspace(-5, 5, 41)


def whole_posterior(sheets, prior_sd=1.5):
    """Mean and standard deviation of the ideal, each axis, by summing over every ideal and every kind of taster."""
    theta = np.stack(np.meshgrid(GRID, GRID, GRID, indexing="ij"), axis=-1).reshape(-1, 3)
    total = np.zeros(len(theta))
    log_prior = norm.logpdf(theta, 0, prior_sd).sum(axis=1)
    logs = []
    for sigma, own, crosstalk, weight in KINDS:
        masks = np.array([[1, -crosstalk, 0], [-crosstalk, 1, 0], [0, 0, 1]])
        value = log_prior + np.log(weight)
        for sheet in sheets:
            felt = (sheet.x - theta) @ masks.T
            for axis, said in enumerate(sheet.said):
                if said is not None:
                    low, high = own * EDGES[said + 3], own * EDGES[said + 4]
                    chance = ndtr((high - felt[:, axis]) / sigma) - ndtr((low - felt[:, axis]) / sigma)
                    value = value + np.log(0.95 * chance + 0.05 / 7)
        logs.append(value)
    peak = max(value.max() for value in logs)
    for value in logs:
        total += np.exp(value - peak)
    total /= total.sum()
    mean = total @ theta
    variance = total @ (theta - mean) ** 2
    sessions = len({sheet.session for sheet in sheets})
    return mean, np.sqrt(variance + DRIFT**2 / sessions)


@pytest.mark.parametrize("seed", range(3 if DEPTH == "deep" else 1))
@pytest.mark.parametrize("number", [3, 8])
def test_the_mixture_of_laplace_fits_stays_close_to_the_whole_posterior(seed, number):
    _, sheets = tastings(np.random.default_rng(100 + seed), number)
    mean, sd = whole_posterior(sheets)
    palate = learn(sheets)
    # A quarter of a step is far under what a sheet can tell; the doubt is right within a fifth.
    assert palate.mean == pytest.approx(mean, abs=0.25)
    assert palate.sd == pytest.approx(sd, rel=0.20)


def test_one_axis_alone_follows_the_whole_posterior_closely():
    sheets = [Tasted(np.array([0.0, 0.0, x]), (None, None, said), str(n)) for n, (x, said) in enumerate([(1.0, 2), (-1.0, 0), (0.0, 1)])]
    mean, sd = whole_posterior(sheets)
    palate = learn(sheets)
    assert palate.mean[2] == pytest.approx(mean[2], abs=0.08)
    assert palate.sd[2] == pytest.approx(sd[2], rel=0.12)
