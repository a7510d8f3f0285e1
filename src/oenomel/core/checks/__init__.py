"""What goes wrong in a drink and what can hurt someone, each with what would mend it."""

from oenomel.core.checks.finding import Finding, Fix

__all__ = ["Finding", "Fix"]
