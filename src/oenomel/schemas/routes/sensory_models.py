"""Bodies and queries of the sensory router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.schemas.base import Entry, Plain


class TasterQuery(Entry):
    """Taster, or an empty name for the team."""

    taster: Annotated[Plain, Field(max_length=100)] = ""
