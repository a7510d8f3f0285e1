"""Limits on the size of a request body, in bytes, and the message where it is exceeded."""

from __future__ import annotations

from typing import Final

__all__ = ["LARGEST_BODY", "LARGEST_HEADERS", "LARGEST_HOUSE", "largest_body", "too_large"]

LARGEST_HEADERS: Final = 64 * 1024
LARGEST_BODY: Final = 2_000_000
LARGEST_HOUSE: Final = 30_000_000
"""Most bytes of headers, of a body, and of a house file: one of several years is a few megabytes."""

_CARRIES: Final = ("/api/import", "/api/import/look")


def largest_body(path: str) -> int:
    """Return the largest body that an address accepts, in bytes."""
    return LARGEST_HOUSE if path in _CARRIES else LARGEST_BODY


def too_large(path: str) -> str:
    """Return the message for a body that is too large."""
    return f"the request is too large: at most {largest_body(path) // 1_000_000} MB can be sent"
