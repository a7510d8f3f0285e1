"""Specs of one drink from books and colleagues: their spread, the median and outliers (common practice)."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace
from statistics import median
from typing import Final

import numpy as np
from numpy.typing import NDArray

from oenomel.core.balance import AXES, Profile, profile_as_made
from oenomel.core.dilution import Conditions
from oenomel.core.families import steps_of
from oenomel.core.spec import GRID_ML, Drink, Pour, grid_of
from oenomel.errors import DomainError, EmptyDrink

OUTLIER_TIMES: Final = 2.0
OUTLIER_STEPS: Final = 2.0
"""Factor over the usual distance, and least distance in steps, of an outlier."""

LEAST_SPECS: Final = 2
LEAST_SHARE: Final = 0.5
"""Least number of specs, and the share of them that must have a pour for it to be in the median."""


@dataclass(frozen=True)
class CloudSpec:
    """One spec: its figures as served, its distance from the median in steps (the largest axis), and whether it is an outlier."""

    served: Profile
    distance_steps: float
    outlier: bool


@dataclass(frozen=True)
class SpecCloud:
    """The specs in order, a pourable median and its figures (None below two specs), and a summary."""

    points: tuple[CloudSpec, ...]
    middle: Drink | None
    middle_served: Profile | None
    sentence: str


def spec_cloud_of(drinks: Sequence[Drink], conditions: Conditions) -> SpecCloud:
    """Compare specs of one drink.

    Raises
    ------
    EmptyDrink
    DomainError
        They have so little in common that their median is empty.
    """
    if not all(any(pour.liquid_ml > 0 for pour in drink.pours) for drink in drinks):
        raise EmptyDrink
    served = [profile_as_made(drink, conditions) for drink in drinks]
    if len(drinks) < LEAST_SPECS:
        points = tuple(CloudSpec(profile, 0.0, False) for profile in served)
        return SpecCloud(points, None, None, "Add specs of books and colleagues. With two or more you get an average to start from.")
    middle = middle_of(drinks)
    centre = profile_as_made(middle, conditions)
    at: NDArray[np.float64] = np.array([steps_of(profile) for profile in served])
    # The centre is the median of the figures, even if the pourable median isn't exactly there.
    distances = np.abs(at - np.median(at, axis=0)).max(axis=1)
    usual = float(np.median(distances))
    outlying = (distances > OUTLIER_TIMES * usual) & (distances > OUTLIER_STEPS)
    points = tuple(
        CloudSpec(profile, float(distance), bool(outside)) for profile, distance, outside in zip(served, distances, outlying, strict=True)
    )
    spread = at.max(axis=0) - at.min(axis=0)
    widest = list(AXES.values())[int(spread.argmax())].noun
    apart = "hardly any difference" if spread.max() < 1 else f"they differ most in {widest}"
    sentence = f"{len(drinks)} specs: {apart}."
    if outlying.any():
        sentence += " One is an outlier." if outlying.sum() == 1 else f" {int(outlying.sum())} are outliers."
    return SpecCloud(points, middle, centre, sentence)


def middle_of(drinks: Sequence[Drink]) -> Drink:
    """Return the median spec: the usual ingredient of each slot at its median amount, on a jigger's marks; method and glass of the
    nearest spec.
    """
    pours_of_slot: dict[tuple[str, str, int], list[Pour]] = {}
    for drink in drinks:
        seen: Counter[tuple[str, str]] = Counter()
        for pour in drink.pours:
            key = (pour.slot, pour.stage)
            pours_of_slot.setdefault((*key, seen[key]), []).append(pour)
            seen[key] += 1
    pours = []
    for alike in pours_of_slot.values():
        if len(alike) / len(drinks) < LEAST_SHARE:
            continue
        slug, _ = Counter(pour.ingredient.slug for pour in alike).most_common(1)[0]
        usual = next(pour for pour in alike if pour.ingredient.slug == slug)
        amount = median(pour.volume_ml for pour in alike)
        grid = grid_of(usual.ingredient, usual.unit, GRID_ML)
        pours.append(replace(usual, volume_ml=max(grid, round(amount / grid) * grid) if amount else 0.0))
    if not any(pour.liquid_ml > 0 for pour in pours):
        raise DomainError("these specs have no role in common, so there is no average")
    methods = Counter((drink.method, drink.serve.glass) for drink in drinks).most_common(1)[0][0]
    frame = next(drink for drink in drinks if (drink.method, drink.serve.glass) == methods)
    return replace(frame, pours=tuple(pours))
