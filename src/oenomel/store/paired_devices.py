"""Paired devices. Only a digest of a device's secret is stored."""

from __future__ import annotations

import hashlib
import secrets
import sqlite3
from dataclasses import dataclass

from oenomel.errors import RecordNotFound
from oenomel.store.clock import new_id, now

__all__ = ["DeviceRecord", "add", "all_devices", "digest_of", "remove", "signing_key", "that_shows"]

SELECT_KEY = "SELECT key FROM device_key"
SELECT_DEVICES = "SELECT id, name, may_write, paired_at FROM device ORDER BY id DESC"
SELECT_BY_SECRET = "SELECT id, name, may_write, paired_at FROM device WHERE secret = :secret"
INSERT_DEVICE = """
INSERT INTO device (name, secret, may_write, paired_at) VALUES (:name, :secret, :may_write, :paired_at)
"""
SELECT_SECRET = "SELECT secret FROM device WHERE id = :id"
DELETE_DEVICE = "DELETE FROM device WHERE id = :id"


@dataclass(frozen=True, slots=True)
class DeviceRecord:
    """A paired device."""

    id: int
    name: str
    may_write: bool
    paired_at: str


def signing_key(conn: sqlite3.Connection) -> str:
    """Return the key that signs device cookies."""
    key: str = conn.execute(SELECT_KEY).fetchone()["key"]
    return key


def add(conn: sqlite3.Connection, name: str, may_write: bool) -> tuple[int, str]:
    """Add a device; returns its id and its secret."""
    secret = secrets.token_urlsafe(32)
    values = {"name": name, "secret": digest_of(secret), "may_write": int(may_write), "paired_at": now()}
    return new_id(conn.execute(INSERT_DEVICE, values)), secret


def that_shows(conn: sqlite3.Connection, secret: str) -> DeviceRecord | None:
    """Return the device with a secret; None where there is none."""
    row = conn.execute(SELECT_BY_SECRET, {"secret": digest_of(secret)}).fetchone()
    return _from_row(row) if row else None


def all_devices(conn: sqlite3.Connection) -> list[DeviceRecord]:
    """Return every device, the newest first."""
    return [_from_row(row) for row in conn.execute(SELECT_DEVICES)]


def remove(conn: sqlite3.Connection, device_id: int) -> str:
    """Delete a device, and return the digest of its secret; raises RecordNotFound."""
    row = conn.execute(SELECT_SECRET, {"id": device_id}).fetchone()
    if row is None:
        raise RecordNotFound("device", device_id)
    conn.execute(DELETE_DEVICE, {"id": device_id})
    return str(row["secret"])


def _from_row(row: sqlite3.Row) -> DeviceRecord:
    return DeviceRecord(row["id"], row["name"], bool(row["may_write"]), row["paired_at"])


def digest_of(secret: str) -> str:
    """Return the digest of a secret."""
    return hashlib.sha256(secret.encode()).hexdigest()
