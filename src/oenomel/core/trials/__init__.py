"""Trials: tasted, measured, compared, learnt from, crossed, and what to try next."""

from oenomel.core.trials.readings import QuantityName, Reading, ReadingPoint

__all__ = ["QuantityName", "Reading", "ReadingPoint"]
