"""Times as stored: ISO 8601 with zone, between 2000 and a year from now; use-by dates up to ten years from now."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from typing import Final

from oenomel.errors import NotAMoment

__all__ = ["FIRST_YEAR", "TEN_YEARS", "YEAR", "is_moment", "moment_of"]

FIRST_YEAR: Final = 2000
YEAR: Final = timedelta(days=366)
TEN_YEARS: Final = timedelta(days=3653)


def moment_of(text: str, ahead: timedelta = YEAR) -> datetime:
    """Convert a text to a time in UTC.

    Raises
    ------
    NotAMoment
        It is no time, tells no zone, or lies before 2000 or farther ahead than that.
    """
    try:
        moment = datetime.fromisoformat(text)
        if moment.tzinfo is None:
            raise ValueError
        moment = moment.astimezone(UTC)
    except (ValueError, OverflowError) as error:
        raise NotAMoment(text) from error
    if moment.year < FIRST_YEAR or moment > datetime.now(UTC) + ahead:
        raise NotAMoment(text)
    return moment


def is_moment(text: str) -> bool:
    """Check whether a text is a valid stored time."""
    try:
        moment_of(text)
    except NotAMoment:
        return False
    return True
