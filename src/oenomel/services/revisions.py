"""Conflicts between two windows: neither overwrites what the other wrote in the meantime.

A whole record is written with ``If-Match`` and the revision that was read; a change of some fields with their former values. Without
either the last write wins, as a script expects.
"""

from __future__ import annotations

import hashlib
from collections.abc import Mapping
from typing import Any, Final

from oenomel.errors import ChangedElsewhere

__all__ = ["check_revision", "check_was", "revision_of"]

_LENGTH: Final = 16
_SHOWN: Final = 60


def revision_of(*kept: object) -> str:
    """Return a token of a record's present state."""
    return hashlib.sha256(repr(kept).encode()).hexdigest()[:_LENGTH]


def check_revision(read: str | None, what: str, *kept: object) -> None:
    """Raise ChangedElsewhere where a record was changed since it was read."""
    if read is not None and read.strip('"') != revision_of(*kept):
        raise ChangedElsewhere(what)


def check_was(was: Mapping[Any, object] | None, now: Mapping[str, object], to: Mapping[str, object], what: str) -> None:
    """Raise ChangedElsewhere where a field is neither what the window showed nor what it writes."""
    for name, before in (was or {}).items():
        if name in to and now[name] not in (before, to[name]):
            raise ChangedElsewhere(what, str(now[name])[:_SHOWN])
