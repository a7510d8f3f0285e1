"""Preparations of a bar: grams in, an ingredient out, with its uncertainty and shelf life."""

from oenomel.core.preparations.outcome import Outcome, prepared
from oenomel.core.preparations.preparation import KitchenStep

__all__ = ["KitchenStep", "Outcome", "prepared"]
