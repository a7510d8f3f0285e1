"""Digests of removed devices in a file beside the data file, so that restoring an older copy lets none back in."""

from __future__ import annotations

import os
from pathlib import Path

from oenomel.store.snapshot import OWNER_ONLY

__all__ = ["forget_for_good", "forgotten_file"]


def forgotten_file(data: Path) -> Path:
    """Return the path of that file for a data file."""
    return data.with_name(f"{data.stem}-forgotten-devices.txt")


def forget_for_good(data: Path, digest: str) -> None:
    """Add a digest, on the disk before it returns; raises OSError."""
    opened = os.open(forgotten_file(data), os.O_WRONLY | os.O_CREAT | os.O_APPEND, OWNER_ONLY)
    try:
        os.write(opened, f"{digest}\n".encode("ascii"))
        os.fsync(opened)
    finally:
        os.close(opened)
