"""Method of a drink, step by step, and garnishes that suit it."""

from oenomel.core.method.amount_words import amount_words
from oenomel.core.method.step import MethodOptions

__all__ = ["MethodOptions", "amount_words"]
