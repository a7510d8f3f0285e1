"""The larder as a table, one ingredient a line, for export and import: composition, stock and price."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from typing import Final

from oenomel.core.larder import Ingredient, Shelved
from oenomel.core.larder.ingredient import KINDS
from oenomel.core.larder.shelf import SHELF_STATES
from oenomel.errors import SpecError
from oenomel.formats.drinks_table import QUOTING, safe_cell

__all__ = ["COLUMNS", "LarderRow", "read_larder_table", "write_larder_table"]

COLUMNS: Final = (
    "slug", "name", "kind", "abv", "sugar", "acid", "density", "spread_abv", "spread_sugar", "spread_acid", "sources", "aroma", "allergens",
    "keeps_days", "state", "price_per_litre", "par_ml", "retired", "origin",
)  # fmt: skip
_NUMBERS: Final = ("abv", "sugar", "acid", "density", "keeps_days", "price_per_litre", "par_ml")
_LARGEST: Final = 5_000_000


@dataclass(frozen=True, slots=True)
class LarderRow:
    """A line of a table: an ingredient, and its values; empty cells are left out."""

    line: int
    slug: str
    name: str
    kind: str
    figures: Mapping[str, float] = field(default_factory=dict)
    state: str = ""
    retired: bool | None = None


def write_larder_table(
    larder: Iterable[Ingredient], shelved: Mapping[str, Shelved], pars: Mapping[str, float], retired: Iterable[str]
) -> str:
    """Write the table, with enough digits that reading it back gives the same values."""
    gone = set(retired)
    out = io.StringIO()
    writer = csv.DictWriter(out, COLUMNS, lineterminator="\n", quoting=QUOTING)
    writer.writeheader()
    for ingredient in larder:
        composition, standing = ingredient.composition, shelved.get(ingredient.slug)
        row: dict[str, object] = {
            "slug": ingredient.slug,
            "name": ingredient.name,
            "kind": ingredient.kind,
            "abv": repr(composition.abv),
            "sugar": repr(composition.sugar),
            "acid": repr(composition.acid),
            "density": repr(composition.density_g_per_ml),
            **{f"spread_{name}": f"{sd:.4g}" for name, sd in zip(("abv", "sugar", "acid"), composition.axes_relative_sd, strict=True)},
            "sources": "; ".join(dict.fromkeys(value.source for value in ingredient.values.values())),
            "aroma": " ".join(f"{tag}:{weight}" for tag, weight in sorted(ingredient.aroma.items())),
            "allergens": ", ".join(ingredient.allergens),
            "keeps_days": _cell(ingredient.label("keeps_days")),
            "state": standing.state if standing else "",
            "price_per_litre": _cell(standing.price_per_litre if standing else ingredient.label("price_per_litre")),
            "par_ml": _cell(pars.get(ingredient.slug)),
            "retired": "yes" if ingredient.slug in gone else "",
            "origin": ingredient.origin,
        }
        writer.writerow({key: safe_cell(value) for key, value in row.items()})
    return out.getvalue()


def read_larder_table(text: str) -> list[LarderRow]:
    """Read the lines of a table; columns may be missing, unknown ones are refused.

    Raises
    ------
    SpecError
        The path names the line.
    """
    if len(text) > _LARGEST:
        raise SpecError("", "is too large for a table of ingredients")
    first = text.lstrip("\ufeff").split("\n", 1)[0]
    by = max(",;\t", key=first.count)
    rows = csv.DictReader(io.StringIO(text.lstrip("\ufeff")), delimiter=by)
    if not rows.fieldnames or "name" not in rows.fieldnames:
        raise SpecError("line 1", "needs a heading row with at least “name”. An export shows all columns")
    strange = [name for name in rows.fieldnames if name not in COLUMNS]
    if strange:
        raise SpecError("line 1", f'"{strange[0]}" isn\'t a column: use {", ".join(COLUMNS)}')
    return [_row(at, row) for at, row in enumerate(rows, start=2)]


def _row(line: int, row: Mapping[str, str | None]) -> LarderRow:
    location = f"line {line}"
    if None in row:
        raise SpecError(location, "has more cells than the heading row")
    cells = {key: (value or "").strip().removeprefix("'") for key, value in row.items()}
    if not cells["name"]:
        raise SpecError(location, "an ingredient needs a name")
    kind, state = cells.get("kind", ""), cells.get("state", "")
    if kind and kind not in KINDS:
        raise SpecError(f"{location}, kind", f'"{kind}" is not one of {", ".join(KINDS)}')
    if state and state not in SHELF_STATES:
        raise SpecError(f"{location}, state", f'"{state}" is not one of {", ".join(SHELF_STATES)}')
    figures = {name: _number(f"{location}, {name}", cells[name]) for name in _NUMBERS if cells.get(name)}
    retired = {"yes": True, "no": False}.get(cells.get("retired", "")) if "retired" in cells else None
    return LarderRow(line, cells.get("slug", ""), cells["name"], kind, figures, state, retired)


def _number(location: str, text: str) -> float:
    try:
        number = float(text.replace(",", "."))
    except ValueError as error:
        raise SpecError(location, f'"{text}" isn\'t a number') from error
    if not 0 <= number < 1e7:
        raise SpecError(location, f"{text} isn't possible")
    return number


def _cell(value: float | None) -> str:
    return "" if value is None else repr(value)
