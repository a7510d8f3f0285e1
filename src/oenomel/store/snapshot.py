"""A complete copy of an open data file by SQLite's backup: consistent although the file is in use, and written completely or not at all."""

from __future__ import annotations

import os
import sqlite3
import time
from contextlib import closing, suppress
from pathlib import Path
from typing import Final

__all__ = ["OWNER_ONLY", "WAIT_SECONDS", "copy_pages", "snapshot", "sync_folder"]

OWNER_ONLY: Final = 0o600
LEFT_SECONDS: Final = 3600.0
WAIT_SECONDS: Final = 3.0
"""Seconds to wait for another program's lock before an error is raised."""


def snapshot(conn: sqlite3.Connection, target: Path) -> None:
    """Copy what a connection sees to a file, which takes its final name only once it is complete and on the disk.

    Raises
    ------
    sqlite3.Error, OSError
        The folder stays as it was.
    """
    part = target.with_name(f".{target.name}.{os.getpid()}.part")
    for path in target.parent.glob(".*.part"):
        # Left by an interrupted copy; one in progress is younger.
        with suppress(OSError):
            if time.time() - path.stat().st_mtime > LEFT_SECONDS:
                path.unlink()
    try:
        os.close(os.open(part, os.O_RDWR | os.O_CREAT | os.O_TRUNC, OWNER_ONLY))
        with closing(sqlite3.connect(part, isolation_level=None)) as copy:
            copy_pages(conn, copy)
            # One file without side files.
            copy.execute("PRAGMA journal_mode = DELETE")
            (sound,) = copy.execute("PRAGMA quick_check(1)").fetchone()
            if sound != "ok":
                raise sqlite3.DatabaseError(f"the copy is incomplete: {sound}")
        with part.open("rb") as written:
            os.fsync(written.fileno())
        part.replace(target)
        sync_folder(target.parent)
    except BaseException:
        with suppress(OSError):
            part.unlink(missing_ok=True)
        raise


def copy_pages(conn: sqlite3.Connection, target: sqlite3.Connection) -> None:
    """Copy what a connection sees into another, in one transaction.

    Raises
    ------
    sqlite3.OperationalError
        Another program held one of the two files longer than a lock is waited for; SQLite's own backup would wait for ever.
    """
    deadline = time.monotonic() + WAIT_SECONDS

    def give_up(status: int, _remaining: int, _total: int) -> None:
        if status in (sqlite3.SQLITE_BUSY, sqlite3.SQLITE_LOCKED) and time.monotonic() > deadline:
            error = sqlite3.OperationalError("database is locked")
            error.sqlite_errorcode = status
            raise error

    conn.backup(target, progress=give_up, sleep=0.05)


def sync_folder(folder: Path) -> None:
    """Flush a folder's entries to the disk, where the platform can."""
    with suppress(OSError):
        opened = os.open(folder, os.O_RDONLY)
        try:
            os.fsync(opened)
        finally:
            os.close(opened)
