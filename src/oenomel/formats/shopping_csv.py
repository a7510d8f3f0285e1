"""Shopping list of an event, as a table and as a text."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable
from typing import Final

from oenomel.formats.drinks_table import QUOTING, safe_cell
from oenomel.schemas.format_names import ListFormat
from oenomel.schemas.reports.batch_reports import BoughtReport

__all__ = ["shopping_list"]

SOURCES: Final = {"open": "Open", "shelf": "From stock", "stillroom": "Make", "shop": "Buy"}
_COLUMNS: Final = ("from", "what", "amount", "why", "ml", "pieces", "at least", "to be sure", "cost", "done")


def shopping_list(lines: Iterable[BoughtReport], wanted: ListFormat) -> str:
    """Write the shopping list, one item a line; as text under its sources, with ticks."""
    return _as_csv(lines) if wanted == "csv" else _as_text(list(lines))


def _as_csv(lines: Iterable[BoughtReport]) -> str:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n", quoting=QUOTING)
    writer.writerow(_COLUMNS)
    for line in lines:
        ml = f"{line.ml:.0f}" if line.ml else ""
        cost = "" if line.cost is None else f"{line.cost:.2f}"
        pieces = (line.pieces, line.low, line.high)
        cells = (SOURCES[line.source], line.name, line.amount, line.words, ml, *pieces, cost, "x" if line.done else "")
        writer.writerow(["" if value is None else safe_cell(value) for value in cells])
    return out.getvalue()


def _as_text(lines: list[BoughtReport]) -> str:
    result: list[str] = []
    for source, title in SOURCES.items():
        of = [line for line in lines if line.source == source]
        if of:
            result.append(f"{title}")
            result += [f"[{'x' if line.done else ' '}] {line.name}: {line.amount} ({line.words})" for line in of]
            result.append("")
    return "\n".join(result)
