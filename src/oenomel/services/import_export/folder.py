"""A bar's data as a folder of open files, and reading such folders."""

from __future__ import annotations

import shutil
import sqlite3
from collections.abc import Iterable
from contextlib import suppress
from pathlib import Path
from typing import Final

from oenomel.errors import SpecError
from oenomel.formats.house_files import LARGEST_FILE, NamedText
from oenomel.formats.larder_table import write_larder_table
from oenomel.formats.recipe_writer import ENDINGS, write_all_as, write_as
from oenomel.schemas.format_names import Format
from oenomel.schemas.house_file import house_text
from oenomel.services.import_export.drink_ids import ids_of_book
from oenomel.services.import_export.gather import gather_house, latest_specs
from oenomel.store import ingredients, menu_entries, shelf
from oenomel.store.snapshot import sync_folder

__all__ = ["export_house", "read_files"]

HOUSE: Final = "house.json"
READ_ME: Final = """# An export of Oenomel

- `house.json`: everything, with trials, your own bottles and stock. `oenomel import house.json` imports it into another data file.
- `drinks/`: each drink as a spec file, as Markdown, as a table and as a schema.org recipe. `drinks.csv`: all of them in one table.
- `larder.csv`: every ingredient with its composition, stock and price. You can import it under Ingredients.
"""

_EACH: Final[tuple[Format, ...]] = ("json", "markdown", "csv", "jsonld")
_NO_DRINKS: Final = frozenset({"README.md", "larder.csv"})
_ENDINGS: Final = frozenset({".json", ".jsonld", ".csv", ".md", ".txt", ".html"})


def export_house(conn: sqlite3.Connection, folder: Path) -> int:
    """Export everything as open files, and return the number of drinks; an earlier export in the folder is replaced.

    Raises
    ------
    SpecError
        The folder holds something else, or can't be written. Its contents stay unchanged.
    """
    folder = folder.resolve()
    _check(folder)
    part, old = (folder.with_name(f".{folder.name}.{ending}") for ending in ("part", "old"))
    try:
        # Left by an interrupted export: half of a new one, or the earlier one that was put aside.
        shutil.rmtree(part, ignore_errors=True)
        if old.exists() and not folder.exists():
            old.rename(folder)
        shutil.rmtree(old, ignore_errors=True)
        (part / "drinks").mkdir(parents=True)
        drinks = _write(conn, part)
        if folder.exists():
            folder.rename(old)
            part.rename(folder)
            shutil.rmtree(old, ignore_errors=True)
        else:
            part.rename(folder)
        sync_folder(folder.parent)
    except OSError as error:
        with suppress(OSError):
            shutil.rmtree(part, ignore_errors=True)
        raise SpecError(str(folder), f"can't be written: {error.strerror}") from error
    return drinks


def _write(conn: sqlite3.Connection, part: Path) -> int:
    names = {slug: ingredient.name for slug, ingredient in ingredients.larder(conn).items()}
    specs = latest_specs(conn, ids_of_book(conn).values())
    (part / HOUSE).write_text(house_text(gather_house(conn)), encoding="utf-8")
    (part / "README.md").write_text(READ_ME, encoding="utf-8")
    (part / "drinks.csv").write_text(write_all_as([(spec, notes) for _, spec, notes in specs], "csv", names), encoding="utf-8")
    (part / "larder.csv").write_text(
        write_larder_table(ingredients.larder(conn).values(), shelf.all_shelved(conn), menu_entries.pars(conn), ingredients.retired(conn)),
        encoding="utf-8",
    )
    for drink, spec, notes in specs:
        for wanted in _EACH:
            (part / "drinks" / f"{drink}.{ENDINGS[wanted]}").write_text(write_as(spec, wanted, names, notes), encoding="utf-8")
    return len(specs)


def _check(folder: Path) -> None:
    if not folder.parent.is_dir():
        raise SpecError(str(folder), f"there is no folder {folder.parent}: create it, or choose another place")
    if folder.exists() and (not folder.is_dir() or (any(folder.iterdir()) and not (folder / HOUSE).exists())):
        raise SpecError(str(folder), "exists and isn't an earlier export: choose another name, or move it")


def read_files(paths: Iterable[Path]) -> list[NamedText]:
    """Read the texts of files, and of all readable files in folders; raises SpecError that names the first that can't be read."""
    texts = []
    for path in paths:
        files = (
            sorted(file for file in path.rglob("*") if file.suffix in _ENDINGS and file.name not in _NO_DRINKS) if path.is_dir() else [path]
        )
        texts += [NamedText(str(file), _text(file)) for file in files]
    if not texts:
        raise SpecError("", "nothing to import: name files, or a folder with files")
    return texts


def _text(path: Path) -> str:
    try:
        content = path.read_bytes() if path.stat().st_size <= LARGEST_FILE else None
    except OSError as error:
        raise SpecError(str(path), f"can't be read: {error.strerror}") from error
    if content is None:
        raise SpecError(str(path), "is too large to import")
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise SpecError(str(path), f"is not UTF-8: byte {error.start} can't be read") from error
