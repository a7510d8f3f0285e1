"""How a drink is made, step by step."""

from oenomel.core.making.step import Order, Sparkling, StepKind, Way
from oenomel.core.making.steps import making_steps
from oenomel.core.making.told import Shown

__all__ = ["Order", "Shown", "Sparkling", "StepKind", "Way", "making_steps"]
