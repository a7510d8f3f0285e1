"""Writing a drink in an open format."""

from __future__ import annotations

import json
from collections.abc import Mapping, Sequence
from typing import Final, get_args

from oenomel.formats.drinks_table import table_of
from oenomel.formats.json_ld import CONTEXT, linked_data_of
from oenomel.formats.recipe_lines import markdown_of
from oenomel.schemas.format_names import Format
from oenomel.schemas.spec_file import SpecFile

__all__ = ["ENDINGS", "FORMATS", "write_all_as", "write_as"]

FORMATS: Final[tuple[Format, ...]] = get_args(Format)
ENDINGS: Final[Mapping[Format, str]] = {"json": "json", "csv": "csv", "markdown": "md", "jsonld": "jsonld"}
"""Formats, and their file extensions."""


def write_all_as(specs: Sequence[tuple[SpecFile, str]], wanted: Format, names: Mapping[str, str]) -> str:
    """Write several drinks as one text, each with its notes."""
    match wanted:
        case "json":
            contents = [spec.model_dump(mode="json", exclude_none=True) for spec, _ in specs]
            return json.dumps(contents, indent=2, ensure_ascii=False) + "\n"
        case "csv":
            return table_of([spec for spec, _ in specs], names)
        case "jsonld":
            graph = [linked_data_of(spec, names) for spec, _ in specs]
            return json.dumps({"@context": CONTEXT, "@graph": graph}, indent=2, ensure_ascii=False) + "\n"
        case "markdown":
            return "\n".join(markdown_of(spec, names, notes) for spec, notes in specs)


def write_as(spec: SpecFile, wanted: Format, names: Mapping[str, str], notes: str = "") -> str:
    """Write a drink as a text; ``names`` are those of the larder's slugs."""
    match wanted:
        case "json":
            return json.dumps(spec.model_dump(mode="json", exclude_none=True), indent=2, ensure_ascii=False) + "\n"
        case "csv":
            return table_of([spec], names)
        case "jsonld":
            return json.dumps(linked_data_of(spec, names), indent=2, ensure_ascii=False) + "\n"
        case "markdown":
            return markdown_of(spec, names, notes)
