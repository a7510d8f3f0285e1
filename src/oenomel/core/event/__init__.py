"""An evening with guests: its schedule, its tasks and its shopping list."""

from oenomel.core.event.shopping import ForTheEvening, shopping

__all__ = ["ForTheEvening", "shopping"]
