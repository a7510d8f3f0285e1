"""An event with guests: its schedule, tasks and shopping list."""

from oenomel.core.event.shopping import ForTheEvening, shopping

__all__ = ["ForTheEvening", "shopping"]
