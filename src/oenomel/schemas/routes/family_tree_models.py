"""Bodies and queries of the family tree router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.schemas.base import Entry, RowId


class CrossRequest(Entry):
    """Two or three trials to cross, the one that gives the frame first."""

    parents: Annotated[list[RowId], Field(min_length=2, max_length=3)]
