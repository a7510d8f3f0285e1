"""Opens the data file, brings it up to date, and gives transactions."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager
from importlib import resources
from pathlib import Path

import platformdirs

from oenomel.core.catalogue import catalogue
from oenomel.errors import StoreError
from oenomel.store import ingredients

__all__ = ["connect", "default_path", "demo_path", "open_read_only", "prepare", "transaction"]


def default_path() -> Path:
    """The data file by the platform's convention."""
    return platformdirs.user_data_path("oenomel") / "oenomel.db"


def demo_path() -> Path:
    """The demo's own data file, beside the user's."""
    return platformdirs.user_data_path("oenomel") / "demo.db"


def connect(path: Path) -> sqlite3.Connection:
    """A connection in autocommit mode, for one request; `transaction` groups statements.

    ``check_same_thread`` is off because FastAPI may open and use a request's connection in different worker threads,
    one after the other.
    """
    conn = sqlite3.connect(path, timeout=10, isolation_level=None, check_same_thread=False)
    conn.row_factory = sqlite3.Row
    conn.execute("PRAGMA foreign_keys = ON")
    conn.execute("PRAGMA synchronous = FULL")
    return conn


def open_read_only(path: Path) -> sqlite3.Connection:
    """A connection that can't write.

    Raises
    ------
    StoreError
        The file is missing or isn't a data file.
    """
    try:
        conn = sqlite3.connect(f"{path.resolve().as_uri()}?mode=ro", uri=True)
        conn.row_factory = sqlite3.Row
        conn.execute("SELECT count(*) FROM ingredient")
    except sqlite3.Error as error:
        raise StoreError(f"{path} can't be read as a data file: {error}") from error
    return conn


def prepare(path: Path) -> None:
    """Makes or migrates the data file and fills in the catalogue that ships with this version.

    Raises
    ------
    StoreError
        The file is something else, or was made by a newer Oenomel.
    """
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        with closing(connect(path)) as conn:
            conn.execute("PRAGMA journal_mode = WAL")
            _migrate(conn, path)
            with transaction(conn):
                ingredients.replace_catalogue(conn, catalogue().values())
    except (sqlite3.Error, OSError) as error:
        raise StoreError(f"{path} can't be used as a data file: {error}") from error


@contextmanager
def transaction(conn: sqlite3.Connection) -> Iterator[None]:
    """All or nothing: commits at the end, rolls back if anything is raised."""
    conn.execute("BEGIN IMMEDIATE")
    try:
        yield
    except BaseException:
        conn.execute("ROLLBACK")
        raise
    conn.execute("COMMIT")


def _migrate(conn: sqlite3.Connection, path: Path) -> None:
    conn.execute("CREATE TABLE IF NOT EXISTS migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL DEFAULT (datetime('now'))) STRICT")
    applied = {row["name"] for row in conn.execute("SELECT name FROM migration")}
    shipped = sorted(
        (entry for entry in (resources.files("oenomel.store") / "migrations").iterdir() if entry.name.endswith(".sql")),
        key=lambda entry: entry.name,
    )
    newer = applied - {entry.name for entry in shipped}
    if newer:
        raise StoreError(f"{path} was made by a newer Oenomel ({max(newer)}); use that one")
    for entry in shipped:
        if entry.name not in applied:
            # executescript commits first, so the migration and its ledger row share a transaction of their own.
            script = (
                f"BEGIN IMMEDIATE;\n{entry.read_text(encoding='utf-8')}\nINSERT INTO migration (name) VALUES ('{entry.name}');\nCOMMIT;"
            )
            try:
                conn.executescript(script)
            except sqlite3.Error:
                if conn.in_transaction:
                    conn.execute("ROLLBACK")
                raise
