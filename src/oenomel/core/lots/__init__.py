"""One bottle, pressing or preparation of an ingredient, with its own measured values."""

from oenomel.core.lots.lot import Lot, ReadingName

__all__ = ["Lot", "ReadingName"]
