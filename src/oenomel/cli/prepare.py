"""Print the composition and yield of a preparation."""

from __future__ import annotations

import argparse
from pathlib import Path

from oenomel.cli.shared import larder_of, read_file
from oenomel.core.larder import Findable, Index, known_by
from oenomel.core.preparations import prepared
from oenomel.schemas.preparation_file import parse_preparation, preparation_of, preparation_report


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("file", type=Path, help="a preparation file (JSON); - for standard input")
    parser.add_argument("--data", type=Path, help="data file with your ingredients (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Print the composition and yield of a preparation."""
    larder = larder_of(chosen.data)
    index = Index(Findable.of(ingredient) for ingredient in larder.values())
    preparation = preparation_of(parse_preparation(read_file(chosen.file, what="preparation file")), known_by(index, larder))
    print(preparation_report(prepared(preparation)).model_dump_json(indent=2))
    return 0
