"""Criteria for a new drink (docs/model/originals.md)."""

from __future__ import annotations

from dataclasses import dataclass, field, fields, replace
from typing import Any, Final, Literal

from oenomel.core.families import families
from oenomel.core.glass.colour import COLOURS
from oenomel.core.larder import aromas
from oenomel.core.originals.usual_measures import seasons
from oenomel.core.spec import GRID_ML, FamilyName
from oenomel.errors import DomainError, OutOfRange

Sweetness = Literal["", "dry", "sweet"]
FromBook = Literal["", "near", "far"]

MOST_WANTED: Final = 60
COARSEST_GRID_ML: Final = 15.0
"""Most originals of a search, and the coarsest grid, with which half a base can still be poured."""

MOST_SEED: Final = 2**53
ORIGINAL_FAMILIES: Final[tuple[FamilyName, ...]] = ("sour", "daisy", "fizz")

WITHOUT: Final = ("alcohol", "egg", "milk", "vegan")
"""Words for what can be excluded, besides allergens, kinds and slugs."""


@dataclass(frozen=True, slots=True)
class Criteria:
    """Criteria of a search for original drinks; empty fields don't restrict.

    Parameters
    ----------
    family : str                            sour, daisy or fizz
    form : str                              one of its forms
    must, may, less : tuple of str          slugs: in every drink; gladly; less of it
    without : tuple of str                  slugs, kinds, allergens, "egg", "milk", "alcohol"
    pool : frozenset of str or None         slugs that may be used at all, such as what is in stock
    soon : frozenset of str                 slugs that want to be used up: gladly
    abv : (low, high) or None, [% v/v]      as served
    sweetness : str                         "dry", "sweet", or as the family has it
    off : three floats, [steps]             a taster's palate from the middle of a typical range
    most_cost : float or None               of a glass, in the bar's own currency
    colour : str                            one of `glass.COLOURS`
    aroma : tuple of str                    tags or groups of the list: each is to be smelt
    season : str                            spring, summer, autumn, winter: gladly
    from_book : str                         "near" or "far" from what the book has
    ingredients : (least, most)             how many are poured
    shape : tuple of str                    positions that are filled, where exactly these are wanted
    like : tuple of str                     slugs of a drink that it should resemble
    count, seed : int
    grid_ml : float                         smallest step of the jigger

    Raises
    ------
    DomainError
    """

    family: FamilyName
    form: str = ""
    must: tuple[str, ...] = ()
    may: tuple[str, ...] = ()
    less: tuple[str, ...] = ()
    without: tuple[str, ...] = ()
    pool: frozenset[str] | None = None
    soon: frozenset[str] = frozenset()
    abv: tuple[float, float] | None = None
    sweetness: Sweetness = ""
    off: tuple[float, float, float] = (0.0, 0.0, 0.0)
    most_cost: float | None = None
    colour: str = ""
    aroma: tuple[str, ...] = ()
    season: str = ""
    from_book: FromBook = ""
    ingredients: tuple[int, int] = (3, 6)
    shape: tuple[str, ...] = ()
    like: tuple[str, ...] = ()
    count: int = 20
    seed: int = 1
    grid_ml: float = field(default=GRID_ML)

    def __post_init__(self) -> None:
        if self.family not in ORIGINAL_FAMILIES:
            raise DomainError(f'new ideas are sours, daisies or fizzes: "{self.family}" has no typical range')
        forms = [form.name for form in families()[self.family].forms]
        if self.form and self.form not in forms:
            raise DomainError(f'the {self.family} has no form "{self.form}": use {", ".join(forms)}')
        if not 1 <= self.count <= MOST_WANTED:
            raise OutOfRange("the number of ideas", self.count, 1, MOST_WANTED)
        if not 0 <= self.seed <= MOST_SEED:
            raise OutOfRange("the seed", self.seed, 0, MOST_SEED)
        if self.abv is not None:
            low, high = self.abv
            if not 0 <= low <= 100 or not 0 <= high <= 100:
                raise OutOfRange("the strength", low if not 0 <= low <= 100 else high, 0, 100)
            if low > high:
                raise DomainError(f"a strength from {low:g} to {high:g}% is the wrong way round: enter the lower one first")
            if self.without_alcohol and low > 0:
                raise DomainError(f"non-alcoholic and {low:g}% or more can't both be met: remove one")
        if not 0.25 <= self.grid_ml <= COARSEST_GRID_ML:
            raise OutOfRange("the smallest jigger mark in ml", self.grid_ml, 0.25, COARSEST_GRID_ML)
        both = sorted(set(self.must) & set(self.without))
        if both:
            raise DomainError(f"{both[0]} is both wanted and avoided: remove one")
        known = aromas()
        groups = {aroma.group for aroma in known.values()}
        for word in self.aroma:
            if word not in known and word not in groups:
                raise DomainError(f'"{word}" isn\'t an aroma of the list: use {", ".join(sorted(groups))}or one of their tags')
        if self.colour and self.colour not in COLOURS:
            raise DomainError(f'"{self.colour}" isn\'t a colour of the list: use {", ".join(COLOURS)}')
        if self.season and self.season not in seasons():
            raise DomainError(f'"{self.season}" isn\'t a season: use {", ".join(seasons())}')
        least, most = self.ingredients
        if not 2 <= least <= most <= 8:
            raise DomainError(f"{least} to {most} ingredients isn't possible: use 2 to 8, the lower number first")

    @property
    def without_alcohol(self) -> bool:
        """True if no alcohol at all is wanted."""
        return "alcohol" in self.without or self.form == "without alcohol"

    @property
    def structure(self) -> Criteria:
        """The criteria that decide which combinations exist: searches that differ in the others share a sample."""
        kept = ("family", "form", "must", "without", "pool", "ingredients", "shape", "seed", "grid_ml")
        return Criteria(**{name: getattr(self, name) for name in kept})

    def _with(self, name: str, value: Any) -> Criteria:
        return replace(self, **{name: value})

    def dropped(self) -> list[tuple[str, Criteria]]:
        """Return the criteria with each single one dropped, and its name."""
        plain = Criteria(self.family)
        result = []
        for limit in fields(self):
            if limit.name in ("family", "may", "less", "soon", "count", "seed", "grid_ml", "like", "off", "season"):
                continue
            value = getattr(self, limit.name)
            if value == getattr(plain, limit.name):
                continue
            parts: tuple[str, ...] = value if limit.name in ("must", "without", "aroma") else ()
            if len(parts) > 1:
                result += [(part, self._with(limit.name, tuple(other for other in parts if other != part))) for part in parts]
            else:
                result.append((parts[0] if parts else _CALLED[limit.name], self._with(limit.name, getattr(plain, limit.name))))
        return result


_CALLED: Final = {
    "form": "the form", "pool": "“only what is in stock”", "abv": "the strength", "sweetness": "the sweetness", "most_cost": "the price",
    "colour": "the colour", "from_book": "the distance from your recipes", "ingredients": "the number of ingredients", "shape": "the parts",
}  # fmt: skip
