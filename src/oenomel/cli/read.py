"""Print the recipe found in a text, a table, a saved page or a spec file."""

from __future__ import annotations

import argparse
from pathlib import Path

from oenomel.cli.shared import larder_of, read_file
from oenomel.core.larder import Findable, Index
from oenomel.formats.recipe_reader import read_text
from oenomel.schemas.format_names import LARGEST_PAGE


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("file", type=Path, help="the file; - for standard input")
    parser.add_argument("--data", type=Path, help="data file with your ingredients (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Print the recipe found in a text, a table, a saved page or a spec file."""
    larder = larder_of(chosen.data)
    index = Index(Findable.of(ingredient) for ingredient in larder.values())
    report = read_text(read_file(chosen.file, LARGEST_PAGE, "recipe"), index, larder.__getitem__)
    print(report.model_dump_json(indent=2, exclude_none=False))
    return 0
