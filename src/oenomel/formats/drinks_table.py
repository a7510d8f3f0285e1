"""A drink as CSV, one pour a line, and recipes in any table with a column for ingredients."""

from __future__ import annotations

import csv
import io
import json
from collections.abc import Iterator, Mapping, Sequence
from typing import Any, Final

from oenomel.errors import SpecError
from oenomel.schemas.spec_file import SpecFile

__all__ = ["QUOTING", "is_table", "lines_of_table", "rows_of", "specs_of_table", "table_of"]

_OF_A_POUR: Final = (
    "ingredient", "ingredient_name", "kind", "composition", "piece_ml", "piece_g", "amount", "unit", "slot", "stage", "said",
    "relative_to", "relative_times", "optional", "range_from_ml", "range_to_ml", "lot",
)  # fmt: skip
_OF_THE_DRINK: Final = ("name", "family", "form", "ounce_ml", "part_ml")
_OF_THE_METHOD: Final = {
    "technique": "technique", "seconds": "seconds", "dry_shake_seconds": "dry_shake_seconds", "dry_shake": "dry_shake",
    "method_ice": "ice", "ice_pieces": "ice_pieces", "ice_piece_g": "ice_piece_g", "strain": "strain", "sparkling": "sparkling",
    "sign": "sign", "steps": "steps", "order": "order",
}  # fmt: skip
_OF_THE_SERVE: Final = {
    "glass": "glass", "serve_ice": "ice", "garnish": "garnish", "chilled": "chilled", "edge": "edge", "note": "note",
}  # fmt: skip
"""Columns, and their keys in the spec file."""

COLUMNS: Final = (*_OF_THE_DRINK, *_OF_A_POUR, *_OF_THE_METHOD, *_OF_THE_SERVE)
"""Columns of our own tables; the drink's own keys are in its first line."""

_NUMBERS: Final = ("ounce_ml", "part_ml", "seconds", "dry_shake_seconds", "ice_pieces", "ice_piece_g")
_AS_JSON: Final = ("steps", "order", "edge")
_INGREDIENT: Final = ("ingredient", "ingredients", "what", "item", "name", "spirit", "bottle")
_AMOUNT: Final = ("amount", "quantity", "qty", "measure", "volume", "how much")
_UNIT: Final = ("unit", "units", "measure unit", "uom")
_SPREADSHEET_SIGNS: Final = ("=", "+", "-", "@", "\t", "\r", "＝", "＋", "－", "＠")


QUOTING: Final = csv.QUOTE_NONNUMERIC
"""Every text is quoted, because semicolons may separate columns or be part of a cell."""


def table_of(specs: Sequence[SpecFile], names: Mapping[str, str]) -> str:
    """Write drinks as CSV, each starting with the line that has its name; ``names`` are those of the slugs."""
    out = io.StringIO()
    writer = csv.DictWriter(out, COLUMNS, lineterminator="\n", quoting=QUOTING)
    writer.writeheader()
    for spec in specs:
        writer.writerows(_rows(spec, names))
    return out.getvalue()


def _rows(spec: SpecFile, names: Mapping[str, str]) -> Iterator[dict[str, Any]]:
    fields = spec.model_dump(mode="json")
    for at, pour in enumerate(fields["pours"]):
        ingredient = pour["ingredient"]
        inline = ingredient if isinstance(ingredient, dict) else {}
        relative, wide = pour["relative"] or {}, pour["range"] or ["", ""]
        row = {
            **{key: inline.get(key) for key in ("kind", "piece_ml", "piece_g")},
            **{key: pour[key] for key in ("amount", "unit", "slot", "stage", "said", "lot")},
            "ingredient": "" if inline else ingredient,
            "ingredient_name": inline.get("name") or names.get(ingredient, ""),
            "composition": json.dumps(inline["composition"], separators=(",", ":")) if inline else "",
            "relative_to": relative.get("to"),
            "relative_times": relative.get("times"),
            "optional": "yes" if pour["optional"] else "",
            "range_from_ml": wide[0],
            "range_to_ml": wide[1],
        }
        if at == 0:
            row |= {key: fields[key] for key in _OF_THE_DRINK}
            row |= {column: _cell(column, fields["method"][key]) for column, key in _OF_THE_METHOD.items()}
            row |= {column: _cell(column, fields["serve"][key]) for column, key in _OF_THE_SERVE.items()}
        yield {key: safe_cell(value) for key, value in row.items()}


def _cell(column: str, value: Any) -> Any:
    match column:
        case "seconds" if isinstance(value, list):
            return f"{value[0]:g}-{value[1]:g}"
        case "chilled":
            return {True: "yes", False: "no"}.get(value, "")
        case "garnish" if all(isinstance(element, str) and ";" not in element for element in value):
            return "; ".join(value)
        case "garnish" | "steps" | "order" | "edge":
            return json.dumps(value, separators=(",", ":"), ensure_ascii=False) if value else ""
        case _:
            return value


def safe_cell(value: Any) -> Any:
    """Return a text that no spreadsheet takes for a formula."""
    return f"'{value}" if isinstance(value, str) and value.startswith(_SPREADSHEET_SIGNS) else value


def rows_of(text: str) -> list[dict[str, str]]:
    """Return the rows of a table as dictionaries by lower-case heading, whatever its separator; raises SpecError for an unclosed quote."""
    first = text.lstrip("\ufeff").split("\n", 1)[0]
    by = max((",", ";", "\t"), key=first.count)
    rows = csv.DictReader(io.StringIO(text.lstrip("\ufeff")), delimiter=by)
    try:
        all_rows = list(rows)
    except csv.Error as error:
        raise SpecError(f"line {rows.line_num + 1}", "has a cell that is too long: look for an open quote") from error
    return [
        {(key or "").strip().lower(): (value or "").strip() for key, value in row.items() if isinstance(value, str | None)}
        for row in all_rows
    ]


def is_table(text: str) -> bool:
    """Check whether the first line of a text has headings for an ingredient and an amount."""
    first = text.lstrip("\ufeff").split("\n", 1)[0]
    heads = {head.strip().strip('"').lower() for by in (",", ";", "\t") if by in first for head in first.split(by)}
    return bool(heads.intersection(_INGREDIENT)) and bool(heads.intersection(_AMOUNT))


def specs_of_table(text: str) -> list[dict[str, Any]] | None:
    """Return the specs of a table that Oenomel wrote, as JSON objects; None for another table.

    Raises
    ------
    SpecError
        A cell holds something else than its column.
    """
    rows = rows_of(text)
    if not rows or not {"ingredient", "amount", "unit", "slot", "stage", "family"} <= rows[0].keys():
        return None
    starts = [at for at, row in enumerate(rows) if at == 0 or row.get("name")]
    return [_spec(rows[at:end], at + 2) for at, end in zip(starts, [*starts[1:], len(rows)], strict=True)]


def _spec(rows: Sequence[Mapping[str, str]], line: int) -> dict[str, Any]:
    cells = {key: value.removeprefix("'") for key, value in rows[0].items()}
    spec: dict[str, Any] = {"format": "oenomel/spec", "version": 1}
    spec |= {key: _read(key, cells.get(key, ""), line) for key in _OF_THE_DRINK if key in ("name", "family", "form") or cells.get(key)}
    spec["pours"] = [_pour(row, f"line {at}") for at, row in enumerate(rows, start=line)]
    spec["method"] = {key: _read(column, cells[column], line) for column, key in _OF_THE_METHOD.items() if cells.get(column)}
    spec["serve"] = {key: _read(column, cells[column], line) for column, key in _OF_THE_SERVE.items() if cells.get(column)}
    return spec


def _read(column: str, cell: str, line: int) -> Any:
    """Return the value of a cell in one of our tables, as in a spec."""
    location = f"line {line}, {column}"
    if column == "seconds" and "-" in cell:
        return [_number(end, location) for end in cell.split("-")]
    if column == "ice_pieces":
        return int(_number(cell, location))
    if column in _NUMBERS:
        return _number(cell, location)
    if column == "chilled":
        return cell.lower() in ("yes", "true", "1")
    if column in _AS_JSON or (column == "garnish" and cell.startswith("[")):
        try:
            return json.loads(cell)
        except ValueError as error:
            raise SpecError(location, "isn't JSON") from error
    return [part.strip() for part in cell.split(";") if part.strip()] if column == "garnish" else cell


def _pour(row: Mapping[str, str], location: str) -> dict[str, Any]:
    cells = {key: value.removeprefix("'") for key, value in row.items()}
    pour: dict[str, Any] = {key: cells[key] for key in ("unit", "slot", "stage")}
    pour["amount"] = _plain(cells["amount"])
    pour["ingredient"] = cells["ingredient"]
    if cells.get("composition"):
        try:
            composition = json.loads(cells["composition"])
        except ValueError as error:
            raise SpecError(f"{location}, composition", "isn't JSON") from error
        pour["ingredient"] = {"name": cells.get("ingredient_name", ""), "kind": cells.get("kind") or "other", "composition": composition}
        pour["ingredient"] |= {key: _number(cells[key], f"{location}, {key}") for key in ("piece_ml", "piece_g") if cells.get(key)}
    pour |= {key: cells[key] for key in ("said", "lot") if cells.get(key)}
    if cells.get("relative_to"):
        to, times = (_number(cells.get(key) or "", f"{location}, {key}") for key in ("relative_to", "relative_times"))
        pour["relative"] = {"to": int(to), "times": times}
    if cells.get("range_from_ml"):
        pour["range"] = [_number(cells.get(key) or "", f"{location}, {key}") for key in ("range_from_ml", "range_to_ml")]
    pour["optional"] = cells.get("optional", "").lower() in ("yes", "true", "1", "x")
    return pour


def _plain(cell: str) -> float | str:
    """Return a cell as a number where it is one, else as text: a spec accepts "3/4"."""
    try:
        return float(cell) if "." in cell else int(cell)
    except ValueError:
        return cell


def _number(cell: str, location: str) -> float:
    try:
        return float(cell)
    except ValueError as error:
        raise SpecError(location, f'"{cell[:40]}" isn\'t a number') from error


def lines_of_table(text: str) -> list[str]:
    """Return the rows of another program's table as recipe lines: amount, unit, ingredient."""
    lines = []
    for row in rows_of(text):
        cells = [next((row[key] for key in keys if row.get(key)), "") for keys in (_AMOUNT, _UNIT, _INGREDIENT)]
        lines.append(" ".join(cell for cell in cells if cell))
    return [line for line in lines if line]
