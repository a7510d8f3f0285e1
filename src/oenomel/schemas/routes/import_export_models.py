"""Bodies and queries of the import export router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.schemas.base import Entry, Plain, Report, RowId
from oenomel.schemas.format_names import Format
from oenomel.schemas.import_items import Choice, Item


class CarriedFile(Entry):
    """A file that is carried in: what it is called, and its text."""

    name: Annotated[Plain, Field(min_length=1, max_length=300)]
    text: str


class LookRequest(Entry):
    """Files to hold against what the bar has."""

    files: Annotated[list[CarriedFile], Field(min_length=1, max_length=200)]


class ImportRequest(LookRequest):
    """Files to take in, and by an item's key what becomes of one that differs; the rest of those is left as it is here."""

    choices: Annotated[dict[Annotated[Plain, Field(max_length=300)], Choice], Field(max_length=5000)] = {}


class ImportReport(Report):
    """Each thing of the files: whether it was new, the same, or differs, side by side."""

    items: list[Item]


class ExportRequest(Entry):
    """Drinks to carry out, all where none is told: with their notebook ("house"), or each newest trial in an open format."""

    drinks: Annotated[list[RowId], Field(max_length=2000)] = []
    wanted: Literal["house"] | Format


class ExportReport(Report):
    """A file to carry along: its text, what it is called, and what to know of it."""

    text: str
    file_name: str
    words: str = ""


class DataFileReport(Report):
    """Data file: its path, size, version and backups. A guest is given no path."""

    path: str
    size_bytes: int
    version: str
    copies_folder: str
    copies: int
    last_copy_at: str | None
