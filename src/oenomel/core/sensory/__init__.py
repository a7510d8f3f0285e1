"""Sensory training: a taster's own thresholds by triangle tests, exercises without a glass, and a week's plan."""

from oenomel.core.sensory.blends import Attribute
from oenomel.core.sensory.exercises import ExerciseKind

__all__ = ["Attribute", "ExerciseKind"]
