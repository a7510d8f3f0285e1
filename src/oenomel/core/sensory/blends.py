"""Two jugs that differ by a few thresholds in one attribute; every pair of glasses is blended from them."""

from __future__ import annotations

import math
from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import product
from typing import Final, Literal, get_args

import numpy as np

from oenomel.core.balance import AXES
from oenomel.core.balance.aroma_share import SMELL_STEP
from oenomel.core.larder import ETHANOL_G_PER_ML, Ingredient
from oenomel.core.spec import GRID_ML, Drink, Method, Pour
from oenomel.errors import DomainError, OutOfRange

Attribute = Literal["sugar", "acid", "abv", "smell"]
ATTRIBUTES: Final[tuple[Attribute, ...]] = get_args(Attribute)
"""Attributes of triangles: the three axes, and the loudness of a liqueur."""

WATER: Final = "still-water"

NOUNS: Final[Mapping[str, str]] = {**{name: axis.noun for name, axis in AXES.items()}, "smell": "aroma"}

SPAN_STEPS: Final = 4.0
"""Distance of the two jugs, [steps]: large enough to be found for certain, while an eighth of it is a difficult triangle."""

LEAST_APART: Final = 3.0
MOST_OFF_STEPS: Final = 0.1
"""Least distance after rounding, and the largest difference in the other attributes, [steps]."""

GLASS_ML: Final = 10.0
GLASS_GRIDS: Final = 8
"""Least size of a glass, a sip or two, and the number of smallest steps in it, so that blends can be fine."""

GLASSES_A_JUG: Final = 1.9
"""Glasses of each jug for a triangle: half of its three, with a reserve for uneven draws."""

MOST_MORE_ML: Final = 2000.0
"""Most that jugs may grow to be measurable, [ml]."""

_LEVELS: Final[Mapping[str, tuple[float, float, float]]] = {
    # Strength, sugar and acid of the jug with less: around the middle of the usual drinks, with room for four steps above it. Sweetness and
    # acidity are asked without alcohol: a tongue stays awake longer, and one may swallow. House choices.
    "sugar": (0.0, 6.0, 0.8),
    "acid": (0.0, 8.0, 0.55),
    "abv": (9.0, 7.0, 0.7),
    "smell": (0.0, 8.0, 0.7),
}
_SMELL_SHARE: Final = 0.03
"""Levels of the weaker jug, and the liqueur's share in it."""

_USUAL: Final[Mapping[str, tuple[str, ...]]] = {
    "sour": ("lemon-juice", "lime-juice", "citric-acid-solution"),
    "sweet": ("simple-syrup-1-1", "simple-syrup-2-1"),
    "base": ("vodka",),
    "liqueur": (),
}
_LEAST: Final = {"sour": ("acid", 2.0), "sweet": ("sugar", 30.0), "base": ("abv", 30.0), "liqueur": ("sugar", 8.0)}
"""Usual ingredient of each role, best first, and the least contents of another one."""

Level = tuple[float, float, float]


@dataclass(frozen=True, slots=True)
class Jug:
    """One jug: its pours, strength, sugar, acid and share of liqueur."""

    pours: tuple[Pour, ...]
    volume_ml: float
    level: Level
    smell: float

    def taken(self, volume_ml: float) -> tuple[Pour, ...]:
        """Return some ml of the jug, as pours."""
        return tuple(pour.at(pour.volume_ml * volume_ml / self.volume_ml) for pour in self.pours)


@dataclass(frozen=True, slots=True)
class Distance:
    """Two blends of the jugs, by their parts of the stronger jug, and the steps between them."""

    less_parts: int
    more_parts: int
    steps: float


@dataclass(frozen=True)
class Jugs:
    """The jugs of a sitting.

    Parameters
    ----------
    attribute : str
    less, more : Jug           alike but for what is asked
    part_ml, parts : float, int    what is measured with, and how many of it a glass holds
    """

    attribute: Attribute
    less: Jug
    more: Jug
    part_ml: float
    parts: int

    @property
    def glass_ml(self) -> float:
        """Volume of one glass, [ml]."""
        return self.part_ml * self.parts

    def blend(self, more_parts: int) -> Drink:
        """Return a glass with some parts of the stronger jug, as a drink."""
        more_ml = more_parts * self.part_ml
        pours = [*self.less.taken(self.glass_ml - more_ml), *self.more.taken(more_ml)]
        return Drink(f"A glass for {NOUNS[self.attribute]}", "open", tuple(p for p in pours if p.volume_ml > 0), method=Method("none"))

    def distances(self) -> list[Distance]:
        """Return every pair of glasses of which one is undiluted from a jug, the nearest first."""
        pairs = {(low, high) for n in range(self.parts) for low, high in ((0, n + 1), (n, self.parts))}
        all_distances = [Distance(low, high, self._at(high) - self._at(low)) for low, high in pairs]
        return sorted(all_distances, key=lambda each: (each.steps, each.less_parts))

    def alcohol_g(self, more_parts: int) -> float:
        """Return the grams of alcohol in a glass with some parts of the stronger jug."""
        share = more_parts / self.parts
        abv = self.less.level[0] * (1 - share) + self.more.level[0] * share
        return abv / 100 * self.glass_ml * ETHANOL_G_PER_ML

    def _at(self, more_parts: int) -> float:
        """Return the level of a blend in the tested attribute, [steps]."""
        share = more_parts / self.parts
        if self.attribute == "smell":
            return math.log(self.less.smell * (1 - share) + self.more.smell * share) / SMELL_STEP
        row = list(AXES).index(self.attribute)
        less, more = (_axes(jug.level)[row] for jug in (self.less, self.more))
        return float(AXES[self.attribute].at(less * (1 - share) + more * share))


def glass_of(grid_ml: float) -> tuple[float, int]:
    """Return the measure to pour with, and how many make a glass, the smallest that allows fine blends.

    Raises
    ------
    OutOfRange
        The measure isn't between 0.5 and 5 ml.

    >>> glass_of(2.5), glass_of(1.0)
    ((2.5, 8), (1.0, 10))
    """
    if not 0.5 <= grid_ml <= 5:
        raise OutOfRange("the smallest amount in ml", grid_ml, 0.5, 5)
    return grid_ml, max(GLASS_GRIDS, math.ceil(GLASS_ML / grid_ml - 1e-9))


def needs(attribute: Attribute) -> tuple[str, ...]:
    """Return the roles that ingredients must fill, apart from water."""
    return ("sour", "sweet", *(("base",) if attribute in ("abv", "smell") else ()), *(("liqueur",) if attribute == "smell" else ()))


def choices(attribute: Attribute, job: str, larder: Mapping[str, Ingredient], in_stock: Collection[str]) -> list[Ingredient]:
    """Return the ingredients for a role: those in stock first, the simplest first; of the others only the usual."""
    what, least = _LEAST[job]

    def does(ingredient: Ingredient) -> bool:
        if (
            getattr(ingredient.composition, what) < least
            or job not in ingredient.slots
            or ingredient.is_sparkling
            or ingredient.kind == "dairy"
        ):
            return False
        if job == "liqueur":
            return bool(ingredient.aroma) and ingredient.kind == "liqueur"
        # Next to a liqueur, the aroma of the spirit that makes up for its strength would give the glass away.
        return not (ingredient.aroma and job == "base" and attribute == "smell")

    def plain(ingredient: Ingredient) -> tuple[bool, int, int, str]:
        usual = _USUAL[job].index(ingredient.slug) if ingredient.slug in _USUAL[job] else len(_USUAL[job])
        return ingredient.slug not in in_stock, usual, sum(ingredient.aroma.values()) if job != "liqueur" else 0, ingredient.name

    ingredients = [ingredient for ingredient in larder.values() if ingredient.slug in _USUAL[job] or does(ingredient)]
    kept = [
        ingredient
        for ingredient in ingredients
        if ingredient.slug in in_stock or ingredient.slug in _USUAL[job] or (job == "liqueur" and ingredient.rank == 1)
    ]
    return sorted(kept, key=plain)


def jugs_for(
    attribute: Attribute,
    bottles: Mapping[str, Ingredient],
    water: Ingredient,
    triangles: int,
    grid_ml: float = GRID_ML,
    volume_ml: float = 0.0,
) -> Jugs:
    """Compute the two jugs for some triangles, in the smallest measurable volumes.

    Each jug is mixed to its own strength, sugar and acid, a linear problem; then its amounts are rounded up or down so that the jugs
    stay equal in the other attributes. The smallest volume that allows this is used.

    Parameters
    ----------
    bottles : mapping of job to ingredient    one for each of `needs`
    triangles : int                           how many are to be poured out of them, 1 to 200
    grid_ml : float, [ml]                     the smallest measure

    Raises
    ------
    OutOfRange
        The number of triangles, or the measure, is impossible.
    DomainError
        An ingredient is missing, or these can't make two such jugs.
    """
    if not 1 <= triangles <= 200:
        raise OutOfRange("the number of tests", triangles, 1, 200)
    part_ml, parts = glass_of(grid_ml)
    missing = [job for job in needs(attribute) if job not in bottles]
    if missing:
        raise DomainError(f"two jugs for {NOUNS[attribute]} need a bottle for {' and '.join(missing)}")
    shares = [_shares(attribute, bottles, steps) for steps in (0.0, SPAN_STEPS)]
    things = [*(bottles[job] for job in needs(attribute)), water]
    least = max(volume_ml, math.ceil(triangles * GLASSES_A_JUG * part_ml * parts / 10) * 10.0)
    for volume in np.arange(least, least + MOST_MORE_ML, 10.0).tolist():
        jugs = _measured(attribute, things, shares, volume, grid_ml)
        if jugs is not None:
            return Jugs(attribute, *jugs, part_ml, parts)
    raise DomainError(f"these bottles can't make two jugs that differ in {NOUNS[attribute]} alone: choose plainer ones")


def _shares(attribute: Attribute, bottles: Mapping[str, Ingredient], steps: float) -> list[float]:
    """Return each ingredient's share of a jug some steps above the weaker one, in the order of `needs`, then water's; they add up to 1."""
    abv, sugar, acid = _LEVELS[attribute]
    smell = 0.0
    if attribute == "smell":
        liqueur = bottles["liqueur"].composition
        smell = _SMELL_SHARE * math.exp(SMELL_STEP * steps)
        # The weaker jug is brought to the strength of the stronger one.
        abv = liqueur.abv * _SMELL_SHARE * math.exp(SMELL_STEP * SPAN_STEPS)
    else:
        up = math.exp(AXES[attribute].step * steps)
        abv, sugar, acid = (level * up if name == attribute else level for name, level in (("abv", abv), ("sugar", sugar), ("acid", acid)))
    jobs = [job for job in needs(attribute) if job != "liqueur"]
    rows = [0, 1, 2] if "base" in jobs else [1, 2]
    columns = np.array([bottles[job].composition.axes for job in jobs])[:, rows].T
    wanted = np.array([abv, sugar, acid])
    if smell:
        wanted = wanted - smell * np.array(bottles["liqueur"].composition.axes)
    try:
        solution = np.linalg.solve(columns, wanted[rows]).tolist()
    except np.linalg.LinAlgError as error:
        raise DomainError(f"these bottles can't make two jugs that differ in {NOUNS[attribute]} alone: choose plainer ones") from error
    shares = [*solution, *([smell] if smell else [])]
    shares.append(1 - sum(shares))
    if min(shares) < -1e-9:
        raise DomainError(f"with these bottles a jug for {NOUNS[attribute]} comes out too weak or too sweet: choose plainer ones")
    return shares


def _measured(
    attribute: Attribute, things: Sequence[Ingredient], shares: Sequence[Sequence[float]], volume_ml: float, grid_ml: float
) -> tuple[Jug, Jug] | None:
    """Return both jugs on the grid, each amount rounded up or down, so that they are most equal in the other attributes; None where
    they are too small.
    """
    pairs = product(*(list(_roundings(things, share, volume_ml, grid_ml)) for share in shares))
    best = min(((_off(attribute, less, more), n, less, more) for n, (less, more) in enumerate(pairs)), key=lambda each: each[:2])
    return best[2:] if best[0] <= MOST_OFF_STEPS else None


def _roundings(things: Sequence[Ingredient], shares: Sequence[float], volume_ml: float, grid_ml: float) -> Iterable[Jug]:
    ends = []
    for share in shares[:-1]:
        exact = share * volume_ml / grid_ml
        ends.append(sorted({math.floor(exact + 1e-9) * grid_ml, math.ceil(exact - 1e-9) * grid_ml}))
    for amounts in product(*ends):
        water = volume_ml - sum(amounts)
        yield _jug(things, [*amounts, round(water / grid_ml) * grid_ml])


def _jug(things: Sequence[Ingredient], amounts: Sequence[float]) -> Jug:
    volume = math.fsum(amounts)
    abv, sugar, acid = (np.array(amounts) @ np.array([thing.composition.axes for thing in things]) / volume).tolist()
    liqueur = math.fsum(ml for ingredient, ml in zip(things, amounts, strict=True) if ingredient.kind == "liqueur")
    pours = tuple(Pour(ingredient, ml, slot=_slot(ingredient)) for ingredient, ml in zip(things, amounts, strict=True) if ml > 0)
    return Jug(pours, volume, (abv, sugar, acid), liqueur / volume)


def _off(attribute: Attribute, less: Jug, more: Jug) -> float:
    """Return how many steps two jugs differ in the other attributes; infinite where they hardly differ in the tested one."""
    ends = zip(AXES.items(), _axes(less.level), _axes(more.level), strict=True)
    apart = {name: abs(float(axis.at(there) - axis.at(here))) for (name, axis), here, there in ends}
    asked = _smell_apart(less, more) if attribute == "smell" else apart.pop(attribute)
    return max(apart.values()) if asked >= LEAST_APART else math.inf


def _smell_apart(less: Jug, more: Jug) -> float:
    return math.log(more.smell / less.smell) / SMELL_STEP if less.smell > 0 else 0.0


def _axes(level: Level) -> tuple[float, float, float]:
    """Strength, sugar and acid in the order of the axes."""
    abv, sugar, acid = level
    return sugar, acid, abv


def _slot(ingredient: Ingredient) -> Literal["base", "sour", "sweet", "liqueur", "lengthener", "other"]:
    return next((slot for slot in ("liqueur", "base", "sour", "sweet") if slot in ingredient.slots), "other")
