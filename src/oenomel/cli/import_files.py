"""Import files, all of them or none, and print what was new, the same, or different."""

from __future__ import annotations

import argparse
from contextlib import closing
from pathlib import Path

from oenomel.formats.house_files import house_of
from oenomel.schemas.import_items import CHOICES
from oenomel.services.import_export.comparison import look_at
from oenomel.services.import_export.folder import read_files
from oenomel.services.import_export.importer import import_house
from oenomel.store import database, ingredients


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("files", type=Path, nargs="+", help="house files, specs, tables, Markdown, recipes; or folders of them")
    parser.add_argument("--differs", choices=CHOICES, default="leave", help="what to do with differences (default: leave them)")
    parser.add_argument("--look", action="store_true", help="only list what is new, the same or different")
    parser.add_argument("--data", type=Path, help="data file (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Import files, all of them or none, and print what was new, the same, or different."""
    files, data = read_files(chosen.files), chosen.data or database.default_path()
    database.prepare(data)
    with closing(database.connect(data)) as conn:
        house = house_of(files, ingredients.names(conn), ingredients.larder(conn).__getitem__)
        items = look_at(conn, house).items if chosen.look else import_house(conn, house, {}, chosen.differs)
    for item in items:
        print(f"{item.state:8}{item.kind:8}{item.name}: {item.words}")
        for side in item.sides:
            print(f"{'':16}{side.what}: you have {side.here}, the file has {side.comes}")
    counted = [f"{sum(item.state == state for item in items)} {state}" for state in ("new", "same", "differs")]
    print(f"{', '.join(counted)}.{' Nothing was changed.' if chosen.look else ''}")
    return 0
