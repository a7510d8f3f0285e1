"""Bodies and queries of the recipes router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.schemas.base import Entry, Plain, Report
from oenomel.schemas.format_names import LARGEST_PAGE, Format
from oenomel.schemas.spec_file import SpecFile


class MendedEntry(Entry):
    """Correction of one line by a person: the ingredient it means, its amount, or that it is left out."""

    slug: Annotated[Plain, Field(max_length=200)] = ""
    amount: Annotated[Plain, Field(max_length=60)] = ""
    left_out: bool = False


class RecipeTextRequest(Entry):
    """A recipe as it was pasted: text, a table, linked data, a saved page or a file of our own; with what was said of its lines, by their
    text as it was told.
    """

    text: Annotated[str, Field(max_length=LARGEST_PAGE)]
    mended: Annotated[dict[str, MendedEntry], Field(max_length=200)] = {}


class WriteRequest(Entry):
    """A drink to write, with what is to be remembered of it."""

    spec: SpecFile
    wanted: Format | Literal["html"]
    notes: Annotated[Plain, Field(max_length=10_000)] = ""


class WrittenReport(Report):
    """A drink in an open format, and what a file of it is called."""

    text: str
    file_name: str
