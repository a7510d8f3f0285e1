"""Bodies and queries of the originals router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.schemas.base import Entry, Plain, Report
from oenomel.schemas.requests.originals_requests import WishEntry
from oenomel.schemas.spec_file import SpecFile


class KeptDrink(Entry):
    """A drink that stays on a menu, and its place there, counted from 0."""

    place: Annotated[int, Field(ge=0, le=11)]
    spec: SpecFile


class MenuEntry(Entry):
    """A menu: criteria for each of its places, drinks that stay, and the seed."""

    places: Annotated[list[WishEntry], Field(min_length=1, max_length=12)]
    kept: Annotated[list[KeptDrink], Field(max_length=12)] = []


class OriginalsFlightEntry(Entry):
    """Originals of one search, to be tasted blind against each other."""

    specs: Annotated[list[SpecFile], Field(min_length=2, max_length=6)]
    wish: WishEntry


class OriginalsFlightReport(Report):
    """The drink they are trials of; what has to be bought, prepared and pressed for a glass of each."""

    drink_id: int
    trials: list[int]
    to_buy: list[str]
    to_prepare: list[str]
    fruit: list[str]


class KinshipEntry(Entry):
    """The bar's value for a pair of aroma groups, 0 (they clash) to 1 (they go together)."""

    one: Annotated[Plain, Field(max_length=40)]
    other: Annotated[Plain, Field(max_length=40)]
    value: Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)]
