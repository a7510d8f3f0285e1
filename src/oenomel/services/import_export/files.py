"""Export and import of files, the data file, and its copies."""

from __future__ import annotations

import sqlite3
from pathlib import Path
from typing import Final

from oenomel import __version__
from oenomel.formats.house_files import NamedText, house_of
from oenomel.formats.recipe_writer import ENDINGS, write_all_as
from oenomel.schemas.house_file import HouseFile, house_text
from oenomel.schemas.routes.import_export_models import (
    DataFileReport,
    ExportReport,
    ExportRequest,
    ImportReport,
    ImportRequest,
    LookRequest,
)
from oenomel.services.import_export.comparison import look_at
from oenomel.services.import_export.drink_ids import ids_of_book
from oenomel.services.import_export.gather import gather_drinks, gather_house, latest_specs
from oenomel.services.import_export.importer import import_house
from oenomel.store import backups, ingredients
from oenomel.store.database import copies_folder

MOST_IN_A_BODY: Final = 0.9
"""Share of the largest request that a file may fill; the rest is for JSON's escapes."""


def look_at_files(conn: sqlite3.Connection, body: LookRequest) -> ImportReport:
    """Compare files with the book: what is new, what is the same, and what differs; nothing is written."""
    return ImportReport(items=look_at(conn, _house(body, conn)).items)


def import_files(conn: sqlite3.Connection, body: ImportRequest) -> ImportReport:
    """Import files, all of them or none. No trial in the book is changed."""
    return ImportReport(items=import_house(conn, _house(body, conn), body.choices))


def _house(body: LookRequest, conn: sqlite3.Connection) -> HouseFile:
    files = [NamedText(file.name, file.text) for file in body.files]
    return house_of(files, ingredients.names(conn), ingredients.larder(conn).__getitem__)


def _called(house: HouseFile, *, whole: bool) -> str:
    """Return the name of the file: the bar, its only drink, or the number of drinks."""
    if whole:
        return "house"
    return f"{house.drinks[0].id}-with-notebook" if len(house.drinks) == 1 else f"{len(house.drinks)}-drinks-with-notebook"


def export_drinks(conn: sqlite3.Connection, body: ExportRequest, largest_import: int) -> ExportReport:
    """Export some drinks, or everything, as a file; remarks on it where it is larger than ``largest_import`` bytes, [B]."""
    if body.wanted == "house":
        house = gather_drinks(conn, body.drinks) if body.drinks else gather_house(conn)
        text = house_text(house)
        return ExportReport(text=text, file_name=f"{_called(house, whole=not body.drinks)}.json", words=_too_large(text, largest_import))
    book = ids_of_book(conn)
    specs = latest_specs(conn, body.drinks or book.values())
    names = {slug: ingredient.name for slug, ingredient in ingredients.larder(conn).items()}
    text = write_all_as([(spec, notes) for _, spec, notes in specs], body.wanted, names)
    name = specs[0][0] if len(specs) == 1 else "drinks"
    return ExportReport(text=text, file_name=f"{name}.{ENDINGS[body.wanted]}")


def describe_data_file(data: Path, *, hidden: bool) -> DataFileReport:
    """Describe the data file and its copies; without its path where it is ``hidden``."""
    copies = backups.copies_of(data)
    return DataFileReport(
        path="" if hidden else str(data.absolute()),
        size_bytes=data.stat().st_size if data.exists() else 0,
        version=__version__,
        copies_folder="" if hidden else str(copies_folder(data).absolute()),
        copies=len(copies),
        last_copy_at=copies[0].made_at if copies else None,
    )


def make_copy(data: Path) -> DataFileReport:
    """Copy the data file beside itself, now."""
    backups.make_now(data)
    return describe_data_file(data, hidden=False)


def _too_large(text: str, largest: int) -> str:
    size = len(text.encode())
    if size < MOST_IN_A_BODY * largest:
        return ""
    return (
        f"This file has {size / 1e6:.0f} MB, too large to import on a page. It is whole: oenomel import takes it on the command line,"
        " and oenomel backup carries the data file itself."
    )
