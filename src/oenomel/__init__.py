"""Oenomel foresees what a change does to the balance of a sour, daisy or fizz."""

__all__ = ["__version__"]

__version__ = "1.0.0"
