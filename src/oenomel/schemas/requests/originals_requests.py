"""Criteria for original drinks in a request or on the command line."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence
from typing import Annotated, Final, Literal

from pydantic import AliasChoices, Field, StringConstraints, ValidationError

from oenomel.core.glass.colour import wished_colour
from oenomel.core.larder import Ingredient
from oenomel.core.larder.ingredient import ALLERGENS, KINDS
from oenomel.core.originals import Criteria
from oenomel.core.originals.criteria import COARSEST_GRID_ML, WITHOUT
from oenomel.core.spec import GRID_ML
from oenomel.errors import SpecError
from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.requests.tasting_requests import BriefEntry
from oenomel.schemas.spec_file import spec_error

__all__ = ["WishEntry", "wish_entry", "wish_from", "wish_of_brief"]

Word = Annotated[Plain, StringConstraints(strip_whitespace=True, min_length=1, max_length=200)]
Words = Annotated[list[Word], Field(max_length=60)]
Strength = Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)]


class WishEntry(Entry):
    """Criteria for new drinks; see `core.originals.Criteria`.

    Ingredients are slugs or unambiguous names. ``at_hand``: only what is in stock; ``use_up_soon``: prefer what should be used up;
    ``palate`` is a taster, or "" for the bar. ``taken_names`` are names that no original may have.
    """

    family: Literal["sour", "daisy", "fizz"]
    form: Annotated[Plain, Field(max_length=60)] = ""
    must: Annotated[list[Word], Field(max_length=8)] = []
    may: Words = []
    less: Words = []
    without: Words = []
    at_hand: bool = False
    use_up_soon: Annotated[bool, Field(validation_alias=AliasChoices("use_up_soon", "soon"))] = False
    abv: Annotated[list[Strength], Field(min_length=2, max_length=2)] | None = None
    sweetness: Literal["", "dry", "sweet"] = ""
    palate: Annotated[Plain, Field(max_length=200)] | None = None
    most_cost: Annotated[float, Field(ge=0, le=1_000_000, allow_inf_nan=False)] | None = None
    colour: Annotated[Plain, Field(max_length=30)] = ""
    aroma: Annotated[list[Word], Field(max_length=8)] = []
    season: Literal["", "spring", "summer", "autumn", "winter"] = ""
    from_book: Literal["", "near", "far"] = ""
    least_ingredients: Annotated[int, Field(ge=2, le=8)] = 3
    most_ingredients: Annotated[int, Field(ge=2, le=8)] = 6
    shape: Annotated[list[Word], Field(max_length=12)] = []
    like: Words = []
    taken_names: Annotated[list[Word], Field(max_length=200, validation_alias=AliasChoices("taken_names", "but"))] = []
    count: Annotated[int, Field(ge=1, le=60)] = 12
    seed: Annotated[int, Field(ge=0, le=2**53)] = 1
    grid: Annotated[float, Field(ge=0.25, le=COARSEST_GRID_ML, allow_inf_nan=False)] = GRID_ML


def wish_entry(content: Mapping[str, object]) -> WishEntry:
    """Build criteria from plain values; raises SpecError with the path of the wrong one."""
    try:
        return WishEntry.model_validate(content)
    except ValidationError as error:
        raise spec_error(error.errors()[0]) from error


def wish_of_brief(brief: BriefEntry, family: str) -> WishEntry:
    """Return the criteria that a brief implies, in the drink's own family; a sour where that has no typical range."""
    band = None if brief.least_abv is None and brief.most_abv is None else [brief.least_abv or 0.0, brief.most_abv or 100.0]
    return WishEntry.model_validate(
        {
            "family": "sour" if family == "open" else family,
            "without": brief.avoid,
            "abv": band,
            "sweetness": brief.sweetness if brief.sweetness in ("dry", "sweet") else "",
            "colour": wished_colour(brief.colour),
            "most_cost": brief.most_cost,
        }
    )


def wish_from(
    entry: WishEntry,
    known: Callable[[str], Ingredient | None],
    *,
    pool: frozenset[str] | None = None,
    soon: frozenset[str] = frozenset(),
    off: Sequence[float] = (0.0, 0.0, 0.0),
) -> Criteria:
    """Return the core's criteria; ``pool`` are the slugs in stock, ``soon`` those that should be used up, ``off`` a palate in steps.

    Raises
    ------
    SpecError
        A word means no ingredient for sure; the path names its place.
    DomainError
    """
    sweet, sharp, strong = off
    return Criteria(
        family=entry.family,
        form=entry.form,
        must=_slugs_meant("must", entry.must, known),
        may=_slugs_meant("may", entry.may, known),
        less=_slugs_meant("less", entry.less, known),
        without=_exclusions(entry.without, known),
        pool=pool,
        soon=soon,
        abv=None if entry.abv is None else (entry.abv[0], entry.abv[1]),
        sweetness=entry.sweetness,
        off=(float(sweet), float(sharp), float(strong)),
        most_cost=entry.most_cost,
        colour=entry.colour.lower(),
        aroma=tuple(dict.fromkeys(word.lower() for word in entry.aroma)),
        season=entry.season,
        from_book=entry.from_book,
        ingredients=(entry.least_ingredients, entry.most_ingredients),
        shape=tuple(entry.shape),
        like=_slugs_meant("like", entry.like, known),
        count=entry.count,
        seed=entry.seed,
        grid_ml=entry.grid,
    )


def _slugs_meant(location: str, words: Iterable[str], known: Callable[[str], Ingredient | None]) -> tuple[str, ...]:
    """Return the ingredients that words mean, each once; raises SpecError for an ambiguous word."""
    result = []
    for index, word in enumerate(words):
        ingredient = known(word)
        if ingredient is None:
            raise SpecError(f"{location}[{index}]", f'no single ingredient matches "{word}": find it first, and use its slug')
        result.append(ingredient.slug)
    return tuple(dict.fromkeys(result))


_SAID: Final = {
    "nuts": "tree nuts",
    "nut": "tree nuts",
    "eggs": "egg",
    "dairy": "milk",
    "lactose": "milk",
    "cream": "milk",
    "wheat": "gluten",
}
"""Everyday words for what guests avoid."""


def _exclusions(words: Iterable[str], known: Callable[[str], Ingredient | None]) -> tuple[str, ...]:
    plain = {*WITHOUT, *ALLERGENS, *KINDS}
    words_meant = [_SAID.get(word.lower(), word) for word in words]
    slugs = [word.lower() if word.lower() in plain else _slugs_meant("without", [word], known)[0] for word in words_meant]
    return tuple(dict.fromkeys(slugs))
