"""A family's typical range, computed from its schools, and a drink's distance to it (docs/model/families.md)."""

from __future__ import annotations

import itertools
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache, cached_property, lru_cache
from typing import Final, Literal, get_args

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.core.balance import AXES, Profile
from oenomel.core.balance.served import profile_of_drink
from oenomel.core.families.family import Family, School, families
from oenomel.core.larder import is_non_alcoholic
from oenomel.core.spec import Drink

Branch = Literal["", "without alcohol", "long on juice"]
BRANCHES: Final[tuple[Branch, ...]] = get_args(Branch)
"""Branches of families with schools and a typical range of their own, decided by the ingredients; the main branch has no name."""

MUCH_JUICE: Final = 0.35
"""Share of juice from which a fizz without bubbles counts as lengthened by juice (house rule)."""

EDGE_OF_HOME_STEPS: Final = 1.0
OUTSIDE_HOME_STEPS: Final = 1.5

LEVEL_WITHIN_STEPS: Final = 1.0
"""Steps within which sweetness and acidity count as level (docs/model/families.md)."""


@dataclass(frozen=True)
class TypicalRange:
    """The convex hull of a family's schools in noticeable steps of sweetness, acidity and strength.

    Parameters
    ----------
    points : ndarray, shape (schools, 3), [steps]   logarithms of the served figures over ln(1+k), each axis in its own steps
    volume_ml : float                               mean served volume of the schools
    branch : str                                    which of a family's branches it is; without alcohol it has no axis of strength
    """

    points: NDArray[np.float64]
    volume_ml: float
    branch: Branch = ""

    @property
    def axes(self) -> tuple[str, ...]:
        """Names of the axes that it has."""
        return tuple(AXES)[: self._dimensions]

    @property
    def _dimensions(self) -> int:
        return 2 if self.branch == "without alcohol" else 3

    def distance(self, profile: Profile) -> float:
        """Largest single-axis distance to the hull, [steps]; 0 inside.

        The set within distance d is the hull grown by a box of half-width d, so its facets have the same normals
        whatever d is, and the distance is the largest excess over any of them.
        """
        return float(self.distances(steps_of(profile)[None])[0])

    def distances(self, at: NDArray[np.float64]) -> NDArray[np.float64]:
        """Return the same distance for many drinks, given their coordinates in steps, shape (drinks, 3), [steps]."""
        normals, reach = self._facets
        off: NDArray[np.float64] = (at[:, : self._dimensions] @ normals.T - reach).max(axis=1)
        return np.maximum(off, 0.0)

    def lean(self, profile: Profile) -> float:
        """Sweet against tart: the drink's distance from the middle in sweetness minus that in acidity, [steps]."""
        off = steps_of(profile) - self.points.mean(axis=0)
        return float(off[0] - off[1])

    def centre(self, off: ArrayLike | None = None) -> dict[str, float]:
        """Mean of the schools, or the point ``off`` steps from it, shape (3,), in the figures' own units, on the axes it has."""
        levels = _levels(self.points.mean(axis=0) + (0.0 if off is None else np.asarray(off)))
        return {name: levels[name] for name in self.axes}

    def outline(self) -> list[tuple[float, float]]:
        """Corners of the typical range on the field of sugar and acid, in g per 100 ml: everything within one step of the hull.

        Between corners the edges are straight where both axes are drawn in steps (logarithmically).
        """
        box = np.array([(1, 1), (1, -1), (-1, 1), (-1, -1)]) * EDGE_OF_HOME_STEPS
        corners = _hull_2d((self.points[:, None, :2] + box).reshape(-1, 2))
        levels = [_levels(np.array([*corner, 0.0])) for corner in corners]
        return [(level["sugar"], level["acid"]) for level in levels]

    def strength_band(self) -> tuple[float, float] | None:
        """Lowest and highest typical strength, one step around the hull, [% v/v]; None without an axis of strength."""
        if "abv" not in self.axes:
            return None
        low, high = self.points[:, 2].min() - EDGE_OF_HOME_STEPS, self.points[:, 2].max() + EDGE_OF_HOME_STEPS
        return _levels(np.array([0, 0, low]))["abv"], _levels(np.array([0, 0, high]))["abv"]

    @cached_property
    def _facets(self) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
        """Directions that a facet of the grown hull can have, shape (n, axes), and how far the hull reaches in each, shape (n,)."""
        points = self.points[:, : self._dimensions]
        axes = np.eye(self._dimensions)
        edges = [b - a for a, b in itertools.combinations(points, 2)]
        if self._dimensions == 2:
            normals = np.array([*axes, *([-up, across] for across, up in edges)])
        else:
            facets = [np.cross(b - a, c - a) for a, b, c in itertools.combinations(points, 3)]
            swept = [np.cross(edge, axis) for edge in edges for axis in axes]
            normals = np.array([*axes, *facets, *swept])
        # In the norm dual to "largest single axis", a direction has length one when its parts add to one.
        length = np.abs(normals).sum(axis=1)
        normals = normals[length > 1e-9] / length[length > 1e-9, None]
        normals = np.concatenate([normals, -normals])
        return normals, (normals @ points.T).max(axis=1)


def steps_of(profile: Profile) -> NDArray[np.float64]:
    """Return a profile's coordinates in noticeable steps, shape (3,); differences of two are the steps between them."""
    return np.array([axis.at(getattr(profile, axis.name)) for axis in AXES.values()])


def position_words(distance: float) -> str:
    """Return the word for a distance in steps: "typical", "edge of the typical range" or "not typical"."""
    if distance <= EDGE_OF_HOME_STEPS:
        return "typical"
    return "edge of the typical range" if distance <= OUTSIDE_HOME_STEPS else "not typical"


TypicalRanges = Mapping[tuple[str, Branch], TypicalRange]
"""Typical ranges by family and branch."""


def branch_of(drink: Drink, served: Profile) -> Branch:
    """Return the branch of its family that a drink belongs to, by its ingredients."""
    if is_without_alcohol(served):
        return "without alcohol"
    return "long on juice" if drink.family == "fizz" and is_long_on_juice(drink, served.volume_ml) else ""


def is_without_alcohol(served: Profile) -> bool:
    """Check whether a drink as served counts as non-alcoholic, so that strength isn't judged."""
    return is_non_alcoholic(served.abv)


def is_long_on_juice(drink: Drink, served_ml: float) -> bool:
    """Check whether the drink is lengthened by juice and not by anything sparkling."""
    bubbles = any(pour.ingredient.is_sparkling and pour.liquid_ml > 0 for pour in drink.pours)
    juice_ml = sum(pour.liquid_ml for pour in drink.pours if pour.ingredient.kind == "juice")
    return not bubbles and juice_ml > MUCH_JUICE * served_ml


def branch_of_school(school: School) -> Branch:
    """Return the branch of its family that a school makes."""
    return branch_of(school.drink, profile_of_drink(school.drink))


def typical_range_for(drink: Drink, served: Profile, homes: TypicalRanges) -> TypicalRange | None:
    """Return the typical range that a drink is compared with; None where its family has none."""
    return homes.get((drink.family, branch_of(drink, served)))


def typical_ranges_from(family: Family, references: Sequence[Drink] = ()) -> dict[tuple[str, Branch], TypicalRange]:
    """Compute the typical ranges of a family from its schools and the bar's own reference specs."""
    by_branch: dict[Branch, list[Profile]] = {}
    for drink in (*(school.drink for school in family.schools), *references):
        served = profile_of_drink(drink)
        by_branch.setdefault(branch_of(drink, served), []).append(served)
    return {(family.slug, branch): home_from(profiles, branch) for branch, profiles in by_branch.items()} if family.has_home else {}


def home_from(profiles: Sequence[Profile], branch: Branch = "") -> TypicalRange:
    """Compute the typical range of some drinks as served."""
    return _home(tuple(tuple(steps_of(p).tolist()) for p in profiles), float(np.mean([p.volume_ml for p in profiles])), branch)


@lru_cache(maxsize=32)
def _home(points: tuple[tuple[float, ...], ...], volume_ml: float, branch: Branch) -> TypicalRange:
    # A house with many references asks for the same home with every keystroke, and its facets take a while.
    return TypicalRange(np.array(points), volume_ml, branch)


@cache
def standard_typical_ranges() -> TypicalRanges:
    """Return the typical ranges of the shipped schools."""
    return {key: home for family in families().values() for key, home in typical_ranges_from(family).items()}


def lean_words(steps: float) -> str:
    """Describe sweet against tart in words, by the steps of `TypicalRange.lean`.

    >>> lean_words(0.4), lean_words(1.3), lean_words(-2.0)
    ('level', 'leans sweet', 'leans tart')
    """
    return "level" if abs(steps) <= LEVEL_WITHIN_STEPS else "leans sweet" if steps > 0 else "leans tart"


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
