"""Bodies and queries of the menu router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.requests.assumptions import AssumptionsQuery
from oenomel.schemas.requests.rebalance_requests import Grid


class OnTheListEntry(Entry):
    """Price of a drink, and the number expected tonight; None where unknown."""

    price: Annotated[float, Field(allow_inf_nan=False, le=100_000)] | None = None
    serves: Annotated[int, Field(ge=0, le=10_000)] | None = None


class ParEntry(Entry):
    """Par of an ingredient, in ml."""

    par_ml: Annotated[float, Field(gt=0, le=1_000_000, allow_inf_nan=False)] | None = None


class CurrencyEntry(Entry):
    """Sign of the currency: €, £, $."""

    sign: Annotated[Plain, Field(max_length=8)]


class TodayQuery(AssumptionsQuery):
    """Assumptions about the ice, and the jigger's smallest mark in ml."""

    grid: Grid = 2.5
