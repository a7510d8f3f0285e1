"""What a house cooks, infuses, thins and mixes: grams in, an ingredient out, with how sure it is and how long it keeps."""

from oenomel.core.preparations.outcome import Outcome, prepared
from oenomel.core.preparations.preparation import KitchenStep

__all__ = ["KitchenStep", "Outcome", "prepared"]
