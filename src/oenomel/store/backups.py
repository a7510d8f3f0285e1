"""Copies of the data file: made on request, made daily beside it, and restored."""

from __future__ import annotations

import os
import shutil
import sqlite3
from contextlib import closing, suppress
from dataclasses import dataclass
from datetime import UTC, date, datetime
from pathlib import Path
from typing import Final

from oenomel.errors import CopyFault, StoreError, StoreFault
from oenomel.store import database
from oenomel.store.database import copies_folder
from oenomel.store.snapshot import copy_pages, snapshot, sync_folder

__all__ = ["CopyRecord", "back_up", "copies_of", "keep_of_today", "make_now", "restore"]

DAYS_KEPT: Final = 7
"""Number of daily copies kept, besides the last of each month; and of every other kind (house rule)."""

_DAY, _BY_HAND, _REPLACED = "day", "by-hand", "replaced"


@dataclass(frozen=True, slots=True)
class CopyRecord:
    """A copy of the data file: its path, and its time, ISO 8601 in UTC."""

    path: Path
    made_at: str


def copies_of(data: Path) -> list[CopyRecord]:
    """Return the copies of a data file, the newest first."""
    copies = [(path.stat().st_mtime, path) for path in copies_folder(data).glob("*.db")]
    return [
        CopyRecord(path, datetime.fromtimestamp(modified, UTC).isoformat(timespec="seconds"))
        for modified, path in sorted(copies, reverse=True)
    ]


def back_up(data: Path, target: Path) -> None:
    """Copy a data file, in use or not; an older copy at that path is replaced once the new one is complete.

    Raises
    ------
    StoreError
        The data file can't be read; the folder doesn't exist; the disk is full; another kind of file has that name.
    """
    _check_target(data, target)
    with closing(database.open_to_copy(data)) as conn:
        try:
            snapshot(conn, target)
        except (sqlite3.Error, OSError) as error:
            raise database.fault_of(error, target) from error


def restore(data: Path, copy: Path) -> Path | None:
    """Restore a copy, and return the path of the replaced data file; None where there was none.

    Open connections see the restored contents: they are written into the file as one transaction.

    Raises
    ------
    StoreError
        The copy isn't a data file, is damaged, or was written by a newer Oenomel; the disk is full. Nothing is changed.
    """
    if copy.exists() and data.exists() and copy.samefile(data):
        raise CopyFault("itself", copy)
    ready = data.with_name(f".{data.name}.{os.getpid()}.ready")
    try:
        _make_ready(copy, ready)
        kept = _keep_old(data) if data.exists() else None
        _put_in_place(ready, data)
    except (sqlite3.Error, OSError) as error:
        raise database.fault_of(error, data) from error
    finally:
        with suppress(OSError):
            ready.unlink(missing_ok=True)
    return kept


def keep_of_today(data: Path, today: date) -> Path | None:
    """Make the day's copy and delete old ones; None where it exists already, or there is nothing to copy.

    Raises
    ------
    StoreError
    """
    target = copies_folder(data) / f"{_DAY}-{today.isoformat()}.db"
    if target.exists() or not data.exists() or data.stat().st_size == 0:
        return None
    return _moved_into_place(data, target)


def make_now(data: Path) -> Path:
    """Make a copy of the data file on request; raises StoreError."""
    return _moved_into_place(data, _unused(copies_folder(data), _BY_HAND))


def _moved_into_place(data: Path, target: Path) -> Path:
    _make_folder(target.parent)
    back_up(data, target)
    _let_go(target.parent)
    return target


def _let_go(folder: Path) -> None:
    """Keep the last seven daily copies and the last of each month, and the last seven of each other kind: on request, replaced by a
    restored copy, and before a migration; delete the others.
    """
    days = sorted(folder.glob(f"{_DAY}-*.db"), reverse=True)
    months = {day.name[: len(f"{_DAY}-2026-11")]: day for day in reversed(days)}
    gone = [copy for copy in days[DAYS_KEPT:] if copy not in months.values()]
    for kind in (_BY_HAND, _REPLACED, "before"):
        gone += sorted(folder.glob(f"{kind}-*.db"), key=lambda each: each.stat().st_mtime, reverse=True)[DAYS_KEPT:]
    for path in gone:
        for ending in ("", "-wal"):
            Path(f"{path}{ending}").unlink(missing_ok=True)


def _make_ready(copy: Path, ready: Path) -> None:
    """Copy and migrate a copy beside the data file, so that the restored file is complete and of this version."""
    if not copy.is_file():
        raise CopyFault("no copy", copy)
    try:
        with closing(database.open_to_copy(copy)) as conn:
            snapshot(conn, ready)
    except StoreFault as fault:
        raise CopyFault("no copy" if fault.fault in ("foreign", "damaged", "folder", "gone") else fault.fault, copy, fault.told) from fault
    except sqlite3.DatabaseError as error:
        raise CopyFault("no copy", copy) from error
    try:
        database.bring_up_to_date(ready)
    except StoreError as error:
        raise StoreError(str(error).replace(str(ready), str(copy))) from error


def _keep_old(data: Path) -> Path:
    kept = _unused(copies_folder(data), _REPLACED)
    _make_folder(kept.parent)
    try:
        back_up(data, kept)
    except StoreError:
        # A damaged file is kept as it is, with SQLite's side files.
        for ending in ("", "-wal"):
            if (beside := Path(f"{data}{ending}")).exists():
                shutil.copyfile(beside, f"{kept}{ending}")
        sync_folder(kept.parent)
    return kept


def _put_in_place(ready: Path, data: Path) -> None:
    try:
        database.check_ours(data)
        with closing(sqlite3.connect(ready)) as whole, closing(database.connect(data)) as lying:
            # If interrupted, a write-ahead log is simply missing; a rollback journal would have to be applied by the next to open it.
            lying.execute("PRAGMA journal_mode = WAL")
            copy_pages(whole, lying)
    except (StoreError, sqlite3.DatabaseError) as error:
        fault = error if isinstance(error, StoreFault) else database.fault_of(error, data) if isinstance(error, sqlite3.Error) else None
        if fault is None or fault.fault not in ("foreign", "damaged", "gone", "unusable"):
            raise
        # There is no sound file to write into: it is replaced, after its side files are removed.
        for ending in ("-wal", "-shm"):
            Path(f"{data}{ending}").unlink(missing_ok=True)
        ready.replace(data)
        sync_folder(data.parent)


def _check_target(data: Path, target: Path) -> None:
    if target.exists() and data.exists() and target.samefile(data):
        raise CopyFault("itself", target)
    if not target.parent.is_dir():
        raise CopyFault("no folder", target)
    if target.is_dir():
        raise CopyFault("is folder", target)
    if target.exists() and target.stat().st_size:
        try:
            database.check_ours(target)
        except StoreError as error:
            raise CopyFault("taken", target) from error


def _make_folder(folder: Path) -> None:
    try:
        folder.mkdir(mode=0o700, exist_ok=True)
    except OSError as error:
        raise database.fault_of(error, folder) from error


def _unused(folder: Path, kind: str) -> Path:
    # To the microsecond: the names sort by the time they were made.
    return folder / f"{kind}-{datetime.now(UTC):%Y-%m-%dT%H%M%S-%f}.db"
