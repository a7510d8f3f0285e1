"""Bodies and queries of the swaps router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.core.larder import Kind
from oenomel.core.swaps import Ranking
from oenomel.core.swaps.board import Mode
from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.requests.rebalance_requests import (
    AimRequest,
    TargetEntry,
)


class FilterEntry(Entry):
    """Filters of the board."""

    at_hand: bool = False
    avoid_allergens: Annotated[list[Annotated[Plain, Field(max_length=40)]], Field(max_length=20)] = []
    vegan: bool = False
    without_alcohol: bool = False
    most_price: Annotated[float, Field(ge=0, allow_inf_nan=False)] | None = None
    kinds: Annotated[list[Kind], Field(max_length=21)] = []


class SwapsRequest(AimRequest):
    """Request for swaps of one pour, by its index in the spec; how a candidate is poured; and filters.

    Without a target the drink should stay as it is. ``only`` lists candidates by key; ``limit`` is the number of rows.
    """

    pour_index: Annotated[int, Field(ge=0, le=59)]
    mode: Mode = "rebalance"
    target: TargetEntry | None = None  # type: ignore[assignment]  # the one field that a rebalance needs and a board doesn't
    ranking: Ranking = "both"
    filters: FilterEntry = FilterEntry()
    only: Annotated[list[Annotated[Plain, Field(max_length=300)]], Field(max_length=200)] | None = None
    limit: Annotated[int, Field(ge=1, le=10_000)] | None = None
