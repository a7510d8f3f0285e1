"""Checks of a drink: what goes wrong in it and what can hurt someone, each with a fix."""

from oenomel.core.checks.finding import Finding, Fix

__all__ = ["Finding", "Fix"]
