"""Export everything a bar has as open files."""

from __future__ import annotations

import argparse
from contextlib import closing
from pathlib import Path

from oenomel.services.import_export.folder import export_house
from oenomel.store import database


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("folder", type=Path, help="folder to write to")
    parser.add_argument("--data", type=Path, help="data file (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Export everything a bar has as open files."""
    with closing(database.open_read_only(chosen.data or database.default_path())) as conn:
        many = export_house(conn, chosen.folder)
    print(f"{many} {'drink' if many == 1 else 'drinks'} written to {chosen.folder}, and everything to {chosen.folder / 'house.json'}.")
    return 0
