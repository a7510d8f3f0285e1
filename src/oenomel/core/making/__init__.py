"""How a drink is made, step by step, and what suits it as a garnish."""

from oenomel.core.making.garnishes import HOWS, suggested_garnishes
from oenomel.core.making.serving import NOTE
from oenomel.core.making.step import Order, Sparkling, Step, StepKind, Way
from oenomel.core.making.steps import making_steps
from oenomel.core.making.told import Shown, amount_words, counted_noun, counted_words, pour_words

__all__ = [
    "HOWS", "NOTE", "Order", "Shown", "Sparkling", "Step", "StepKind", "Way", "amount_words", "counted_noun", "counted_words",
    "making_steps", "pour_words", "suggested_garnishes",
]  # fmt: skip
