"""A family's home, computed from the schools that make it, and where a drink stands to it (model.md §8)."""

from __future__ import annotations

import itertools
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache, cached_property, lru_cache
from typing import Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.core.balance import AXES, Profile, profile_of_drink
from oenomel.core.families.family import families
from oenomel.errors import RecordNotFound

EDGE_OF_HOME_STEPS: Final = 1.0
OUTSIDE_HOME_STEPS: Final = 1.5


@dataclass(frozen=True)
class Home:
    """The convex hull of a family's schools in noticeable steps of sweetness, acidity and strength.

    Parameters
    ----------
    points : ndarray, shape (schools, 3), [steps]   logarithms of the served figures over ln(1+k), each axis in its own steps
    volume_ml : float                               mean served volume of the schools
    """

    points: NDArray[np.float64]
    volume_ml: float

    def distance(self, profile: Profile) -> float:
        """Largest single-axis distance to the hull, [steps]; 0 inside.

        The set within distance d is the hull grown by a box of half-width d, so its facets have the same normals
        whatever d is, and the distance is the largest excess over any of them.
        """
        normals, reach = self._facets
        return max(0.0, float((normals @ steps_of(profile) - reach).max()))

    def centre(self, off: ArrayLike | None = None) -> dict[str, float]:
        """Mean of the schools in steps, or ``off``, shape (3,), [steps], from it, told in the figures' own units."""
        return _levels(self.points.mean(axis=0) + (0.0 if off is None else np.asarray(off)))

    def outline(self) -> list[tuple[float, float]]:
        """Corners of the home as seen on the field, sugar and acid in g per 100 ml: all that lies within one step of the hull.

        Between corners the edges are straight where both axes are drawn in steps (logarithmically).
        """
        box = np.array([(1, 1), (1, -1), (-1, 1), (-1, -1)]) * EDGE_OF_HOME_STEPS
        corners = _hull_2d((self.points[:, None, :2] + box).reshape(-1, 2))
        levels = [_levels(np.array([*corner, 0.0])) for corner in corners]
        return [(level["sugar"], level["acid"]) for level in levels]

    def strength_band(self) -> tuple[float, float]:
        """Lowest and highest strength at home, one step around the hull, [% v/v]."""
        low, high = self.points[:, 2].min() - EDGE_OF_HOME_STEPS, self.points[:, 2].max() + EDGE_OF_HOME_STEPS
        return _levels(np.array([0, 0, low]))["abv"], _levels(np.array([0, 0, high]))["abv"]

    @cached_property
    def _facets(self) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
        """Directions that a facet of the grown hull can have, shape (n, 3), and how far the hull reaches in each, shape (n,)."""
        axes = np.eye(3)
        edges = [b - a for a, b in itertools.combinations(self.points, 2)]
        facets = [np.cross(b - a, c - a) for a, b, c in itertools.combinations(self.points, 3)]
        swept = [np.cross(edge, axis) for edge in edges for axis in axes]
        normals = np.array([*axes, *facets, *swept])
        # In the norm dual to "largest single axis", a direction has length one when its parts add to one.
        length = np.abs(normals).sum(axis=1)
        normals = normals[length > 1e-9] / length[length > 1e-9, None]
        normals = np.concatenate([normals, -normals])
        return normals, (normals @ self.points.T).max(axis=1)


def steps_of(profile: Profile) -> NDArray[np.float64]:
    """Where a profile stands on the three rulers, shape (3,), [steps]; differences of two are the steps between them."""
    return np.array([axis.at(getattr(profile, axis.name)) for axis in AXES.values()])


def place_words(distance: float) -> str:
    """Whether a distance in steps is "at home", "at the edge of home" or "outside"."""
    if distance <= EDGE_OF_HOME_STEPS:
        return "at home"
    return "at the edge of home" if distance <= OUTSIDE_HOME_STEPS else "outside"


@cache
def home_of(slug: str) -> Home:
    """The home of a family, computed from its schools through the model.

    Raises
    ------
    RecordNotFound
        There is no such family, or it has no home (open forms have none).
    """
    family = families().get(slug)
    if family is None or not family.has_home:
        raise RecordNotFound("home for the family", slug)
    return home_from([profile_of_drink(school.drink) for school in family.schools])


def home_from(profiles: Sequence[Profile]) -> Home:
    """The home that these drinks as served make together."""
    return _home(tuple(tuple(steps_of(p).tolist()) for p in profiles), float(np.mean([p.volume_ml for p in profiles])))


@lru_cache(maxsize=32)
def _home(points: tuple[tuple[float, ...], ...], volume_ml: float) -> Home:
    # A house with many references asks for the same home with every keystroke, and its facets take a while.
    return Home(np.array(points), volume_ml)


@cache
def standard_homes() -> Mapping[str, Home]:
    """The homes that the shipped schools make."""
    return {slug: home_of(slug) for slug, family in families().items() if family.has_home}


def _levels(at: ArrayLike) -> dict[str, float]:
    return {axis.name: float(axis.level_at(n)) for axis, n in zip(AXES.values(), np.asarray(at), strict=True)}


def _hull_2d(points: NDArray[np.float64]) -> list[NDArray[np.float64]]:
    """Corners of a convex hull, anticlockwise (Andrew's monotone chain)."""
    ordered = sorted(points, key=lambda p: (p[0], p[1]))

    def chain(sequence: list[NDArray[np.float64]]) -> list[NDArray[np.float64]]:
        kept: list[NDArray[np.float64]] = []
        for point in sequence:
            while len(kept) > 1 and _turn(kept[-2], kept[-1], point) <= 1e-12:
                kept.pop()
            kept.append(point)
        return kept[:-1]

    return chain(ordered) + chain(ordered[::-1])


def _turn(a: NDArray[np.float64], b: NDArray[np.float64], c: NDArray[np.float64]) -> float:
    return float((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]))
