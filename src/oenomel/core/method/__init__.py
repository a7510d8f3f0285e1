"""How a drink is made, step by step, and what suits it as a garnish."""

from oenomel.core.method.amount_words import amount_words
from oenomel.core.method.step import MethodOptions

__all__ = ["MethodOptions", "amount_words"]
