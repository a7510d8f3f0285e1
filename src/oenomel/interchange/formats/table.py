"""A drink as CSV, one pour a line, and recipes in any table that has a column for the ingredient."""

from __future__ import annotations

import csv
import io
import json
from collections.abc import Mapping, Sequence
from typing import Any, Final

from oenomel.errors import SpecError
from oenomel.interchange.spec.file import SpecFile

__all__ = ["is_table", "lines_of_table", "rows_of", "spec_of_table", "table_of"]

COLUMNS: Final = (
    "name", "family", "form", "ounce_ml", "part_ml", "ingredient", "ingredient_name", "kind", "composition", "piece_ml", "piece_g",
    "amount", "unit", "slot", "stage", "said", "relative_to", "relative_times", "optional", "range_from_ml", "range_to_ml",
    "technique", "seconds", "dry_shake_seconds", "method_ice", "glass", "serve_ice", "garnish",
)  # fmt: skip
"""Of our own tables; the drink's own keys stand in the first line."""

_FIRST_ONLY: Final = (
    "name", "family", "form", "ounce_ml", "part_ml", "technique", "seconds", "dry_shake_seconds", "method_ice", "glass", "serve_ice",
    "garnish",
)  # fmt: skip
_INGREDIENT: Final = ("ingredient", "ingredients", "what", "item", "name", "spirit", "bottle")
_AMOUNT: Final = ("amount", "quantity", "qty", "measure", "volume", "how much")
_UNIT: Final = ("unit", "units", "measure unit", "uom")
_SPREADSHEET_SIGNS: Final = ("=", "+", "-", "@", "\t")


def table_of(spec: SpecFile, names: Mapping[str, str]) -> str:
    """A drink as CSV; ``names`` are those of the larder's slugs, for whoever reads it without Oenomel."""
    out = io.StringIO()
    writer = csv.DictWriter(out, COLUMNS, lineterminator="\n")
    writer.writeheader()
    told = spec.model_dump(mode="json")
    method, serve = told["method"], told["serve"]
    for at, pour in enumerate(told["pours"]):
        made = pour["ingredient"]
        inline = made if isinstance(made, dict) else {}
        relative, wide = pour["relative"] or {}, pour["range"] or ["", ""]
        row = {
            **{key: inline.get(key) for key in ("kind", "piece_ml", "piece_g")},
            **{key: pour[key] for key in ("amount", "unit", "slot", "stage", "said")},
            "ingredient": "" if inline else made,
            "ingredient_name": inline.get("name") or names.get(made, ""),
            "composition": json.dumps(inline["composition"], separators=(",", ":")) if inline else "",
            "relative_to": relative.get("to"),
            "relative_times": relative.get("times"),
            "optional": "yes" if pour["optional"] else "",
            "range_from_ml": wide[0],
            "range_to_ml": wide[1],
        }
        if at == 0:
            row |= {key: told[key] for key in ("name", "family", "form", "ounce_ml", "part_ml")}
            row |= {"technique": method["technique"], "seconds": _spread(method["seconds"]), "method_ice": method["ice"]}
            row |= {"dry_shake_seconds": method["dry_shake_seconds"], "glass": serve["glass"], "serve_ice": serve["ice"]}
            row["garnish"] = "; ".join(each.replace(";", ",") for each in serve["garnish"])
        writer.writerow({key: _safe(value) for key, value in row.items()})
    return out.getvalue()


def _spread(seconds: float | Sequence[float] | None) -> str | float | None:
    return f"{seconds[0]:g}-{seconds[1]:g}" if isinstance(seconds, Sequence) else seconds


def _safe(value: Any) -> Any:
    """A text that no spreadsheet takes for a formula."""
    return f"'{value}" if isinstance(value, str) and value.startswith(_SPREADSHEET_SIGNS) else value


def rows_of(text: str) -> list[dict[str, str]]:
    """The lines of a table by its headings in small letters, whatever parts its columns."""
    first = text.lstrip("\ufeff").split("\n", 1)[0]
    by = max((",", ";", "\t"), key=first.count)
    rows = csv.DictReader(io.StringIO(text.lstrip("\ufeff")), delimiter=by)
    return [
        {(key or "").strip().lower(): (value or "").strip() for key, value in row.items() if isinstance(value, str | None)} for row in rows
    ]


def is_table(text: str) -> bool:
    """Whether the first line of a text are headings of a table with a column for the ingredient and one for its amount."""
    first = text.lstrip("\ufeff").split("\n", 1)[0]
    heads = {head.strip().strip('"').lower() for by in (",", ";", "\t") if by in first for head in first.split(by)}
    return bool(heads.intersection(_INGREDIENT)) and bool(heads.intersection(_AMOUNT))


def spec_of_table(text: str) -> dict[str, Any] | None:
    """The spec that one of our own tables tells, as it stands in a file; None where it is somebody else's.

    Raises
    ------
    SpecError
        A cell holds something else than its column.
    """
    rows = rows_of(text)
    if not rows or not {"ingredient", "amount", "unit", "slot", "stage", "family"} <= rows[0].keys():
        return None
    first = {key: rows[0].get(key, "").removeprefix("'") for key in _FIRST_ONLY}
    seconds: Any = None
    if first["seconds"]:
        ends = first["seconds"].split("-")
        seconds = [_number(end, "line 2, seconds") for end in ends] if len(ends) > 1 else _number(first["seconds"], "line 2, seconds")
    spec: dict[str, Any] = {
        "format": "oenomel/spec",
        "version": 1,
        "name": first["name"],
        "family": first["family"],
        "form": first["form"],
        "pours": [_pour(row, f"line {at}") for at, row in enumerate(rows, start=2)],
        "method": {"technique": first["technique"] or "shake", "seconds": seconds, "ice": first["method_ice"] or "cubes"},
        "serve": {"glass": first["glass"], "ice": first["serve_ice"] or "none"},
    }
    spec["method"]["dry_shake_seconds"] = _number(first["dry_shake_seconds"] or "0", "line 2, dry_shake_seconds")
    spec["serve"]["garnish"] = [each.strip() for each in first["garnish"].split(";") if each.strip()]
    spec |= {key: _number(first[key], f"line 2, {key}") for key in ("ounce_ml", "part_ml") if first[key]}
    return spec


def _pour(row: Mapping[str, str], place: str) -> dict[str, Any]:
    cells = {key: value.removeprefix("'") for key, value in row.items()}
    pour: dict[str, Any] = {key: cells[key] for key in ("unit", "slot", "stage")}
    pour["amount"] = _plain(cells["amount"])
    pour["ingredient"] = cells["ingredient"]
    if cells.get("composition"):
        try:
            composition = json.loads(cells["composition"])
        except ValueError as error:
            raise SpecError(f"{place}, composition", "is no JSON") from error
        pour["ingredient"] = {"name": cells.get("ingredient_name", ""), "kind": cells.get("kind") or "other", "composition": composition}
        pour["ingredient"] |= {key: _number(cells[key], f"{place}, {key}") for key in ("piece_ml", "piece_g") if cells.get(key)}
    if cells.get("said"):
        pour["said"] = cells["said"]
    if cells.get("relative_to"):
        to, times = (_number(cells.get(key) or "", f"{place}, {key}") for key in ("relative_to", "relative_times"))
        pour["relative"] = {"to": int(to), "times": times}
    if cells.get("range_from_ml"):
        pour["range"] = [_number(cells.get(key) or "", f"{place}, {key}") for key in ("range_from_ml", "range_to_ml")]
    pour["optional"] = cells.get("optional", "").lower() in ("yes", "true", "1", "x")
    return pour


def _plain(cell: str) -> float | str:
    """A number where the cell is one, else its text: a spec takes "3/4" as it is."""
    try:
        return float(cell) if "." in cell else int(cell)
    except ValueError:
        return cell


def _number(cell: str, place: str) -> float:
    try:
        return float(cell)
    except ValueError as error:
        raise SpecError(place, f'"{cell[:40]}" is no number') from error


def lines_of_table(text: str) -> list[str]:
    """The lines of somebody's table as a recipe would write them: the amount, its unit, the ingredient."""
    lines = []
    for row in rows_of(text):
        cells = [next((row[key] for key in keys if row.get(key)), "") for keys in (_AMOUNT, _UNIT, _INGREDIENT)]
        lines.append(" ".join(each for each in cells if each))
    return [line for line in lines if line]
