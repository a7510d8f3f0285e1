"""Request for a rebalancing: target, weights, pours that may change, and ingredients that may be added."""

from __future__ import annotations

import json
from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Annotated, Any, Literal

from pydantic import Discriminator, Field, Tag, TypeAdapter, ValidationError

from oenomel.core.balance import FIGURES, profile_as_made
from oenomel.core.dilution import Conditions
from oenomel.core.families import TypicalRanges, typical_range_for
from oenomel.core.larder import Ingredient
from oenomel.core.rebalance import Objective, Target
from oenomel.core.rebalance.target import COARSEST_GRID_ML, FINEST_GRID_ML, Weights, figures_of
from oenomel.core.spec import Drink, FamilyName
from oenomel.core.trials.palate import Palate
from oenomel.errors import RecordNotFound, SpecError
from oenomel.schemas.base import Entry, Level, Plain
from oenomel.schemas.spec_file import SpecFile, spec_error

__all__ = ["AimRequest", "FamilyTarget", "Grid", "TargetEntry", "TypedTarget", "aim_for", "parse_target", "pours_named", "target_from"]

Slug = Annotated[Plain, Field(min_length=1, max_length=200)]
Grid = Annotated[float, Field(ge=FINEST_GRID_ML, le=COARSEST_GRID_ML, allow_inf_nan=False)]
"""Smallest mark of the jigger, [ml]."""


class TypedTarget(Entry):
    """A target in figures as served: g of sugar and acid per 100 ml, % v/v, ml. Missing ones don't count."""

    sugar: Annotated[Level, Field(le=150)] | None = None
    acid: Annotated[Level, Field(le=150)] | None = None
    abv: Annotated[Level, Field(le=100)] | None = None
    volume_ml: Annotated[Level, Field(le=20_000)] | None = None


class FamilyTarget(Entry):
    """The middle of a family's typical range as the target, or a taster's ideal: ``palate`` is his name, empty for the bar's."""

    family: FamilyName
    palate: Annotated[Plain, Field(max_length=100)] | None = None


def _target_tag(value: Any) -> str:
    keys = value.keys() if isinstance(value, Mapping) else getattr(type(value), "model_fields", {}).keys()
    return "spec-target" if "format" in keys or "pours" in keys else "family-target" if "family" in keys else "typed-target"


TargetEntry = Annotated[
    Annotated[SpecFile, Tag("spec-target")] | Annotated[FamilyTarget, Tag("family-target")] | Annotated[TypedTarget, Tag("typed-target")],
    Discriminator(_target_tag),
]
"""A spec whose figures as served are the target, a family whose typical range is, or figures."""


class WeightsEntry(Entry):
    """Weight of each axis; 1 is the default."""

    sugar: Annotated[Level, Field(le=100)] = 1
    acid: Annotated[Level, Field(le=100)] = 1
    abv: Annotated[Level, Field(le=100)] = 1
    volume_ml: Annotated[Level, Field(le=100)] = 1


Bounds = Annotated[list[Annotated[Level, Field(le=2000)]], Field(min_length=2, max_length=2)]


class AimRequest(Entry):
    """Objective of a rebalancing.

    ``free`` names the pours that may move, by slug, by the name of an inline ingredient, or by index; by default those of base, sour,
    sweet and liqueur. ``grid`` in ml. ``bounds`` by the same names. ``correctors`` are slugs of which up to two may be added.
    ``sweetness`` counts grams of sugar, or sucrose equivalents. ``character``: whether the identity cost is part of J.
    """

    spec: SpecFile
    target: TargetEntry
    free: Annotated[list[Slug | Annotated[int, Field(ge=0, le=59)]], Field(max_length=60)] | None = None
    grid: Grid = 2.5
    weights: WeightsEntry = WeightsEntry()
    bounds: Annotated[dict[Slug, Bounds], Field(max_length=60)] = {}
    correctors: Annotated[list[Slug], Field(max_length=12)] = []
    sweetness: Literal["grams", "sucrose equivalents"] = "grams"
    character: bool = True


def parse_target(text: str) -> SpecFile | FamilyTarget | TypedTarget:
    """Parse a target file: a spec, figures, or a family.

    Raises
    ------
    SpecError
    """
    try:
        content = json.loads(text)
        return TypeAdapter[SpecFile | FamilyTarget | TypedTarget](TargetEntry).validate_python(content)
    except ValidationError as error:
        raise spec_error(error.errors()[0]) from error
    except (RecursionError, ValueError) as error:
        raise SpecError("", "the target isn't JSON") from error


def target_from(
    entry: SpecFile | FamilyTarget | TypedTarget,
    drink: Drink,
    described: Drink | None,
    homes: TypicalRanges,
    equivalents: bool,
    conditions: Conditions,
    palate: Palate | None = None,
) -> Target:
    """Return the core's target for a drink; ``described`` is the drink of a target spec, ``palate`` the palate of a family target.

    Raises
    ------
    RecordNotFound
        The family has no typical range.
    SpecError
        A palate is named where none is known.
    DomainError, EmptyDrink
    """
    if isinstance(entry, TypedTarget):
        return Target(**entry.model_dump())
    if isinstance(entry, FamilyTarget):
        # A drink without alcohol is aimed at that branch of its family.
        home = typical_range_for(replace(drink, family=entry.family), profile_as_made(drink, conditions), homes)
        if home is None:
            raise RecordNotFound("home for the family", entry.family)
        if entry.palate is not None and palate is None:
            raise SpecError("palate", "palates are in a data file, so a target file can't name one")
        return Target(**home.centre(palate.mean if palate else None), volume_ml=home.volume_ml)
    assert described is not None
    return Target(**dict(zip(FIGURES, figures_of([described], equivalents, conditions)[:, 0].tolist(), strict=True)))


def aim_for(request: AimRequest, drink: Drink, target: Target) -> Objective:
    """Return the core's objective; raises SpecError where a bound names no pour."""
    bounds = {index: (low, high) for name, (low, high) in request.bounds.items() for index in pours_named(drink, [name], f"bounds.{name}")}
    return Objective(target, Weights(**request.weights.model_dump()), request.grid, request.sweetness != "grams", bounds, request.character)


def pours_named(drink: Drink, names: Sequence[str | int], path: str = "free") -> list[int]:
    """Return the pours by slug, name or index; raises SpecError where there is none."""
    result: list[int] = []
    for name in names:
        if isinstance(name, int):
            places = [name] if name < len(drink.pours) else []
        else:
            places = [i for i, pour in enumerate(drink.pours) if name in _names_of(pour.ingredient)]
        if not places:
            raise SpecError(path, f'"{name}" isn\'t in this drink: use {", ".join(_name(p.ingredient) for p in drink.pours)}')
        result += places
    return result


def _name(ingredient: Ingredient) -> str:
    return ingredient.name if ingredient.origin == "inline" else ingredient.slug


def _names_of(ingredient: Ingredient) -> tuple[str, str]:
    return ingredient.slug, ingredient.name
