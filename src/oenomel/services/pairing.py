"""Paired devices, and the addresses at which the bar was opened."""

from __future__ import annotations

import sqlite3
from pathlib import Path

from oenomel.store import addresses, paired_devices
from oenomel.store.database import transaction
from oenomel.store.paired_devices import DeviceRecord
from oenomel.store.undo_copies import forget_for_good

__all__ = ["DeviceRecord", "forget_device", "list_devices", "note_opened"]


def list_devices(conn: sqlite3.Connection) -> list[DeviceRecord]:
    """List the paired devices."""
    return paired_devices.all_devices(conn)


def forget_device(conn: sqlite3.Connection, data: Path, device_id: int) -> None:
    """Remove a device, also in a file beside the data file, so that restoring an older copy doesn't let it back in."""
    with transaction(conn):
        digest = paired_devices.remove(conn, device_id)
        forget_for_good(data, digest)


def note_opened(conn: sqlite3.Connection, origin: str) -> list[tuple[str, str]]:
    """Save the address at which the bar was opened; return the others of the last month with their times."""
    with transaction(conn):
        addresses.note(conn, origin)
        return addresses.elsewhere(conn, origin)
