"""Print the ingredients that match words, best first."""

from __future__ import annotations

import argparse
import json
import sys
from pathlib import Path

from oenomel.cli.shared import larder_of
from oenomel.core.larder import Findable, Index


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("words", nargs="+", help='any word for it, such as "triple sec"')
    parser.add_argument("--data", type=Path, help="data file with your ingredients (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Print the ingredients that match words, best first."""
    names = Index(Findable.of(ingredient) for ingredient in larder_of(chosen.data).values())
    rows = [{"slug": match.slug, "name": match.name} for match in names.find(" ".join(chosen.words))]
    if not rows:
        print(f'oenomel: no ingredient matches "{" ".join(chosen.words)}". Try another word for it.', file=sys.stderr)
    print(json.dumps(rows, indent=2, ensure_ascii=False))
    return 0
