"""Bodies and queries of the shelf router."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from oenomel.core.larder import Kind
from oenomel.core.larder.shelf import ShelfState
from oenomel.schemas.base import Entry, Level, Plain


class ShelfStateEntry(Entry):
    """Stock of an ingredient; "off" takes it off the shelf. The price is per litre, in the bar's currency."""

    state: ShelfState | Literal["off"]
    price_per_litre: Annotated[Level, Field(le=10_000)] | None = None


class LabelEntry(Entry):
    """Values on a label: strength in % or US proof, sugar and acid in g per 100 ml, or a word for sweetness; and a similar ingredient."""

    name: Annotated[Plain, Field(min_length=1, max_length=200)]
    kind: Kind
    abv: Annotated[Level, Field(le=100)] | None = None
    proof: Annotated[Level, Field(le=200)] | None = None
    sugar: Annotated[Level, Field(le=150)] | None = None
    acid: Annotated[Level, Field(le=60)] | None = None
    sweetness: Annotated[Plain, Field(max_length=40)] = ""
    like: Annotated[Plain, Field(max_length=200)] = ""
    state: ShelfState = "at hand"
    price_per_litre: Annotated[Level, Field(le=10_000)] | None = None

    @model_validator(mode="after")
    def _one_strength(self) -> LabelEntry:
        if self.abv is not None and self.proof is not None:
            raise PydanticCustomError("strength", "give the strength in % or in proof, not both")
        return self
