"""Writes that were answered, by the key that their sender drew: one that comes again, because the answer got lost, is answered again."""

from __future__ import annotations

import sqlite3
from dataclasses import dataclass
from typing import Final

from oenomel.errors import AnsweredBefore, KeyUsedBefore
from oenomel.store.stamps import now

__all__ = ["WriteKey", "keep", "refuse_repeated"]

KEPT: Final = 1000
"""Answers that are kept: whoever asks again does so within minutes, or after a night with the lid closed."""

SELECT_ANSWERED = "SELECT request, status, answer FROM answered_write WHERE key = :key"
INSERT_ANSWERED = """
INSERT INTO answered_write (key, request, status, answer, answered_at) VALUES (:key, :request, :status, :answer, :answered_at)
"""
DELETE_OLD = "DELETE FROM answered_write WHERE rowid <= (SELECT max(rowid) FROM answered_write) - :kept"


@dataclass(frozen=True, slots=True)
class WriteKey:
    """What a sender calls one write, and a digest of what it asks."""

    key: str
    request: str


def refuse_repeated(conn: sqlite3.Connection, asked: WriteKey) -> None:
    """Refuses a write that was made already.

    Raises
    ------
    AnsweredBefore
        It was; the answer comes with it.
    KeyUsedBefore
        Another write was, with this key.
    """
    row = conn.execute(SELECT_ANSWERED, {"key": asked.key}).fetchone()
    if row is None:
        return
    if row["request"] != asked.request:
        raise KeyUsedBefore
    raise AnsweredBefore(row["status"], row["answer"])


def keep(conn: sqlite3.Connection, asked: WriteKey, status: int, answer: str) -> None:
    """Writes down what a write was answered, in its own transaction."""
    values = {"key": asked.key, "request": asked.request, "status": status, "answer": answer, "answered_at": now()}
    conn.execute(INSERT_ANSWERED, values)
    conn.execute(DELETE_OLD, {"kept": KEPT})
