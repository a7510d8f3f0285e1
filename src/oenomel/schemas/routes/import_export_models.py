"""Bodies and queries of the import and export router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.schemas.base import Entry, Plain, Report, RowId
from oenomel.schemas.format_names import Format
from oenomel.schemas.import_items import Choice, Item


class CarriedFile(Entry):
    """A file to import: its name and its text."""

    name: Annotated[Plain, Field(min_length=1, max_length=300)]
    text: str


class LookRequest(Entry):
    """Files to compare with the bar's data."""

    files: Annotated[list[CarriedFile], Field(min_length=1, max_length=200)]


class ImportRequest(LookRequest):
    """Files to import, and choices by item key for those that differ; the others keep the bar's version."""

    choices: Annotated[dict[Annotated[Plain, Field(max_length=300)], Choice], Field(max_length=5000)] = {}


class ImportReport(Report):
    """Everything in the files: new, the same, or different, side by side."""

    items: list[Item]


class ExportRequest(Entry):
    """Drinks to export, all where none is named: with everything about them ("house"), or their newest trial in an open format."""

    drinks: Annotated[list[RowId], Field(max_length=2000)] = []
    wanted: Literal["house"] | Format


class ExportReport(Report):
    """An exported file: its text, its name, and remarks."""

    text: str
    file_name: str
    words: str = ""


class DataFileReport(Report):
    """The data file: its path, size, version and copies. A device that only reads is given no path."""

    path: str
    size_bytes: int
    version: str
    copies_folder: str
    copies: int
    last_copy_at: str | None
