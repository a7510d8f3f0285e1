"""Restore a copy of the data file; the replaced file is kept beside it."""

from __future__ import annotations

import argparse
from pathlib import Path

from oenomel.store import backups, database


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("file", type=Path, help="copy to restore")
    parser.add_argument("--data", type=Path, help="data file (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Restore a copy of the data file; the replaced file is kept beside it."""
    data = chosen.data or database.default_path()
    kept = backups.restore(data, chosen.file)
    print(f"{chosen.file} restored to {data}." + (f" The previous file is saved as {kept}." if kept else ""))
    return 0
