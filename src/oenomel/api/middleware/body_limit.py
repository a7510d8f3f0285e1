"""Limits of the size of a request, in bytes, and the sentence where it is larger."""

from __future__ import annotations

from typing import Final

__all__ = ["LARGEST_BODY", "LARGEST_HEADERS", "LARGEST_HOUSE", "largest_body", "too_large"]

LARGEST_HEADERS: Final = 64 * 1024
LARGEST_BODY: Final = 2_000_000
LARGEST_HOUSE: Final = 30_000_000
"""Of what carries a house in: one of years is a few megabytes."""

_CARRIES: Final = ("/api/import", "/api/import/look")


def largest_body(path: str) -> int:
    """Return what is taken at an address."""
    return LARGEST_HOUSE if path in _CARRIES else LARGEST_BODY


def too_large(path: str) -> str:
    """Return the sentence for a body that is larger."""
    return f"the body is too large: {largest_body(path) // 1_000_000} MB are taken"
