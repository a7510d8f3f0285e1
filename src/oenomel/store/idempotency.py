"""Answers to writes by idempotency key: a request repeated because its answer was lost gets the same answer."""

from __future__ import annotations

import sqlite3
import zlib
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Final

from oenomel.errors import AnsweredBefore, KeyUsedBefore, WrittenBefore
from oenomel.store.clock import now

__all__ = ["WriteKey", "keep", "refuse_repeated"]

KEPT_HOURS: Final = 48
MOST_BYTES: Final = 1_000_000
"""Hours for which answers are kept: a client repeats a request within minutes, or after a night with its lid closed; and the bytes up to
which they are kept whole, older ones without their body.
"""

SELECT_ANSWERED = "SELECT request, status, answer, packed FROM answered_write WHERE key = :key"
INSERT_ANSWERED = """
INSERT INTO answered_write (key, request, status, answer, packed, answered_at) VALUES (:key, :request, :status, '', :packed, :answered_at)
"""
DELETE_OLD = "DELETE FROM answered_write WHERE answered_at < :before"
FORGET_ANSWERS = """
UPDATE answered_write SET answer = '', packed = NULL WHERE (packed IS NOT NULL OR answer <> '') AND rowid <= (
  SELECT max(rowid) FROM (
    SELECT rowid, sum(coalesce(length(packed), length(answer))) OVER (ORDER BY rowid DESC) AS bytes FROM answered_write
  ) WHERE bytes > :most
)
"""


@dataclass(frozen=True, slots=True)
class WriteKey:
    """Idempotency key of a write, and a digest of its request."""

    key: str
    request: str


def refuse_repeated(conn: sqlite3.Connection, asked: WriteKey) -> None:
    """Raise where a write was done already.

    Raises
    ------
    AnsweredBefore
        The write was done already; the answer comes with the error. KeyUsedBefore The key belongs to another write. WrittenBefore It
        was done so long ago that its answer is gone.
    """
    row = conn.execute(SELECT_ANSWERED, {"key": asked.key}).fetchone()
    if row is None:
        return
    if row["request"] != asked.request:
        raise KeyUsedBefore
    if row["packed"] is None and not row["answer"]:
        raise WrittenBefore
    raise AnsweredBefore(row["status"], row["answer"] or zlib.decompress(row["packed"]).decode())


def keep(conn: sqlite3.Connection, asked: WriteKey, status: int, answer: str) -> None:
    """Save the answer to a write, in the write's own transaction."""
    packed = zlib.compress(answer.encode(), 6)
    values = {"key": asked.key, "request": asked.request, "status": status, "packed": packed, "answered_at": now()}
    conn.execute(INSERT_ANSWERED, values)
    before = datetime.now(UTC) - timedelta(hours=KEPT_HOURS)
    conn.execute(DELETE_OLD, {"before": before.isoformat(timespec="seconds")})
    conn.execute(FORGET_ANSWERS, {"most": MOST_BYTES})
