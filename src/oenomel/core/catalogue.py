"""Reads ingredients, each number with its source, from the text of a larder file; ships the catalogue of generic classes."""

from __future__ import annotations

import difflib
import tomllib
from collections.abc import Iterator, Mapping
from functools import cache
from importlib import resources
from typing import Any, Final

from oenomel.core.composition import ACIDS, PROPERTIES, SOLID_KINDS, SOLIDS_ML_PER_G, SUGARS, Composition
from oenomel.core.ingredient import KINDS, SLOTS, Ingredient, SourcedValue
from oenomel.errors import DomainError, SpecError, UnknownIngredient

__all__ = ["Larder", "catalogue", "composition_from_values", "read_ingredients"]

_VALUE_KEYS: Final = frozenset({*PROPERTIES, "density", "co2"})
_TEXT_KEYS: Final = frozenset({"name", "kind", "slots", "impression", "allergens", "cautions", "piece_ml", "piece_g", "sugars", "acids"})


class Larder(dict[str, Ingredient]):
    """Ingredients by slug; an unknown slug is an error that names it and its likeliest neighbour."""

    def __missing__(self, slug: str) -> Ingredient:
        near = difflib.get_close_matches(slug, self, n=1)
        raise UnknownIngredient(slug, near[0] if near else None)


@cache
def catalogue() -> Larder:
    """The ingredients that ship with the app."""
    return read_ingredients(_data("catalogue.toml"), origin="catalogue")


def read_ingredients(text: str, origin: str) -> Larder:
    """Ingredients from the text of a larder file (TOML; the catalogue is the example).

    Raises
    ------
    SpecError
        The text is not TOML, or names an unknown key, kind, slot or source, or a composition that can't be.
    """
    try:
        tables = tomllib.loads(text)
    except tomllib.TOMLDecodeError as error:
        raise SpecError("", f"not TOML: {error}") from error
    return Larder((slug, _ingredient(slug, table, origin)) for slug, table in tables.items())


def _ingredient(slug: str, table: Mapping[str, Any], origin: str) -> Ingredient:
    for key in table:
        if key not in _TEXT_KEYS | _VALUE_KEYS:
            raise SpecError(f"{slug}.{key}", "unknown key")
    _one_of(f"{slug}.kind", table["kind"], KINDS)
    for slot in table.get("slots", ()):
        _one_of(f"{slug}.slots", slot, SLOTS)
    values = {value.name: value for value in _sourced_values(slug, table)}
    try:
        composition = composition_from_values(values, table["kind"])
    except DomainError as error:
        raise SpecError(slug, str(error)) from error
    return Ingredient(
        slug=slug,
        name=table["name"],
        kind=table["kind"],
        composition=composition,
        slots=tuple(table.get("slots", ())),
        impression=table.get("impression", ""),
        allergens=tuple(table.get("allergens", ())),
        cautions=tuple(table.get("cautions", ())),
        piece_ml=table.get("piece_ml"),
        piece_g=table.get("piece_g"),
        origin=origin,
        values=values,
    )


def _sourced_values(slug: str, table: Mapping[str, Any]) -> Iterator[SourcedValue]:
    cells = {**table.get("sugars", {}), **table.get("acids", {}), **{key: table[key] for key in _VALUE_KEYS if key in table}}
    for name, cell in cells.items():
        path = f"{slug}.{name}"
        if name not in _VALUE_KEYS:
            raise SpecError(path, "unknown key")
        if not (isinstance(cell, list) and len(cell) == 4):
            raise SpecError(path, "wants [value, spread, source, why]")
        value, relative_sd, source, why = cell
        _one_of(path, source, tuple(_sources()))
        yield SourcedValue(name, float(value), float(relative_sd), _sources()[source]["citation"], _sources()[source]["kind"], why)


def composition_from_values(values: Mapping[str, SourcedValue], kind: str) -> Composition:
    """The composition that sourced values of an ingredient of this kind make; raises what `Composition` raises."""
    solid = kind in SOLID_KINDS

    def of(names: tuple[str, ...]) -> dict[str, float]:
        return {name: values[name].value for name in names if name in values}

    return Composition(
        **of(("abv", "salt", "protein", "fat", "co2")),
        density=values["density"].value if "density" in values else (1 / SOLIDS_ML_PER_G if solid else None),
        sugars=of(SUGARS),
        acids=of(ACIDS),
        spread={value.name: value.relative_sd for value in values.values()},
        solid=solid,
    )


def _one_of(path: str, value: str, known: tuple[str, ...]) -> None:
    if value not in known:
        raise SpecError(path, f'"{value}" is not one of {", ".join(known)}')


@cache
def _sources() -> dict[str, dict[str, str]]:
    return tomllib.loads(_data("sources.toml"))


def _data(name: str) -> str:
    return (resources.files("oenomel.core") / "data" / name).read_text(encoding="utf-8")
