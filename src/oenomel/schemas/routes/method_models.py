"""Bodies and queries of the method router."""

from __future__ import annotations

from oenomel.core.method.amount_words import Shown
from oenomel.core.method.step import Order, Sparkling
from oenomel.schemas.base import Entry
from oenomel.schemas.requests.rebalance_requests import Grid
from oenomel.schemas.spec_file import SpecFile


class StepsRequest(Entry):
    """A spec, the bar's choices about methods, and whether amounts are written in ml or in ounces."""

    spec: SpecFile
    order: Order = "cheap and risky first"
    sparkling: Sparkling = "on top"
    shown: Shown = "ml"


class SpansRequest(Entry):
    """A spec with ranges, and the parent that it should stay close to."""

    spec: SpecFile
    parent: SpecFile
    grid: Grid = 2.5
