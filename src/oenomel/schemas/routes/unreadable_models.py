"""Bodies and queries of the unreadable router."""

from __future__ import annotations

from typing import Literal

from oenomel.schemas.base import Report


class UnreadableReport(Report):
    """A record that can't be read: kind, key, name, reason, and text. ``removable``: whether it can be deleted; a trial can't, its
    spec is corrected by a new one.
    """

    kind: Literal["lot", "batch", "preparation", "evening", "drink"]
    known_by: str
    name: str
    why: str
    text: str
    removable: bool = True
