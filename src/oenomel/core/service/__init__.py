"""The evening: batches that are poured from a bottle, and what is left to do before the hour (docs/model.md, "Batch and service")."""

from oenomel.core.service.batch import Batch, BatchWish, Minute, batch_of, size_words
from oenomel.core.service.buying import ForTheEvening, Purchase, Stock, shopping
from oenomel.core.service.correcting import TASTE_ML, Correction, back_to, corrections, serves_in, wanted_steps
from oenomel.core.service.descent import Filling, contents_of, descent_words, shares
from oenomel.core.service.label import Label, contains_words, label_of
from oenomel.core.service.planning import PlannedTask, Task, is_late, schedule
from oenomel.core.service.pouring import PourLine
from oenomel.core.service.split import SERVICES, Service
from oenomel.core.service.tasks import EveningDrink, ToMake, tasks_for, to_make
from oenomel.core.service.vessels import Chilling, Cold, Fit, serves_words

__all__ = [
    "SERVICES", "TASTE_ML", "Batch", "BatchWish", "Chilling", "Cold", "Correction", "EveningDrink", "Filling", "Fit", "ForTheEvening",
    "Label", "Minute", "PlannedTask", "PourLine", "Purchase", "Service", "Stock", "Task", "ToMake", "back_to", "batch_of",
    "contains_words", "contents_of", "corrections", "descent_words", "is_late", "label_of", "schedule", "serves_in", "serves_words",
    "shares", "shopping", "size_words", "tasks_for", "to_make", "wanted_steps",
]  # fmt: skip
