"""How a drink is made, step by step."""

from oenomel.core.making.steps import Order, Sparkling, Way, making_steps

__all__ = ["Order", "Sparkling", "Way", "making_steps"]
