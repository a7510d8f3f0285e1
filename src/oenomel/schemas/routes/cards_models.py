"""Bodies and queries of the cards router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.core.method import MethodOptions
from oenomel.core.method.amount_words import Shown
from oenomel.core.method.step import Order, Sparkling
from oenomel.schemas.base import Entry, Report, RowId
from oenomel.schemas.format_names import Country, Layout


class HouseWay(Entry):
    """By which schools the bar makes its drinks, and how it tells amounts and alcohol."""

    order: Order = "cheap and risky first"
    sparkling: Sparkling = "on top"
    shown: Shown = "ml"
    country: Country = "us"

    def way(self, ounce_ml: float) -> MethodOptions:
        """Return the same for the core."""
        return MethodOptions(self.order, self.sparkling, self.shown, ounce_ml)


class CardRequest(HouseWay):
    """A drink of the book on a card: the trial of that number, or what lies on the bench, or else the newest; ``beside`` another trial."""

    drink: RowId
    trial: Annotated[int, Field(ge=1)] | None = None
    beside: Annotated[int, Field(ge=1)] | None = None
    layout: Layout = "card"


class ListRequest(HouseWay):
    """Drinks of the book on one sheet; without any, the finished ones, or all where none is."""

    drinks: Annotated[list[RowId], Field(max_length=100)] = []


class CardReport(Report):
    """A card as a fragment of HTML whose text is all escaped, and what the sheet is called."""

    html: str
    title: str
