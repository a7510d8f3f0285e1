"""Reading ingredients, each value with its source, from a larder file; holds the shipped catalogue of generic classes."""

from __future__ import annotations

import difflib
import math
import tomllib
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cache
from importlib import resources
from importlib.resources.abc import Traversable
from typing import Any, Final

from oenomel.core.larder.composition import ACIDS, PROPERTIES, SOLID_KINDS, SUGARS, Composition
from oenomel.core.larder.ingredient import FOAMS, KINDS, LABELS, RAREST_RANK, SLOTS, USUAL_RANK, Ingredient, SourcedValue
from oenomel.core.larder.solutions import SOLIDS_ML_PER_G
from oenomel.errors import DomainError, SpecError, UnknownIngredient

_COMPOSITION_KEYS: Final = frozenset({*PROPERTIES, "density", "co2"})
_HOUSE_LABELS: Final = ("bitterness", "keeps_days", "loud_above_ml")
_COLOUR: Final = ("absorbance_red", "absorbance_green", "absorbance_blue", "cloudiness")
_OTHER_KEYS: Final = frozenset(
    {
        "name",
        "also",
        "rank",
        "kind",
        "slots",
        "impression",
        "allergens",
        "cautions",
        "piece_ml",
        "piece_g",
        "sugars",
        "acids",
        "aroma",
        "foam",
        "colour",
    }
)
_LABEL_RELATIVE_SD: Final = 0.3
_COLOUR_RELATIVE_SD: Final = 0.4
"""Keys of a larder file, and the relative standard deviations of a label of the bar and of a colour by eye (estimates)."""


@dataclass(frozen=True, slots=True)
class Aroma:
    """One aroma tag: its meaning, and its group."""

    tag: str
    words: str
    group: str


class Larder(dict[str, Ingredient]):
    """Ingredients by slug; an unknown slug raises an error that names it and the closest known one."""

    def __missing__(self, slug: str) -> Ingredient:
        near = difflib.get_close_matches(slug, self, n=1)
        raise UnknownIngredient(slug, near[0] if near else None)


@cache
def catalogue() -> Larder:
    """Return the shipped ingredients."""
    files = sorted((_data() / "catalogue").iterdir(), key=lambda each: each.name)
    shipped = [read_ingredients(file.read_text(encoding="utf-8"), origin="catalogue") for file in files if file.name.endswith(".toml")]
    return Larder((slug, ingredient) for larder in shipped for slug, ingredient in larder.items())


@cache
def aromas() -> dict[str, Aroma]:
    """Return the aroma tags."""
    tables = tomllib.loads((_data() / "aromas.toml").read_text(encoding="utf-8"))
    return {tag: Aroma(tag, **table) for tag, table in tables.items()}


def read_ingredients(text: str, origin: str) -> Larder:
    """Read ingredients from the text of a larder file (TOML; described in `data/catalogue/README.md`).

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
        if key not in _OTHER_KEYS | _COMPOSITION_KEYS | set(LABELS):
            raise SpecError(f"{slug}.{key}", "unknown key")
    _one_of(f"{slug}.kind", table["kind"], KINDS)
    for slot in table.get("slots", ()):
        _one_of(f"{slug}.slots", slot, SLOTS)
    for tag, weight in table.get("aroma", {}).items():
        _one_of(f"{slug}.aroma", tag, tuple(aromas()))
        if weight not in (1, 2, 3):
            raise SpecError(f"{slug}.aroma.{tag}", f"needs a weight of 1, 2 or 3, not {weight!r}")
    _one_of(f"{slug}.foam", table.get("foam", ""), FOAMS)
    if table.get("rank", USUAL_RANK) not in range(1, RAREST_RANK + 1):
        raise SpecError(f"{slug}.rank", f"needs 1 to {RAREST_RANK}, not {table['rank']!r}")
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
        aroma=table.get("aroma", {}),
        foam=table.get("foam", ""),
        origin=origin,
        also=tuple(table.get("also", ())),
        rank=table.get("rank", USUAL_RANK),
        values=values,
    )


def _sourced_values(slug: str, table: Mapping[str, Any]) -> Iterator[SourcedValue]:
    plain = {key: cell for key, cell in table.items() if key in _COMPOSITION_KEYS | set(LABELS)}
    cells = {**table.get("sugars", {}), **table.get("acids", {}), **plain}
    for name in _HOUSE_LABELS:
        if isinstance(cells.get(name), (int, float)):
            cells[name] = [
                cells[name],
                _LABEL_RELATIVE_SD,
                "label-of-the-house",
                "a typical label, not a measurement: your bottle's label decides",
            ]
    if "colour" in table:
        why = "absorbance per cm, against a dilution series"
        cells |= {name: [value, _COLOUR_RELATIVE_SD, "by-eye", why] for name, value in zip(_COLOUR, table["colour"], strict=True) if value}
    for name, cell in cells.items():
        path = f"{slug}.{name}"
        if name not in _COMPOSITION_KEYS | set(LABELS):
            raise SpecError(path, "unknown key")
        if not (isinstance(cell, list) and len(cell) == 4):
            raise SpecError(path, "needs [value, spread, source, why]")
        value, relative_sd, source, why = cell
        _one_of(path, source, tuple(_sources()))
        low, high = LABELS.get(name, (0.0, math.inf))
        if not low <= value <= high:
            raise SpecError(path, f"is {value:g}, outside {low:g} to {high:g}")
        yield SourcedValue(name, float(value), float(relative_sd), _sources()[source]["citation"], _sources()[source]["kind"], why)


def composition_from_values(values: Mapping[str, SourcedValue], kind: str) -> Composition:
    """Build a composition from the sourced values of an ingredient; raises what `Composition` raises."""
    solid = kind in SOLID_KINDS

    def of(names: tuple[str, ...]) -> dict[str, float]:
        return {name: values[name].value for name in names if name in values}

    return Composition(
        **of(("abv", "salt", "protein", "fat", "gum", "co2")),
        density=values["density"].value if "density" in values else (1 / SOLIDS_ML_PER_G if solid else None),
        sugars=of(SUGARS),
        acids=of(ACIDS),
        spread={value.name: value.relative_sd for value in values.values() if value.name in _COMPOSITION_KEYS},
        solid=solid,
    )


def _one_of(path: str, value: str, known: tuple[str, ...]) -> None:
    if value not in known:
        raise SpecError(path, f'"{value}" is not one of {", ".join(known)}')


@cache
def _sources() -> dict[str, dict[str, str]]:
    return tomllib.loads((_data() / "sources.toml").read_text(encoding="utf-8"))


def _data() -> Traversable:
    return resources.files("oenomel.core.larder") / "data"
