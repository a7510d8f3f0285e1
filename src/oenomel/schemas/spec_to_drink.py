"""Converting a spec file to the core's drink and back."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from types import MappingProxyType
from typing import Any, Final

from oenomel.core.larder import ACIDS, SOLIDS_ML_PER_G, SUGARS, Composition, Ingredient, Larder
from oenomel.core.larder.composition import SOLID_KINDS
from oenomel.core.spec import Drink, Pour, parse_amount, to_ml
from oenomel.core.spec.measures import is_by_eye
from oenomel.core.spec.units import pourable
from oenomel.errors import DomainError, SpecError
from oenomel.schemas.spec_file import (
    CompositionEntry,
    GarnishEntry,
    InlineIngredient,
    MethodEntry,
    PourEntry,
    ServeEntry,
    SpecFile,
    SpreadEntry,
)

FOLLOWS_WITHIN: Final = 0.005

__all__ = [
    "TODAYS",
    "Lots",
    "composition_entry",
    "drink_from_spec",
    "follows",
    "inline_ingredient",
    "lots_named",
    "plain_spec",
    "same_spec",
    "slugs_of",
    "spec_as_poured",
    "spec_from_drink",
    "written",
]


Lots = Mapping[tuple[str, str], Ingredient]
"""Ingredients as they are in a lot, by slug and by the pour's name for the lot."""

TODAYS: Final = "today"
"""Name of the lot used today: the newest that isn't finished."""


def drink_from_spec(spec: SpecFile, larder: Larder, lots: Lots = MappingProxyType({})) -> Drink:
    """Return the drink of a spec, its amounts resolved to ml.

    ``lots`` are those that its pours name; an unknown lot keeps its name, and the ingredient its usual values.

    Raises
    ------
    SpecError
        An ingredient is not in the larder, a composition can't be, or an amount can't be resolved; the path names the place.
    """
    pours = [_pour(index, entry, spec, larder, lots) for index, entry in enumerate(spec.pours)]
    return Drink(
        name=spec.name,
        family=spec.family,
        form=spec.form,
        pours=tuple(_followed(index, spec, pours) for index in range(len(pours))),
        method=spec.method.worked(),
        serve=spec.serve.served(),
    )


def spec_from_drink(drink: Drink) -> SpecFile:
    """Return a spec with every amount in ml."""
    return SpecFile(
        format="oenomel/spec",
        version=1,
        name=drink.name,
        family=drink.family,
        form=drink.form,
        pours=[
            PourEntry.model_validate(
                {"ingredient": written(p.ingredient), "amount": p.volume_ml, "unit": "ml", "slot": p.slot, "stage": p.stage}
            )
            for p in drink.pours
        ],
        method=MethodEntry.of(drink.method),
        serve=ServeEntry.of(drink.serve),
    )


def spec_as_poured(drink: Drink) -> SpecFile:
    """Return a spec with every amount in its usual unit: dashes, leaves, a piece."""
    spec = spec_from_drink(drink)
    pours = [
        entry if pour.amount is None else entry.model_copy(update={"amount": pour.amount, "unit": pour.unit})
        for entry, pour in zip(spec.pours, drink.pours, strict=True)
    ]
    return spec.model_copy(update={"pours": pours})


def _pour(index: int, entry: PourEntry, spec: SpecFile, larder: Larder, lots: Lots) -> Pour:
    location = f"pours[{index}]"
    ingredient = _ingredient(f"{location}.ingredient", entry, larder)
    if entry.lot is not None:
        ingredient = lots.get((ingredient.slug, entry.lot), ingredient)
    try:
        amount = parse_amount(entry.amount)
        volume_ml = to_ml(amount, entry.unit, ingredient, spec.ounce_ml, spec.part_ml)
    except DomainError as error:
        where = "unit" if entry.unit == "part" and spec.part_ml is None else "amount"
        raise SpecError(f"{location}.{where}", str(error)) from error
    by_eye = entry.said is not None and is_by_eye(entry.said)
    return Pour(ingredient, volume_ml, entry.unit, entry.slot, entry.stage, by_eye, amount=amount)


def _followed(index: int, spec: SpecFile, pours: Sequence[Pour]) -> Pour:
    """Return a pour, with a relative amount replaced by the amount of the pour it refers to; chains are followed to their end."""
    times, at, seen = 1.0, index, [index]
    while (relative := spec.pours[at].relative) is not None:
        if relative.to in seen:
            raise SpecError(f"pours[{index}].relative", "refers to itself")
        times, at = times * relative.times, relative.to
        seen.append(at)
    try:
        followed = pourable(times * pours[at].volume_ml)
    except DomainError as error:
        raise SpecError(f"pours[{index}].relative", str(error)) from error
    # The file holds the resolved amount; the original is kept where only rounding differs.
    return pours[index] if follows(pours[index].volume_ml, followed) else pours[index].at(followed)


def follows(volume_ml: float, followed_ml: float) -> bool:
    """Check whether an amount equals the one it is relative to, up to rounding."""
    return abs(volume_ml - followed_ml) <= FOLLOWS_WITHIN * max(followed_ml, 1.0)


def _ingredient(location: str, entry: PourEntry, larder: Larder) -> Ingredient:
    try:
        if isinstance(entry.ingredient, str):
            return larder[entry.ingredient]
        return inline_ingredient(entry.ingredient)
    except DomainError as error:
        where = location if isinstance(entry.ingredient, str) else f"{location}.composition"
        raise SpecError(where, str(error)) from error


def inline_ingredient(entry: InlineIngredient) -> Ingredient:
    """Return the ingredient described in a file; raises what `Composition` raises."""
    return Ingredient(
        slug=f"inline:{entry.name}",
        name=entry.name,
        kind=entry.kind,
        composition=_composition(entry.composition, solid=entry.kind in SOLID_KINDS),
        piece_ml=entry.piece_ml,
        piece_g=entry.piece_g,
        origin="inline",
    )


def written(ingredient: Ingredient) -> str | InlineIngredient:
    """Return an ingredient as a spec names it: its slug in the larder, or its whole description."""
    if ingredient.origin != "inline":
        return ingredient.slug
    return InlineIngredient(
        name=ingredient.name,
        kind=ingredient.kind,
        composition=composition_entry(ingredient.composition),
        piece_ml=ingredient.piece_ml,
        piece_g=ingredient.piece_g,
    )


def composition_entry(composition: Composition) -> CompositionEntry:
    """Return a composition of the core as an entry of the file."""
    spread: dict[str, Any] = {
        name: composition.spread[name] for name in SpreadEntry.model_fields if isinstance(composition.spread.get(name), float)
    }
    for group, kinds in (("sugars", SUGARS), ("acids", ACIDS)):
        of_all = composition.spread.get(group)
        of_kinds = {kind: composition.spread[kind] for kind in kinds if kind in composition.spread}
        if of_all is not None:
            of_kinds = {kind: of_all for kind, grams in getattr(composition, group).items() if grams}
        spread.pop(group, None)
        if of_kinds:
            spread[group] = of_kinds
    amounts = {name: getattr(composition, name) for name in ("abv", "salt", "protein", "fat", "density", "co2")}
    kinds_of = {"sugars": dict(composition.sugars), "acids": dict(composition.acids)}
    return CompositionEntry.model_validate({**amounts, **kinds_of, **({"spread": spread} if spread else {})})


def _composition(entry: CompositionEntry, solid: bool) -> Composition:
    # Dry sugar is described per 100 ml of crystals or of heap, as its density shows; the core needs it as dissolved.
    scale = 1 / (SOLIDS_ML_PER_G * entry.density) if solid and entry.density else 1.0
    return Composition(
        abv=entry.abv,
        sugars={kind: grams * scale for kind, grams in entry.sugars if grams},
        acids={kind: grams * scale for kind, grams in entry.acids if grams},
        salt=entry.salt * scale,
        protein=entry.protein * scale,
        fat=entry.fat * scale,
        density=1 / SOLIDS_ML_PER_G if solid else entry.density,
        co2=entry.co2,
        spread=_spread(entry.spread),
        solid=solid,
    )


def _spread(entry: SpreadEntry | None) -> dict[str, float]:
    if entry is None:
        return {}
    given: dict[str, Any] = entry.model_dump(exclude_none=True)
    return {**given.pop("sugars", {}), **given.pop("acids", {}), **given}


def lots_named(*specs: SpecFile) -> set[tuple[str, str]]:
    """Return the lots that specs name: slug, and the lot's name."""
    return {(pour.ingredient, pour.lot) for spec in specs for pour in spec.pours if isinstance(pour.ingredient, str) and pour.lot}


def slugs_of(*specs: SpecFile) -> set[str]:
    """Return the slugs that specs name."""
    return {pour.ingredient for spec in specs for pour in spec.pours if isinstance(pour.ingredient, str)}


def plain_spec(spec: SpecFile) -> SpecFile:
    """Return a spec in normal form: amounts as numbers ("3/4" and 0.75 are equal), garnishes split into their parts."""
    pours = [pour.model_copy(update={"amount": parse_amount(pour.amount)}) for pour in spec.pours]
    serve = spec.serve.model_copy(update={"garnish": [GarnishEntry.by_parts(garnish) for garnish in spec.serve.garnish]})
    return spec.model_copy(update={"pours": pours, "serve": serve})


def same_spec(one: SpecFile, other: SpecFile) -> bool:
    """Check whether two specs are equal in normal form, defaults filled in."""
    return plain_spec(one).model_dump() == plain_spec(other).model_dump()
