"""How a drink is made, step by step, and what suits it as a garnish."""

from oenomel.core.making.garnishes import HOWS, suggested_garnishes
from oenomel.core.making.step import Order, Sparkling, StepKind, Way
from oenomel.core.making.steps import making_steps
from oenomel.core.making.told import Shown

__all__ = ["HOWS", "Order", "Shown", "Sparkling", "StepKind", "Way", "making_steps", "suggested_garnishes"]
