"""Conflicts between two windows: neither overwrites in silence what the other wrote since.

What is written whole goes with ``If-Match`` and the revision that was read; a change of some fields goes with what they were. Without
either the last one wins, as for a script that has read nothing.
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
    """Return what tells one state of something kept from another."""
    return hashlib.sha256(repr(kept).encode()).hexdigest()[:_LENGTH]


def check_revision(read: str | None, what: str, *kept: object) -> None:
    """Refuse to write over what was changed since it was read; raises ChangedElsewhere."""
    if read is not None and read.strip('"') != revision_of(*kept):
        raise ChangedElsewhere(what)


def check_was(was: Mapping[Any, object] | None, now: Mapping[str, object], to: Mapping[str, object], what: str) -> None:
    """Refuse to write over a field that is neither what the window showed nor what it writes; raises ChangedElsewhere."""
    for name, before in (was or {}).items():
        if name in to and now[name] not in (before, to[name]):
            raise ChangedElsewhere(what, str(now[name])[:_SHOWN])
