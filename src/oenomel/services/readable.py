"""Skipping single records that can't be read, so that the others are still listed."""

from __future__ import annotations

from collections.abc import Callable
from typing import Final, TypeVar

from oenomel.errors import OenomelError

Made = TypeVar("Made")

__all__ = ["UNREADABLE", "fault_in", "read_or_none"]

UNREADABLE: Final = (OenomelError, ValueError, KeyError, TypeError, AttributeError, ArithmeticError)
"""Errors that reading a stored record may raise, because an earlier version didn't check it, or it refers to something deleted."""


def read_or_none(make: Callable[..., Made], *row: object) -> Made | None:
    """Apply a function to a record; None where the record can't be read."""
    try:
        return make(*row)
    except UNREADABLE:
        return None


def fault_in(make: Callable[..., object], *row: object) -> str:
    """Return why a record can't be read; empty where it can."""
    try:
        make(*row)
    except OenomelError as error:
        return str(error)
    except UNREADABLE:
        return "it can't be read"
    return ""
