"""The tongue trained: a taster's own step by triangle tests, exercises without a glass, and a week's plan."""

from oenomel.core.tongue.exercises import EXERCISES, Exercise, ExerciseKind, exercise, score_of
from oenomel.core.tongue.jugs import MATTERS, NOUNS, WATER, Jug, Jugs, Matter, choices, jugs_for, needs
from oenomel.core.tongue.threshold import KNOWN_AFTER, Threshold, TriangleAnswer, after, threshold_of, worth_going_on
from oenomel.core.tongue.triangle import GLASSES, GlassLine, Triangle, alcohol_g, can_pour, left_after, next_triangle, poured
from oenomel.core.tongue.week import Day, week_plan
from oenomel.core.tongue.words import before_sitting, in_figures, known_steps, sitting_words, threshold_words

__all__ = [
    "EXERCISES", "GLASSES", "KNOWN_AFTER", "MATTERS", "NOUNS", "WATER", "Day", "Exercise", "ExerciseKind", "GlassLine", "Jug",
    "Jugs", "Matter", "Threshold", "Triangle", "TriangleAnswer", "after", "alcohol_g", "before_sitting", "can_pour", "choices",
    "exercise", "in_figures", "jugs_for", "known_steps", "left_after", "needs", "next_triangle", "poured", "score_of",
    "sitting_words", "threshold_of", "threshold_words", "week_plan", "worth_going_on",
]  # fmt: skip
