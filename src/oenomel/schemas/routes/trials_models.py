"""Bodies and queries of the trials router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from oenomel.schemas.base import Entry, Name, RowId
from oenomel.schemas.spec_file import SpecFile


class MarkEntry(Entry):
    """Mark of a trial; empty for none, ``hidden`` to hide it."""

    mark: Literal["", "finished", "shelved", "hidden"]


class ChosenTrials(Entry):
    """Trials of one drink to compare, the first being the one that the others are compared with."""

    trials: Annotated[list[RowId], Field(min_length=1, max_length=8)]


class CloudSpecEntry(Entry):
    """A spec of the drink from elsewhere, and its author."""

    name: Name
    spec: SpecFile
