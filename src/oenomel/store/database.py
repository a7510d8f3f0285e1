"""Opening and migrating the data file, and transactions."""

from __future__ import annotations

import errno
import os
import shutil
import sqlite3
import tempfile
from collections.abc import Iterator
from contextlib import closing, contextmanager, suppress
from importlib import resources
from importlib.resources.abc import Traversable
from pathlib import Path
from typing import Final

import platformdirs

from oenomel.core.larder import catalogue
from oenomel.errors import OnlyLooking, StoreError, StoreFault
from oenomel.store import book_search, idempotency, ingredients
from oenomel.store.idempotency import WriteKey
from oenomel.store.snapshot import OWNER_ONLY, WAIT_SECONDS, snapshot

__all__ = [
    "Connection", "bring_up_to_date", "check_ours", "connect", "copies_folder", "default_path", "demo_path", "fault_of", "identity",
    "open_read_only", "open_to_copy", "prepare", "transaction",
]  # fmt: skip

APPLICATION_ID: Final = 1329942095
"""Identifies a data file of Oenomel; see the migration that writes it."""

ROOM_BYTES: Final = 65_536

_SQLITE_FAULTS: Final = {
    sqlite3.SQLITE_FULL: "full",
    sqlite3.SQLITE_BUSY: "in use",
    sqlite3.SQLITE_LOCKED: "in use",
    sqlite3.SQLITE_CORRUPT: "damaged",
    sqlite3.SQLITE_NOTADB: "foreign",
    sqlite3.SQLITE_READONLY: "not writable",
    sqlite3.SQLITE_PERM: "not writable",
    sqlite3.SQLITE_AUTH: "not writable",
    sqlite3.SQLITE_IOERR: "disk",
}
_CUT_OFF: Final = (sqlite3.SQLITE_READONLY_ROLLBACK, sqlite3.SQLITE_READONLY_RECOVERY, sqlite3.SQLITE_READONLY_CANTINIT)
_OS_FAULTS: Final = {
    errno.ENOSPC: "full",
    errno.EDQUOT: "full",
    errno.EACCES: "not writable",
    errno.EPERM: "not writable",
    errno.EROFS: "not writable",
    errno.ENOENT: "gone",
    errno.EISDIR: "folder",
    errno.ENOTDIR: "folder",
    errno.EEXIST: "folder",
    errno.EIO: "disk",
}


CREATE_LEDGER = """
CREATE TABLE IF NOT EXISTS migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL DEFAULT (datetime('now'))) STRICT
"""
SELECT_APPLIED = "SELECT name FROM migration"
SELECT_IS_APPLIED = "SELECT 1 FROM migration WHERE name = :name"
INSERT_APPLIED = "INSERT INTO migration (name) VALUES (:name)"


class Connection(sqlite3.Connection):
    """A connection to a data file; ``write_key`` is the idempotency key of its request, if any, ``only_looks`` is true for a device
    that only reads.
    """

    write_key: WriteKey | None = None
    only_looks: bool = False


def default_path() -> Path:
    """Return the path of the data file by the platform's convention."""
    return _own_folder() / "oenomel.db"


def demo_path() -> Path:
    """Return the path of the demo's data file, beside the user's."""
    return _own_folder() / "demo.db"


def _own_folder() -> Path:
    folder = platformdirs.user_data_path("oenomel")
    if not folder.is_absolute():
        # Without a typical range folder it would be made wherever the command is given.
        raise StoreFault("no home", folder)
    return folder


def identity(path: Path) -> tuple[int, int]:
    """Return a token of the file at a path, which changes when the file is replaced.

    Raises
    ------
    StoreFault
        There is none.
    """
    try:
        status = path.stat()
    except OSError as error:
        raise fault_of(error, path) from error
    return status.st_dev, status.st_ino


def connect(path: Path) -> Connection:
    """Open a connection in autocommit mode, for one request; `transaction` groups statements. It never creates the file.

    ``check_same_thread`` is off because FastAPI may open and use a request's connection in different worker threads,
    one after the other.

    Raises
    ------
    StoreFault
    """
    try:
        conn = sqlite3.connect(
            _uri(path, "rw"), uri=True, timeout=WAIT_SECONDS, isolation_level=None, check_same_thread=False, factory=Connection
        )
    except sqlite3.Error as error:
        raise fault_of(error, path) from error
    conn.row_factory = sqlite3.Row
    conn.execute("PRAGMA foreign_keys = ON")
    conn.execute("PRAGMA synchronous = FULL")
    return conn


def open_read_only(path: Path) -> sqlite3.Connection:
    """Open the file for reading only; a file of an earlier version is copied and migrated in memory.

    Raises
    ------
    StoreError
        The file is missing, isn't a data file, or was made by a newer Oenomel.
    """
    conn = open_to_copy(path)
    conn.row_factory = sqlite3.Row
    if {row["name"] for row in conn.execute(SELECT_APPLIED)} == {entry.name for entry in _shipped()}:
        return conn
    copy = sqlite3.connect(":memory:", isolation_level=None)
    copy.row_factory = sqlite3.Row
    with closing(conn):
        conn.backup(copy)
    _migrate(copy, path)
    return copy


def open_to_copy(path: Path) -> sqlite3.Connection:
    """Open a data file of any version for copying; raises StoreError where it isn't one."""
    try:
        check_ours(path)
        return sqlite3.connect(_uri(path, "ro"), uri=True, timeout=WAIT_SECONDS)
    except StoreFault as fault:
        if fault.fault not in ("unusable", "not writable") or not path.is_file():
            raise
        return _without_writing(path)


def _without_writing(path: Path) -> sqlite3.Connection:
    """Open a file on a read-only medium, where SQLite can't create its side files, as a copy in memory."""
    with tempfile.TemporaryDirectory() as folder:
        copy = Path(folder) / path.name
        for ending in ("", "-wal"):
            if (beside := Path(f"{path}{ending}")).exists():
                shutil.copyfile(beside, f"{copy}{ending}")
        check_ours(copy)
        connection = sqlite3.connect(":memory:", isolation_level=None)
        with closing(sqlite3.connect(copy)) as read:
            read.backup(connection)
    return connection


def bring_up_to_date(path: Path) -> None:
    """Migrate a file that nobody else has open; raises StoreError where a newer Oenomel wrote it."""
    with closing(connect(path)) as conn:
        _migrate(conn, path)


def prepare(path: Path) -> None:
    """Create or migrate the data file, readable by its owner only, and update the shipped catalogue.

    A copy is made before it is migrated.

    Raises
    ------
    StoreError
        The file is something else, was made by a newer Oenomel, or can't be used.
    """
    try:
        if path in (default_path(), demo_path()):
            path.parent.mkdir(parents=True, exist_ok=True)
        elif not path.parent.exists():
            # A missing disk or a mistyped path: an empty book in a new folder would look like a loss.
            raise StoreFault("no folder", path)
        os.close(os.open(path, os.O_RDWR | os.O_CREAT, OWNER_ONLY))
        check_ours(path, may_be_new=True)
        with suppress(PermissionError):  # another owner's file that we may write keeps its permissions
            path.chmod(OWNER_ONLY)
        with closing(connect(path)) as conn:
            conn.execute("PRAGMA journal_mode = WAL")
            _keep_before_migrating(conn, path)
            changed = _migrate(conn, path)
            try:
                with transaction(conn):
                    if ingredients.replace_catalogue(conn, catalogue().values()):
                        book_search.write_down_all(conn)
            except sqlite3.OperationalError as error:
                # With a full disk the bar can still be read.
                if changed or error.sqlite_errorcode != sqlite3.SQLITE_FULL:
                    raise
    except (sqlite3.Error, OSError) as error:
        raise fault_of(error, path) from error


def fault_of(error: sqlite3.Error | OSError, path: Path) -> StoreFault:
    """Return what is wrong with the data file, as a sentence that says what to do."""
    if isinstance(error, sqlite3.Error):
        # The low byte is the kind of error, the rest its origin.
        kind = getattr(error, "sqlite_errorcode", 0) & 0xFF
        if kind == sqlite3.SQLITE_CANTOPEN and not path.exists():
            return StoreFault("gone", path)
        if kind == sqlite3.SQLITE_IOERR and not _has_space(path):
            return StoreFault("full", path)
        return StoreFault(_SQLITE_FAULTS.get(kind, "unusable"), path, str(error))
    return StoreFault(_OS_FAULTS.get(error.errno or 0, "unusable"), path, error.strerror or str(error))


@contextmanager
def transaction(conn: sqlite3.Connection) -> Iterator[None]:
    """Run statements all or nothing: commits at the end, rolls back if anything raises.

    Where the request has an idempotency key, the commit waits until its answer is saved too.

    Raises
    ------
    AnsweredBefore
        The write with this key was done already. OnlyLooking The device may only read.
    """
    if isinstance(conn, Connection) and conn.only_looks:
        raise OnlyLooking
    key = conn.write_key if isinstance(conn, Connection) else None
    if not conn.in_transaction:
        conn.execute("BEGIN IMMEDIATE")
    try:
        if key is not None:
            idempotency.refuse_repeated(conn, key)
        yield
    except BaseException:
        if conn.in_transaction:  # a full disk ends a transaction itself
            conn.execute("ROLLBACK")
        raise
    if key is None:
        conn.execute("COMMIT")


def _uri(path: Path, mode: str) -> str:
    return f"{path.absolute().as_uri()}?mode={mode}"


def _has_space(path: Path) -> bool:
    """Check whether the disk takes another page; without space SQLite's side files fail with another error."""
    try:
        return shutil.disk_usage(path.parent).free >= ROOM_BYTES
    except OSError:
        return True


def check_ours(path: Path, *, may_be_new: bool = False) -> None:
    """Check a file without changing it; raises StoreError where it isn't Oenomel's.

    It changes only after an interrupted write, which SQLite must roll back before anything can be read.
    """
    try:
        try:
            mark, names = _mark_and_tables(path, "ro")
        except sqlite3.OperationalError as error:
            if error.sqlite_errorcode not in _CUT_OFF:
                raise
            mark, names = _mark_and_tables(path, "rw")
    except sqlite3.Error as error:
        raise fault_of(error, path) from error
    # Files from before the application id are recognised by their table of migrations.
    ours = mark == APPLICATION_ID or (mark == 0 and {"migration", "ingredient"} <= names)
    if not ours and not (may_be_new and mark == 0 and names <= {"migration"}):
        raise StoreFault("foreign", path)


def _keep_before_migrating(conn: sqlite3.Connection, path: Path) -> None:
    """Make a copy before a data file that isn't empty is migrated."""
    tables = {row["name"] for row in conn.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
    applied = {row["name"] for row in conn.execute(SELECT_APPLIED)} if "migration" in tables else set()
    waiting = [entry.name for entry in _shipped() if entry.name not in applied]
    if applied and waiting:
        folder = copies_folder(path)
        folder.mkdir(mode=0o700, exist_ok=True)
        snapshot(conn, folder / f"before-{waiting[0].removesuffix('.sql')}.db")


def copies_folder(path: Path) -> Path:
    """Return the folder beside a data file that holds its copies."""
    return path.with_name(f"{path.stem}-copies")


def _mark_and_tables(path: Path, mode: str) -> tuple[int, set[str]]:
    with closing(sqlite3.connect(_uri(path, mode), uri=True, timeout=WAIT_SECONDS)) as conn:
        (mark,) = conn.execute("PRAGMA application_id").fetchone()
        return mark, {name for (name,) in conn.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}


def _shipped() -> list[Traversable]:
    """Return the migrations in their order."""
    scripts = (resources.files("oenomel.store") / "migrations").iterdir()
    return sorted((entry for entry in scripts if entry.name.endswith(".sql")), key=lambda entry: entry.name)


def _migrate(conn: sqlite3.Connection, path: Path) -> bool:
    """Migrate the file; returns whether anything was changed."""
    conn.execute(CREATE_LEDGER)
    shipped = _shipped()
    newer = {row["name"] for row in conn.execute(SELECT_APPLIED)} - {entry.name for entry in shipped}
    if newer:
        raise StoreError(f"{path} was made by a newer Oenomel ({max(newer)}): use that version")
    changed = False
    for entry in shipped:
        # Checked within the transaction: of two that start at once, the second finds it done.
        with transaction(conn):
            if conn.execute(SELECT_IS_APPLIED, {"name": entry.name}).fetchone() is None:
                for statement in _statements(entry.read_text(encoding="utf-8")):
                    conn.execute(statement)
                conn.execute(INSERT_APPLIED, {"name": entry.name})
                changed = True
    return changed


def _statements(script: str) -> Iterator[str]:
    """Yield the statements of a script one by one, because `executescript` would end the transaction."""
    statement = ""
    for line in script.splitlines(keepends=True):
        statement += line
        if sqlite3.complete_statement(statement):
            yield statement
            statement = ""
    if statement.strip():
        yield statement
