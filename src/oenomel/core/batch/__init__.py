"""Batches: drinks made in advance for many serves (docs/model/batch.md)."""

from oenomel.core.batch.batch import Batch, BatchWish, batch_of

__all__ = ["Batch", "BatchWish", "batch_of"]
