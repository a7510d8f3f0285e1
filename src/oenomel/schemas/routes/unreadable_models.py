"""Bodies and queries of the unreadable router."""

from __future__ import annotations

from typing import Literal

from oenomel.schemas.base import Report


class UnreadableReport(Report):
    """Something kept that can't be read: its kind, what it is known by, what it is called, why, and its text. ``removable``: whether it can
    be taken out; a trial can't, its spec is mended by a new one.
    """

    kind: Literal["lot", "batch", "preparation", "evening", "drink"]
    known_by: str
    name: str
    why: str
    text: str
    removable: bool = True
