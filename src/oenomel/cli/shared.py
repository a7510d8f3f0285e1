"""Helpers of several commands: reading a file, a larder, numbers from options."""

from __future__ import annotations

import sys
from contextlib import closing
from pathlib import Path
from typing import Final

from oenomel.core.larder import Larder, catalogue
from oenomel.errors import SpecError
from oenomel.store import database, ingredients

LARGEST_SPEC_BYTES: Final = 1_000_000
MOST_NUMBER: Final = 1e6
_NO_TEXTS: Final = (b"\x89PNG", b"\xff\xd8\xff", b"GIF8", b"%PDF", b"PK\x03\x04", b"RIFF", b"SQLite format 3")
"""First bytes of files that aren't texts."""


def read_file(path: Path, largest: int = LARGEST_SPEC_BYTES, what: str = "spec file") -> str:
    """Return the text of a file, or of standard input for "-"; raises SpecError where it can't be read or isn't text."""
    try:
        if str(path) == "-":
            content = sys.stdin.buffer.read(largest + 1)
        else:
            with path.open("rb") as file:
                # The file's stated size isn't used, because some files never end.
                content = file.read(largest + 1)
    except OSError as error:
        raise SpecError(str(path), f"can't be read: {error.strerror}") from error
    if len(content) > largest:
        raise SpecError(str(path), f"is too large for a {what}")
    if content.startswith(_NO_TEXTS):
        raise SpecError(str(path), "has no text in it: copy the text of the recipe instead")
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise SpecError(str(path), f"is not UTF-8: byte {error.start} can't be read") from error


def larder_of(data: Path | None) -> Larder:
    """Return the larder of a data file, or without one the shipped catalogue; no data file is created."""
    path = data or database.default_path()
    if data is None and not path.exists():
        return catalogue()
    with closing(database.open_read_only(path)) as conn:
        return Larder({**catalogue(), **ingredients.larder(conn)})


def whole_number(text: str, name: str) -> int:
    """Return the whole number in an option; raises SpecError that names the option."""
    if not text.strip().isdecimal() or not text.isascii():
        raise SpecError(name, f'"{text}" isn\'t a whole number: enter one like 7')
    return int(text[:15])


def number(text: str, name: str) -> float:
    """Return the number of ml in an option; raises SpecError that names the option."""
    try:
        value = float(text)
    except ValueError as error:
        raise SpecError(name, f'"{text}" isn\'t a number of ml: enter one like 750') from error
    if not -MOST_NUMBER <= value <= MOST_NUMBER:
        raise SpecError(name, f"{text} ml can't be poured")
    return value
