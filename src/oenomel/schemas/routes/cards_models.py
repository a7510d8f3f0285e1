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
    """The bar's choices about methods, and its units of amounts and alcohol."""

    order: Order = "cheap and risky first"
    sparkling: Sparkling = "on top"
    shown: Shown = "ml"
    country: Country = "us"

    def way(self, ounce_ml: float) -> MethodOptions:
        """Return the choices as the core takes them."""
        return MethodOptions(self.order, self.sparkling, self.shown, ounce_ml)


class CardRequest(HouseWay):
    """A drink of the book for a card: a trial by number, or the draft, or else the newest; ``beside`` another trial."""

    drink: RowId
    trial: Annotated[int, Field(ge=1)] | None = None
    beside: Annotated[int, Field(ge=1)] | None = None
    layout: Layout = "card"


class ListRequest(HouseWay):
    """Drinks of the book for one sheet; without any, the finished ones, or all where none is finished."""

    drinks: Annotated[list[RowId], Field(max_length=100)] = []


class CardReport(Report):
    """A card as an HTML fragment with all text escaped, and its title."""

    html: str
    title: str
