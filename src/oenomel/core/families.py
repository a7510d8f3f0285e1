"""The families, their slots and schools, and the home computed from the schools (model.md §8)."""

from __future__ import annotations

import itertools
import tomllib
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache, cached_property, lru_cache
from importlib import resources
from typing import Any, Final

import numpy as np
from numpy.typing import ArrayLike, NDArray

from oenomel.core.catalogue import catalogue
from oenomel.core.conditions import Conditions
from oenomel.core.drink import Drink, Method, Pour, Serve
from oenomel.core.levels import levels
from oenomel.core.mixing import served_drink
from oenomel.core.perception import AXES
from oenomel.core.poured import poured
from oenomel.core.profile import Profile, profile_of
from oenomel.errors import RecordNotFound

__all__ = [
    "Family",
    "Form",
    "Home",
    "PublishedRange",
    "School",
    "Slot",
    "families",
    "home_from",
    "home_of",
    "place_words",
    "profile_of_drink",
    "profile_of_made",
    "published_ranges",
    "steps_of",
]

EDGE_OF_HOME_STEPS: Final = 1.0
OUTSIDE_HOME_STEPS: Final = 1.5


@dataclass(frozen=True, slots=True)
class Slot:
    """A place in a family: its role, whether the family needs it, its usual measure and when it goes in."""

    slot: str
    required: bool
    usual_ml: float
    stage: str


@dataclass(frozen=True, slots=True)
class Form:
    """A sub-form of a family, as it is said, with the glass and the ice it is usually served in."""

    name: str
    words: str
    glass: str
    ice: str


@dataclass(frozen=True, slots=True)
class PublishedRange:
    """A published range of balanced drinks: low and high of each axis; an overlay, never a law."""

    slug: str
    name: str
    families: tuple[str, ...]
    abv: tuple[float, float]
    sugar: tuple[float, float]
    acid: tuple[float, float]


@dataclass(frozen=True, slots=True)
class School:
    """A school of proportion, as a drink that can be poured. Common practice of the trade."""

    slug: str
    name: str
    words: str
    drink: Drink


@dataclass(frozen=True, slots=True)
class Family:
    """A family of drinks. Open forms have schools to start from, but no home: ``has_home`` is false."""

    slug: str
    name: str
    words: str
    slots: tuple[Slot, ...]
    forms: tuple[Form, ...]
    schools: tuple[School, ...]
    has_home: bool


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
    """Coordinates in noticeable steps, shape (3,); differences of two are the steps between them."""
    return np.array([np.log(max(getattr(profile, a.name), a.floor)) / np.log1p(a.just_noticeable) for a in AXES.values()])


def place_words(distance: float) -> str:
    """Whether a distance in steps is "at home", "at the edge of home" or "outside"."""
    if distance <= EDGE_OF_HOME_STEPS:
        return "at home"
    return "at the edge of home" if distance <= OUTSIDE_HOME_STEPS else "outside"


@cache
def families() -> dict[str, Family]:
    """The families by slug: the first-class ones, and the open forms."""
    tables = tomllib.loads((resources.files("oenomel.core") / "data" / "families.toml").read_text(encoding="utf-8"))
    return {slug: _family(slug, table) for slug, table in tables.items()}


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


def profile_of_drink(drink: Drink) -> Profile:
    """A reference drink as served by the curve, whatever today's ice is: a home doesn't move with the weather."""
    return profile_of_made(drink, Conditions())


def profile_of_made(drink: Drink, conditions: Conditions) -> Profile:
    """A drink as served, without its doubt and its findings: enough to say where it stands."""
    table = poured(drink)
    at = levels(table.volumes, table.axes, table.in_tin, drink.method, conditions)
    return profile_of(served_drink(table, at.water_ml[0]).glass)


@cache
def published_ranges() -> tuple[PublishedRange, ...]:
    """Published ranges, for the overlay."""
    tables = tomllib.loads((resources.files("oenomel.core") / "data" / "published_ranges.toml").read_text(encoding="utf-8"))
    return tuple(
        PublishedRange(slug, t["name"], tuple(t["families"]), *((t[axis][0], t[axis][1]) for axis in ("abv", "sugar", "acid")))
        for slug, t in tables.items()
    )


def _family(slug: str, table: dict[str, Any]) -> Family:
    return Family(
        slug=slug,
        name=table["name"],
        words=table["words"],
        slots=tuple(Slot(**slot) for slot in table["slots"]),
        forms=tuple(Form(**form) for form in table["forms"]),
        has_home=table.get("has_home", True),
        schools=tuple(_school(slug, school) for school in table["schools"]),
    )


def _school(family: str, table: dict[str, Any]) -> School:
    pours = tuple(
        Pour(ingredient=catalogue()[ingredient], volume_ml=float(ml), slot=slot, stage=stage)
        for slot, ingredient, ml, stage in table["pours"]
    )
    drink = Drink(table["name"], family, pours, form=table["form"], method=Method(**table["method"]), serve=Serve(**table["serve"]))
    return School(table["slug"], table["name"], table["words"], drink)


def _levels(steps: ArrayLike) -> dict[str, float]:
    return {axis.name: float(np.exp(n * np.log1p(axis.just_noticeable))) for axis, n in zip(AXES.values(), np.asarray(steps), strict=True)}


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
