"""Opens the data file, brings it up to date, and gives transactions."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager
from importlib import resources
from pathlib import Path

import platformdirs

from oenomel.core.larder import catalogue
from oenomel.errors import StoreError
from oenomel.store import ingredients

__all__ = ["connect", "default_path", "demo_path", "open_read_only", "prepare", "transaction"]


CREATE_LEDGER = """
CREATE TABLE IF NOT EXISTS migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL DEFAULT (datetime('now'))) STRICT
"""
SELECT_APPLIED = "SELECT name FROM migration"
SELECT_IS_APPLIED = "SELECT 1 FROM migration WHERE name = :name"
INSERT_APPLIED = "INSERT INTO migration (name) VALUES (:name)"


def default_path() -> Path:
    """The data file by the platform's convention."""
    return platformdirs.user_data_path("oenomel") / "oenomel.db"


def demo_path() -> Path:
    """The demo's own data file, beside the user's."""
    return platformdirs.user_data_path("oenomel") / "demo.db"


def connect(path: Path) -> sqlite3.Connection:
    """A connection in autocommit mode, for one request at a time; `transaction` groups statements.

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
    conn.execute(CREATE_LEDGER)
    shipped = sorted(
        (entry for entry in (resources.files("oenomel.store") / "migrations").iterdir() if entry.name.endswith(".sql")),
        key=lambda entry: entry.name,
    )
    newer = {row["name"] for row in conn.execute(SELECT_APPLIED)} - {entry.name for entry in shipped}
    if newer:
        raise StoreError(f"{path} was made by a newer Oenomel ({max(newer)}); use that one")
    for entry in shipped:
        # Asked within the transaction: of two that start at once, the second finds it done.
        with transaction(conn):
            if conn.execute(SELECT_IS_APPLIED, {"name": entry.name}).fetchone() is None:
                for statement in _statements(entry.read_text(encoding="utf-8")):
                    conn.execute(statement)
                conn.execute(INSERT_APPLIED, {"name": entry.name})


def _statements(script: str) -> Iterator[str]:
    """The statements of a script one by one: `executescript` would end the transaction first."""
    statement = ""
    for line in script.splitlines(keepends=True):
        statement += line
        if sqlite3.complete_statement(statement):
            yield statement
            statement = ""
    if statement.strip():
        yield statement
