"""The `oenomel` command. Each subcommand is a module, imported only when it is used, so that the command starts fast."""

from __future__ import annotations

import argparse
import sys
from collections.abc import Sequence
from importlib import import_module
from typing import Final

from oenomel import __version__
from oenomel.errors import OenomelError

__all__ = ["main"]

BAD_INPUT: Final = 2

COMMANDS: Final = {
    "predict": "print the forecast of a spec file as JSON",
    "rebalance": "print the pourable amounts that bring a spec to a target, as JSON",
    "find": "print the ingredients that words of the trade mean, best first, as JSON",
    "read": "print the recipe in a text, a table, linked data or a spec file as JSON",
    "write": "print a spec file in an open format",
    "prepare": "print what a preparation comes to, as JSON",
    "batch": "print a batch of a spec file as it can be measured, as JSON",
    "originals": "print original drinks that meet a wish, as JSON, best first",
    "backup": "copy a data file, in use or not, to a file of its own",
    "restore": "put a copy in the place of the data file; the old one is kept beside it",
    "export": "write everything that a house has as open files",
    "import": "take files into the house, all of them or none, and say what was new, the same, or differs",
    "serve": "serve the app",
}
"""Each command with what it does."""


def main(arguments: Sequence[str] | None = None) -> int:
    """Run the command; returns its exit code: 0, or 2 with one sentence on standard error for bad input."""
    given = sys.argv[1:] if arguments is None else list(arguments)
    chosen = _parser(next((word for word in given if not word.startswith("-")), "")).parse_args(given)
    try:
        return int(chosen.run(chosen))
    except OenomelError as error:
        print(f"oenomel: {error}", file=sys.stderr)
        return BAD_INPUT


def _parser(wanted: str) -> argparse.ArgumentParser:
    """Return the parser with the options of the ``wanted`` command; the others are only listed."""
    parser = argparse.ArgumentParser(prog="oenomel", description="Foresee what a swap does to the balance of a sour, daisy or fizz.")
    parser.add_argument("--version", action="version", version=__version__)
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    for name, summary in COMMANDS.items():
        command = commands.add_parser(name, help=summary)
        if name == wanted:
            module = import_module(f"oenomel.cli.{'import_files' if name == 'import' else name}")
            module.add_arguments(command)
            command.set_defaults(run=module.run)
    return parser
