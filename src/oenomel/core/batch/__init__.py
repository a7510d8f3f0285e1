"""The evening: batches that are poured from a bottle, and what is left to do before the hour (docs/model/batch.md)."""

from oenomel.core.batch.batch import Batch, BatchWish, batch_of

__all__ = ["Batch", "BatchWish", "batch_of"]
