"""The house carried out and in, its data file, and copies of it."""

from __future__ import annotations

from http import HTTPStatus
from pathlib import Path
from typing import Annotated, Final, Literal

from fastapi import Request
from pydantic import Field

from oenomel import __version__
from oenomel.api.deps import Connection, only_looks
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.middleware.body_limit import LARGEST_HOUSE
from oenomel.errors import OnlyLooking
from oenomel.formats.house_files import NamedText, house_of
from oenomel.formats.recipe_writer import ENDINGS, Format, write_all_as
from oenomel.schemas.base import Entry, Plain, Report, RowId
from oenomel.schemas.house_file import HouseFile, house_text
from oenomel.services.import_export.comparison import look_at
from oenomel.services.import_export.drink_ids import ids_of_book
from oenomel.services.import_export.gather import gather_drinks, gather_house, latest_specs
from oenomel.services.import_export.importer import take_in
from oenomel.services.import_export.items import Choice, Item
from oenomel.services.import_export.prepared_trials import prepare_trials
from oenomel.store import backups, ingredients
from oenomel.store.database import copies_folder, transaction

router = room("carrying")

MOST_IN_A_BODY: Final = 0.9
"""Of what a request may hold; the rest is for what JSON escapes."""


class CarriedFile(Entry):
    """A file that is carried in: what it is called, and its text."""

    name: Annotated[Plain, Field(min_length=1, max_length=300)]
    text: str


class LookRequest(Entry):
    """Files to hold against what the house has."""

    files: Annotated[list[CarriedFile], Field(min_length=1, max_length=200)]


class ImportRequest(LookRequest):
    """Files to take in, and by an item's key what becomes of one that differs; the rest of those is left as it is here."""

    choices: Annotated[dict[Annotated[Plain, Field(max_length=300)], Choice], Field(max_length=5000)] = {}


class ImportReport(Report):
    """Each thing of the files: whether it was new, the same, or differs, side by side."""

    items: list[Item]


class ExportRequest(Entry):
    """Drinks to carry out, all where none is told: with their notebook ("house"), or each newest trial in an open format."""

    drinks: Annotated[list[RowId], Field(max_length=2000)] = []
    wanted: Literal["house"] | Format


class ExportReport(Report):
    """A file to carry along: its text, what it is called, and what to know of it."""

    text: str
    file_name: str
    words: str = ""


class DataFileReport(Report):
    """Where the house lives: its data file, how large it is, which version wrote it, and its copies. No path is told to a guest."""

    path: str
    size_bytes: int
    version: str
    copies_folder: str
    copies: int
    last_copy_at: str | None


@router.post("/import/look", max_body_size=LARGEST_HOUSE, responses=PROBLEMS["write"])
def look_at_files(body: LookRequest, conn: Connection) -> ImportReport:
    """What is new in files, what is the same, and what differs; nothing is written."""
    return ImportReport(items=look_at(conn, _house(body, conn)).items)


@router.post("/import", max_body_size=LARGEST_HOUSE, responses=PROBLEMS["write"])
def import_files(body: ImportRequest, conn: Connection) -> ImportReport:
    """Takes files in, all of them or none. No trial is ever changed."""
    house = _house(body, conn)
    look = look_at(conn, house)
    prepared = prepare_trials(conn, house, look)
    with transaction(conn):
        return ImportReport(items=take_in(conn, house, body.choices, look=look, prepared=prepared))


@router.post("/export", responses=PROBLEMS["write"])
def export_drinks(body: ExportRequest, conn: Connection) -> ExportReport:
    """Some drinks, or the whole house, as a file to carry along."""
    if body.wanted == "house":
        house = gather_drinks(conn, body.drinks) if body.drinks else gather_house(conn)
        text = house_text(house)
        return ExportReport(text=text, file_name=f"{_called(house, whole=not body.drinks)}.json", words=_too_large(text))
    book = ids_of_book(conn)
    specs = latest_specs(conn, body.drinks or book.values())
    names = {slug: each.name for slug, each in ingredients.larder(conn).items()}
    text = write_all_as([(spec, notes) for _, spec, notes in specs], body.wanted, names)
    name = specs[0][0] if len(specs) == 1 else "drinks"
    return ExportReport(text=text, file_name=f"{name}.{ENDINGS[body.wanted]}")


@router.get("/data-file", responses={422: PROBLEMS["bad"][422]})
def get_data_file(request: Request) -> DataFileReport:
    """Where the house lives, and when it was copied last."""
    return _data_file(request)


@router.post("/copies", status_code=HTTPStatus.CREATED, responses=PROBLEMS["silent"])
def make_copy(request: Request) -> DataFileReport:
    """Makes a copy of the data file beside it, now."""
    if only_looks(request):
        raise OnlyLooking
    backups.make_now(request.app.state.data)
    return _data_file(request)


def _data_file(request: Request) -> DataFileReport:
    data: Path = request.app.state.data
    made, hidden = backups.copies_of(data), only_looks(request)
    return DataFileReport(
        path="" if hidden else str(data.absolute()),
        size_bytes=data.stat().st_size if data.exists() else 0,
        version=__version__,
        copies_folder="" if hidden else str(copies_folder(data).absolute()),
        copies=len(made),
        last_copy_at=made[0].made_at if made else None,
    )


def _house(body: LookRequest, conn: Connection) -> HouseFile:
    files = [NamedText(each.name, each.text) for each in body.files]
    return house_of(files, ingredients.names(conn), ingredients.larder(conn).__getitem__)


def _too_large(text: str) -> str:
    size = len(text.encode())
    if size < MOST_IN_A_BODY * LARGEST_HOUSE:
        return ""
    return (
        f"This file has {size / 1e6:.0f} MB, more than a page can take in again. It is whole: oenomel import takes it on the command line,"
        " and oenomel backup carries the data file itself."
    )


def _called(house: HouseFile, *, whole: bool) -> str:
    """What the file is called: the house, or its only drink, or how many there are."""
    if whole:
        return "house"
    return f"{house.drinks[0].id}-with-notebook" if len(house.drinks) == 1 else f"{len(house.drinks)}-drinks-with-notebook"
