"""Copy a data file, while it is in use or not."""

from __future__ import annotations

import argparse
from pathlib import Path

from oenomel.store import backups, database


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("file", type=Path, help="file to write the copy to")
    parser.add_argument("--data", type=Path, help="data file (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Copy a data file, while it is in use or not."""
    data = chosen.data or database.default_path()
    backups.back_up(data, chosen.file)
    print(f"{data} copied to {chosen.file}.")
    return 0
