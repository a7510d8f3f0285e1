"""Bodies and queries of the recipes router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.schemas.base import Entry, Plain, Report
from oenomel.schemas.format_names import LARGEST_PAGE, Format
from oenomel.schemas.spec_file import SpecFile


class MendedEntry(Entry):
    """A correction of one line: the ingredient it means, its amount, or that it is left out."""

    slug: Annotated[Plain, Field(max_length=200)] = ""
    amount: Annotated[Plain, Field(max_length=60)] = ""
    left_out: bool = False


class RecipeTextRequest(Entry):
    """A pasted recipe: text, table, JSON-LD, saved page or Oenomel file; with the corrections of lines, by their text."""

    text: Annotated[str, Field(max_length=LARGEST_PAGE)]
    mended: Annotated[dict[str, MendedEntry], Field(max_length=200)] = {}


class WriteRequest(Entry):
    """A drink to write, with its notes."""

    spec: SpecFile
    wanted: Format | Literal["html"]
    notes: Annotated[Plain, Field(max_length=10_000)] = ""


class WrittenReport(Report):
    """A drink in an open format, and the name for its file."""

    text: str
    file_name: str
